/**
 * Every threshold of the judge, just under and just over: one row a limit. The stages of a formula that is made well
 * are
 * taken, the one figure is set to its limit and a little to either side, and the finding has to come on one side only.
 */
import { describe, expect, it } from 'vitest'
import { findIngredient } from '../../base/ingredients/ingredients'
import { kitchen, make } from '../../../tests/support/core'
import type { Bench } from '../../formula/bench'
import type { School } from '../../formula/document'
import { work } from '../assess'
import type { FindingCode } from '../assessment'
import { loadOf } from '../figures/chill'
import { fill } from '../shape'
import type { Facts } from './facts'
import { judge } from './judge'

const known = new Map<string, Facts>()
/** Stages of a way of making, with the figures the judge looks at. */
function factsOf(school: School, edit?: (d: Bench) => void): Facts {
  const key = `${school} ${edit ?? ''}`
  const found = known.get(key)
  if (found) return found
  const doc = make(school, edit)
  const w = work(doc, kitchen)
  const { heat, balance, set } = w.assessment
  const facts = {
    doc, ...w, heat, flavour: balance.taste, dissolving: balance.dissolving,
    release: w.assessment.shape.release,
    load: loadOf(w.chilled, w.heated, kitchen), weeping: set.weeping,
  }
  known.set(key, facts)
  return facts
}
type Path = string
/** Facts with some figures replaced, each by its path; nothing of the original is touched. */
function withFigures(facts: Facts, figures: Record<Path, unknown>): Facts {
  const out = { ...facts } as Record<string, unknown>
  for (const [path, value] of Object.entries(figures)) {
    const keys = path.split('.')
    let at = out
    for (const key of keys.slice(0, -1)) {
      const child = at[key] as Record<string, unknown>
      at[key] = Array.isArray(child) ? [...child] : { ...child }
      at = at[key] as Record<string, unknown>
    }
    at[keys.at(-1)!] = value
  }
  return out as unknown as Facts
}
const codes = (f: Facts) => judge(f).findings.map(x => x.code)
const TINY = 1e-6

interface Threshold {
  code: FindingCode
  school?: School
  edit?: (d: Bench) => void
  /** The figure and its limit; the finding comes over it (`over`) or under it (`under`). */
  at: Path
  limit: number
  over?: true
  /** Other figures that the case needs. */
  also?: Record<Path, unknown>
}
const cut = (d: Bench) => { d.use.kind = 'cut' }
const bar: Partial<Threshold> = { school: 'cooledBase' }
const posset: Partial<Threshold> = { school: 'boiled' }
const starch: Partial<Threshold> = { school: 'juiceAfter' }
const mousse: Partial<Threshold> = { school: 'foldedMousse' }
const glass = (d: Bench) => { d.assembly.vessel.material = 'glass' }
const MIX_G = 100
const share = (row: string, massG: number) =>
  ({ 'mixed.whole.massG': MIX_G, 'mixed.whole.parts': [{ row: findIngredient(row)!, massG, strength: { kind: 'typical' } }] })

