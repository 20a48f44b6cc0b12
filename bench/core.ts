/** Speed of the core, as ratios to references timed in the same run. Nothing here is asserted. */
import { assess, work } from '#core/pipeline/assess'
import { pictureOf } from '#core/plan/picture'
import { whenOf } from '#core/plan/when'
import { orderOfWork } from '#core/plan/order'
import { coolCylinder, timeBelow, valueAt } from '#core/physics/thermal/conduction'
import { boundaryOf, type Placing } from '#core/physics/thermal/places'
import { pHOfMix } from '#core/physics/matter/acidity'
import { fillingOf, type Bench } from '#core/formula/bench'
import { evaporate, mix } from '#core/physics/matter/mix'
import { panFor, runPot, type PotInput } from '#core/physics/heat/pot'
import { evenHeat, fractionsOf, thermalProperties } from '#core/physics/thermal/properties'
import { bodyOf, firmness, yieldStress } from '#core/physics/set/firmness'
import corpus from '#core/checks/reading.json'
import { lintOf } from '#core/formats/reader/lint'
import { readWhole } from '#core/formats/reader/read'
import { adjustments } from '#core/solve/adjust'
import { levers } from '#core/solve/elasticity'
import { mapField, rangeAround } from '#core/solve/map'
import { createQuick } from '#core/solve/quick'
import { rebalance } from '#core/solve/rebalance'
import { CHUNK, createSampler } from '#core/solve/sampling'
import { waterActivityOf } from '#core/physics/matter/solutes'
import { taste } from '#core/physics/matter/taste'
import { toEnd } from '#core/base/run'
import { plateOf } from '#core/plate/plate'
import { planOf } from '#core/schedule/plan'
import type { DayInput, StepInput } from '#core/schedule/read'
import { replanSteps } from '#core/schedule/replan'
import { demoFormulas, demoKitchen } from '../server/database/demo'
import { odexCylinder, odexPot } from '../tests/support/reference'
import { demoBenches } from '../tests/support/demo'

const kitchen = demoKitchen()
const demo = demoBenches().map(d => d.document)
const doc = demo[0]!

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
const print = (what: string, ms: number, reference?: number) =>
  console.log(
    `${what.padEnd(66)} ${ms < 0.5 ? `${(1000 * ms).toFixed(1).padStart(9)} µs` : `${ms.toFixed(3).padStart(9)} ms`}${reference === undefined ? '' : ` ${(reference / ms).toFixed(1).padStart(8)} × as fast`}`,
  )

// Pot and chill: the project's integrators against odex on the same equations, at about the same error.
const m = mix(work(doc, kitchen).mixed.plan.cooked)
const p = thermalProperties(fractionsOf(m), 60)
const pot: PotInput = {
  massG: m.massG,
  waterG: m.grams.water,
  cp: p.cp,
  pan: panFor(m.massG / 1000 / p.rho),
  startTempC: 18,
  targetTempC: 80,
  holdS: 0,
  method: 'waterBath',
  burnerW: 250,
  roomTempC: 20,
  altitudeM: 0,
  waterActivity: 0.96,
}
const reachedS = runPot(pot).reachedS!
const placing: Placing = {
  kind: 'fanFridge',
  airTempC: 3,
  cover: 'film',
  material: 'ceramic',
  crustM: 0,
  crustForm: 'shell',
  waterActivity: 0.96,
  hcFactor: 1,
}
const chill = {
  radiusM: 0.0375,
  heightM: 0.03,
  solid: { k: 0.4, rho: 1100, cp: evenHeat(3050) },
  startTempC: 75,
  endS: 24 * 3600,
  boundary: (_: number, faces: Parameters<typeof boundaryOf>[1]) => boundaryOf(placing, faces),
}
const times = [1800, 3600, 7200, 14400]
const exact = odexCylinder(chill, 8, times, 1e-9)
const errorOf = (core: number[]) => Math.max(...core.map((t, i) => Math.abs(t - exact[i]!)))
const own = coolCylinder(chill)
const ownError = errorOf(times.map(t => valueAt(own.timeS, own.coreC, t)))
console.log('Pot and chill against odex, the same equations on the same grid\n')
// odex is given the loosest tolerance that is no worse than our own error.
let tolerance = 1e-1
while (tolerance > 1e-8 && errorOf(odexCylinder(chill, 8, times, tolerance)) > ownError) tolerance /= 3
const day = [1800, 3600, 7200, 14400, 24 * 3600]
const odexChill = median(() => odexCylinder(chill, 8, day, tolerance), 5)
const dayChill = () => coolCylinder(chill)
const ownChill = median(dayChill)
console.log(
  `largest error of the core temperature: ours ${ownError.toFixed(3)} K, odex at tolerance ${tolerance.toExponential(0)} ${errorOf(odexCylinder(chill, 8, times, tolerance)).toFixed(3)} K`,
)
print('chill over a day, odex', odexChill)
print('chill over a day, ours', ownChill, odexChill)
// The pot alike: temperature along the way, at the loosest tolerance that is no worse than ours.
const heatTimes = [0.25, 0.5, 0.75].map(share => share * reachedS)
const heatExact = odexPot(pot, heatTimes, 1e-11)
const heatErrorOf = (tempC: number[]) => Math.max(...tempC.map((t, i) => Math.abs(t - heatExact[i]!.tempC)))
const ownRun = runPot(pot).history
const ownHeatError = heatErrorOf(heatTimes.map(t => valueAt(ownRun.timeS, ownRun.tempC, t)))
const odexHeatError = (at: number) => heatErrorOf(odexPot(pot, heatTimes, at).map(x => x.tempC))
let heatTolerance = 1e-1
while (heatTolerance > 1e-10 && odexHeatError(heatTolerance) > ownHeatError) heatTolerance /= 3
console.log(
  `largest error of the pot: ours ${ownHeatError.toExponential(1)} K, odex at tolerance ${heatTolerance.toExponential(0)} `
  + `${odexHeatError(heatTolerance).toExponential(1)} K`,
)
const odexHeat = median(() => odexPot(pot, [reachedS], heatTolerance), 20)
const ownHeat = median(() => runPot(pot))
print('pot to 80 °C, odex', odexHeat)
print('pot to 80 °C, ours (with its whole curve)', ownHeat, odexHeat)
print('both, ours against odex', ownChill + ownHeat, odexChill + odexHeat)

