import { redactPhoto } from '../../domain/photos'

/** Takes a picture back. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownPhoto')
  const { em, owner } = await useRequest(event)
  await redactPhoto(em, owner, now(), id)
  return { redacted: true }
})