const THRESHOLDS: Threshold[] = [
  // Balance.
  { code: 'lowAcid', at: 'mixed.pH', limit: 4.2, over: true },
  { code: 'coarseGel', at: 'mixed.cookedPH', limit: 4.5, over: true },
  { code: 'noAcid', at: 'mixed.whole.acidG', limit: 0.2, also: { 'mixed.whole.massG': MIX_G } },
  { code: 'phaseInversion', at: 'heated.body.phases.phi', limit: 0.5, over: true },
  {
    code: 'waterLow', at: 'heated.finished.grams.water', limit: 20, also: { 'heated.body.phases.aqueousG': 100 },
  },
  { code: 'alcohol', at: 'heated.finished.ethanolG', limit: 0.5, over: true, also: { 'heated.finished.massG': 100 } },
  { code: 'acidCurdles', ...posset, at: 'heated.curdling.logit', limit: Math.log(0.2 / 0.8), over: true },
  { code: 'acidShort', ...posset, at: 'mixed.pH', limit: 4.9, over: true },
  { code: 'starchUndercooked', ...starch, at: 'heated.body.starchCooked', limit: 0.7 },
  { code: 'weeps', at: 'weeping.score', limit: 4, over: true, also: { 'weeping.causes': [{ cause: 'agar', points: 4 }] } },
  {
    code: 'gelatinAcid', ...mousse, at: 'mixed.pH', limit: 3.3,
    also: { 'settled.cold.mechanismsPa.gelatinPa': 100, 'settled.cold.tauPa.value': 100 },
  },
  {
    code: 'gelatinAcid', ...mousse, at: 'settled.cold.mechanismsPa.gelatinPa', limit: 20, over: true,
    also: { 'mixed.pH': 3, 'settled.cold.tauPa.value': 100 },
  },
  // Shape.
  { code: 'overflows', at: 'heated.shape.fillShare', limit: 1, over: true },
  { code: 'headroomLow', at: 'heated.shape.headroomM', limit: 0.003 },
  { code: 'springRoom', ...bar, at: 'heated.shape.headroomM', limit: 0.012 },
  {
    code: 'spillsLeaning', at: 'doc.assembly.tiltDeg', limit: 20.05, over: true,
    also: { 'heated.shape.lean': { lowM: 0.01, highM: 0.02, mostDeg: 20 } },
  },
  // Heat.
  { code: 'grainy', at: 'settled.end.potB', limit: 0.5, over: true },
  { code: 'scrambled', at: 'settled.end.potB', limit: 0.85, over: true },
  { code: 'grainyNear', at: 'heat.marginK', limit: 2, also: { 'settled.end.potB': 0 } },
  { code: 'oversetsInDepth', at: 'heat.b', limit: 0.5, over: true, also: { 'settled.end.potB': 0 } },
  { code: 'underset', at: 'heat.coreA', limit: 0.85 },
  { code: 'lethalityLow', at: 'heat.lethality.value', limit: 2 },
  { code: 'lethalityLow', at: 'heat.peakTempC', limit: 72.5 },
  { code: 'rawFlour', ...bar, at: 'heat.peakTempC', limit: 71 },
  { code: 'coldMiddle', school: 'microwave', at: 'heat.middleBehindK', limit: 8, over: true },
  { code: 'ovenLoads', ...bar, at: 'heat.oven.loads', limit: 1, over: true },
  { code: 'steamDrips', ...bar, at: 'doc.heat.oven.steam', limit: 0, over: true },
  { code: 'boilOver', school: 'wholeEggTempered', at: 'heat.peakTempC', limit: 94, over: true },
  { code: 'glassOven', school: 'lowOven', edit: glass, at: 'doc.heat.startTempC', limit: 10 },
  { code: 'acidTooHot', ...posset, at: 'heated.joined.met.0.beforeC', limit: 80, over: true, also: { 'heat.smoothBelowC': 80 } },
  { code: 'acidTooLate', ...posset, at: 'heated.joined.met.0.beforeC', limit: 50 },
  { code: 'gelatinStrings', ...mousse, at: 'heated.joined.met.0.beforeC', limit: 22, also: { 'heated.joined.met.0.afterC': 20 } },
  { code: 'gelatinStrings', ...mousse, at: 'heated.joined.met.0.afterC', limit: 12, also: { 'heated.joined.met.0.beforeC': 30 } },
  { code: 'butterSplits', school: 'emulsified', at: 'heated.joined.met.0.beforeC', limit: 66, over: true },
  { code: 'butterSplits', school: 'emulsified', at: 'heated.joined.met.0.beforeC', limit: 30 },
  // Chill.
  { code: 'hotIntoGlass', edit: glass, at: 'heat.pourTempC', limit: 60, over: true },
  { code: 'fridgeLoad', at: 'load.watts', limit: 350, over: true, also: { 'load.capacityW': 350 } },
  // Serve.
  { code: 'counterTooLong', at: 'doc.use.tableTimeS', limit: 4 * 3600, over: true },
  { code: 'claimTooLong', at: 'doc.serve.claimDays', limit: 7, over: true },
  { code: 'holdsHours', school: 'beatenWhites', at: 'heated.body.making.air', limit: 0.1, over: true },
]

describe('thresholds of the findings', () => {
  it.each(THRESHOLDS.map(t => [`${t.code} ${t.over ? 'over' : 'under'} ${t.at} = ${t.limit}`, t] as const))('%s', (_, t) => {
    const base = factsOf(t.school ?? 'yolkBath', t.edit)
    const step = TINY * Math.max(1, Math.abs(t.limit))
    const at = (value: number) => codes(withFigures(base, { ...t.also, [t.at]: value })).includes(t.code)
    expect([at(t.limit - step), at(t.limit + step)]).toEqual(t.over ? [false, true] : [true, false])
  })
  it('setters that are not modelled count from a fiftieth of the whole', () => {
    const at = (row: string, g: number) => codes(withFigures(factsOf('yolkBath'), share(row, g))).includes('notModelled')
    expect([at('oat_cream', 2 - TINY), at('oat_cream', 2 + TINY)]).toEqual([false, true])
    // What hardens, gels or thickens by a row of its own is counted.
    expect(['choc_white', 'coconut_milk', 'pectin', 'soy_protein', 'aquafaba'].map(id => at(id, 10))).toEqual(Array(5).fill(false))
  })
  it('a fridge warmer than the code\'s holding, and no other, is told', () => {
    const at = (airTempC: number) => codes(factsOf('yolkBath', (d) => {
      d.chill = [{ id: 'a', placeId: null, place: { kind: 'fanFridge', airTempC }, timeS: 24 * 3600, cover: 'film' }]
    })).includes('fridgeWarm')
    known.clear()
    expect(at(5)).toBe(false)
    known.clear()
    expect(at(5.01)).toBe(true)
  })
})

