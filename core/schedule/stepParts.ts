/** What steps of a formula and of a whole dessert share. How slow hands can be, and what waits, is judgement. */
import { type Bench, ovenAirC, panOf } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { EFFICIENCY, type HeatMethod } from '../physics/heat/pot'
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

/** A use that goes on from step to step, and ends with the last of them. */
const withUse = (steps: readonly StepInput[], from: number, to: number, use: Use, isIn: (s: StepInput) => boolean) => {
  const last = steps.findLastIndex((s, i) => i <= to && isIn(s))
  return steps.map((s, i) =>
    (i >= from && i <= last && isIn(s) ? { ...s, uses: [...s.uses ?? [], { ...use, held: i < last }] } : s))
}
type Use = NonNullable<StepInput['uses']>[number]

const INTO_TIN = ['pour', 'build:line', 'build:lay', 'build:layFrozen', 'build:pour']
const OUT_OF_TIN = ['unmould', 'build:turnOut']
const codeOf = (s: StepInput) => s.name.split(' · ')[0]!
/**
 * Steps with the tins they stand in, from the first that goes in to its turning out, or to the end, and while they wait
 * between: where the day names the formula's own vessel. An insert freezes in a mould of its own.
 * @param has ids of what the day names
 * @example inTins([], doc, new Set()) // []
 */
export function inTins(steps: readonly StepInput[], b: Bench, has: ReadonlySet<string>): StepInput[] {
  const { vesselId, count, built } = b.assembly
  const from = steps.findIndex(s => INTO_TIN.includes(codeOf(s)))
  if (vesselId === null || !has.has(vesselId) || from < 0 || (built && built !== 'domed')) return [...steps]
  const out = steps.findIndex(s => OUT_OF_TIN.includes(codeOf(s)))
  const to = out < 0 ? steps.length - 1 : out
  return withUse(steps, from, to, { id: vesselId, amount: count }, s => codeOf(s) !== 'build:freezeInsert')
}

/** A mix is in a bowl from the first of these; one that is cooked in its pan only once it leaves it. */
const INTO_BOWL = ['strain', 'coolTo', 'iceBath', 'whip', 'beatWhites', 'fold', 'blend', 'temperEggs']
const MIXED = ['mixCold', 'heatBath', 'heatPouch', 'heatMicrowave']
const OUT_OF_BOWL = ['pour', 'portion', 'chill', 'bake']
/** Parts are made in a bowl of their own in these. */
const PART_BOWL = [
  'crush', 'rub', 'whiskEggs', 'foldFlour', 'starchPaste', 'beatWhites', 'sugarIn', 'pasteIn', 'warmWhites',
  'pourSugar', 'beatCool', 'whipCream', 'eggsIn', 'hull',
].map(s => `part:${s}`)
/**
 * Steps with the bowls they are in, where the day counts bowls: the mix from its first bowl to where it is poured (or
 * is made, as a part of a whole dessert), a part while it is mixed. What stands in the mixer is in the mixer's own.
 * @example inBowls([], 'direct', new Set(['bowl'])) // []
 */
export function inBowls(
  steps: readonly StepInput[], method: HeatMethod | null, has: ReadonlySet<string>,
): StepInput[] {
  if (!has.has('bowl')) return [...steps]
  const isFree = (s: StepInput) => !(s.uses ?? []).some(u => u.kind === 'mixer')
  const use = { kind: 'bowl', amount: 1 }
  const firsts = method === 'direct' ? INTO_BOWL : [...MIXED, ...INTO_BOWL]
  const from = method === null ? -1 : steps.findIndex(s => firsts.includes(codeOf(s)))
  const out = steps.findIndex((s, i) => i > from && OUT_OF_BOWL.includes(codeOf(s)))
  const mixed = from < 0 ? [...steps] : withUse(steps, from, out < 0 ? steps.length - 1 : out, use, isFree)
  return mixed.map((s, i) => {
    if (!PART_BOWL.includes(codeOf(s)) || !isFree(s)) return s
    const next = mixed[i + 1]
    const isHeld = next !== undefined && PART_BOWL.includes(codeOf(next)) && isFree(next)
    return { ...s, uses: [...s.uses ?? [], { ...use, held: isHeld }] }
  })
}
