import { redactText } from '../../domain/redaction'

/** Takes a text of a batch back. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownText')
  const { em, owner } = await useRequest(event)
  await redactText(em, owner, now(), id)
  return { redacted: true }
})
