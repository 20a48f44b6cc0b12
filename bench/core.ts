/** Speed of the core, as ratios to a reference timed in the same run. */
import { assess, work } from '#core/assess'
import { coolCylinder, timeBelow } from '#core/chill/conduction'
import { adjustments } from '#core/solve/adjust'
import { CHUNK, createSampler } from '#core/solve/sampling'
import { pHOfMix } from '#core/acidity/acidity'
import { mix } from '#core/formula/mix'
import { demoFormulas, LOTS, PLACES, SETTINGS, VESSELS } from '../server/database/demo'
import { coreKitchen } from '../shared/schemas/kitchen'

const kitchen = coreKitchen({ settings: SETTINGS, places: PLACES, vessels: VESSELS, lots: LOTS })
const doc = demoFormulas()[0]!.document

/** Median time of a call, ms, after warming up. */
function median(call: () => unknown, runs = 60): number {
  for (let i = 0; i < runs; i++) call()
  const times = Array.from({ length: runs }, () => {
    const start = performance.now()
    call()
    return performance.now() - start
  })
  return times.sort((a, b) => a - b)[runs >> 1]!
}
const print = (what: string, ms: number, reference: number) => console.log(`${what.padEnd(62)} ${ms.toFixed(3).padStart(9)} ms ${(ms / reference).toFixed(2).padStart(8)} ×`)

const solid = { k: 0.4, rho: 1100, cp: () => 3050 }
const even = (h: number) => () => ({ top: { u: h, airC: 0, evaporationW: 0 }, base: { u: h, airC: 0 }, side: { u: h, airC: 0 } })
const cool = (n: number, maxStepS: number) => coolCylinder({ radiusM: 0.0375, heightM: 0.03, solid, startTempC: 80, endS: 14000, boundary: even(8), nr: n, nz: n, maxStepS, firstStepS: Math.min(15, maxStepS) })

const reference = median(() => cool(32, 15), 15)
console.log('× is the time against the reference: a finite cylinder on a 32 × 32 grid with steps of 15 s.\n')
print('conduction, reference', reference, reference)
print('conduction as used (8 × 8, steps to 240 s)', median(() => cool(8, 240)), reference)
// Carslaw & Jaeger, product series: half at 3539 s, a tenth at 9975 s.
for (const [n, step] of [[32, 15], [8, 240]] as const) {
  const r = cool(n, step)
  console.log(`  ${n} × ${n}: error against the series ${(100 * (timeBelow(r.timeS, r.coreC, 40)! / 3539 - 1)).toFixed(2)} % at a half, ${(100 * (timeBelow(r.timeS, r.coreC, 8)! / 9975 - 1)).toFixed(2)} % at a tenth`)
}
const point = median(() => assess(doc, kitchen))
print('a whole assessment (pot, two coolings, table, all findings)', point, reference)
const parts = work(doc, kitchen).stage.all
print('mixing and pH alone', median(() => pHOfMix(mix(parts))), reference)
const worked = work(doc, kitchen)
print(`${CHUNK} samples of the uncertainty`, median(() => createSampler(worked).run(CHUNK), 20), reference)
print('the search for adjustments', median(() => {
  const search = adjustments(doc, kitchen, worked.assessment)
  while (!search.next().done);
}, 5), reference)
console.log(`\n${(1000 / point).toFixed(0)} assessments a second on one core.`)
