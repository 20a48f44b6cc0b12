/** The steps of a way of making, laid over the lines there are. */
import { findIngredient } from '../base/ingredients/ingredients'
import type { Line, School, Step } from './document'
import { familyOf } from './families'
import { schoolOf, takes, WHITES, WHITES_OVERRUN } from './schools'

/** Gives fresh ids; the caller owns chance, so that the core stays deterministic. */
export type NewId = () => string

/**
 * Whites that no step asks for never go into a hot pot unasked: beaten, they are folded in before it is poured. What is
 * left must be something to heat.
 * @returns ids of the lines that are folded in
 */
function keepWhites(after: Step[], left: readonly Line[], id: NewId): string[] {
  const lineIds = left.filter(l => takes(WHITES, findIngredient(l.ingredientId)!)).map(l => l.id)
  if (lineIds.length === 0 || lineIds.length === left.length) return []
  const pour = after.findIndex(s => s.kind === 'pour')
  after.splice(pour < 0 ? after.length : pour, 0, {
    id: id(), kind: 'foldIn', lineIds, lineTempC: 20, mixTempC: { given: WHITES_INTO_C }, overrun: WHITES_OVERRUN,
  })
  return lineIds
}
/** Beaten whites go into what is hand-warm, °C (common practice). */
const WHITES_INTO_C = 40

/**
 * Steps of a way of making: what is heated together, what goes in afterwards and how. Steps that would take nothing
 * are left out.
 * @example stepsFor('yolkBath', lines, id).map(s => s.kind) // ['combine', 'cook', 'strain', 'stirIn', 'pour']
 */
export function stepsFor(school: School, lines: readonly Line[], id: NewId): Step[] {
  const { steps, heat, family } = schoolOf(school)
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
  if (cooks && !familyOf(family).eggSets) keepWhites(after, lines.filter(l => !taken.has(l.id)), id)
    .forEach(x => taken.add(x))
  return [
    { id: id(), kind: 'combine', lineIds: lines.map(l => l.id).filter(x => !taken.has(x)) },
    ...(cooks ? [{ id: id(), kind: 'cook' as const }] : []),
    ...after,
  ]
}

type Lined = Extract<Step, { lineIds: string[] }>
const isLined = (s: Step): s is Lined => 'lineIds' in s

/**
 * Steps for lines that have changed: what is known stays where it joins, with its temperatures and whipping; what is
 * new joins where the way of making has it; a step that has nothing left goes.
 * @example renewSteps('yolkBath', lines, [], id)[0].kind // 'combine'
 */
export function renewSteps(school: School, lines: readonly Line[], old: readonly Step[], id: NewId): Step[] {
  const usual = stepsFor(school, lines, id)
  const there = new Set(lines.map(l => l.id))
  const steps = old.map(s => (isLined(s) ? { ...s, lineIds: s.lineIds.filter(x => there.has(x)) } : s))
  const known = new Set(steps.flatMap(s => (isLined(s) ? s.lineIds : [])))
  for (const { id: lineId } of lines) {
    if (known.has(lineId)) continue
    const own = usual.filter(isLined).find(s => s.lineIds.includes(lineId))!
    const same = steps.filter(isLined).filter(s => s.kind === own.kind)
    const home = same.find(s => s.kind === 'combine' || s.lineIds.some(x => own.lineIds.includes(x)))
    if (home) home.lineIds.push(lineId)
    else {
      const pour = steps.findIndex(s => s.kind === 'pour')
      steps.splice(pour < 0 ? steps.length : pour, 0, { ...own, lineIds: [lineId] })
    }
  }
  const kept = steps.filter(s => !isLined(s) || s.lineIds.length > 0)
  return kept.some(s => s.kind === 'combine') ? kept : usual
}
