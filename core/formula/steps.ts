/** The steps of a way of making, laid over the lines there are. */
import { findIngredient } from '../base/ingredients/ingredients'
import type { Line, School, Step } from './document'
import { schoolOf, takes } from './schools'

/** Gives fresh ids; the caller owns chance, so that the core stays deterministic. */
export type NewId = () => string

/**
 * Steps of a way of making: what is heated together, what goes in afterwards and how. Steps that would take nothing
 * are left out.
 * @example stepsFor('yolkBath', lines, id).map(s => s.kind) // ['combine', 'cook', 'strain', 'stirIn', 'pour']
 */
export function stepsFor(school: School, lines: readonly Line[], id: NewId): Step[] {
  const { steps, heat } = schoolOf(school)
  const taken = new Set<string>()
  const after: Step[] = []
  for (const t of steps) {
    if (t.kind !== 'stirIn' && t.kind !== 'foldIn') {
      after.push({ id: id(), kind: t.kind })
      continue
    }
    const lineIds = lines
      .filter(l => !taken.has(l.id) && takes(t.takes, findIngredient(l.ingredientId)!))
      .map(l => l.id)
    // Something must be left to heat.
    if (lineIds.length === 0 || lineIds.length + taken.size === lines.length) continue
    lineIds.forEach(x => taken.add(x))
    const mixTempC = t.mixTempC === null ? { simulated: true as const } : { given: t.mixTempC }
    after.push(
      t.kind === 'stirIn'
        ? { id: id(), kind: 'stirIn', lineIds, lineTempC: t.lineTempC, mixTempC }
        : { id: id(), kind: 'foldIn', lineIds, lineTempC: t.lineTempC, mixTempC, overrun: t.overrun },
    )
  }
  const cooks = heat.method !== 'none' && heat.method !== 'oven'
  return [
    { id: id(), kind: 'combine', lineIds: lines.map(l => l.id).filter(x => !taken.has(x)) },
    ...(cooks ? [{ id: id(), kind: 'cook' as const }] : []),
    ...after,
  ]
}

/**
 * Steps for lines that have changed: as the way of making has them, with the temperatures and whipping already chosen
 * kept.
 */
export function renewSteps(school: School, lines: readonly Line[], old: readonly Step[], id: NewId): Step[] {
  const left = [...old]
  return stepsFor(school, lines, id).map((step) => {
    if (step.kind !== 'stirIn' && step.kind !== 'foldIn') return step
    const i = left.findIndex(o => o.kind === step.kind)
    const before = i < 0 ? undefined : left.splice(i, 1)[0]
    return before && 'mixTempC' in before
      ? ({ ...step, ...before, id: step.id, lineIds: step.lineIds } as Step)
      : step
  })
}
