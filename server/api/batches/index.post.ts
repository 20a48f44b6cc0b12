import { wholeOccasion } from '#core/formula/occasion'
import { NOTHING_SAID, type SaidTruth } from '#core/plant/truth'
import { DEMO_KITCHEN_SEED, demoTruth } from '../../database/demoBook'
import { startBatch } from '../../domain/batches'
import { knownKitchen } from '../../domain/kitchen'
import { coreKitchen } from '../../../shared/kitchen'
import { startBatchSchema } from '../../../shared/schemas/book'
import { readTruth, TruthProblem } from '../../../shared/schemas/truth'

/** A number of its own for a batch's day, from its id. */
const seedOf = (id: string) => Number.parseInt(id.replaceAll('-', '').slice(0, 7), 16)

/** Begins a batch of a formula. */
export default defineEventHandler(async (event) => {
  const body = await readChecked(event, startBatchSchema)
  const { em, owner } = await useRequest(event)
  const kitchen = await knownKitchen(em, owner)
  const { formula, occasion } = takeDocument(body.document, kitchen)
  let said: SaidTruth = NOTHING_SAID
  try {
    if (body.truth !== undefined && body.truth !== null) said = readTruth(body.truth, formula)
  } catch (error) {
    if (!(error instanceof TruthProblem)) throw error
    throw problem(422, { path: `truth.${error.path}`, code: 'unknownValue' })
  }
  const id = body.id.toLowerCase()
  const behind = { said: demoTruth(said), kitchenSeed: DEMO_KITCHEN_SEED, seed: seedOf(id), turns: [] }
  return startBatch(em, owner, now(), {
    id,
    formulaId: body.formulaId.toLowerCase(),
    planned: { formula, occasion: wholeOccasion(occasion) },
    componentId: body.componentId,
    kitchen: coreKitchen(kitchen),
    simulation: body.simulated ? { ...behind, probe: body.probe ?? null } : null,
  })
})
