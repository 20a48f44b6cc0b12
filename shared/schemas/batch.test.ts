/** Records and truths as files: what is whole passes the check and the published JSON Schemas, what is not is named. */
import { readFileSync } from 'node:fs'
import Ajv from 'ajv'
import { describe, expect, it } from 'vitest'
import { batch, curd } from '../../tests/support/batches'
import { fillingOf, benchOf } from '#core/formula/bench'
import { readBatch } from './batch'
import { readTruth, TruthProblem } from './truth'

const published = (name: string) => new Ajv({ strict: false }).compile(
  JSON.parse(readFileSync(new URL(`../../docs/${name}.schema.json`, import.meta.url), 'utf8')) as object)
const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T
const record = plain(batch())
const validate = published('batch')

describe('a record', () => {
  it('passes, and comes back as it was', () => {
    expect(validate(record), JSON.stringify(validate.errors)).toBe(true)
    expect(readBatch(record)).toEqual({ ok: true, record })
  })
  it('with every kind of event, corrections of them included', () => {
    const more = [
      { kind: 'stepDone', stepKey: 'bloom-1' }, { kind: 'stepSkipped', stepKey: 'x' }, { kind: 'stepReopened', stepKey: 'x' },
      { kind: 'ovenIn' }, { kind: 'ovenOut' }, { kind: 'note', textId: 't' }, { kind: 'photo', photoId: 'p' },
      { kind: 'corrected', eventId: 'e2', whyId: null, instead: { kind: 'added', lineId: record.formula.components[0]!.lines[0]!.id, shownG: 99 } },
      { kind: 'corrected', eventId: 'e3', whyId: 'w', instead: null },
    ].map((e, i) => ({ id: `m${i}`, atS: 1, actorId: 'a', ...e }))
    const whole = { ...record, events: [...record.events, ...more] }
    expect(validate(whole), JSON.stringify(validate.errors)).toBe(true)
    expect(readBatch(whole).ok).toBe(true)
  })
  const bad: [string, (r: typeof record) => unknown, string][] = [
    ['no object', () => [], ''],
    ['another format', r => ({ ...r, format: 'other' }), 'format'],
    ['a newer version', r => ({ ...r, version: 2 }), 'version'],
    ['a formula that is none', r => ({ ...r, formula: {} }), 'format'],
    ['no kitchen', ({ kitchen: _, ...r }) => r, 'kitchen'],
    ['an unknown component', r => ({ ...r, componentId: 'nobody' }), 'componentId'],
    ['an unknown kind', r => ({ ...r, events: [{ id: 'x', atS: 0, actorId: 'a', kind: 'cooked' }] }), 'events.0.kind'],
    ['an event before the start', r => ({ ...r, events: [{ id: 'x', atS: -1, actorId: 'a', kind: 'opened' }] }), 'events.0.atS'],
    ['the same id twice', r => ({ ...r, events: [r.events[0], r.events[0]] }), 'events.1.id'],
    ['a line that is not there', r => ({ ...r, events: [{ id: 'x', atS: 0, actorId: 'a', kind: 'added', lineId: 'no', shownG: 1 }] }), 'events.0.lineId'],
    ['a correction of nothing', r => ({ ...r, events: [{ id: 'x', atS: 0, actorId: 'a', kind: 'corrected', eventId: 'no', whyId: null, instead: null }] }), 'events.0.eventId'],
    ['readings without times', r => ({ ...r, readings: [{ ...r.readings[0], timeS: [] }] }), 'readings.0.values'],
    ['time that runs back', r => ({ ...r, readings: [{ deviceId: 'd', channel: 'pot', timeS: [5, 4], values: [1, 2] }] }), 'readings.0.timeS.1'],
    ['a parameter nobody knows', r => ({ ...r, parameters: { ...r.parameters, changed: { 'egg.no': 1 } } }), 'parameters.changed'],
    ['a parameter out of bounds', r => ({ ...r, parameters: { ...r.parameters, changed: { 'egg.settingZK': 500 } } }), 'parameters.egg.settingZK'],
  ]
  for (const [name, change, path] of bad)
    it(`is refused by its field: ${name}`, () => expect(readBatch(change(record))).toMatchObject({ ok: false, problem: { path } }))
})

describe('a truth', () => {
  const { formula } = curd()
  const lineId = fillingOf(benchOf(curd())).lines[0]!.id
  const schema = published('truth')
  it('any of its figures, for all or for one, and a mistake', () => {
    const said = { 'probeBiasK': -2, 'burnerFactor.hob': 0.8, 'setFactor.egg': 1.4, 'mistake': { kind: 'lineDoubled', lineId, amount: null } }
    expect(schema(said), JSON.stringify(schema.errors)).toBe(true)
    const { mistake, ...values } = said
    expect(readTruth(said, formula)).toEqual({ values, mistake })
    expect(readTruth({ mistake: null }, formula)).toEqual({ values: {}, mistake: null })
    expect(readTruth({ mistake: { kind: 'openedWarm' } }, formula).mistake).toEqual({ kind: 'openedWarm', lineId: null, amount: null })
  })
  const bad: [unknown, string][] = [
    [null, 'truth'], [{ burnerFactr: 1 }, 'burnerFactr'], [{ burnerFactor: '1' }, 'burnerFactor'], [{ burnerFactor: 5.01 }, 'burnerFactor'],
    [{ probeBiasK: -15.1 }, 'probeBiasK'], [{ 'burnerFactor.': 1 }, 'burnerFactor.'], [{ mistake: 1 }, 'mistake'],
    [{ mistake: { kind: 'burnt' } }, 'mistake.kind'], [{ mistake: { kind: 'lineForgotten' } }, 'mistake.lineId'],
    [{ mistake: { kind: 'lineForgotten', lineId: 'no' } }, 'mistake.lineId'],
    [{ mistake: { kind: 'openedWarm', amount: 'warm' } }, 'mistake.amount'], [{ mistake: { kind: 'openedWarm', why: 1 } }, 'mistake.why'],
  ]
  for (const [said, path] of bad)
    it(`is refused by its field, with what would do: ${JSON.stringify(said)}`, () => {
      try {
        readTruth(said, formula)
        expect.unreachable()
      } catch (e) {
        expect(e).toBeInstanceOf(TruthProblem)
        expect(e).toMatchObject({ path })
        expect((e as TruthProblem).fix.length).toBeGreaterThan(10)
      }
    })
})
