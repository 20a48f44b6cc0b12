/**
 * The other components of a dessert as they fill the vessel under and over the one on the bench. Each is mixed and
 * heated as its own plan says; level upon level the volumes add up, V_below = Σ V_i under it, V_above = Σ V_i over it.
 */
import { InputError } from '../base/errors'
import { type Parameters, STANDARD } from '../base/parameters'
import { type Bench, turnTo, vesselOf } from '../formula/bench'
import { isComputed, type Layer } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { cavityOf, depthOf, volumeTo } from '../physics/geometry/cavity'
import { heatStage } from './heated'
import { mixStage } from './mixed'

/** Volume of a level in all vessels, m³; what cannot be made yet takes no room. */
function levelM3(b: Bench, layer: Layer, belowM3: number, kitchen: Kitchen, p: Parameters): number {
  if ('given' in layer.thicknessM) {
    const cavity = cavityOf(vesselOf(b, kitchen), b.assembly)
    const from = depthOf(belowM3, cavity, b.assembly.count)
    return b.assembly.count * (volumeTo(cavity, from + layer.thicknessM.given) - volumeTo(cavity, from))
  }
  const own = b.components.find(c => c.id === layer.componentId)
  if (!own || !(isComputed(own) || own.id === b.componentId)) return 0
  try {
    const other: Bench = { ...turnTo(b, own.id), stack: { belowM3, aboveM3: 0 } }
    return heatStage(other, kitchen, mixStage(other, kitchen), p).shape.volumeM3
  } catch (error) {
    if (error instanceof InputError) return 0
    throw error
  }
}

/**
 * The levels of a vessel: what fills it, without crust and topping.
 * @example levelsOf(benchOf(dessert)).length // 2
 */
export const levelsOf = (b: Pick<Bench, 'layers'>): Layer[] => b.layers.filter(l => l.form === 'fill')

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
  const sum = (some: Layer[], fromM3: number) =>
    some.reduce((below, l) => below + levelM3(b, l, below, kitchen, p), fromM3) - fromM3
  const belowM3 = sum(levels.slice(0, own), 0)
  const over = levels.slice(own + 1)
  if (over.length === 0) return { ...b, stack: { belowM3, aboveM3: 0 } }
  // How much room there is over it depends on where it ends.
  const throughM3 = belowM3 + levelM3(b, levels[own]!, belowM3, kitchen, p)
  return { ...b, stack: { belowM3, aboveM3: sum(over, throughM3) } }
}
