export default defineEventHandler(async (event) => {
  const em = await useEm(event)
  if (!await setDeleted(em, await loadKitchen(em), formulaId(event), now())) throw gone()
  return { deleted: true }
})
