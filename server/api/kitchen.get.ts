import { knownKitchen, sentKitchen } from '../domain/kitchen'

export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  return sentKitchen(await knownKitchen(em, owner))
})
