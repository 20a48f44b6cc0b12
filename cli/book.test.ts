/** simulate, calibrate and diagnose as a script meets them: what they print, by their schemas, and how they end. */
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import Ajv from 'ajv'
import { describe, expect, it } from 'vitest'
import { commandLine } from '../tests/support/command'
import type { BatchRecord } from '#core/book/record'
import { main as calibrate } from './calibrate'
import { main as diagnose } from './diagnose'
import { main as prove, failureTable, kitchenTable } from './prove'
import { main as simulate } from './simulate'

const { out, err, file } = commandLine()
const CURD = fileURLToPath(new URL('../docs/examples/curd.json', import.meta.url))
const fits = (name: string, value: unknown) => {
  const schema = JSON.parse(readFileSync(new URL(`../docs/${name}.schema.json`, import.meta.url), 'utf8')) as object
  const validate = new Ajv({ strict: false }).compile(schema)
  expect(validate(value), JSON.stringify(validate.errors)).toBe(true)
}
/** A batch of the curd, as printed. */
function simulated(...args: string[]): BatchRecord {
  out.length = 0
  expect(simulate([CURD, ...args]), err.join()).toBe(0)
  return JSON.parse(out[0]!) as BatchRecord
}

describe('simulate', () => {
  it('prints a record by its schema: the same for the same seeds, the same kitchen for another batch', () => {
    const one = simulated('--seed', '1')
    fits('batch', one)
    expect(one.simulated).toBe(true)
    expect(simulated('--seed', '1')).toEqual(one)
    expect(simulated('--seed', '2').events).not.toEqual(one.events)
    expect(simulated('--seed', '1', '--kitchen-seed', '5').readings).not.toEqual(one.readings)
  })
  it('makes what is said of the truth, in the kitchen that is given', () => {
    const truth = file('truth.json', { fridgeAirOffsetK: 6 })
    const kitchen = file('kitchen.json', { roomTempC: 27, altitudeM: 400 })
    const r = simulated('--truth', truth, '--kitchen', kitchen)
    expect(r.kitchen).toMatchObject({ roomTempC: 27, altitudeM: 400 })
    expect(r.readings.find(s => s.channel === 'air')!.values.at(-1)).toBeGreaterThan(7)
  })
  it('says what is missing, unknown or out of bounds, by file and field', () => {
    const cases: [string[], RegExp][] = [
      [[], /Usage/], [[CURD, CURD], /one formula/], [[CURD, '--sed', '1'], /sed/], [['no.json'], /no such file/],
      [[file('bad.json', '{')], /cannot be read as JSON/], [[file('f.json', {})], /\[format\]/],
      [[CURD, '--seed', '1.5'], /--seed: give a whole number/],
      [[CURD, '--truth', file('t.json', { burnerFactor: 9 })], /burnerFactor: give a number from 0.2 to 5/],
      [[CURD, '--truth', file('u.json', { mistake: { kind: 'burnt' } })], /mistake.kind: give one of/],
      [[CURD, '--kitchen', file('k.json', { altitudeM: 'high' })], /is no kitchen/],
    ]
    for (const [args, words] of cases) {
      err.length = 0
      expect(simulate(args)).toBe(1)
      expect(err.join()).toMatch(words)
    }
    expect(out).toEqual([])
  })
})

describe('calibrate and diagnose', () => {
  it('print by their schemas; a floor only where the truth is given', () => {
    const truth = file('truth.json', { probeBiasK: 3 })
    const files = [1, 2].map(i => file(`b${i}.json`, simulated('--seed', String(i), '--truth', truth)))
    out.length = 0
    expect(calibrate(files)).toBe(0)
    interface Told { parameters: { id: string, value: number }[], leftOut: { floor: number | null } }
    const found = JSON.parse(out[0]!) as Told
    fits('calibration', found)
    expect(found.parameters.find(p => p.id === 'probeBiasK')!.value).toBeCloseTo(3, 0)
    expect(found.leftOut.floor).toBeNull()
    out.length = 0
    expect(calibrate([...files, '--truth', truth])).toBe(0)
    expect((JSON.parse(out[0]!) as Told).leftOut.floor).toBeGreaterThan(0)
    out.length = 0
    const failed = file('f.json', simulated('--truth', file('m.json', { yolkMassFactor: 0.6 })))
    out.length = 0
    expect(diagnose([failed])).toBe(0)
    const why = JSON.parse(out[0]!) as { causes: { id: string, direction: string }[] }
    fits('diagnosis', why)
    expect(why.causes[0]).toMatchObject({ id: 'yolkMassFactor', direction: 'low' })
  })
  it('say what cannot be read', () => {
    const cases: [(args: string[]) => number, string[], RegExp][] = [
      [calibrate, [], /Usage/], [diagnose, [], /Usage/], [diagnose, ['no.json'], /no such file/],
      [diagnose, [file('x.json', { format: 'lumbik-batch' })], /\[format\]/], [calibrate, ['--what'], /what/],
    ]
    for (const [command, args, words] of cases) {
      err.length = 0
      expect(command(args)).toBe(1)
      expect(err.join()).toMatch(words)
    }
  })
})

describe('prove', () => {
  it('says what it wants, and tells its tables', () => {
    expect(prove(['cakes'])).toBe(1)
    expect(prove(['pots', '0'])).toBe(1)
    expect(err.join()).toMatch(/say pots, kitchens or failures/)
    const blamed = { cause: 'openedWarm', place: 1, share: 0.8, firstShare: 0.8, first: 'openedWarm' }
    expect(failureTable([blamed, { ...blamed, place: 4, cause: 'scaleFactor' }])).toContain('| all | 2 | 50.0 % | 50.0 % | 80.0 % |')
    const learned = { before: 2, after: 1.2, floor: 1, closed: 0.8 }
    expect(kitchenTable([learned, { ...learned, after: 2.2, closed: -0.2 }])).toContain('| 2 | 2.00 | 1.70 | 1.00 | 50.0 % | 1 |')
  })
})
