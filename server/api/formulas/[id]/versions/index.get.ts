/** Every kept state of a formula, newest first, with what it came from and what came of it. */
export default defineEventHandler(async (event) => {
  const em = await useEm(event)
  const owner = await loadKitchen(em)
  const id = formulaId(event)
  if (!await findFormula(em, owner, id)) throw gone()
  return listVersions(em, owner, id)
})
