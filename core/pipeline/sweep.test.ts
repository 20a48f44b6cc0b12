/**
 * No cliffs: every input of every way of making, swept. Where two neighbours differ much, halving the step four times
 * towards the steeper side must take three quarters of the difference away, unless something that happens or does not
 * lies between them: the mix boils, the pot stalls, the piece freezes. When it is ready is not looked at: where the set
 * only just gets there, a gram moves it by hours, and does in kitchens.
 */
import { describe, expect, it } from 'vitest'
import { kitchen, make } from '../../tests/support/core'
import { type Bench, fillingOf } from '../formula/bench'
import { SCHOOLS } from '../formula/document'
import { assess } from './assess'

/** Outputs, and the difference under which a step is none: no cook sees it. */
const SEEN = {
  lnCold: 0.1, lnPlate: 0.1, pH: 0.05, endS: 60, a: 0.05, b: 0.05, evaporatedG: 4, depthM: 0.001,
  weeping: 0.5, sour: 0.15, plateC: 0.5, lnLethality: 0.4, coldC: 0.5, pourC: 1,
}
type Output = keyof typeof SEEN
const ln = (x: number) => Math.log(Math.max(x, 1))
function looked(d: Bench): { out: Record<Output, number>, events: string } {
  const a = assess(d, kitchen)
  const out = {
    lnCold: ln(a.verdict.cold.tauPa.value), lnPlate: ln(a.verdict.plate.tauPa.value), pH: a.balance.pH.value,
    endS: a.heat.endS, a: a.heat.a, b: a.heat.b, evaporatedG: a.heat.evaporatedG, depthM: a.shape.depthM,
    weeping: a.set.weeping.score, sour: a.balance.taste.sour,
    plateC: a.serve.plateTempC, lnLethality: ln(a.heat.lethality.value + 1), coldC: a.verdict.cold.tempC,
    pourC: a.heat.pourTempC,
  }
  const { timeS, evaporationG, reachedS } = a.heat
  const boils = evaporationG.at(-1)! - (evaporationG[timeS.findIndex(t => t >= (reachedS ?? 0))] ?? 0) > 8
  const events = [a.heat.reachedS === null, boils, a.chill.freeze?.firmS != null, a.chill.readyS === null]
  return { out, events: events.join() }
}

interface Input { name: string, from: number, to: number, set: (d: Bench, v: number) => void }
function inputsOf(d: Bench): Input[] {
  const { heat } = d
  const put = (name: string, from: number, to: number, set: Input['set'], when = true): Input[] =>
    when ? [{ name, from, to, set }] : []
  const last = (x: Bench) => x.chill.at(-1)!
  const { lengthM, heightM } = d.assembly.vessel
  return [
    ...fillingOf(d).lines.flatMap((l, i) =>
      put(l.ingredientId, 0.4 * l.massG, 1.8 * l.massG, (x, v) => { fillingOf(x).lines[i]!.massG = v })),
    ...put('target', heat.targetTempC - 12, Math.min(heat.targetTempC + 8, 97), (x, v) => { x.heat.targetTempC = v },
      heat.method !== 'none' && heat.targetTempC < 97),
    ...put('hold', 0, 400, (x, v) => { x.heat.holdS = v }, heat.method !== 'none'),
    ...put('burner', heat.burnerW, 2 * heat.burnerW, (x, v) => { x.heat.burnerW = v }, heat.method === 'direct'),
    ...put('start', 4, 40, (x, v) => { x.heat.startTempC = v }),
    ...put('hours cold', 7200, 72000, (x, v) => { last(x).timeS = v }),
    ...put('air', 1, 9, (x, v) => { last(x).place = { ...last(x).place, airTempC: v } }),
    ...put('table', 0, 5400, (x, v) => { x.use.tableTimeS = v }),
    ...put('table °C', 15, 35, (x, v) => { x.use.tableTempC = v }),
    ...put('vessel height', heightM, 1.5 * heightM, (x, v) => { x.assembly.vessel.heightM = v }),
    ...put('vessel width', lengthM, 1.5 * lengthM, (x, v) => {
      Object.assign(x.assembly.vessel, { lengthM: v, widthM: v })
    }),
    ...put('door', 0, 60, (x, v) => { last(x).opensPerHour = v }),
    ...put('alongside', 0, 10000, (x, v) => { last(x).alongsideG = v }),
    ...put('bursts', 5, 90, (x, v) => { x.heat.burstS = v }, heat.method === 'microwave'),
    ...put('pouch', 0.01, 0.05, (x, v) => { x.heat.pouchM = v }, heat.method === 'sousVide'),
    ...put('steam', 0, 1, (x, v) => { x.heat.oven.steam = v }, heat.method === 'oven'),
    ...put('oven', Math.max(60, heat.oven.airTempC - 30), heat.oven.airTempC + 30, (x, v) => { x.heat.oven.airTempC = v },
      heat.method === 'oven'),
    ...fillingOf(d).steps.flatMap((s, k) =>
      put(`step ${k} °C`, 30, 80, (x, v) => { Object.assign(fillingOf(x).steps[k]!, { mixTempC: { given: v } }) },
        s.kind === 'stirIn' || s.kind === 'foldIn')),
  ]
}

/** `LUMBIK_SWEEP=200` looks finer, by hand: half an hour. */
const STEPS = Number(process.env.LUMBIK_SWEEP ?? 16)
const HALVINGS = 4

/** Steps that stay however finely they are looked at. */
function cliffs(base: Bench, input: Input): string[] {
  const at = (v: number) => {
    const d = structuredClone(base)
    input.set(d, v)
    return looked(d)
  }
  const places = Array.from({ length: STEPS + 1 }, (_, i) => input.from + ((input.to - input.from) * i) / STEPS)
  const seen = places.map(at)
  const found: string[] = []
  for (const key of Object.keys(SEEN) as Output[]) {
    const jumps = seen.slice(1).map((s, i) =>
      s.events === seen[i]!.events ? Math.abs(s.out[key] - seen[i]!.out[key]) : 0)
    const most = Math.max(...jumps.map(j => (Number.isFinite(j) ? j : 0)))
    if (most <= SEEN[key]) continue
    const i = jumps.indexOf(most)
    let [low, high] = [{ v: places[i]!, ...seen[i]! }, { v: places[i + 1]!, ...seen[i + 1]! }]
    for (let k = 0; k < HALVINGS; k++) {
      const v = (low.v + high.v) / 2
      const middle = { v, ...at(v) }
      const steeper = Math.abs(middle.out[key] - low.out[key]) > Math.abs(high.out[key] - middle.out[key])
      if (steeper) high = middle
      else low = middle
    }
    const left = Math.abs(high.out[key] - low.out[key])
    if (low.events === high.events && left > Math.max(SEEN[key] / 4, most / 4))
      found.push(`${input.name} → ${key}: ${low.out[key]} at ${low.v}, ${high.out[key]} at ${high.v}`)
  }
  return found
}

describe('every input swept', () => {
  it.each(SCHOOLS)('%s has no cliff', (school) => {
    const base = make(school)
    expect(inputsOf(base).flatMap(input => cliffs(base, input))).toEqual([])
  }, STEPS * 4000)
  it('a curd in a pouch has none either', () => {
    const base = make('yolkBath', (d) => { d.heat.method = 'sousVide' })
    expect(inputsOf(base).flatMap(input => cliffs(base, input))).toEqual([])
  }, STEPS * 4000)
})
