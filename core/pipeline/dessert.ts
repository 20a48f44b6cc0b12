/** A whole dessert: every component that is made goes through the one pipeline, in its place among the others. */
import { InputError } from '../base/errors'
import { type Bench, benchOf, type Planned } from '../formula/bench'
import { type Component, type ComponentRole, isComputed } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { assess } from './assess'
import type { Assessment, VerdictCode } from './assessment'
import { levelsOf, placed, type Span, spansOf } from './stack'

/** A component as the strip of layers and the cut face show it. */
export interface Part {
  id: string
  role: ComponentRole
  name: string
  /** The level it fills over the crust, m; null: it lies beside the vessel. */
  fromM: number | null
  thickM: number
  /** How it sets; null for what is only laid in. */
  code: VerdictCode | null
  mark: 'fine' | 'look' | 'stop'
  /** Share of its height it keeps from the cold and on the plate. */
  slump: { cold: number, plate: number }
  /** The field in the way of an answer. */
  problem: string | null
}

export interface Dessert {
  /** The component that was asked for, as it lies among the others. */
  bench: Bench
  assessment: Assessment
  /** From the bottom up, what lies beside the vessel last; one part where the dessert has one. */
  parts: Part[]
}

const MARKS = ['fine', 'look', 'stop'] as const
const gravest = (a: Assessment): Part['mark'] =>
  MARKS[Math.max(...Object.values(a.stations).map(s => MARKS.indexOf(s.mark)))]!

const laidIn = ({ id, role, name }: Component, fromM: number | null, thickM: number): Part =>
  ({ id, role, name, fromM, thickM, code: null, mark: 'fine', slump: { cold: 0, plate: 0 }, problem: null })

const partOf = (c: Component, a: Assessment, fromM: number | null): Part => ({
  ...laidIn(c, fromM, a.shape.depthM),
  code: a.verdict.code,
  mark: gravest(a),
  slump: { cold: a.verdict.cold.slump, plate: a.verdict.plate.slump },
})

/**
 * Assesses a component of a dessert and says how the others stand.
 * @param componentId the one that is asked for; absent: the filling
 * @throws {InputError} naming the field, where the one that is asked for cannot be
 * @example assessDessert(dessert, kitchen).parts.map(p => p.role) // ['filling', 'cream']
 */
export function assessDessert(planned: Planned, kitchen: Kitchen, componentId?: string): Dessert {
  const bench = placed(benchOf(planned, componentId), kitchen)
  const assessment = assess(bench, kitchen)
  return { bench, assessment, parts: partsOf(planned, kitchen, new Map([[bench.componentId, assessment]])) }
}

/** A component's assessment in its place, or the field in the way of it. */
function tried(planned: Planned, kitchen: Kitchen, id: string): Assessment | InputError {
  try {
    return assess(placed(benchOf(planned, id), kitchen), kitchen)
  } catch (error) {
    if (error instanceof InputError) return error
    throw error
  }
}

/**
 * How every component of a dessert stands, from the bottom up; what lies beside the vessel comes last.
 * @param known assessments there are already, by component
 * @throws nothing: what cannot be computed says its field
 * @example partsOf(dessert, kitchen).map(p => p.role) // ['filling', 'cream']
 */
export function partsOf(
  planned: Planned,
  kitchen: Kitchen,
  known: ReadonlyMap<string, Assessment> = new Map(),
): Part[] {
  const { components } = planned.formula
  const bench = benchOf(planned)
  const levels = levelsOf(bench)
  const isLaidIn = (id: string | null) => components.some(c => c.id === id && !isComputed(c))
  const spans: Span[] = levels.some(l => isLaidIn(l.componentId)) ? spansOf(bench, kitchen) : []
  const partIn = (c: Component, fromM: number | null, thickM: number): Part => {
    if (!isComputed(c)) return laidIn(c, fromM, thickM)
    const found = known.get(c.id) ?? tried(planned, kitchen, c.id)
    if (found instanceof InputError) return { ...laidIn(c, fromM, 0), mark: 'stop', problem: found.path }
    return partOf(c, found, fromM)
  }
  let at = 0
  const inVessel = levels.flatMap((level) => {
    const c = components.find(x => x.id === level.componentId)
    if (!c) return []
    const part = partIn(c, at, spans.find(s => s.componentId === c.id)?.thickM ?? 0)
    at += part.thickM
    return [part]
  })
  const beside = components.filter(c => isComputed(c) && !levels.some(l => l.componentId === c.id))
  return [...inVessel, ...beside.map(c => partIn(c, null, 0))]
}