console.log('\nConduction against the analytic series (Carslaw & Jaeger: half at 3539 s, a tenth at 9975 s)\n')
const even = (h: number) => () => ({
  top: { u: h, airC: 0, evaporationW: 0 },
  base: { u: h, airC: 0 },
  side: { u: h, airC: 0 },
})
const cool = (n: number, maxStepS: number) =>
  coolCylinder({
    radiusM: 0.0375,
    heightM: 0.03,
    solid: { k: 0.4, rho: 1100, cp: evenHeat(3050) },
    startTempC: 80,
    endS: 14000,
    boundary: even(8),
    nr: n,
    nz: n,
    maxStepS,
    firstStepS: Math.min(15, maxStepS),
  })
const fine = median(() => cool(32, 15), 9)
for (const [n, step] of [
  [32, 15],
  [8, 60],
  [8, 240],
] as const) {
  const r = cool(n, step)
  print(
    `${n} × ${n}, steps to ${step} s: ${(100 * (timeBelow(r.timeS, r.coreC, 40)! / 3539 - 1)).toFixed(2)} % at a half, ${(100 * (timeBelow(r.timeS, r.coreC, 8)! / 9975 - 1)).toFixed(2)} % at a tenth`,
    median(() => cool(n, step), 30),
    fine,
  )
}

console.log('\nAssessments\n')
// Each beside a day's chill timed at the same moment: a machine is not equally fast from minute to minute.
const costs = demo.map((d) => {
  const beside = median(dayChill, 30)
  const ms = median(() => assess(d, kitchen), 30)
  print(`${d.family}: ${d.name}`, ms)
  return ms / beside
}).sort((x, y) => x - y)
console.log(
  `against a day's 2-D chill timed beside it: the median ${costs[costs.length >> 1]!.toFixed(1)} times, `
  + `the dearest ${costs.at(-1)!.toFixed(1)} times`,
)
const live = demo.map(d => median(() => assess(d, kitchen), 30)).sort((a, b) => a - b)[demo.length >> 1]!
print('the median formula: a live assessment (heat, two coolings, table, set)', live)
console.log(`${(1000 / live).toFixed(0)} live assessments a second on one core.`)

