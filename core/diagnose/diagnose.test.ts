/** Why it failed: what was planted is found first; what to ask, what to do tonight, and what never to offer. */
import { describe, expect, it } from 'vitest'
import { batch, curd, NEUTRAL, posset } from '../../tests/support/batches'
import { type BatchRecord, eventsOf } from '../book/record'
import { plainOutcome } from '../book/outcome'
import { benchOf, fillingOf } from '../formula/bench'
import { calibrate } from '../learn/calibrate'
import type { Mistake } from '../plant/truth'
import { diagnose, diagnoseWhole } from './diagnose'
import { cooledAsAsked } from '../book/cooling'
import { questionOf, tonightOf } from './remedies'
import { visibleIn } from './visible'

const lineOf = (ingredientId: string) => fillingOf(benchOf(curd())).lines.find(l => l.ingredientId === ingredientId)!.id
const planted = (mistake: Mistake | null, values: Record<string, number> = {}) =>
  diagnoseWhole(batch({ values: { ...NEUTRAL, ...values }, mistake }))

describe('the true cause comes first', () => {
  const mistakes: [string, Mistake][] = [
    ['a forgotten line', { kind: 'lineForgotten', lineId: lineOf('butter82'), amount: null }],
    ['a doubled line', { kind: 'lineDoubled', lineId: lineOf('lemon'), amount: null }],
    ['a target missed', { kind: 'targetMissedK', lineId: null, amount: -9 }],
    ['opened warm', { kind: 'openedWarm', lineId: null, amount: null }],
  ]
  for (const [name, mistake] of mistakes)
    it(name, () => expect(planted(mistake).causes[0]!.id).toBe(mistake.kind))
  const truths: [string, Record<string, number>, 'high' | 'low'][] = [
    ['small yolks', { yolkMassFactor: 0.6 }, 'low'],
    ['a probe that shows too much', { probeBiasK: 7 }, 'high'],
    ['a warm fridge', { fridgeAirOffsetK: 5 }, 'high'],
    ['weak fruit', { juiceAcidFactor: 0.5 }, 'low'],
  ]
  for (const [name, values, direction] of truths)
    it(`${name}, and which way`, () => {
      const [first] = planted(null, values).causes
      expect(first!.id.split('.')[0]).toBe(Object.keys(values)[0])
      expect(first!.direction).toBe(direction)
    })
  it('shares are of one, the largest first; the line is named', () => {
    const { causes, next } = planted(mistakes[0]![1])
    expect(causes.reduce((s, c) => s + c.share, 0)).toBeLessThanOrEqual(1 + 1e-9)
    expect(causes.map(c => c.share)).toEqual(causes.map(c => c.share).sort((a, b) => b - a))
    expect(causes[0]!.lineId).toBe(lineOf('butter82'))
    expect(next[0]).toEqual({ code: 'tickLines', params: { lineId: lineOf('butter82') } })
  })
})

describe('a record that speaks against what is supposed', () => {
  /** Cream boiled back by the scale to less than what is left of it once the cream is taken out. */
  const boiledFar = (): BatchRecord => {
    const r = batch({ planned: posset() })
    const [first, last] = [eventsOf(r.events, 'panWeighed')[0]!, eventsOf(r.events, 'panWeighed').at(-1)!]
    const lines = fillingOf(benchOf(r)).lines
    const rest = lines.filter(l => l.ingredientId !== 'cream48').reduce((s, l) => s + l.massG, 0)
    const shownG = first.shownG - rest - 50
    return { ...r, events: r.events.map(e => (e.id === last.id ? { ...last, shownG } : e)) }
  }
  it('that cannot be is not blamed, and nothing stops at it', () => {
    const { causes } = diagnoseWhole(boiledFar())
    const cream = fillingOf(benchOf(posset())).lines.find(l => l.ingredientId === 'cream48')!
    expect(causes.length).toBeGreaterThan(0)
    expect(causes.some(c => c.id === 'lineForgotten' && c.lineId === cream.id)).toBe(false)
  })
  it('one that cannot be at all teaches nothing, beside others that can; alone, it is said why', () => {
    const r = boiledFar()
    const last = eventsOf(r.events, 'panWeighed').at(-1)!
    const impossible = { ...r, events: r.events.map(e => (e.id === last.id ? { ...last, shownG: 0, tareG: 5000 } : e)) }
    expect(() => calibrate([impossible])).toThrow(expect.objectContaining({ path: 'heat.evaporationG' }))
    const good = batch()
    expect(calibrate([good, impossible]).parameters).toEqual(calibrate([good]).parameters)
  })
})

