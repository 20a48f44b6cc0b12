/** Reads a pasted text that is not kept: the same as `npm run read`, by this kitchen's cups and rules of thumb. */
import { knownKitchen } from '../domain/kitchen'
import { readHouse } from '../../shared/kitchen'
import { inThread } from '../threads/pool'

export default defineEventHandler(async (event) => {
  const body = await readBytes(event)
  const { em, owner } = await useRequest(event)
  const { settings } = await knownKitchen(em, owner)
  const answer = await inThread('readBody', { body, house: readHouse(settings) })
  if (!('text' in answer)) throw problem(answer.status, ofBody(answer.problem))
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  return answer.text
})
