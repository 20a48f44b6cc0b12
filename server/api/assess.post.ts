/** Assesses a formula document that is not kept: the same figures as `npm run assess`, in this kitchen. */
import { report } from '#core/formats/report'
import { InputError } from '#core/errors'
import { coreKitchen } from '../../shared/schemas/kitchen'

export default defineEventHandler(async (event) => {
  const owner = await loadKitchen(await useEm(event))
  const document = takeDocument(await readJson(event), owner)
  try {
    return report(document, coreKitchen(owner))
  } catch (error) {
    if (error instanceof InputError) throw problem(422, { path: `document.${error.path}`, code: error.code, params: { ...error.params } })
    throw error
  }
})
