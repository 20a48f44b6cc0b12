import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import type { BatchRecord, Series } from '#core/book/record'
import type { BatchItem } from '../../shared/book'
import { bookCsv, readingsCsv } from './bookFiles'
import { readSince } from './courses'

const rows = (csv: string) => Papa.parse<Record<string, string>>(csv, { header: true }).data
const SERIES: Series = { deviceId: 'probe', channel: 'pot', timeS: [0, 12.5, 60], values: [20, null, 81.2] }

describe('the Book as files', () => {
  it('readings: one row each, with the instant beside the seconds; what was not read stays empty', () => {
    const record = { startedAt: '2026-11-28T09:00:00.000Z', readings: [SERIES] } as unknown as BatchRecord
    expect(rows(readingsCsv(record))).toEqual([
      { seconds: '0', time: '2026-11-28T09:00:00.000Z', device: 'probe', channel: 'pot', value: '20' },
      { seconds: '12.5', time: '2026-11-28T09:00:12.500Z', device: 'probe', channel: 'pot', value: '' },
      { seconds: '60', time: '2026-11-28T09:01:00.000Z', device: 'probe', channel: 'pot', value: '81.2' },
    ])
  })
  it('batches: what was foretold and measured in columns of its own, names with commas whole', () => {
    const item = (over: object) => ({
      id: 'x', formulaId: 'f', versionId: 'v', name: 'Curd, sharp', startedAt: '2026-11-28T09:00:00.000Z', by: 'Ada',
      simulated: false, isDone: true, faults: ['weeping', 'grainy'], lots: [], shown: null, ...over,
    }) as unknown as BatchItem
    const [one, two] = rows(bookCsv([
      item({ shown: { asMeant: false, outcome: null, beside: [{ id: 'mass', unit: 'g', predicted: 500, measured: 480 }] } }),
      item({ name: 'Posset' }),
    ]))
    expect(one).toMatchObject({
      'name': 'Curd, sharp', 'asMeant': 'false', 'faults': 'weeping grainy', 'mass foretold (g)': '500',
      'mass measured (g)': '480',
    })
    expect(two).toMatchObject({ 'name': 'Posset', 'asMeant': '', 'mass measured (g)': '' })
  })
})

describe('what a series read since a moment', () => {
  it('begins at the moment itself, counts from it, and leaves out what was not read', () => {
    expect(readSince(SERIES, 0)).toEqual([{ s: 0, value: 20 }, { s: 60, value: 81.2 }])
    expect(readSince(SERIES, 60)).toEqual([{ s: 0, value: 81.2 }])
    expect(readSince(SERIES, 60.1)).toEqual([])
    expect(readSince(undefined, 0)).toEqual([])
  })
})
