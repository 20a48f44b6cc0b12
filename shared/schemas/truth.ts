/** What may be said of a simulated kitchen's truth (TRUTH.json): figures by name, and what went wrong. */
import { KITCHEN_TRUTHS, BATCH_TRUTHS, MISTAKES, type Mistake, type SaidTruth, type TruthId } from '#core/plant/truth'
import type { FormulaDocument } from '#core/formula/document'

/** What a truth can be at all: a factor from a fifth to five times, a bias of so many kelvin. */
const LIMITS: Record<TruthId, readonly [number, number]> = {
  probeBiasK: [-15, 15],
  burnerFactor: [0.2, 5],
  ovenOffsetK: [-60, 60],
  fridgeAirOffsetK: [-15, 15],
  fridgeConvectionFactor: [0.2, 5],
  evaporationFactor: [0.2, 5],
  setFactor: [0.05, 20],
  scaleFactor: [0.5, 2],
  lossFactor: [0, 10],
  juiceAcidFactor: [0.1, 3],
  yolkMassFactor: [0.3, 3],
}
export const TRUTH_IDS = [...Object.keys(KITCHEN_TRUTHS), ...Object.keys(BATCH_TRUTHS)] as TruthId[]

/** Something that cannot be: where, and in words what would be. */
export class TruthProblem extends Error {
  constructor(readonly path: string, readonly fix: string) {
    super(`${path}: ${fix}`)
  }
}

const isObject = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x)

const OF_A_LINE: readonly string[] = ['lineForgotten', 'lineDoubled', 'spoonSize']
/** What is named in a mistake must be there: its kind, its line, its amount. */
function mistakeOf(input: unknown, formula: FormulaDocument): Mistake | null {
  if (input === null || input === undefined) return null
  if (!isObject(input)) throw new TruthProblem('mistake', 'give null, or an object with kind, lineId and amount')
  const { kind, lineId = null, amount = null, ...more } = input
  const [odd] = Object.keys(more)
  if (odd) throw new TruthProblem(`mistake.${odd}`, 'is not known; a mistake has kind, lineId and amount')
  if (!MISTAKES.includes(kind as never)) throw new TruthProblem('mistake.kind', `give one of ${MISTAKES.join(', ')}`)
  const lines = formula.components.flatMap(c => c.lines.map(l => l.id))
  if (lineId !== null && !lines.includes(lineId as string))
    throw new TruthProblem('mistake.lineId', `no line has this id; the formula has ${lines.join(', ')}`)
  if (lineId === null && OF_A_LINE.includes(kind as string))
    throw new TruthProblem('mistake.lineId', `${String(kind)} is about a line: give its id`)
  if (amount !== null && !(typeof amount === 'number' && Number.isFinite(amount)))
    throw new TruthProblem('mistake.amount', 'give a number, or null')
  return { kind: kind as Mistake['kind'], lineId: lineId as string | null, amount }
}

/**
 * A truth as it was said. @throws {TruthProblem} naming what cannot be
 * @example readTruth({ probeBiasK: 2 }, formula).values.probeBiasK // 2
 */
export function readTruth(input: unknown, formula: FormulaDocument): SaidTruth {
  if (!isObject(input)) throw new TruthProblem('truth', 'give an object with some of its figures')
  const { mistake, ...figures } = input
  for (const [name, value] of Object.entries(figures)) {
    const [id, ...of] = name.split('.')
    if (!TRUTH_IDS.includes(id as TruthId) || of.some(x => x === ''))
      throw new TruthProblem(name, `is not known; a truth has ${TRUTH_IDS.join(', ')} and mistake`)
    const [min, max] = LIMITS[id as TruthId]
    if (typeof value !== 'number' || !Number.isFinite(value)) throw new TruthProblem(name, 'give a number')
    if (value < min || value > max) throw new TruthProblem(name, `give a number from ${min} to ${max}`)
  }
  return { values: figures as Record<string, number>, mistake: mistakeOf(mistake, formula) }
}
