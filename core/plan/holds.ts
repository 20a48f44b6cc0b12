/** Vessels that hold what is made, where nobody has said which: more of the small ones, or a tin that much wider. */
import { type Bench, vesselOf } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { assess } from '../pipeline/assess'

/** Filled to here at most: room to carry it (common practice). */
const FULL = 0.92
/** Tins come in steps of so much, m. */
const STEP_M = 0.01
const SMALL = ['glass', 'stemmed', 'ramekin', 'mould']

/**
 * A formula in vessels that hold it; unchanged where they do.
 * @example vesselsThatHold(doc, kitchen).assembly.count // 1
 */
export function vesselsThatHold(doc: Bench, kitchen: Kitchen): Bench {
  const { fillShare } = assess(doc, kitchen).shape
  if (fillShare <= FULL) return doc
  const { assembly } = doc
  const vessel = vesselOf(doc, kitchen)
  const by = fillShare / FULL
  if (assembly.count > 1 || SMALL.includes(vessel.kind)) {
    const count = Math.ceil(assembly.count * by)
    const portions = assembly.portions === assembly.count ? count : assembly.portions
    return { ...doc, assembly: { ...assembly, count, portions } }
  }
  const wider = (m: number) => Math.ceil((m * Math.sqrt(by)) / STEP_M) * STEP_M
  const rounded = (m: number) => Math.round(wider(m) * 100) / 100
  return {
    ...doc,
    assembly: {
      ...assembly, vesselId: null,
      vessel: { ...vessel, lengthM: rounded(vessel.lengthM), widthM: rounded(vessel.widthM), heldM3: null },
    },
  }
}
