import { loadKitchen, sentKitchen } from '../domain/kitchen'

export default defineEventHandler(async event => sentKitchen(await loadKitchen(await useEm(event))))
