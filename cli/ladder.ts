/**
 * `npm run --silent ladder -- FILE.json [--json]`: rows of grams and stated process against the bands a cook expects.
 */
import { readFileSync } from 'node:fs'
import { InputError } from '#core/base/errors'
import { evaluateLadder, readLadder, type LadderReport } from '#core/formats/ladder'
import { MECHANISMS } from '#core/physics/set/firmness'
import { documentProblemWords } from '../app/words/problems'

/** The report as a table for a terminal. */
export function ladderText(r: LadderReport): string {
  const rows = r.rows.map((x) => {
    const parts = MECHANISMS.filter(k => x.mechanismsPa[k] >= 0.5)
      .map(k => `${k.replace('Pa', '')} ${Math.round(x.mechanismsPa[k])}`)
      .join(', ')
    const likely = `${x.likeliestBand} ${Math.round(100 * x.bandShares[x.likeliestBand]!)} %`
    return [
      `${x.expectedBands.length === 0 ? '   ' : x.inBand ? 'in ' : 'OUT'} ${x.name}`,
      `    pH ${x.pH.toFixed(2)}; ${x.yieldStressPa.toFixed(1)} Pa, density-corrected ${x.tauStarPa.toFixed(1)} Pa: ${x.band}; likeliest ${likely}; expected ${x.expectedBands.join(' or ') || 'nothing stated'}`,
      `    ${parts || 'nothing sets'}`,
    ].join('\n')
  })
  const likely = r.rows.filter(x => x.expectedBands.includes(x.likeliestBand)).length
  return `${rows.join('\n')}\n${r.inBand} of ${r.total} in band by the central value, ${likely} by the largest share.`
}

/** @returns exit code */
export function main(args: string[]): number {
  const json = args.includes('--json')
  const files = args.filter(a => a !== '--json')
  if (files.length !== 1) {
    console.error('Usage: npm run --silent ladder -- FILE.json [--json]')
    return 1
  }
  const file = files[0]!
  try {
    const result = evaluateLadder(readLadder(JSON.parse(readFileSync(file, 'utf8'))))
    console.log(json ? JSON.stringify(result, null, 1) : ladderText(result))
    return 0
  } catch (e) {
    if (e instanceof InputError)
      console.error(
        `${file}: ${documentProblemWords({ path: e.path, code: e.code, params: { ...e.params } })} [${e.path}]`,
      )
    else
      console.error(
        `${file}: ${(e as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file.' : `cannot be read as JSON: ${(e as Error).message}.`}`,
      )
    return 1
  }
}
