/** Kitchens that are not as stated: twelve batches of each, and how much of the error in foretelling learning takes. */
import type { BatchRecord } from '../../core/book/record'
import type { Planned } from '../../core/formula/bench'
import type { Kitchen } from '../../core/kitchen/kitchen'
import { calibrate, type LeftOut } from '../../core/learn/calibrate'
import { equipmentOf, learnables } from '../../core/learn/theta'
import { drawTruths, KITCHEN_TRUTHS, type KitchenTruthId, NOTHING_SAID } from '../../core/plant/truth'
import { runBatch } from '../../core/simulate/batch'

export const BATCHES = 12
/** So many truths at least this far off, σ: a kitchen worth learning of. */
const OFF = { truths: 2, z: 1.5 }

export interface Learned extends LeftOut {
  /** Share of the way from before to the floor that was gone; null where there was none to go. */
  closed: number | null
}

/** Truths of a kitchen's own equipment, by the names that learning gives them. */
function truthOf(seed: number, records: readonly BatchRecord[], ids: readonly string[]): Record<string, number> {
  const truths = drawTruths(NOTHING_SAID, seed, 0)
  const equipment = records.map(equipmentOf)
  return Object.fromEntries(ids.flatMap((name) => {
    const [id, ...of] = name.split('.')
    // A juice and an egg are another every day: none is the kitchen's.
    if (!(id! in KITCHEN_TRUTHS)) return [[name, 1]]
    const only = [...new Set(equipment.flatMap(e => e[id!] ?? []))][0] ?? ''
    return [[name, truths(id as KitchenTruthId, of.length > 0 ? of.join('.') : only)]]
  }))
}
const zOf = (id: string, value: number) => {
  const { law, sigma } = KITCHEN_TRUTHS[id.split('.')[0] as KitchenTruthId]
  return Math.abs(law === 'normal' ? value / sigma : Math.log(value) / sigma)
}

/** One kitchen by seed, making these formulas in turn; null where it is nearly as stated. */
export function kitchenTrial(seed: number, formulas: readonly Planned[], kitchen: Kitchen): Learned | null {
  const records = Array.from({ length: BATCHES }, (_, i) => runBatch({
    planned: formulas[(seed + i) % formulas.length]!, kitchen, said: NOTHING_SAID, kitchenSeed: seed,
    seed: 1000 * seed + i, startedAt: '',
  }).record)
  const truth = (ids: readonly string[]) => truthOf(seed, records, ids)
  const firstIds = learnables(records, []).map(l => l.id)
  const off = Object.entries(truth(firstIds)).filter(([id, v]) => id.split('.')[0]! in KITCHEN_TRUTHS && zOf(id, v) >= OFF.z)
  if (off.length < OFF.truths) return null
  const { leftOut } = calibrate(records, truth)
  const gap = leftOut.before - leftOut.floor!
  return { ...leftOut, closed: gap > 0.01 ? (leftOut.before - leftOut.after) / gap : null }
}
