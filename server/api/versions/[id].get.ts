/** One kept state, with its document. */
export default defineEventHandler(async (event) => {
  const em = await useEm(event)
  const version = await findVersion(em, await loadKitchen(em), formulaId(event))
  if (!version) throw problem(404, { path: 'id', code: 'unknownVersion' })
  return version
})
