import { photoOf } from '../../domain/photos'

export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownPhoto')
  const { em, owner } = await useRequest(event)
  const { mime, bytes } = await photoOf(em, owner, id)
  setResponseHeader(event, 'content-type', mime)
  return bytes
})
