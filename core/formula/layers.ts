/** Components of a dessert added, taken away and moved among its layers. The input is never changed. */
import type { Planned } from './bench'
import { processOf } from './create'
import { type Component, type ComponentRole, isComputed, pouredLayer, type School } from './document'
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
  const { layers } = formula.assembly
  const top = layers.findIndex(l => l.form === 'top')
  const at = top < 0 ? layers.length : top
  return {
    id: made.id,
    planned: {
      formula: {
        ...formula,
        components: [...formula.components, made],
        assembly: {
          ...formula.assembly,
          layers: role === 'sauce' ? layers : layers.toSpliced(at, 0, pouredLayer(made.id)),
        },
      },
      occasion,
    },
  }
}

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
