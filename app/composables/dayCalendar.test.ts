import { describe, expect, it } from 'vitest'
import type { DayPlan } from '#core/schedule/plan'
import type { StepInput } from '#core/schedule/read'
import type { DaySheet } from '../../shared/day'
import { equipmentOf } from '../../shared/day'
import { demoDay, demoKitchen } from '../../server/database/demo'
import messages from '../words/messages/en-GB.json'
import { conflictWords, longWords, type Names, stepName, wayWords } from '../words/today'
import { calendarOf, movedIn, planCsv } from './dayCalendar'
import { fridgeCourse, ovenCourse } from './dayCourses'
import { dayInputOf } from './useDay'

const task = (id: string, who: string | null, from: string, to: string, attended = true): DayPlan['tasks'][number] => ({
  id, dessert: 'tart', name: id, start: `2026-11-28T${from}:00`, end: `2026-11-28T${to}:00`, who, uses: [],
  attended: attended ? [[`2026-11-28T${from}:00`, `2026-11-28T${to}:00`]] : [],
})
const PLAN: DayPlan = {
  feasible: true, chanceOnTime: {}, conflicts: [],
  tasks: [task('mix', 'Ines', '09:00', '09:20'), task('chill', null, '09:20', '12:00', false), task('cut', 'Tomas', '14:00', '14:10')],
}

describe('a day as a calendar file', () => {
  it('has each attended step with an alarm, at the kitchen\'s own time, under a UID that stays', () => {
    const text = calendarOf('2026-11-28', PLAN, null, t => `Tart: ${t.id}`)
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
    expect(text.match(/BEGIN:VALARM/g)).toHaveLength(2)
    expect(text).toContain('UID:2026-11-28-tart-mix@lumbik')
    expect(text).toMatch(/DTSTART:20261128T090000\r?\n/)
    expect(text).toContain('TRIGGER:-PT5M')
    expect(text).toContain('SUMMARY:Tart: mix')
    expect(text).not.toContain('chill')
  })
  it('of one person has theirs only', () => {
    const text = calendarOf('2026-11-28', PLAN, 'Tomas', t => t.id)
    expect(text).toContain('SUMMARY:cut')
    expect(text).not.toContain('SUMMARY:mix')
  })
})

