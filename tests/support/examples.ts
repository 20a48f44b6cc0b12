/**
 * Examples in docstrings, run as tests: `@example code // value`. The code sees every public function of the core and
 * what stands below; a value is what the code gives, to the digits that are written.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { benchOf, fillingOf, putBack } from '../../core/formula/bench'
import { freezingOf } from '../../core/physics/chill/freezing'
import { pHOfMix } from '../../core/physics/matter/acidity'
import { mix } from '../../core/physics/matter/mix'
import { assess, work } from '../../core/pipeline/assess'
import { evenHeat, fractionsOf } from '../../core/physics/thermal/properties'
import { noiseOf } from '../../core/base/noise'
import { NOTHING_SAID } from '../../core/plant/truth'
import { simulateBatch } from '../../core/simulate/batch'
import { planOf } from '../../cli/trials/pot'
import { COLD_COURSE, pacesByClock, startCourse } from '../../core/live/course'
import { drawPot } from '../../core/plant/drawPot'
import { counter, formula, kitchen, parts, YOLK_CURD } from './core'
import { twoFillings } from './desserts'

/** A round piece of water's properties, 6 cm wide and 2 cm deep, and a face that cools it. */
const PIECE = { radiusM: 0.03, depthM: 0.02, k: 0.5, rho: 1000, cp: evenHeat(4000) }
const COOL = { u: 10, airC: 4, leavesWM2: 0 }

/** What examples speak of: a curd of 170 g yolk, sugar and lemon juice and 85 g butter, and a tart of two fillings. */
export function fixtures(): Record<string, unknown> {
  const doc = formula()
  const planned = putBack(doc)
  const m = mix(parts(YOLK_CURD))
  const worked = work(doc, kitchen)
  return {
    doc,
    kitchen,
    planned,
    ...planned,
    dessert: twoFillings().planned,
    id: counter('n'),
    lines: fillingOf(doc).lines,
    m,
    cream: mix(parts({ cream36: 600, sugar: 150, lemon: 90 })),
    pH: pHOfMix(m),
    fractions: fractionsOf(m),
    pouch: { solid: freezingOf(fractionsOf(m), 0.9).solid, startTempC: 10, bathC: 82, holdS: 600 },
    worked,
    pot: planOf(drawPot(1)),
    begun: startCourse(pacesByClock([0, 3600], [60, 5]), { nowC: 60, endC: 4 }, COLD_COURSE),
    stated: PIECE,
    faces: { top: COOL, base: COOL, side: COOL },
    record: simulateBatch({ planned, kitchen, said: NOTHING_SAID, kitchenSeed: 0, seed: 1, startedAt: '' }),
    noise: noiseOf(1),
    assessment: assess(benchOf(planned), kitchen),
  }
}

export interface Example {
  file: string
  code: string
  value: string
}
/** Every example of the core's docstrings. */
export function examples(): Example[] {
  return readdirSync('core', { recursive: true, encoding: 'utf8' })
    .filter(f => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .flatMap((f) => {
      const text = readFileSync(join('core', f), 'utf8')
      return [...text.matchAll(/@example ([^\n]*?) \/\/ ([^\n]*?)(?: \*\/)?\n/g)].map(([, code, value]) =>
        ({ file: f, code: code!, value: value! }))
    })
}
/** Whatever comes after an `@example` that is not of the form above. */
export const written = (): number =>
  readdirSync('core', { recursive: true, encoding: 'utf8' })
    .filter(f => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .reduce((n, f) => n + (readFileSync(join('core', f), 'utf8').match(/@example/g)?.length ?? 0), 0)

/** Evaluates a text that sees a scope. */
export const evaluate = (code: string, scope: Record<string, unknown>): unknown =>
  new Function(...Object.keys(scope), `return (${code.replaceAll('!', '')})`)(...Object.values(scope))
