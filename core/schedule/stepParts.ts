/** What steps of a formula and of a whole dessert share. How slow hands can be, and what waits, is judgement. */
import { type Bench, ovenAirC } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import type { Tool, WorkStep } from '../plan/work'
import type { EquipmentKind } from './day'
import type { StepInput } from './read'

/** Slow hands over usual ones, 90th percentile. */
export const SLOW_HANDS = 1.25
/** What is hot waits no longer than this for what follows, minutes. */
export const HOT_WAITS_MIN = 5
/** The shortest cold that is planned, s. */
export const LEAST_COLD_S = 300
const KIND_OF: Partial<Record<Tool, EquipmentKind>> = {
  burner: 'ring', oven: 'oven', mixer: 'mixer', fridge: 'fridge', blastChiller: 'blastChiller', freezer: 'freezer',
}

/** A drying meringue cracks when the door is opened. */
const DOOR_SHUT: readonly string[] = ['part:dryOut', 'part:coolInOven']

/** Equipment of a step, of the kinds a day names; the oven with the air it asks for. */
export function usesOf(s: WorkStep, b: Bench, kitchen: Kitchen, has: ReadonlySet<string>): StepInput['uses'] {
  return s.uses.flatMap(({ tool }) => {
    const kind = KIND_OF[tool]
    if (!kind || !has.has(kind)) return []
    const tempC = kind !== 'oven' ? null : s.code === 'bake' ? ovenAirC(b, kitchen) : s.tempC
    return [{ kind, amount: 1, tempC, closed: DOOR_SHUT.includes(s.code) }]
  })
}
