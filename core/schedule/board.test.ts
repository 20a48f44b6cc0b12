/** Where a step fits: each limit just under and just over, by hand. */
import { describe, expect, it } from 'vitest'
import { emptyBoard, fitAt, latestFit, piecesFor, put } from './board'
import { changeMinutes, type Day, type DayStep, type Equipment, type StepUse, tasksOf } from './day'
import { planOf } from './plan'

const OVEN: Equipment = {
  id: 'deck', kind: 'oven', capacity: 2, minC: 60, maxC: 250, heatKPerMin: 5, coolKPerMin: 2,
}
const use = (over: Partial<StepUse> = {}): StepUse =>
  ({ kind: 'oven', id: null, amount: 1, tempC: null, closed: false, ...over })
const step = (id: string, minutes: number, over: Partial<DayStep> = {}): DayStep => ({
  id, name: id, minutes, slowMinutes: minutes, attendedMinutes: 0, uses: [], after: [], maxGapMinutes: null,
  fixed: null, ...over,
})
const day = (steps: DayStep[], over: Partial<Day> = {}): Day => ({
  hands: [], equipment: [OVEN],
  desserts: [{ id: 'd', name: 'd', serveAt: 1000, earliest: null, keepMinutes: null, steps }], ...over,
})
/** A board with the first step put at a time, and the task of the second. */
function beside(first: DayStep, at: number, second: DayStep, over: Partial<Day> = {}) {
  const of = day([first, second], over)
  const [a, b] = tasksOf(of)
  const board = emptyBoard(of)
  put(board, fitAt(board, a!, at)!)
  return (start: number) => fitAt(board, b!, start) !== null
}

describe('what is held from step to step', () => {
  const steps = (after: string[]) => [
    { id: 'pour', name: 'pour', minutes: 5, after: [], uses: [{ kind: 'tin', held: true }] },
    { id: 'other', name: 'other', minutes: 60, after, uses: [] },
    { id: 'out', name: 'out', minutes: 5, after: ['pour', 'other'], uses: [{ kind: 'tin' }] },
  ]
  const day = { date: '2026-11-28', equipment: [{ id: 'tin', kind: 'tin', capacity: 1 }], desserts: [
    { id: 'a', name: 'a', serveAt: '12:00', steps: steps(['pour']) },
    { id: 'b', name: 'b', serveAt: '12:00', steps: steps(['pour']) },
  ] }
  it('is nobody else’s while it waits', () => {
    const { tasks, feasible } = planOf(day, 0.05)
    expect(feasible).toBe(true)
    const of = (dessert: string, id: string) => tasks.find(t => t.dessert === dessert && t.id === id)!
    const [first, then] = of('a', 'pour').start < of('b', 'pour').start ? ['a', 'b'] : ['b', 'a']
    expect(of(then!, 'pour').start >= of(first!, 'out').end).toBe(true)
  })
  it('also from a step that has begun to one that has not', () => {
    const begun = structuredClone(day)
    Object.assign(begun.desserts[0]!.steps[0]!, { fixed: { start: '09:00', who: null } })
    begun.desserts[1]!.serveAt = '11:00'
    const { tasks } = planOf(begun, 0.05)
    const out = (dessert: string) => tasks.find(t => t.dessert === dessert && t.id === 'out')!
    expect(out('a').end).toBe('2026-11-28T12:00:00')
    expect(out('b').end).toBe('2026-11-28T09:00:00')
  })
})

