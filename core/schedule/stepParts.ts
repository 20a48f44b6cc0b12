/** What steps of a formula and of a whole dessert share. How slow hands can be, and what waits, is judgement. */
import { type Bench, ovenAirC, panOf } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { EFFICIENCY } from '../physics/heat/pot'
import { ON_HEAT, type Tool, type WorkStep } from '../plan/work'
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

/** What a burner draws under this pot, W: the pot's own heat, or all of it under a bath; null: not known. */
function drawOf({ heat }: Bench, { burners }: Kitchen): number | null {
  const burner = burners.find(x => x.id === heat.burnerId)
  if (heat.method === 'waterBath') return burner?.ratedW ?? null
  return Math.min(burner?.ratedW ?? Infinity, heat.burnerW / EFFICIENCY[burner?.kind ?? 'ceramic'])
}

/** Equipment of a step, of the kinds a day names; the oven with the air it asks for, a ring with pan and power. */
export function usesOf(s: WorkStep, b: Bench, kitchen: Kitchen, has: ReadonlySet<string>): StepInput['uses'] {
  return s.uses.flatMap(({ tool }) => {
    const kind = KIND_OF[tool]
    if (!kind || !has.has(kind)) return []
    const tempC = kind !== 'oven' ? null : s.code === 'bake' ? ovenAirC(b, kitchen) : s.tempC
    const isPot = kind === 'ring' && (ON_HEAT as readonly string[]).includes(s.code)
    const pot = isPot ? { panM: panOf(b, kitchen)?.diameterM ?? null, drawW: drawOf(b, kitchen) } : {}
    return [{ kind, amount: 1, tempC, closed: DOOR_SHUT.includes(s.code), ...pot }]
  })
}

/** What bakes takes up heat by how far the air is above this, °C (judgement: its surface as it dries). */
const TAKES_UP_C = 70
/**
 * Minutes in an oven at another temperature, for a step a cook wrote: t·(T − 70)/(T′ − 70), an estimate to look at.
 * Null: nothing bakes at one of them.
 * @example bakedFor(25, 150, 120) // 40
 */
export const bakedFor = (minutes: number, fromC: number, toC: number): number | null =>
  fromC <= TAKES_UP_C || toC <= TAKES_UP_C ? null : Math.round((minutes * (fromC - TAKES_UP_C)) / (toC - TAKES_UP_C))

const INTO_TIN = ['pour', 'build:line', 'build:lay', 'build:layFrozen', 'build:pour']
const OUT_OF_TIN = ['unmould', 'build:turnOut']
const codeOf = (s: StepInput) => s.name.split(' · ')[0]!
/**
 * Steps with the tins they stand in, from the first that goes in to its turning out, or to the end: where the day names
 * the formula's own vessel.
 * @param has ids of what the day names
 * @example inTins([], doc, new Set()) // []
 */
export function inTins(steps: readonly StepInput[], b: Bench, has: ReadonlySet<string>): StepInput[] {
  const { vesselId, count, built } = b.assembly
  const from = steps.findIndex(s => INTO_TIN.includes(codeOf(s)))
  if (vesselId === null || !has.has(vesselId) || from < 0 || (built && built !== 'domed')) return [...steps]
  const out = steps.findIndex(s => OUT_OF_TIN.includes(codeOf(s)))
  const to = out < 0 ? steps.length - 1 : out
  const use = { id: vesselId, amount: count }
  return steps.map((s, i) => (i >= from && i <= to ? { ...s, uses: [...s.uses ?? [], use] } : s))
}
