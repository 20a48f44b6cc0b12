/**
 * A day of work: desserts with their steps, who works when, what there is to work on. Times are minutes since an epoch
 * that cancels out; nothing here knows a calendar.
 */

import type { ColdPlace } from '../physics/chill/load'
import type { Warm } from './coldLoad'

export const EQUIPMENT_KINDS = ['oven', 'ring', 'fridge', 'blastChiller', 'freezer', 'mixer', 'tin', 'bowl'] as const
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number]

export interface Shift { from: number, to: number }
export interface Hand {
  name: string
  shifts: Shift[]
}
export interface Equipment {
  id: string
  kind: EquipmentKind
  /** In its own unit; null: no limit. */
  capacity: number | null
  minC: number | null
  maxC: number | null
  /** null: at once. */
  heatKPerMin: number | null
  coolKPerMin: number | null
  /** The widest pan a ring takes, m; absent: any. */
  panM?: number | null
  /** It cannot be had before; absent: always. */
  freeFrom?: number | null
  /** The supply it shares with other rings, and what that gives them together, W; absent: its own. */
  supply?: { id: string, watts: number } | null
  /** Its air, where it is cold. */
  cold?: ColdPlace | null
}
/** What a step occupies: any piece of a kind, or one piece. */
export interface StepUse {
  kind: EquipmentKind | null
  id: string | null
  amount: number
  tempC: number | null
  /** Its door is not opened while this is in it. */
  closed: boolean
  /** Across its pan, m, and what it draws, W; absent: not known, no limit. */
  panM?: number | null
  drawW?: number | null
  /** It stays taken until the step after it that has it, too, begins. */
  held?: boolean
}
export interface DayStep {
  id: string
  name: string
  minutes: number
  /** 90th percentile; the same as `minutes`: it is sure. */
  slowMinutes: number
  /** Hands are at it for the first so many minutes. */
  attendedMinutes: number
  uses: StepUse[]
  after: string[]
  /** Longest wait after what it follows; null: no limit. */
  maxGapMinutes: number | null
  /** Where it was put by hand, or has begun: it stays there. */
  fixed: { start: number, who: string | null } | null
  /** The heat it brings into the cold; absent: none. */
  warm?: Warm | null
}
export interface DayDessert {
  id: string
  name: string
  serveAt: number
  earliest: number | null
  /** Nothing of it is begun before: it would not be fresh. Absent: no limit. */
  freshFrom?: number | null
  /** It may stand ready for so long; null: no limit. */
  keepMinutes: number | null
  steps: DayStep[]
}
export interface Day {
  /** Nobody named: hands are no limit. */
  hands: Hand[]
  equipment: Equipment[]
  desserts: DayDessert[]
}

/** A step of a day, with what it is called across all desserts. */
export interface Task {
  key: string
  dessert: DayDessert
  step: DayStep
  before: string[]
  next: string[]
}
/** @example keyOf('tart', 'bake') // 'tart/bake' */
export const keyOf = (dessertId: string, stepId: string): string => `${dessertId}/${stepId}`

/**
 * All steps, each with what comes before and after it.
 * @example tasksOf({ hands: [], equipment: [], desserts: [] }) // []
 */
export function tasksOf({ desserts }: Day): Task[] {
  return desserts.flatMap(dessert => dessert.steps.map(step => ({
    key: keyOf(dessert.id, step.id),
    dessert,
    step,
    before: step.after.map(id => keyOf(dessert.id, id)),
    next: dessert.steps.filter(s => s.after.includes(step.id)).map(s => keyOf(dessert.id, s.id)),
  })))
}

/** One temperature at a time: what shares an oven differs by no more, K. */
export const OVEN_K = 5
/**
 * Minutes from one temperature to another in a piece of equipment.
 * @example changeMinutes({ heatKPerMin: 4, coolKPerMin: 2 }, 150, 93) // 28.5
 */
export function changeMinutes(
  { heatKPerMin, coolKPerMin }: Pick<Equipment, 'heatKPerMin' | 'coolKPerMin'>, fromC: number, toC: number,
): number {
  const [k, rate] = [Math.abs(toC - fromC), toC > fromC ? heatKPerMin : coolKPerMin]
  return k <= OVEN_K || rate === null ? 0 : k / rate
}