describe('with three taps', () => {
  const taps = (): BatchRecord => {
    const outcome = { ...plainOutcome(), asMeant: false, spoon: 'falls' as const, faults: ['runny' as const] }
    return { ...batch(), readings: [], events: [{ id: 'o', atS: 1, actorId: 'a', kind: 'outcome', outcome }] }
  }
  it('many causes stay open, and the cheapest question among them is asked', () => {
    const { causes, question, tonight } = diagnoseWhole(taps())
    expect(causes.length).toBeGreaterThan(3)
    expect(causes[0]!.share).toBeLessThan(0.7)
    expect(question).toMatchObject({ code: 'askTarget' })
    expect(tonight.map(t => t.code)).toContain('serveAsSauce')
  })
  it('it can be followed and given up', () => {
    const run = diagnose(taps())
    const seen: number[] = []
    for (let i = 0; i < 12; i++) seen.push(run.next().value as number)
    expect(seen.some(s => s > 0)).toBe(true)
    expect(Math.max(...seen)).toBeLessThan(1)
  })
})

describe('remedies', () => {
  const bare = { direction: null, lineId: null, best: { id: '', direction: null, lineId: null, theta: {}, went: {} } }
  it('asks what tells most for its time: a word before a test, nothing where all is told', () => {
    const of = (...x: [string, number][]) => questionOf(x.map(([id, share]) => ({ id, share, ...bare })))
    expect(of(['lineForgotten', 0.5], ['setFactor', 0.5])).toMatchObject({ code: 'askLine' })
    expect(of(['fridgeAirOffsetK', 0.5], ['probeBiasK', 0.5])).toMatchObject({ code: 'iceWater' })
    expect(of(['probeBiasK', 1])).toBeNull()
  })
  it('a curd that stayed runny is cooked again or set with gelatine, in grams that then hold', () => {
    const record = batch({ mistake: { kind: 'targetMissedK', lineId: null, amount: -12 } })
    const rescues = tonightOf(record, null)
    expect(rescues.find(t => t.code === 'cookAgain')!.safety).toBe('heatThroughCoolFast')
    expect(rescues.find(t => t.code === 'cookAgain')!.params).toMatchObject({ targetC: 80 })
    expect(rescues.find(t => t.code === 'addGelatine')!.params.massG).toBeGreaterThan(0)
  })
  it('what was opened too soon is left longer, by the hours it takes', () => {
    const record = batch({
      planned: posset(),
      mistake: { kind: 'openedWarm', lineId: null, amount: 25 },
    })
    const [first] = tonightOf(record, null)
    expect(first).toMatchObject({ code: 'chillLonger', safety: 'asItIs' })
    expect(first!.params.hours).toBeGreaterThan(0)
  })
  it('what cooled too slowly is thrown away, and nothing else is offered', () => {
    const slow = batch({ values: { ...NEUTRAL, fridgeAirOffsetK: 14, fridgeConvectionFactor: 0.3 } })
    expect(cooledAsAsked(slow)).toBe(false)
    expect(tonightOf(slow, null)).toEqual([{ code: 'throwAway', params: {}, safety: 'throwAway' }])
    expect(cooledAsAsked(batch())).toBe(true)
    expect(cooledAsAsked({ ...batch(), readings: [] })).toBeNull()
  })
})

describe('what a record shows by itself', () => {
  it('nothing where nothing was done otherwise', () => {
    const v = visibleIn(batch())
    expect([...v.lines.values()].every(x => typeof x === 'number' && Math.abs(x) < 0.1)).toBe(true)
    expect(Math.abs(v.earlyS!)).toBeLessThan(60)
    expect(v.underG).toBeNull()
  })
  it('how far a reduction was stopped short', () => {
    const mistake: Mistake = { kind: 'reductionStoppedEarlyG', lineId: null, amount: 50 }
    const early = batch({ planned: posset(), mistake })
    expect(visibleIn(early).underG).toBeGreaterThan(38)
    expect(visibleIn(early).underG).toBeLessThan(60)
  })
})
