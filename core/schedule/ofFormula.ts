/**
 * A formula as steps of a day: its order of work with hands and equipment, the cold as long as the set needs, likely
 * and at its slow end. How slow hands can be, and how long a hot mix may wait, is judgement.
 */
import { benchOf, type Bench, type Planned, putBack } from '../formula/bench'
import { isComputed } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { work } from '../pipeline/assess'
import { placed } from '../pipeline/stack'
import { isWhole } from '../plate/plate'
import { type Counted, forCovers } from '../plan/covers'
import { orderOfWork } from '../plan/order'
import { whenOf } from '../plan/when'
import { pouredAfterS } from '../pipeline/assessment'
import { stepsOfPlate } from './ofPlate'
import type { StepInput } from './read'
import { bringsHeat } from './warm'
import { HOT_WAITS_MIN, inBowls, inTins, LEAST_COLD_S, SLOW_HANDS, usesOf } from './stepParts'

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
 * Steps of a formula, one after another, for so many (null: as it is written).
 * @param has kinds of equipment the day names, bowls among them, and ids of its tins; others are no limit
 * @param of what is counted
 * @throws {InputError} for what the pipeline cannot run
 * @example stepsOfFormula(planned, kitchen, null, new Set()).length > 3 // true
 */
export function stepsOfFormula(
  planned: Planned, kitchen: Kitchen, count: number | null, has: ReadonlySet<string>, of: Counted = 'covers',
): StepInput[] {
  const b = forCovers(benchOf(planned), kitchen, count, of)
  if (isWhole(planned)) return inTins(bringsHeat(stepsOfPlate(putBack(b), kitchen, has), b, kitchen), b, has)
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
  return inTins(inBowls(bringsHeat(out, b, kitchen), b.heat.method, has), b, has)
}

const DAY_MIN = 24 * 60
/**
 * Nothing of it is begun longer before service than this, minutes: the days it keeps by the food code or its kind, one
 * at least, and what of its time it is frozen.
 * @param steps of it, as `stepsOfFormula` has them
 * @example freshMinutes(planned, kitchen, []) // 10080
 */
export function freshMinutes(planned: Planned, kitchen: Kitchen, steps: readonly StepInput[]): number {
  const days = planned.formula.components.filter(isComputed)
    .map(c => work(placed(benchOf(planned, c.id), kitchen), kitchen).assessment.serve.storageDays)
  const frozen = steps.filter(s => (s.uses ?? []).some(u => u.kind === 'freezer') || s.name.includes(':freeze'))
  return Math.max(1, Math.min(...days)) * DAY_MIN + frozen.reduce((s, x) => s + x.minutes, 0)
}

/**
 * The same formula baked at another temperature of the oven's air: its time follows from there.
 * @example bakedAt(planned, 120) // planned
 */
export function bakedAt(planned: Planned, airC: number): Planned {
  const components = planned.formula.components.map((c) => {
    if (!isComputed(c) || c.process.heat.method !== 'oven') return c
    const { heat } = c.process
    const oven = { ...heat.oven, airTempC: airC, offsetK: 0, ovenId: null }
    return { ...c, process: { ...c.process, heat: { ...heat, oven } } }
  })
  return { ...planned, formula: { ...planned.formula, components } }
}