const worked = work(doc, kitchen)
const state = worked.assessment.verdict.cold.state
/** What needs no time course: mix, pH, water activity, taste, every mechanism at a given state. */
function still(parts = worked.mixed.plan.all) {
  const whole = mix(parts)
  const pH = pHOfMix(whole)
  const finished = evaporate(whole, worked.heated.evaporatedG)
  taste(finished, pH)
  waterActivityOf(finished)
  return yieldStress(firmness(bodyOf(finished, pH, worked.heated.body.making), state))
}
print(
  'the static part (mix, pH, water activity, taste, all mechanisms)',
  median(() => {
    for (let i = 0; i < 100; i++) still()
  }, 30) / 100,
)
print(
  'a 64 × 64 map of two lines, static part',
  median(() => {
    const [a, b] = fillingOf(doc).lines
    for (let i = 0; i < 64; i++)
      for (let j = 0; j < 64; j++)
        still(
          worked.mixed.plan.all.map((x, k) =>
            k === 0
              ? { ...x, massG: a!.massG * (0.5 + i / 64) }
              : k === 1
                ? { ...x, massG: b!.massG * (0.5 + j / 64) }
                : x,
          ),
        )
  }, 3),
)
const scaled = (d: Bench, i: number): Bench => ({
  ...d,
  components: d.components.map(c => ({
    ...c,
    lines: c.lines.map((l, k) => (k === 0 ? { ...l, massG: l.massG * (0.8 + i / 200) } : l)),
  })),
})
print(
  'a live number stepped: 16 neighbours assessed, each',
  median(() => {
    for (let i = 0; i < 16; i++) assess(scaled(doc, i), kitchen)
  }, 5) / 16,
)
const quick = createQuick(doc, kitchen, worked)
const whole = median(() => assess(doc, kitchen), 30)
print(
  'a quick point, against a whole assessment',
  median(() => {
    for (let i = 0; i < 50; i++) quick(doc)
  }, 20) / 50,
  whole,
)
const [down, across] = fillingOf(doc).lines.map(l => ({ kind: 'mass' as const, lineId: l.id }))
for (const n of [16, 64]) {
  print(
    `the map of two lines, ${n} × ${n}`,
    median(() => {
      const field = mapField(
        doc,
        kitchen,
        {
          x: across!,
          y: down!,
          xRange: rangeAround(doc, kitchen, across!),
          yRange: rangeAround(doc, kitchen, down!),
          n,
        },
        quick,
      )
      while (!field.next().done);
    }, 3),
  )
}
print(
  'a rebalance to "bright, stands 25 mm when cut"',
  median(() => {
    const search = rebalance(doc, kitchen, {
      set: { kind: 'standsCut', heightM: 0.025 },
      sharpness: 'bright',
      sweetness: null,
      yieldG: null,
      maxCost: null,
      maxYolkG: null,
      wholeEggs: true,
    })
    while (!search.next().done);
  }, 3),
)
print(
  'the levers of a formula',
  median(() => levers(doc, kitchen, true, quick), 5),
)
print(
  `${CHUNK} samples of the uncertainty`,
  median(() => createSampler(worked).run(CHUNK), 20),
)
print(
  'when: three coolings and their sets, against a whole assessment',
  median(() => whenOf(worked, doc, kitchen), 20),
  whole,
)
print(
  'the picture of the cold: 144 cells, 91 frames, against a whole assessment',
  median(() => pictureOf(worked, doc, kitchen, 6 * 3600), 10),
  whole,
)
print(
  'the order of work',
  median(() => orderOfWork(doc, kitchen, worked.assessment), 50),
)
print(
  'the search for adjustments',
  median(() => {
    const search = adjustments(doc, kitchen, worked.assessment)
    while (!search.next().done);
  }, 3),
)

console.log('\nReading\n')
const pasted = corpus.texts.map(t => t.text)
const pastedLines = pasted.reduce((n, t) => n + t.split('\n').length, 0)
const readAll = median(() => pasted.forEach(t => readWhole(t)), 5)
print('a line of pasted text read', readAll / pastedLines)
print('a line read and linted', median(() => pasted.forEach(t => lintOf(readWhole(t))), 5) / pastedLines)

console.log('\nA day\n')
/** Twelve desserts of ten steps for three cooks, two rings, an oven and a fridge. */
function fullDay(): DayInput {
  const at = (h: number, m = 0) => `2026-11-28T${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`
  const step = (name: string, minutes: number, attended: boolean | number, kind?: string, tempC?: number): StepInput =>
    ({ name, minutes, minutesSlow: minutes * 1.2, attended, uses: kind ? [{ kind, tempC: tempC ?? null }] : [] })
  return {
    date: '2026-11-28',
    hands: ['Ines', 'Tomas', 'Wren'].map(name => ({ name, from: at(6), to: at(21) })),
    equipment: [
      { id: 'oven', kind: 'oven', capacity: 2, heatKPerMin: 8, coolKPerMin: 2.5 }, { id: 'ring', kind: 'ring', capacity: 2 },
      { id: 'fridge', kind: 'fridge', capacity: 12 },
    ],
    desserts: Array.from({ length: 12 }, (_, i) => ({
      id: `d${i}`, name: `d${i}`, serveAt: at(14 + (i % 6), 10 * (i % 5)), keepMinutes: 90,
      steps: [
        step('weigh', 10, true), step('mix', 6, true), step('cook', 14, true, 'ring'), step('strain', 3, true),
        i % 3 === 0 ? step('bake', 25, 2, 'oven', i % 2 ? 150 : 165) : step('pour', 5, true),
        step('cool', 20, false), step('chill', 150, 1, 'fridge'), step('top', 6, true), step('cut', 4, true),
        step('plate', 5, true),
      ],
    })),
  }
}
const busy = fullDay()
print('a first plan of 12 desserts, 120 steps', median(() => planOf(busy, 0.02), 3), whole)
print('a good plan of them', median(() => planOf(busy, 1), 3), whole)
const [before] = [planOf(busy, 1)]
const late = structuredClone(busy)
const was = before!.tasks.find(t => t.id === 'mix')!
late.desserts.find(d => d.id === was.dessert)!.steps!.find(s => s.name === 'mix')!.fixed = {
  start: new Date(Date.parse(`${was.start.slice(0, 19)}Z`) - 5 * 60_000).toISOString().slice(0, 19), who: was.who,
}
print('planned anew after a step was moved', median(() => toEnd(replanSteps(late, before!)), 3), whole)
const mousseCake = demoFormulas().find(f => f.document.formula.name.includes('mousse cake'))!.document
print('a whole dessert of four parts', median(() => plateOf(mousseCake, kitchen), 10), whole)
