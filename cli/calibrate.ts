/**
 * `npm run --silent calibrate -- BATCH.json… [--truth TRUTH.json]`: what these batches teach of the kitchen they were
 * made in, and what that gains in foretelling each from the others, as JSON.
 */
import { parseArgs } from 'node:util'
import { calibrate } from '#core/learn/calibrate'
import { readTruth, TruthProblem } from '../shared/schemas/truth'
import { batchOf, jsonOf, run, Unusable } from './files'

const USAGE = 'Usage: npm run --silent calibrate -- BATCH.json… [--truth TRUTH.json]'

/** @returns the exit code */
export const main = (args: string[]): number => run(() => {
  let asked
  try {
    asked = parseArgs({ args, allowPositionals: true, options: { truth: { type: 'string' } } })
  } catch (e) {
    throw new Unusable(`${(e as Error).message}\n${USAGE}`)
  }
  const { values, positionals } = asked
  if (positionals.length === 0) throw new Unusable(USAGE)
  const records = positionals.map(batchOf)
  let truth = null
  if (values.truth) {
    try {
      truth = readTruth(jsonOf(values.truth), records[0]!.formula).values
    } catch (e) {
      if (!(e instanceof TruthProblem)) throw e
      throw new Unusable(`${values.truth}: ${e.path}: ${e.fix}`)
    }
  }
  const { parameters, leftOut } = calibrate(records, truth)
  console.log(JSON.stringify({ parameters, leftOut }, null, 1))
})
