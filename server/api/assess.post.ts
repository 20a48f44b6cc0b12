/** Assesses a formula document that is not kept: the same figures as `npm run assess`, in this kitchen. */
import { knownKitchen } from '../domain/kitchen'
import { inThread } from '../threads/pool'
import { coreKitchen } from '../../shared/kitchen'

export default defineEventHandler(async (event) => {
  const body = await readBytes(event)
  const { em, owner } = await useRequest(event)
  const answer = await inThread('assessBody', { body, kitchen: coreKitchen(await knownKitchen(em, owner)) })
  if (!('text' in answer)) throw problem(answer.status, ofBody(answer.problem))
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  return answer.text
})
