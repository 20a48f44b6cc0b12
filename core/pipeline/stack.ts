/**
 * The other components of a dessert as they fill the vessel under and over the one on the bench. Each is mixed and
 * heated as its own plan says; level upon level the volumes add up, V_below = Σ V_i under it, V_above = Σ V_i over it.
 */
import { InputError } from '../base/errors'
import { type Parameters, STANDARD } from '../base/parameters'
import { type Bench, turnTo, vesselOf } from '../formula/bench'
import { type Component, type ComponentRole, isComputed, type Layer } from '../formula/document'
import { partDensity } from '../formula/parts'
import type { Kitchen } from '../kitchen/kitchen'
import { cavityOf, depthOf, volumeTo } from '../physics/geometry/cavity'
import { heatStage } from './heated'
import { mixStage } from './mixed'

/** What is laid in by weight and was written without a kind, kg/m³ (common sizes, from memory M). */
const AS_WRITTEN: Partial<Record<ComponentRole, number>> = {
  sponge: 300, cream: 500, fruit: 620, meringue: 250, crust: 1050, sauce: 1100, glaze: 1200,
}
const PLAIN_DENSITY = 1050
/**
 * Density of what is laid in as it lies there, kg/m³.
 * @example laidInDensity({ role: 'sponge' }) // 300
 */
export const laidInDensity = ({ make, role, lines = [] }: LaidIn): number =>
  make ? partDensity({ make, lines }) : AS_WRITTEN[role] ?? PLAIN_DENSITY
export type LaidIn = Pick<Component, 'make' | 'role'> & Partial<Pick<Component, 'lines'>>
const gramsOf = (c: Component): number => c.lines.reduce((s, l) => s + l.massG, 0)
/** Room of all that is laid in by weight, m³. */
const laidInM3 = (c: Component): number => gramsOf(c) / 1000 / laidInDensity(c)

/** A level in all vessels together: its room, m³, and weight, kg. */
interface Room { m3: number, kg: number }
const NO_ROOM: Room = { m3: 0, kg: 0 }
/** What a level takes; what cannot be made yet takes no room. */
function levelRoom(b: Bench, layer: Layer, belowM3: number, kitchen: Kitchen, p: Parameters): Room {
  const own = b.components.find(c => c.id === layer.componentId)
  if ('given' in layer.thicknessM) {
    const cavity = cavityOf(vesselOf(b, kitchen), b.assembly)
    const from = depthOf(belowM3, cavity, b.assembly.count)
    const m3 = b.assembly.count * (volumeTo(cavity, from + layer.thicknessM.given) - volumeTo(cavity, from))
    return { m3, kg: m3 * (own ? laidInDensity(own) : PLAIN_DENSITY) }
  }
  if (!own) return NO_ROOM
  if (!(isComputed(own) || own.id === b.componentId)) return { m3: laidInM3(own), kg: gramsOf(own) / 1000 }
  try {
    const other: Bench = { ...turnTo(b, own.id), stack: { belowM3, aboveM3: 0, aboveKg: 0 } }
    const { volumeM3, filledG } = heatStage(other, kitchen, mixStage(other, kitchen), p).shape
    return { m3: volumeM3, kg: filledG / 1000 }
  } catch (error) {
    if (error instanceof InputError) return NO_ROOM
    throw error
  }
}

/**
 * The levels of a vessel: what fills it, without crust and topping.
 * @example levelsOf(benchOf(dessert)).length // 2
 */
export const levelsOf = (b: Pick<Bench, 'layers'>): Layer[] => b.layers.filter(l => l.form === 'fill')

/** A level as it fills the vessels: from where, how thick, how much of it in all of them. */
export interface Span { componentId: string | null, fromM: number, thickM: number, volumeM3: number }
/**
 * All levels as they come to lie, from the bottom up; those that overflow go on above the rim.
 * @example spansOf(benchOf(dessert), kitchen).length // 2
 */
export function spansOf(b: Bench, kitchen: Kitchen, p: Parameters = STANDARD): Span[] {
  const cavity = cavityOf(vesselOf(b, kitchen), b.assembly)
  let [belowM3, fromM] = [0, 0]
  return levelsOf(b).map((layer) => {
    const { m3: volumeM3 } = levelRoom(b, layer, belowM3, kitchen, p)
    belowM3 += volumeM3
    const topM = depthOf(belowM3, cavity, b.assembly.count)
    const span = { componentId: layer.componentId, fromM, thickM: topM - fromM, volumeM3 }
    fromM = topM
    return span
  })
}

/**
 * A bench with its stack worked out; as it is where its component fills the vessel alone.
 * @returns the bench, with `stack` in m³ of all vessels together
 * @throws nothing: a component that is not possible yet takes no room
 * @example placed(benchOf(dessert, 'x1'), kitchen).stack.belowM3 // 0.0005
 */
export function placed(b: Bench, kitchen: Kitchen, p: Parameters = STANDARD): Bench {
  const levels = levelsOf(b)
  const own = levels.findIndex(l => l.componentId === b.componentId)
  if (levels.length < 2 || own < 0) return b
  const sum = (some: Layer[], fromM3: number): Room =>
    some.reduce((all, l) => {
      const room = levelRoom(b, l, fromM3 + all.m3, kitchen, p)
      return { m3: all.m3 + room.m3, kg: all.kg + room.kg }
    }, NO_ROOM)
  const belowM3 = sum(levels.slice(0, own), 0).m3
  const over = levels.slice(own + 1)
  if (over.length === 0) return { ...b, stack: { belowM3, aboveM3: 0, aboveKg: 0 } }
  // How much room there is over it depends on where it ends.
  const throughM3 = belowM3 + levelRoom(b, levels[own]!, belowM3, kitchen, p).m3
  const above = sum(over, throughM3)
  return { ...b, stack: { belowM3, aboveM3: above.m3, aboveKg: above.kg } }
}
