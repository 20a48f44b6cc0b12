/** `npm run --silent diagnose -- BATCH.json`: why a batch failed, as JSON (docs/formats.md). */
import { InputError } from '#core/base/errors'
import { diagnoseWhole } from '#core/diagnose/diagnose'
import { documentProblemWords } from '../app/words/problems'
import { batchOf, run, Unusable } from './files'

/** @returns the exit code */
export const main = (args: string[]): number => run(() => {
  if (args.length !== 1) throw new Unusable('Usage: npm run --silent diagnose -- BATCH.json')
  const record = batchOf(args[0]!)
  try {
    const { causes, ...rest } = diagnoseWhole(record)
    const told = causes.map(({ id, share, direction }) => ({ id, share, direction }))
    console.log(JSON.stringify({ causes: told, ...rest }, null, 1))
  } catch (e) {
    if (!(e instanceof InputError)) throw e
    throw new Unusable(`${args[0]}: ${documentProblemWords({ path: e.path, code: e.code, params: { ...e.params } })} [${e.path}]`)
  }
})
