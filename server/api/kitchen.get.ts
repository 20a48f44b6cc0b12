export default defineEventHandler(async (event) => {
  const { actorId: _, ...kitchen } = await loadKitchen(await useEm(event))
  return kitchen
})
