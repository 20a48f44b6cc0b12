/** Components of a dessert added, taken away and moved among its layers. The input is never changed. */
import { labelOf } from '../base/ingredients/label'
import { type Kitchen, type Lot, lotStrength } from '../kitchen/kitchen'
import { benchOf, type Planned, putBack } from './bench'
import { processOf } from './create'
import {
  type Component, type ComponentRole, isComputed, type Layer, type Line, type PartKind, pouredLayer, type School,
} from './document'
import { PART_FACTS, partLines, plainMake, resizeParts, SCOOP_G } from './parts'
import type { NewId } from './steps'

/** Roles of what is made and poured, in the order they are offered. */
export const POURED_ROLES = ['filling', 'insert', 'cream', 'glaze', 'sauce'] as const satisfies readonly ComponentRole[]

/**
 * The dessert with one more component that is made, on top of what fills the vessel; a sauce lies beside it.
 * @returns the dessert and the new component's id
 * @example withComponent(planned, { role: 'cream', name: 'Lime', school: 'setCream' }, () => 'c7').id // 'c7'
 */
export function withComponent(
  { formula, occasion }: Planned,
  { role, name, school }: { role: ComponentRole, name: string, school: School },
  id: NewId,
): { planned: Planned, id: string } {
  const made: Component = { id: id(), role, name, lines: [], steps: [], process: processOf(school) }
  const layer = role === 'sauce' ? null : pouredLayer(made.id)
  return { id: made.id, planned: withOnTop({ formula, occasion }, made, layer) }
}
/** One more component, its layer (null: it lies beside) on top of what fills the vessel. */
export function withOnTop({ formula, occasion }: Planned, made: Component, layer: Layer | null): Planned {
  const { layers } = formula.assembly
  const top = layers.findIndex(l => l.form === 'top')
  const at = top < 0 ? layers.length : top
  return {
    formula: {
      ...formula,
      components: [...formula.components, made],
      assembly: { ...formula.assembly, layers: layer ? layers.toSpliced(at, 0, layer) : layers },
    },
    occasion,
  }
}

/** Role of what is laid in, by its kind. */
export const ROLE_OF_LEVEL: Partial<Record<PartKind, ComponentRole>> = {
  whippedLayer: 'cream', berryLayer: 'fruit', roastedFruit: 'fruit', maceratedFruit: 'fruit', confitPeel: 'fruit',
  peelPowder: 'fruit', coulis: 'sauce', boundSauce: 'sauce', steepedSpirit: 'sauce', sorbet: 'sauce', curdIce: 'sauce',
  readyFilling: 'cream',
}
/**
 * The dessert with a level that is laid in, of its usual thickness and sized to the vessel, on top of what fills it;
 * what is churned lies beside, a scoop to each portion.
 * @example withLaid(planned, kitchen, 'berryLayer', '', () => 's1').planned.formula.components[1].role // 'fruit'
 */
export function withLaid(
  planned: Planned, kitchen: Kitchen, kind: PartKind, name: string, id: NewId,
): { planned: Planned, id: string } {
  const role = ROLE_OF_LEVEL[kind] ?? 'sponge'
  const made: Component = { id: id(), role, name, lines: [], steps: [], make: plainMake(kind) }
  if (PART_FACTS[kind].role === 'beside') {
    const massG = SCOOP_G * planned.formula.assembly.portions * (1 + PART_FACTS[kind].over)
    let n = 0
    const lines = partLines(made.make!, massG, [], () => `${made.id}-${++n}`)
    return { id: made.id, planned: withOnTop(planned, { ...made, lines }, null) }
  }
  const layer: Layer = { ...pouredLayer(made.id), thicknessM: { given: PART_FACTS[kind].thicknessM } }
  return { id: made.id, planned: putBack(resizeParts(benchOf(withOnTop(planned, made, layer)), kitchen)) }
}
/** A filling that is ready: an ingredient of the kitchen's own with a set, and the lot of it, where there is one. */
export interface Ready { ingredientId: string, name: string, lot: Lot | null }
/**
 * Fillings that are ready: those in lots, then those a kitchen has a label of.
 * @example readyFillings(kitchen) // []
 */
