/** day as a script meets it: the plan by its schema, formulas as steps, and what is refused by its field. */
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import Ajv from 'ajv'
import { describe, expect, it } from 'vitest'
import { commandLine } from '../tests/support/command'
import type { DayPlan } from '#core/schedule/plan'
import { main as day } from './day'

const { out, err, file } = commandLine()
const read = (path: string) => JSON.parse(readFileSync(fileURLToPath(new URL(`../docs/${path}`, import.meta.url)), 'utf8')) as object
const fits = (name: string, value: unknown) => {
  const validate = new Ajv({ strict: false }).compile(read(`${name}.schema.json`))
  expect(validate(value), JSON.stringify(validate.errors)).toBe(true)
}
const CURD = read('examples/curd.json')
const DAY = {
  date: '2026-11-28', kitchen: null,
  hands: [{ name: 'Ada', from: '2026-11-28T07:00', to: '2026-11-28T20:00' }],
  equipment: [{ id: 'left', kind: 'ring', capacity: 1 }, { id: 'fan fridge', kind: 'fridge' }],
  desserts: [
    { name: 'curd', formula: CURD, count: null, serveAt: '2026-11-28T19:00', earliest: null, keepMinutes: null, steps: null },
    { name: 'posset', serveAt: '2026-11-28T19:00', steps: [
      { name: 'boil', minutes: 12, minutesSlow: 15, attended: true, uses: [{ kind: 'ring' }] },
      { name: 'chill', minutes: 180, attended: false, uses: [{ id: 'fan fridge' }] },
    ] },
  ],
}
function planned(of: object): DayPlan {
  out.length = 0
  expect(day([file('day.json', of)]), err.join()).toBe(0)
  return JSON.parse(out[0]!) as DayPlan
}

describe('day', () => {
  it('prints a plan by its schema, of a day by its own', () => {
    fits('day', DAY)
    const plan = planned(DAY)
    fits('plan', plan)
    expect(plan.feasible).toBe(true)
    expect(Object.values(plan.chanceOnTime).every(p => p >= 0.9)).toBe(true)
    expect(planned(DAY)).toEqual(plan)
  })
  it('a formula becomes the steps of its order of work: on the ring, then as long in the cold as its set needs', () => {
    const mine = planned(DAY).tasks.filter(t => t.dessert === 'curd')
    expect(mine.length).toBeGreaterThan(4)
    expect(mine.some(t => t.uses.some(u => u.id === 'left'))).toBe(true)
    const cold = mine.findLast(t => t.uses.some(u => u.id === 'fan fridge'))!
    const hours = (Date.parse(`${cold.end}Z`) - Date.parse(`${cold.start}Z`)) / 3_600_000
    expect(hours).toBeGreaterThan(0.5)
    expect(hours).toBeLessThan(24)
    // One ring: the posset boils before or after the curd, not beside it.
    const [a, b] = planned(DAY).tasks.filter(t => t.uses.some(u => u.id === 'left')).sort((x, y) => x.start.localeCompare(y.start))
    expect(a!.end <= b!.start).toBe(true)
    // More of it stands deeper or takes longer to pour: never less time.
    const first = (p: DayPlan) => p.tasks.find(t => t.dessert === 'curd')!.start
    const many = planned({ ...DAY, desserts: [{ ...DAY.desserts[0], count: 40 }] })
    expect(first(many) <= first(planned({ ...DAY, desserts: [DAY.desserts[0]] }))).toBe(true)
  })
  it('says what is missing or cannot be, by file and field', () => {
    const bad = (over: object) => ({ ...DAY, ...over })
    const cases: [string[], RegExp][] = [
      [[], /Usage/], [['no.json'], /no such file/], [[file('a.json', [])], /\[\]/],
      [[file('b.json', bad({ date: 'today' }))], /\[date\]/],
      [[file('c.json', bad({ desserts: [{ name: 'x', serveAt: '19:00' }] }))], /\[desserts\.0\.steps\]/],
      [[file('d.json', bad({ desserts: [{ name: 'x', serveAt: 'late', steps: [] }] }))], /\[desserts\.0\.serveAt\]/],
      [[file('e.json', bad({ desserts: [{ name: 'x', serveAt: '19:00', formula: {} }] }))], /\[desserts\.0\.formula\.format\]/],
      [[file('f.json', bad({ equipment: [{ id: 'x', kind: 'kiln' }] }))], /\[equipment\[?\.?0\]?\.kind\]/],
      [[file('g.json', bad({ desserts: [{ name: 'x', serveAt: '19:00', steps: [{ name: 'a', minutes: -1 }] }] }))], /minutes\]/],
    ]
    for (const [args, words] of cases) {
      err.length = 0
      expect(day(args)).toBe(1)
      expect(err.join()).toMatch(words)
    }
  })
})
