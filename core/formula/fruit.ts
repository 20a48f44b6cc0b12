/**
 * Fruit as a formula of its own on the shelf: coulis, bound sauce, roasted, in its juice, peel, powder, spirit. Each of
 * these ways of making is a kind of part, too: taken into a dessert it is laid in as one; a part can become a formula.
 */
import type { Kitchen } from '../kitchen/kitchen'
import { type Bench, type Planned, putBack } from './bench'
import { createFormula, defaultUse } from './create'
import { type Component, isComputed, type PartKind, type School } from './document'
import { familyOf } from './families'
import { ROLE_OF_LEVEL } from './layers'
import { PART_FACTS, plainMake } from './parts'
import { schoolOf } from './schools'
import type { NewId } from './steps'

/**
 * The kind of part that a way of making is; null: it is none.
 * @example fruitKind('coulis') // 'coulis'
 */
export const fruitKind = (school: School): PartKind | null =>
  (schoolOf(school).family === 'fruit' ? (school as PartKind) : null)

/**
 * Share of its weight that dries off in the oven, where fruit is baked (common practice: pieces dry on all their faces,
 * a layer only on its top); null: it is computed.
 * @example driesOff({ school: 'coulis', heat: { method: 'none' } }) // null
 */
export function driesOff({ school, heat }: { school: School, heat: Pick<Bench['heat'], 'method'> }): number | null {
  const kind = fruitKind(school)
  return kind && heat.method === 'oven' ? PART_FACTS[kind].bakeLoss : null
}

/**
 * A component as it is laid into another dessert: fruit as the part it is, everything else as it was.
 * @example asLaid({ id: 'c', role: 'filling', name: 'Curd', lines: [], steps: [] }).role // 'filling'
 */
export function asLaid(c: Component): Component {
  const kind = isComputed(c) ? fruitKind(c.process.school) : null
  if (!kind) return c
  const { process: _, ...rest } = c
  return { ...rest, role: ROLE_OF_LEVEL[kind]!, steps: [], make: plainMake(kind) }
}

/** Fruit that stays in pieces, or is dried to a powder: whether it runs is no question. */
export type Solid = 'pieces' | 'powder'
const SOLID: Partial<Record<School, Solid>> = {
  roastedFruit: 'pieces', maceratedFruit: 'pieces', confitPeel: 'pieces', peelPowder: 'powder',
}
/** @example solidOf('peelPowder') // 'powder' */
export const solidOf = (school: School): Solid | null => SOLID[school] ?? null

/** What lies on the bench, as the part it is; null: it is no fruit. */
export function partOfBench({ school, components, componentId }: Bench): Component | null {
  const kind = fruitKind(school)
  const own = components.find(c => c.id === componentId)
  return kind && own ? { ...own, make: plainMake(kind) } : null
}

/** Whether a part can stand on the shelf as a formula of its own. */
export const standsAlone = ({ make }: Component): boolean =>
  make !== undefined && (familyOf('fruit').schools as readonly string[]).includes(make.kind)

/**
 * A part of a dessert as a formula of its own, in its own grams.
 * @returns null where it is of no kind that can stand alone, or has no lines
 */
export function aloneOf(part: Component, kitchen: Kitchen, id: NewId): Planned | null {
  if (!standsAlone(part) || part.lines.length === 0) return null
  const lines = part.lines.map(l => ({ ...l, id: id() }))
  const school = part.make!.kind as School
  return putBack(createFormula({ name: part.name, school, use: defaultUse('over'), lines }, kitchen, id))
}
