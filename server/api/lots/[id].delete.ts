export default defineEventHandler(async (event) => {
  const kitchen = await removeLot(await useEm(event), now(), formulaId(event))
  if (!kitchen) throw problem(404, { path: 'id', code: 'unknownLot' })
  const { actorId: _, ...rest } = kitchen as Owner
  return rest
})
