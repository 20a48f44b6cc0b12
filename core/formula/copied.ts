/** A part taken from another formula: copied in its own grams, with where it came from, and taken anew from there. */
import type { Planned } from './bench'
import { type Component, isComputed, type Line, type PartSource, pouredLayer, type Step } from './document'
import { withOnTop } from './layers'
import { asLaid } from './fruit'
import type { NewId } from './steps'

const massOf = (lines: readonly Line[]): number => lines.reduce((s, l) => s + l.massG, 0)

/** A component with ids of its own, each line times a factor. */
function fresh(c: Component, factor: number, id: NewId): Pick<Component, 'lines' | 'steps'> {
  const ids = new Map(c.lines.map(l => [l.id, id()]))
  const scaled = factor === 1 ? (l: Line) => l : (l: Line) =>
    ({ ...l, massG: Math.round(l.massG * factor * 10) / 10, sourceText: '', assumption: '' })
  const lines = c.lines.map(l => ({ ...scaled(l), id: ids.get(l.id)! }))
  const steps = c.steps.map((s): Step => ('lineIds' in s
    ? { ...s, id: id(), lineIds: s.lineIds.flatMap(x => ids.get(x) ?? []) }
    : { ...s, id: id() }))
  return { lines, steps }
}

/** Roles that may stand more than once in a dessert; a filling from elsewhere comes as a level of its own. */
const AS_LEVEL: Partial<Record<Component['role'], Component['role']>> = { topping: 'cream', crust: 'sponge' }

/**
 * The dessert with a component of another formula as a level on top of what fills it.
 * @param source the formula it is taken from, where and as which version it stands
 * @example withCopied(planned, planned, { formulaId: 'f', version: 3, componentId: 'none' }, id).id // null
 */
export function withCopied(
  { formula, occasion }: Planned, source: Planned, from: PartSource, id: NewId,
): { planned: Planned, id: string | null } {
  const c = source.formula.components.find(x => x.id === from.componentId)
  if (!c) return { planned: { formula, occasion }, id: null }
  const role = AS_LEVEL[c.role] ?? c.role
  const name = isComputed(c) && source.formula.components.filter(isComputed).length === 1 ? source.formula.name : c.name
  const { role: _, ...copy } = structuredClone(c)
  const made = asLaid({ ...copy, ...fresh(c, 1, id), id: id(), role, name: name.slice(0, 120), from })
  return { id: made.id, planned: withOnTop({ formula, occasion }, made, pouredLayer(made.id)) }
}

/**
 * The dessert with a part as its formula is now, as much of it as before.
 * @example retaken(planned, 'none', planned, 4, id).formula.name // 'Test curd'
 */
export function retaken(
  { formula, occasion }: Planned, componentId: string, source: Planned, version: number, id: NewId,
): Planned {
  const own = formula.components.find(c => c.id === componentId)
  const now = own?.from && source.formula.components.find(c => c.id === own.from!.componentId)
  if (!own?.from || !now || !(massOf(now.lines) > 0)) return { formula, occasion }
  const isFruit = asLaid(now) !== now
  const next: Component = {
    ...own,
    ...fresh(now, massOf(own.lines) / massOf(now.lines), id),
    ...(isFruit ? { steps: [] } : now.process ? { process: structuredClone(now.process) } : {}),
    from: { ...own.from, version },
  }
  return { formula: { ...formula, components: formula.components.map(c => (c === own ? next : c)) }, occasion }
}
