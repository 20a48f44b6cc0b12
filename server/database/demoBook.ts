/** The demo's Book: twenty batches of the last weeks, made in the simulated kitchen, as invented as the rest. */
import type { BatchRecord } from '#core/book/record'
import type { Mistake, SaidTruth } from '#core/plant/truth'
import { runBatch } from '#core/simulate/batch'
import { demoFormulas, demoKitchen, uuid } from './demo'

/** What is true of the tea room and nobody has measured: rings weaker than they say, a probe that shows too much. */
const TRUTHS = {
  burnerFactor: 0.8, probeBiasK: 2.4, fridgeAirOffsetK: 1.6, fridgeConvectionFactor: 1, ovenOffsetK: -9,
  evaporationFactor: 1, setFactor: 1, scaleFactor: 1, lossFactor: 1, 'lossFactor.sieve': 1.5,
}
export const DEMO_KITCHEN_SEED = 7
/** The same kitchen stands behind every new demonstration, unless something else is said of it. */
export const demoTruth = ({ values, mistake }: SaidTruth): SaidTruth => ({ values: { ...TRUTHS, ...values }, mistake })

type Wrong = Pick<Mistake, 'kind'> & Partial<Mistake>
/** Which formula of the demo, how many days ago at what hour, what went wrong. */
const MADE: readonly (readonly [formula: number, daysAgo: number, hour: number, wrong?: Wrong])[] = [
  [4, 44, 9], [5, 43, 15], [0, 41, 8], [4, 38, 9], [8, 36, 10], [4, 34, 10, { kind: 'targetMissedK', amount: 7 }],
  [5, 31, 14], [7, 30, 8], [1, 27, 10], [4, 25, 9], [10, 23, 9], [5, 21, 15, { kind: 'lineForgotten', lineId: 'd6-3' }],
  [11, 19, 8], [4, 16, 9], [8, 14, 10], [0, 12, 8], [4, 9, 9], [1, 7, 10],
  [4, 4, 9], [5, 1, 15, { kind: 'chilledTooShortS', amount: 12.2 * 3600 }],
]
export const DEMO_BATCHES = MADE.length

const DAY_MS = 86_400_000

/** One of them, by its number: its formula, and its record with ids of its own. @param at the day it is today */
export function demoBatch(n: number, at: Date): { formulaId: string, record: BatchRecord } {
  const [which, daysAgo, hour, wrong] = MADE[n]!
  const { id: formulaId, document: planned } = demoFormulas()[which]!
  const day = new Date(at.getTime() - daysAgo * DAY_MS)
  day.setUTCHours(hour, 5 * (n % 12), 0, 0)
  const mistake = wrong ? { amount: null, lineId: null, ...wrong } : null
  const { record } = runBatch({
    planned, kitchen: demoKitchen(), said: { values: TRUTHS, mistake }, kitchenSeed: DEMO_KITCHEN_SEED, seed: 100 + n,
    startedAt: day.toISOString(),
  })
  const events = record.events.map((e, i) => ({ ...e, id: uuid(11, 1000 * n + i) }))
  return { formulaId, record: { ...record, id: uuid(10, n + 1), events } }
}
