/** The simulated kitchen under a real cook's hands: it goes on by what happened, and follows from nothing else. */
import { describe, expect, it } from 'vitest'
import type { BatchRecord, Happened } from '../book/record'
import { benchOf, fillingOf, type Planned } from '../formula/bench'
import { batch, curd, NEUTRAL, posset } from '../../tests/support/batches'
import { alongside, scaleWeights, type SimulatedKitchen } from './alongside'

const KITCHEN: SimulatedKitchen = { said: { values: NEUTRAL, mistake: null }, kitchenSeed: 0, seed: 5, turns: [] }
/** A batch of which this happened. */
function made(happened: [number, Happened][], planned: Planned = curd()): BatchRecord {
  return {
    ...batch({ planned }), readings: [],
    events: happened.map(([atS, h], i) => ({ id: `e${i}`, atS, actorId: 'me', ...h })),
  }
}
const legs = (r: BatchRecord) => benchOf(r, r.componentId).chill
const pot = (r: BatchRecord, nowS: number, k = KITCHEN) => {
  const s = alongside(r, k, nowS).readings.find(x => x.channel === 'pot')
  return s ? s.timeS.map((t, i) => [t, s.values[i]!] as const) : []
}
const lastOf = (r: BatchRecord, nowS: number, k = KITCHEN) => pot(r, nowS, k).at(-1)![1]

describe('beside a real cook', () => {
  it('nothing is read before the heat is on, and nothing of the future after', () => {
    expect(alongside(made([]), KITCHEN, 900)).toEqual({ readings: [], outcome: null })
    const on = made([[100, { kind: 'heatOn' }]])
    expect(pot(on, 100)).toEqual([])
    expect(pot(on, 103).length).toBe(1)
    expect(Math.max(...pot(on, 340).map(([t]) => t))).toBeLessThanOrEqual(340)
  })
  it('what was read stays as it was read', () => {
    const on = made([[50, { kind: 'heatOn' }]])
    const [early, late] = [pot(on, 250), pot(on, 500)]
    expect(early.length).toBeGreaterThan(50)
    expect(late.slice(0, early.length)).toEqual(early)
  })
  it('a stove that gives more is hotter, a flame turned down cooler, off cools', () => {
    const on = made([[0, { kind: 'heatOn' }]], curd(d => void Object.assign(d.heat, { method: 'direct', burnerW: 300 })))
    const hot = { ...KITCHEN, said: { values: { ...NEUTRAL, burnerFactor: 1.5 }, mistake: null } }
    const low = { ...KITCHEN, turns: [{ atS: 100, power: 0.5 }] }
    expect(lastOf(on, 400, hot)).toBeGreaterThan(lastOf(on, 400) + 5)
    expect(lastOf(on, 400, low)).toBeLessThan(lastOf(on, 400) - 5)
    expect(lastOf(on, 99, low)).toBe(lastOf(on, 99))
    const off = { ...on, events: [...on.events, { id: 'off', atS: 300, actorId: 'me', kind: 'heatOff' as const }] }
    expect(Math.max(...pot(off, 2000).map(([t]) => t))).toBeLessThanOrEqual(330)
  })
  it('a probe that ails errs or is silent, beside the same pot', () => {
    const on = made([[50, { kind: 'heatOn' }]])
    const sound = pot(on, 600)
    const drifts = pot(on, 600, { ...KITCHEN, probe: 'drifts' })
    expect(drifts.at(-1)![1]! - sound.at(-1)![1]!).toBeCloseTo((4 * (sound.at(-1)![0] - sound[0]![0])) / 3600, 1)
    expect(drifts[0]).toEqual(sound[0])
    const gaps = pot(on, 600, { ...KITCHEN, probe: 'dropsOut' })
    expect(gaps.length).toBeLessThan(0.85 * sound.length)
    expect(sound).toEqual(expect.arrayContaining(gaps))
    const flat = pot(on, 600, { ...KITCHEN, probe: 'flatBattery' })
    expect(flat).toEqual(sound.slice(0, flat.length))
    expect(flat.length).toBeLessThan(sound.length)
  })
  it('is found once it is in the cold: heated to its end it sets, taken off early it runs', () => {
    const plan = made([])
    const day = (offS: number) => made([
      [0, { kind: 'heatOn' }], [offS, { kind: 'heatOff' }], [offS + 400, { kind: 'movedTo', legId: legs(plan)[0]!.id }],
      [offS + 2000, { kind: 'movedTo', legId: legs(plan)[1]!.id }], [offS + 60_000, { kind: 'opened' }],
    ])
    expect(alongside(made([[0, { kind: 'heatOn' }], [700, { kind: 'heatOff' }]]), KITCHEN, 900).outcome).toBeNull()
    const reached = pot(made([[0, { kind: 'heatOn' }]]), 3000).find(([, c]) => c >= 82)![0]
    const [good, raw] = [reached + 40, reached * 0.4].map(s => alongside(day(s), KITCHEN, s + 60_000).outcome!)
    expect(raw!.faults).toContain('runny')
    expect(good!.faults).not.toContain('runny')
    const cold = alongside(day(reached + 40), KITCHEN, reached + 60_000).readings.filter(s => s.deviceId === 'logger')
    expect(cold.map(s => s.channel)).toEqual(['core', 'air'])
    expect(cold[0]!.values[0]! - cold[0]!.values.at(-1)!).toBeGreaterThan(30)
  })
  it('a line that was never put in is not in it', () => {
    const plan = made([], posset())
    const lines = fillingOf(benchOf(plan)).lines
    const day = (without: string | null): BatchRecord => made([
      ...lines.filter(l => l.ingredientId !== without)
        .map(l => [1, { kind: 'added', lineId: l.id, shownG: l.massG }] as [number, Happened]),
      [10, { kind: 'heatOn' }], [700, { kind: 'heatOff' }], [1000, { kind: 'movedTo', legId: legs(plan)[0]!.id }],
      [60_000, { kind: 'opened' }],
    ], posset())
    expect(alongside(day('lemon'), KITCHEN, 60_000).outcome!.faults).toContain('runny')
    expect(alongside(day(null), KITCHEN, 60_000).outcome!.faults).not.toContain('runny')
  })
  it('the scale shows each line as a cook pours it, and as the scale errs', () => {
    const r = made([])
    const off = { values: { ...NEUTRAL, scaleFactor: 1.1 }, mistake: null }
    const [fair, flatters] = [KITCHEN, { ...KITCHEN, said: off }].map(k => scaleWeights(r, k))
    for (const l of fillingOf(benchOf(r)).lines)
      expect(Math.abs(fair![l.id]! - l.massG)).toBeLessThan(3 + 0.02 * l.massG)
    const egg = fillingOf(benchOf(r)).lines.find(l => l.ingredientId.startsWith('yolk'))!
    expect(flatters![egg.id]! / egg.massG).toBeCloseTo(1.1, 1)
  })
})
