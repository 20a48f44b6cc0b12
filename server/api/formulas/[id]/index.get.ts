export default defineEventHandler(async (event) => {
  const em = await useEm(event)
  const row = await findFormula(em, await loadKitchen(em), formulaId(event))
  if (!row) throw gone()
  return recordOf(row)
})
