/**
 * A formula as steps of a day: its order of work with hands and equipment, the cold as long as the set needs, likely
 * and at its slow end. How slow hands can be, and how long a hot mix may wait, is judgement.
 */
import { benchOf, type Bench, ovenAirC, type Planned } from '../formula/bench'
import { scaleFormula } from '../formula/edits'
import type { Kitchen } from '../kitchen/kitchen'
import { work } from '../pipeline/assess'
import { placed } from '../pipeline/stack'
import { coversPlan } from '../plan/covers'
import { orderOfWork } from '../plan/order'
import { whenOf } from '../plan/when'
import type { Tool, WorkStep } from '../plan/work'
import { pouredAfterS } from '../pipeline/assessment'
import type { EquipmentKind } from './day'
import type { StepInput } from './read'

/** Slow hands over usual ones, 90th percentile. */
const SLOW_HANDS = 1.25
/** What is hot waits no longer than this for what follows, minutes. */
const HOT_WAITS_MIN = 5
/** The shortest cold that is planned, s. */
const LEAST_COLD_S = 300
const KIND_OF: Partial<Record<Tool, EquipmentKind>> = {
  burner: 'ring', oven: 'oven', mixer: 'mixer', fridge: 'fridge', blastChiller: 'blastChiller', freezer: 'freezer',
}

/** The formula for so many covers. */
function scaled(b: Bench, kitchen: Kitchen, count: number | null): Bench {
  if (count === null) return b
  const { shape } = work(placed(b, kitchen), kitchen).assessment
  const plan = coversPlan(b, shape, { kind: 'people', people: count, each: 1 })
  const grown = scaleFormula(b, plan.factor)
  return { ...grown, assembly: { ...grown.assembly, count: plan.count, portions: plan.portions } }
}

/** The last leg of the cold, as short as the set lets it be: likely and slow, s. */
function lastLeg(b: Bench, kitchen: Kitchen): { likelyS: number, slowS: number } {
  const w = work(placed(b, kitchen), kitchen)
  const row = whenOf(w, b, kitchen).find(r => r.what === 'serve')
  const own = b.chill.at(-1)!.timeS
  const beforeS = b.chill.slice(0, -1).reduce((s, l) => s + l.timeS, 0)
  if (row?.slowS == null) return { likelyS: own, slowS: own }
  const legOf = (s: number) => Math.max(LEAST_COLD_S, s - beforeS)
  return { likelyS: legOf(row.likelyS ?? row.slowS), slowS: legOf(row.slowS) }
}

/**
 * Steps of a formula, one after another, for so many covers (null: as it is written).
 * @param has kinds of equipment the day names; others are no limit
 * @throws {InputError} for what the pipeline cannot run
 * @example stepsOfFormula(planned, kitchen, null, new Set()).length > 3 // true
 */
export function stepsOfFormula(
  planned: Planned, kitchen: Kitchen, count: number | null, has: ReadonlySet<string>,
): StepInput[] {
  const b = scaled(benchOf(planned), kitchen, count)
  const { assessment } = work(placed(b, kitchen), kitchen)
  const order = orderOfWork(b, kitchen, assessment)
  const leg = lastLeg(b, kitchen)
  const lastCold = order.findLast(s => s.code === 'chill')
  const pouredS = pouredAfterS(assessment)
  const out: StepInput[] = []
  for (const [i, s] of order.entries()) {
    const dueS = s.attendedS + s.unattendedS
    // What the order leaves between two steps, before the cold, is waiting: it cools, it rests.
    const next = order[i + 1]
    const gapS = next && s.code !== 'chill' && next.atS <= pouredS ? Math.max(0, next.atS - s.atS - dueS) : 0
    const isLast = s === lastCold
    const likelyS = isLast ? leg.likelyS : dueS + gapS
    if (likelyS <= 0) continue
    const slowS = isLast ? leg.slowS : likelyS + (SLOW_HANDS - 1) * s.attendedS
    const isHot = s.atS > 0 && s.atS <= pouredS && out.length > 0
    out.push({
      id: `${s.code}-${i}`,
      name: s.code,
      minutes: likelyS / 60,
      minutesSlow: Math.max(likelyS, slowS) / 60,
      attended: Math.min(s.attendedS, likelyS) / 60,
      uses: usesOf(s, b, kitchen, has),
      maxGapMinutes: isHot ? HOT_WAITS_MIN : null,
    })
  }
  return out
}

function usesOf(s: WorkStep, b: Bench, kitchen: Kitchen, has: ReadonlySet<string>): StepInput['uses'] {
  return s.uses.flatMap(({ tool }) => {
    const kind = KIND_OF[tool]
    if (!kind || !has.has(kind)) return []
    const tempC = kind !== 'oven' ? null : s.code === 'bake' ? ovenAirC(b, kitchen) : s.tempC
    return [{ kind, amount: 1, tempC }]
  })
}