describe('the verdict', () => {
  const target = { 'settled.target.coldMinPa': 200, 'settled.target.coldMaxPa': 900, 'settled.target.plateMinPa': 150 }
  const fine = {
    ...target, 'settled.cold.tauPa.value': 420, 'settled.cold.tauStarPa': 420, 'settled.plate.tauPa.value': 330,
    'settled.readyS': 1000, 'settled.chilledS': 5000, 'settled.end.potB': 0, 'heat.b': 0, 'heat.a': 1, 'heat.marginK': 9,
    'settled.cold.mechanismsPa.butterPa': 0,
  }
  const of = (figures: Record<Path, unknown>) =>
    judge(withFigures(factsOf('yolkBath', cut), { ...fine, ...figures }))
  it('too loose and not yet ready is served too early; a minute from ready it is loose', () => {
    const loose = { 'settled.readyS': 5000, 'settled.cold.tauPa.value': 100 }
    expect(of({ ...loose, 'settled.chilledS': 4939 }).verdict.code).toBe('servedBeforeSet')
    expect(of({ ...loose, 'settled.chilledS': 4941 }).verdict.code).toBe('looseCold')
  })
  it('what is good but near a limit is on the edge, and says which way', () => {
    expect(of({}).verdict).toEqual({ code: 'good', leans: 'good' })
    expect(of({ 'settled.cold.tauPa.value': 205 }).verdict).toEqual({ code: 'edge', leans: 'looseCold' })
    expect(of({ 'settled.plate.tauPa.value': 151 }).verdict).toEqual({ code: 'edge', leans: 'sagsOnTable' })
    expect(of({ 'settled.cold.tauPa.value': 890 }).verdict).toEqual({ code: 'edge', leans: 'tooFirm' })
    expect(of({ 'heat.marginK': 0.1 }).verdict).toEqual({ code: 'edge', leans: 'grainy' })
  })
})

describe('what a finding says beside its name', () => {
  const find = (code: FindingCode, f: Facts) => judge(f).findings.find(x => x.code === code)
  it('too little room: its field, and how many millimetres there are and are wanted', () => {
    const at = (school: School, headroomM: number) => withFigures(factsOf(school), { 'heated.shape.headroomM': headroomM })
    expect(find('headroomLow', at('yolkBath', 0.002))).toEqual({
      code: 'headroomLow', severity: 'look', station: 'shape', path: 'assembly.count', params: { mm: 2 },
    })
    expect(find('springRoom', at('cooledBase', 0.005))).toEqual({
      code: 'springRoom', severity: 'look', station: 'shape', path: 'assembly.count', params: { mm: 5, wantMm: 12 },
    })
    // A glass that only just overflows has a word for that, and none for its room.
    const over = withFigures(factsOf('yolkBath'), { 'heated.shape.fillShare': 1.25, 'heated.shape.headroomM': -0.01 })
    expect(find('headroomLow', over)).toBeUndefined()
    expect(find('overflows', over)!.params.overG).toBeCloseTo(0.2 * over.heated.shape.filledG, 9)
  })
  it('a fridge overrun says what its air comes to; a middle left behind by how much, after which bursts', () => {
    const load = { leg: 1, watts: 500, capacityW: 350, warmestC: 11 }
    expect(find('fridgeLoad', { ...factsOf('yolkBath'), load })).toMatchObject({
      path: 'chill.1', params: { watts: 500, capacityW: 350, tempC: 11 },
    })
    const burst = (burstS?: number) => withFigures(factsOf('microwave'), {
      'heat.middleBehindK': 12, ...(burstS ? { 'doc.heat.burstS': burstS } : {}),
    })
    expect(find('coldMiddle', burst())).toMatchObject({ path: 'heat.burstS', params: { behindK: 12, burstS: 20 } })
    expect(find('coldMiddle', burst(45))!.params.burstS).toBe(45)
  })
  it('a pouch is cautioned whatever is in it, and asks for no pan', () => {
    const pouch = codes(factsOf('yolkBath', (d) => { d.heat.method = 'sousVide' }))
    expect(pouch).toContain('sealedFood')
    expect(pouch).not.toContain('reactivePan')
    expect(codes(factsOf('yolkBath'))).not.toContain('sealedFood')
  })
})

it('the shape that is judged is what is poured: less the sieve and the pan', () => {
  const { doc } = factsOf('yolkBath')
  const poured = fill({ ...doc, losses: { sieveFraction: 0.1, panG: 10 } }, kitchen, 1010, 1000)
  expect(poured.filledG).toBeCloseTo(899, 9)
  expect(poured.volumeM3).toBeCloseTo(899e-6, 12)
})