describe('a sheet as the planner takes it', () => {
  const of = (...steps: StepInput[]) => ({ steps, freshMinutes: 7 * 24 * 60 })
  const sheet: DaySheet = demoDay('friday')
  it('has the day before for its hands, nothing that is out, and what was put by hand', () => {
    const [first] = sheet.desserts
    first!.fixed = { boil: { start: '2026-11-27T09:00', who: 'Ines', began: false } }
    const day = dayInputOf('2026-11-27', sheet, () => of({ name: 'boil', minutes: 5 }, { name: 'chill', minutes: 60 }))
    expect(day.hands![0]!.shifts).toEqual([
      { from: '2026-11-26T07:00', to: '2026-11-26T16:00' }, { from: '2026-11-27T07:00', to: '2026-11-27T16:00' }])
    expect(day.equipment!.some(e => e.kind === 'blastChiller')).toBe(false)
    expect(day.desserts[0]!.steps!.map(s => s.fixed ?? null)).toEqual([{ start: '2026-11-27T09:00', who: 'Ines' }, null])
  })
  it('a step lasts as long as its batch tells, with no more hands at it than that', () => {
    const own = structuredClone(sheet)
    own.desserts[0]!.fixed = { boil: { start: '2026-11-27T09:00', who: null, began: true, lasts: 4 } }
    const [boil] = dayInputOf('2026-11-27', own, () => of({ name: 'boil', minutes: 9, minutesSlow: 11, attended: 9 }))
      .desserts[0]!.steps!
    expect(boil).toMatchObject({ minutes: 4, minutesSlow: 4, attended: 4, fixed: { start: '2026-11-27T09:00' } })
  })
  it('rings that share a supply say so once its watts are said; a fridge has the kitchen\'s own air', () => {
    const own = structuredClone(sheet)
    const rings = own.equipment.filter(e => e.kind === 'ring')
    rings[0]!.isShared = true
    rings[0]!.panM = 0.24
    const ids = (watts: number | null) => {
      own.sharedW = watts
      return dayInputOf('2026-11-27', own, () => of()).equipment!.filter(e => e.kind === 'ring').map(e => e.supply ?? null)
    }
    expect(ids(null)).toEqual(rings.map(() => null))
    expect(ids(3500)[0]).toEqual({ id: 'shared', watts: 3500 })
    expect(ids(3500)[1]).toBeNull()
    const [place] = demoKitchen().places.filter(p => own.equipment.some(e => e.id === p.id && e.kind === 'fridge'))
    const day = dayInputOf('2026-11-27', own, () => of(), { places: [place!], roomTempC: 23 })
    expect(day.equipment!.find(e => e.id === place!.id)!.place)
      .toEqual({ kind: place!.kind, airC: place!.airTempC, roomC: 23 })
    expect(day.equipment!.find(e => e.id === rings[0]!.id)!.panM).toBe(0.24)
  })
  it('hours past midnight end the next day', () => {
    const night = { ...sheet, hands: [{ name: 'x', from: '18:00', to: '02:00' }] }
    expect(dayInputOf('2026-11-27', night, () => of()).hands![0]!.shifts![1])
      .toEqual({ from: '2026-11-27T18:00', to: '2026-11-28T02:00' })
  })
  it('a kitchen\'s ovens, rings and fridges are on it, benches and ice baths are not', () => {
    const all = equipmentOf({ ...demoKitchen(), ovens: demoKitchen().ovens } as never)
    expect(new Set(all.map(e => e.kind))).toEqual(new Set(['oven', 'ring', 'fridge', 'blastChiller', 'freezer', 'mixer']))
  })
})

describe('the day in words', () => {
  const names: Names = { dessert: id => `the ${id}`, task: key => `step ${key}`, equipment: id => `oven ${id}` }
  it('conflicts and ways out have no hole', () => {
    for (const code of Object.keys(messages.today.CONFLICTS)) {
      const said = conflictWords({ code, tasks: ['pie/bake', 'shell/bake'], ways: [] }, names)
      expect(said, code).not.toMatch(/undefined|[{}]/)
      expect(said, code).toMatch(/step pie\/bake|the pie/)
    }
    const params = { dessert: 'pie', minutes: 95, first: 'a/b', second: 'c/d', id: 'deck', tempC: 120, kind: 'oven' }
    for (const code of Object.keys(messages.today.WAYS))
      expect(wayWords({ code, params }, names), code).not.toMatch(/undefined|NaN|[{}]/)
    expect(wayWords({ code: 'serveLater', params }, names)).toBe('Serve the pie 1 h 35 min later')
  })
  it.each([[0, '0 min'], [59, '59 min'], [60, '1 h'], [61, '1 h 1 min'], [125, '2 h 5 min']])('%d min is %s', (m, words) =>
    expect(longWords(m)).toBe(words))
  it('a formula\'s steps have their names, other steps their own', () => {
    expect([stepName('chill'), stepName('part:chillBase'), stepName('Pipe rosettes')])
      .toEqual(['Chill', messages.cook.PART_WORDS.chillBase[0], 'Pipe rosettes'])
  })
})

describe('a calendar that comes back', () => {
  const text = calendarOf('2026-11-28', PLAN, null, t => `Tart: ${t.id}`)
  it('as it was written, nothing is moved', () => {
    expect(movedIn(text, '2026-11-28', PLAN)).toEqual([])
  })
  it('what was moved in it is known by its UID; a minute is a move, other people\'s events are left alone', () => {
    const moved = text.replace('DTSTART:20261128T090000', 'DTSTART:20261128T093000')
    expect(movedIn(moved, '2026-11-28', PLAN)).toEqual([{ key: 'tart/mix', startMs: new Date(2026, 10, 28, 9, 30).getTime() }])
    const hair = text.replace('DTSTART:20261128T090000', 'DTSTART:20261128T090059')
    expect(movedIn(hair, '2026-11-28', PLAN)).toEqual([])
    expect(movedIn(moved.replaceAll('-tart-mix@lumbik', '-dentist@elsewhere'), '2026-11-28', PLAN)).toEqual([])
  })
  it('what is no calendar is refused', () => {
    expect(() => movedIn('lemon, sugar', '2026-11-28', PLAN)).toThrow()
  })
})