describe('an oven', () => {
  it('changes its temperature at its own pace, up and down; five kelvin are none', () => {
    expect([changeMinutes(OVEN, 100, 150), changeMinutes(OVEN, 150, 100)]).toEqual([10, 25])
    expect([changeMinutes(OVEN, 100, 105), changeMinutes(OVEN, 100, 106)]).toEqual([0, 1.2])
    expect(changeMinutes({ heatKPerMin: null, coolKPerMin: null }, 50, 250)).toBe(0)
  })
  it('holds two temperatures one after the other only with the change between, before and after', () => {
    const fits = beside(step('hot', 30, { uses: [use({ tempC: 150 })] }), 100, step('cool', 20, { uses: [use({ tempC: 100 })] }))
    // Down 50 K at 2 K a minute after it, up at 5 before it.
    expect([fits(154.9), fits(155)]).toEqual([false, true])
    expect([fits(70), fits(70.1)]).toEqual([true, false])
    expect(fits(110)).toBe(false)
  })
  it('holds what is within five kelvin together, as far as it has room', () => {
    const fits = (tempC: number, amount: number) => beside(
      step('one', 30, { uses: [use({ tempC: 150 })] }), 100, step('two', 20, { uses: [use({ tempC, amount })] }))(110)
    expect([fits(155, 1), fits(155.1, 1), fits(150, 2)]).toEqual([true, false, false])
  })
  it('that must stay shut lets nothing in or out meanwhile, but for what goes in and out with it', () => {
    const shut = step('shut', 60, { uses: [use({ closed: true })] })
    const fits = (minutes: number) => beside(shut, 100, step('other', minutes, { uses: [use()] }))
    expect([fits(30)(110), fits(30)(70), fits(30)(70.1), fits(30)(160), fits(30)(159.9)])
      .toEqual([false, true, false, true, false])
    expect([fits(60)(100), fits(80)(90), fits(50)(100)]).toEqual([true, true, false])
    const inside = beside(step('other', 20, { uses: [use()] }), 110, shut)
    expect([inside(100), inside(50), inside(130), inside(110)]).toEqual([false, true, true, false])
  })
  it('takes what its limits let it, and one that is named only', () => {
    const of = day([])
    const ids = (over: Partial<StepUse>) => piecesFor(of, use(over)).map(e => e.id)
    expect([ids({ tempC: 60 }), ids({ tempC: 59 }), ids({ tempC: 250 }), ids({ tempC: 251 })])
      .toEqual([['deck'], [], ['deck'], []])
    expect([ids({ amount: 2 }), ids({ amount: 3 }), ids({ kind: 'ring' })]).toEqual([['deck'], [], []])
    expect([ids({ kind: null, id: 'deck' }), ids({ kind: null, id: 'other' })]).toEqual([['deck'], []])
  })
})

describe('hands', () => {
  const hands = [{ name: 'Ada', shifts: [{ from: 60, to: 120 }, { from: 180, to: 300 }] }]
  it('are at a step for its first minutes, within one shift, and at one thing at a time', () => {
    const fits = beside(step('a', 20, { attendedMinutes: 20 }), 200, step('b', 90, { attendedMinutes: 10 }), { hands })
    expect([fits(59.9), fits(60), fits(110), fits(110.1), fits(180)]).toEqual([false, true, true, false, true])
    expect([fits(190), fits(190.1), fits(219.9), fits(220)]).toEqual([true, false, false, true])
    expect([fits(290), fits(290.1)]).toEqual([true, false])
  })
  it('that nobody named are no limit; a step that needs none goes on at night', () => {
    const one = day([step('a', 20, { attendedMinutes: 20 })])
    expect(fitAt(emptyBoard(one), tasksOf(one)[0]!, -500)).toMatchObject({ who: null })
    const alone = day([step('a', 20)], { hands })
    expect(fitAt(emptyBoard(alone), tasksOf(alone)[0]!, 2000)).toMatchObject({ who: null })
  })
})

it('the latest time is the one at which it touches something: a shift\'s end, another step, its bound', () => {
  const hands = [{ name: 'Ada', shifts: [{ from: 0, to: 500 }] }]
  const of = day([step('a', 30, { attendedMinutes: 30 }), step('b', 40, { attendedMinutes: 25 })], { hands })
  const [a, b] = tasksOf(of)
  const board = emptyBoard(of)
  expect(latestFit(board, b!, 900, -Infinity)!.start).toBe(475)
  expect(latestFit(board, b!, 400, -Infinity)!.start).toBe(400)
  put(board, fitAt(board, a!, 460)!)
  expect(latestFit(board, b!, 900, -Infinity)!.start).toBe(435)
  expect(latestFit(board, b!, 900, 436)).toBeNull()
})

