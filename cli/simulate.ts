/**
 * `npm run --silent simulate -- FORMULA.json [--kitchen FILE] [--truth TRUTH.json] [--kitchen-seed K] [--seed N]`: the
 * record of a batch as a simulated kitchen would have kept it, as JSON.
 */
import { parseArgs } from 'node:util'
import { InputError } from '#core/base/errors'
import { plainOccasion } from '#core/formula/occasion'
import { PLAIN_KITCHEN } from '#core/kitchen/kitchen'
import { NOTHING_SAID } from '#core/plant/truth'
import { simulateBatch } from '#core/simulate/batch'
import { documentProblemWords } from '../app/words/problems'
import { takeKitchen } from '../shared/schemas/kitchen'
import { readTruth, TruthProblem } from '../shared/schemas/truth'
import { formulaOf, jsonOf, run, Unusable } from './files'

const USAGE =
  'Usage: npm run --silent simulate -- FORMULA.json [--kitchen FILE] [--truth TRUTH.json] [--kitchen-seed K] [--seed N]'
/** A batch begins then unless the occasion says when. */
const USUAL_START = '2026-11-28T09:00'

function askedFor(args: string[]) {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: {
        kitchen: { type: 'string' }, truth: { type: 'string' }, 'kitchen-seed': { type: 'string' }, seed: { type: 'string' },
      },
    })
    if (positionals.length !== 1) throw new Error('give one formula')
    return { file: positionals[0]!, ...values }
  } catch (e) {
    throw new Unusable(`${(e as Error).message}\n${USAGE}`)
  }
}
function seedOf(name: string, text: string | undefined): number {
  const seed = Number(text ?? 0)
  if (!Number.isInteger(seed) || Math.abs(seed) > 2 ** 31) throw new Unusable(`--${name}: give a whole number, not ${text}`)
  return seed
}
const kitchenOf = (file: string) => {
  try {
    return takeKitchen(jsonOf(file))
  } catch (e) {
    if (e instanceof Unusable) throw e
    throw new Unusable(`${file}: is no kitchen: ${(e as Error).message}`)
  }
}

/** @returns the exit code */
export const main = (args: string[]): number => run(() => {
  const asked = askedFor(args)
  const doc = formulaOf(asked.file)
  const occasion = doc.occasion ?? plainOccasion()
  const kitchen = asked.kitchen ? kitchenOf(asked.kitchen) : doc.kitchen ?? PLAIN_KITCHEN
  try {
    console.log(JSON.stringify(simulateBatch({
      planned: { formula: doc.formula, occasion },
      kitchen,
      said: asked.truth ? readTruth(jsonOf(asked.truth), doc.formula) : NOTHING_SAID,
      kitchenSeed: seedOf('kitchen-seed', asked['kitchen-seed']),
      seed: seedOf('seed', asked.seed),
      startedAt: `${occasion.startAt || USUAL_START}:00.000Z`.replace(/(:\d\d:\d\d):00/, '$1'),
    }), null, 1))
  } catch (e) {
    if (e instanceof TruthProblem) throw new Unusable(`${asked.truth}: ${e.path}: ${e.fix}`)
    if (!(e instanceof InputError)) throw e
    const problem = { path: e.path, code: e.code, params: { ...e.params } }
    throw new Unusable(`${asked.file}: ${documentProblemWords(problem)} [${e.path}]`)
  }
})
