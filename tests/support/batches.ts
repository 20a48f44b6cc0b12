/** Batches of the simulated kitchen for tests: the plain curd, a posset, a bar and a cream, made with what is said. */
import type { BatchRecord } from '../../core/book/record'
import { type Bench, type Planned, putBack } from '../../core/formula/bench'
import type { Kitchen } from '../../core/kitchen/kitchen'
import type { Mistake } from '../../core/plant/truth'
import { runBatch } from '../../core/simulate/batch'
import { formula, kitchen } from './core'

/** A kitchen as stated in every way. */
export const NEUTRAL = {
  probeBiasK: 0, burnerFactor: 1, ovenOffsetK: 0, fridgeAirOffsetK: 0, fridgeConvectionFactor: 1, evaporationFactor: 1,
  setFactor: 1, scaleFactor: 1, lossFactor: 1, juiceAcidFactor: 1, yolkMassFactor: 1,
}
/** A curd on the ring, in a tub, overnight in the fan fridge. */
export const curd = (edit: (d: Bench) => void = () => {}): Planned => putBack(formula(undefined, (d) => {
  d.chill = d.chill.map((l, i) => (i === d.chill.length - 1 ? { ...l, placeId: 'fan' } : l))
  edit(d)
}))

/** A posset whose cream is boiled back by the scale. */
export const posset = (): Planned => putBack(formula(
  { cream48: 600, sugar: 150, lemon: 90 }, d => void (d.heat.targetTempC = 100), { school: 'reduced', use: 'glass' },
))

interface Asked {
  planned?: Planned
  values?: Record<string, number>
  mistake?: Mistake | null
  kitchenSeed?: number
  seed?: number
  where?: Kitchen
}
/** A batch and what is true of its set. */
export const made = ({
  planned = curd(), values = NEUTRAL, mistake = null, kitchenSeed = 0, seed = 1, where = kitchen,
}: Asked = {}) => runBatch({
  planned, kitchen: where, said: { values, mistake }, kitchenSeed, seed, startedAt: '2026-11-28T09:00:00.000Z',
})
export const batch = (asked: Asked = {}): BatchRecord => made(asked).record