it('a step that uses two pieces of a kind takes two', () => {
  const rings = ['left', 'right'].map((id): Equipment => ({ ...OVEN, id, kind: 'ring', capacity: 1 }))
  const both = day([step('a', 10, { uses: [use({ kind: 'ring' }), use({ kind: 'ring' })] })], { equipment: rings })
  expect(fitAt(emptyBoard(both), tasksOf(both)[0]!, 0)!.on.sort()).toEqual(['left', 'right'])
  const one = { ...both, equipment: rings.slice(1) }
  expect(fitAt(emptyBoard(one), tasksOf(one)[0]!, 0)).toBeNull()
})

describe('rings', () => {
  const ring = (id: string, over: Partial<Equipment> = {}): Equipment =>
    ({ ...OVEN, id, kind: 'ring', capacity: 1, supply: { id: 'hob', watts: 3500 }, ...over })
  const rings = { equipment: [ring('small', { panM: 0.2 }), ring('large', { panM: 0.28 })] }
  const pot = (id: string, drawW: number | null, panM: number | null = null) =>
    step(id, 30, { uses: [use({ kind: 'ring', drawW, panM })] })
  it('take a pan up to their size, and one of which nothing is known', () => {
    const onto = (panM: number | null) => piecesFor(day([], rings), use({ kind: 'ring', panM })).map(e => e.id)
    expect([onto(0.2), onto(0.201), onto(0.281), onto(null)])
      .toEqual([['small', 'large'], ['large'], [], ['small', 'large']])
  })
  it('on one supply give together what it has, no more; what is not known to draw anything draws nothing', () => {
    const fits = (drawW: number | null, start = 110) => beside(pot('a', 2000), 100, pot('b', drawW), rings)(start)
    expect([fits(1500), fits(1501), fits(null)]).toEqual([true, false, true])
    expect([fits(1501, 130), fits(1501, 129.9), fits(1501, 70), fits(1501, 70.1)]).toEqual([true, false, true, false])
    expect([fits(3500, 130), fits(3501, 130)]).toEqual([true, false])
    const apart = { equipment: [ring('small', { supply: { id: 'other', watts: 3500 } }), ring('large')] }
    expect(beside(pot('a', 2000), 100, pot('b', 3500), apart)(110)).toBe(true)
  })
  it('the latest time is before the other draws, though a ring is free', () => {
    const of = day([pot('a', 2000), pot('b', 2000)], rings)
    const [a, b] = tasksOf(of)
    const board = emptyBoard(of)
    put(board, fitAt(board, a!, 460)!)
    expect(latestFit(board, b!, 470, -Infinity)!.start).toBe(430)
  })
})

describe('a piece that is not to be had before', () => {
  const [oven] = [{ ...OVEN, freeFrom: 100 }]
  it('takes what begins then, and nothing a moment sooner', () => {
    const of = day([step('a', 30, { uses: [use({ kind: 'oven' })] })], { equipment: [oven] })
    const at = (start: number) => fitAt(emptyBoard(of), tasksOf(of)[0]!, start)?.on ?? null
    expect([at(99.9), at(100), at(140)]).toEqual([null, [OVEN.id], [OVEN.id]])
  })
})

describe('a step held for somebody', () => {
  const hands = [{ name: 'Ines', shifts: [{ from: 0, to: 100 }] }]
  const held = (who: string | null) => {
    const of = day([step('a', 20, { attendedMinutes: 20 }), step('b', 20, { attendedMinutes: 10 })], { hands })
    const [a, b] = tasksOf(of)
    const board = emptyBoard(of)
    put(board, fitAt(board, a!, 40)!)
    return (start: number) => fitAt(board, b!, start, 0, who)?.who ?? null
  }
  it('fits where they are free, to the minute, also past their hours; not where they are at something', () => {
    expect([held('Ines')(30), held('Ines')(31), held('Ines')(59), held('Ines')(60), held('Ines')(200)])
      .toEqual(['Ines', null, null, 'Ines', 'Ines'])
  })
  it('for nobody, is given whoever is free', () => {
    expect([held(null)(30), held(null)(31)]).toEqual(['Ines', null])
  })
})
