/** `npm run --silent day -- DAY.json`: the plan of a day, as JSON (docs/formats.md). */
import { toEnd } from '#core/base/run'
import { documentProblemWords } from '../app/words/problems'
import { readAndPlan } from '../shared/schemas/day'
import { jsonOf, run, Unusable } from './files'

/** @returns the exit code */
export const main = (args: string[]): number => run(() => {
  if (args.length !== 1) throw new Unusable('Usage: npm run --silent day -- DAY.json')
  const result = toEnd(readAndPlan(jsonOf(args[0]!)))
  if (!result.ok) throw new Unusable(`${args[0]}: ${documentProblemWords(result.problem)} [${result.problem.path}]`)
  console.log(JSON.stringify(result.plan, null, 1))
})