describe('a day as a table', () => {
  it('has a row a step, in order, with its hands', () => {
    const rows = planCsv(PLAN, id => `the ${id}`, n => n, id => id).split('\r\n')
    expect(rows).toHaveLength(4)
    expect(rows[0]).toBe('start,end,dessert,step,who,hands_until,on,temperature_C')
    expect(rows[1]).toBe('2026-11-28 09:00,2026-11-28 09:20,the tart,mix,Ines,2026-11-28 09:20,,')
  })
})

describe('courses of ovens and fridges', () => {
  const oven = { id: 'deck', heatKPerMin: 10, coolKPerMin: 2 }
  const bake = (id: string, from: string, to: string, tempC: number) =>
    ({ ...task(id, null, from, to, false), uses: [{ id: 'deck', amount: 1, tempC }] })
  const at = (hhmm: string) => new Date(`2026-11-28T${hhmm}:00`).getTime() / 60_000
  it('an oven is hot in time, holds, and cools as fast as it does', () => {
    expect(ovenCourse(oven, [bake('shell', '10:00', '11:00', 170), bake('dry', '13:00', '14:00', 90)])).toEqual([
      [at('09:45'), 20], [at('10:00'), 170], [at('11:00'), 170],
      [at('12:20'), 170], [at('13:00'), 90], [at('14:00'), 90],
    ])
    expect(ovenCourse(oven, [task('mix', 'Ines', '09:00', '09:20')])).toBeNull()
  })
  it('a fridge warms by what goes in, and tells whom the company slows', () => {
    const place = { id: 'fridge', name: 'Fridge', kind: 'domesticFridge' as const, airTempC: 4 }
    const warm = ({ dessert }: { dessert: string }) => (dessert === 'bar' ? null : { heatJPerK: 6000, fromC: 60, tauS: 3600 })
    const cold = (dessert: string) => ({ ...task('chill', null, '12:00', '20:00', false), dessert })
    const one = fridgeCourse(place, 21, [cold('tart')], warm)!
    const two = fridgeCourse(place, 21, [cold('tart'), cold('posset')], warm)!
    expect(one.mostW).toBeCloseTo((6000 * 56) / 3600, 6)
    expect(one.slower).toEqual([])
    expect(two.mostC).toBeGreaterThan(one.mostC)
    expect(two.slower.map(s => s.dessert).sort()).toEqual(['posset', 'tart'])
    expect(fridgeCourse(place, 21, [cold('bar')], warm)).toBeNull()
  })
})

describe('hours of a hand', () => {
  const shiftsOf = (pause?: { from: string, to: string }, to = '16:00') => {
    const sheet: DaySheet = { hands: [{ name: 'Ines', from: '07:00', to, ...(pause ? { pause } : {}) }], equipment: [], desserts: [] }
    return dayInputOf('2026-11-28', sheet, () => null).hands![0]!.shifts!.filter(s => s.from.startsWith('2026-11-28'))
  }
  it('are parted by a break; one outside of them is none', () => {
    expect(shiftsOf({ from: '12:00', to: '12:30' })).toEqual([
      { from: '2026-11-28T07:00', to: '2026-11-28T12:00' }, { from: '2026-11-28T12:30', to: '2026-11-28T16:00' },
    ])
    const whole = [{ from: '2026-11-28T07:00', to: '2026-11-28T16:00' }]
    expect([shiftsOf(), shiftsOf({ from: '06:00', to: '08:00' }), shiftsOf({ from: '15:30', to: '16:00' })])
      .toEqual([whole, whole, whole])
  })
})