export function readyFillings({ lots, ingredients = [] }: Kitchen): Ready[] {
  const sets = (id: string) => labelOf(id)?.set != null
  const stocked = lots.filter(l => sets(l.ingredientId))
  const others = ingredients.filter(id => sets(id) && !stocked.some(l => l.ingredientId === id))
  return [
    ...stocked.map(lot => ({ ingredientId: lot.ingredientId, name: lot.name, lot })),
    ...others.map(id => ({ ingredientId: id, name: labelOf(id)!.name, lot: null })),
  ]
}
/**
 * The dessert with a filling that is ready as a level on top of what fills it, of its usual thickness.
 * @example withReady(planned, kitchen, { ingredientId: 'own:x', name: 'Curd', lot: null }, () => 'r1').id // 'r1'
 */
export function withReady(
  planned: Planned, kitchen: Kitchen, { ingredientId, name, lot }: Ready, id: NewId,
): { planned: Planned, id: string } {
  const line: Line = {
    id: id(), ingredientId, massG: 1, sourceText: '', assumption: '', ...(lot ? { strength: lotStrength(lot) } : {}),
  }
  const made: Component = { id: id(), role: 'cream', name, lines: [line], steps: [], make: plainMake('readyFilling') }
  const layer: Layer = { ...pouredLayer(made.id), thicknessM: { given: PART_FACTS.readyFilling.thicknessM } }
  return { id: made.id, planned: putBack(resizeParts(benchOf(withOnTop(planned, made, layer)), kitchen)) }
}
/** The dessert with what is said of a laid-in level, and every part sized again. */
function withLevel(
  { formula, occasion }: Planned, kitchen: Kitchen, id: string, thicknessM: Layer['thicknessM'], massG?: number,
): Planned {
  const layers = formula.assembly.layers.map(l => (l.componentId === id ? { ...l, thicknessM } : l))
  const components = formula.components.map(c => (c.id === id && c.make && massG !== undefined
    ? { ...c, lines: partLines(c.make, massG, c.lines, () => `${id}-w`) }
    : c))
  const next = { formula: { ...formula, components, assembly: { ...formula.assembly, layers } }, occasion }
  return putBack(resizeParts(benchOf(next), kitchen))
}
/**
 * The dessert with a laid-in level so thick, its weight with it.
 * @example withThickness(dessert, kitchen, 'none', 0.01).formula.name // 'Test curd'
 */
export const withThickness = (planned: Planned, kitchen: Kitchen, id: string, thickM: number): Planned =>
  withLevel(planned, kitchen, id, { given: thickM })
/**
 * The dessert with so many grams of a laid-in level, its thickness with them.
 * @example withWeight(dessert, kitchen, 'none', 200).formula.name // 'Test curd'
 */
export const withWeight = (planned: Planned, kitchen: Kitchen, id: string, massG: number): Planned =>
  withLevel(planned, kitchen, id, { simulated: true }, massG)

/** The dessert without a component and its layer; the last one that is made stays. */
export function withoutComponent(planned: Planned, componentId: string): Planned {
  const { formula, occasion } = planned
  if (formula.components.filter(isComputed).every(c => c.id === componentId)) return planned
  const gone = new Set(formula.components.find(c => c.id === componentId)?.lines.map(l => l.id))
  return {
    formula: {
      ...formula,
      components: formula.components.filter(c => c.id !== componentId),
      assembly: {
        ...formula.assembly,
        layers: formula.assembly.layers.filter(l => l.componentId !== componentId),
      },
    },
    occasion: {
      ...occasion,
      have: occasion.have.filter(h => !gone.has(h.lineId)),
      lots: occasion.lots.filter(l => !gone.has(l.lineId)),
    },
  }
}

/** The dessert with what fills the vessel in another order: one level up (1) or down (−1). */
export function movedLevel({ formula, occasion }: Planned, componentId: string, by: 1 | -1): Planned {
  const { layers } = formula.assembly
  const fills = layers.filter(l => l.form === 'fill')
  const at = fills.findIndex(l => l.componentId === componentId)
  const other = fills[at + by]
  if (at < 0 || !other) return { formula, occasion }
  const own = fills[at]!
  return {
    formula: {
      ...formula,
      assembly: {
        ...formula.assembly,
        layers: layers.map(l => (l === own ? other : l === other ? own : l)),
      },
    },
    occasion,
  }
}
