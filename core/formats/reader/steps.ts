/** The formula's steps as a method tells them: what it does not say stays as the way of making has it. */
import { findIngredient } from '../../base/ingredients/ingredients'
import type { HeatPlan, Line, School, Step } from '../../formula/document'
import { CREAM_OVERRUN, takes, WHITES, WHITES_OVERRUN } from '../../formula/schools'
import { type NewId, stepsFor } from '../../formula/steps'
import { USUAL_W } from '../../physics/heat/pot'
import type { Method, Placement } from './reading'

type Join = Step & { kind: 'stirIn' | 'foldIn' }
const isJoin = (s: Step): s is Join => s.kind === 'stirIn' || s.kind === 'foldIn'
/** What is added comes out of the fridge, or stood on the bench, °C (common practice). */
const COLD_C = 5
const BENCH_C = 18
const isCold = (l: Line) => ['butter', 'dairy', 'egg'].includes(findIngredient(l.ingredientId)!.group)

/** The heat of a pot that a method names; a microwave begins with its usual rating, no burner's. */
export const heatedIn = (method: NonNullable<Method['pot']>): Pick<HeatPlan, 'method'> & Partial<HeatPlan> =>
  (method === 'microwave' ? { method, burnerId: null, burnerW: USUAL_W.microwave } : { method })

/** Lines that go in together, and the step in which the way of making has them. */
interface Group { lines: Line[], place: Placement, before: Join | undefined }
/** Such lines as one step. */
function joined(lines: readonly Line[], { where, meetsC }: Placement, before: Join | undefined, id: NewId): Join {
  const lineTempC = before?.lineTempC ?? (lines.every(isCold) ? COLD_C : BENCH_C)
  const mixTempC = meetsC !== null ? { given: meetsC } : (before?.mixTempC ?? { simulated: true as const })
  const base = { id: id(), lineIds: lines.map(l => l.id), lineTempC, mixTempC }
  if (where !== 'folded') return { ...base, kind: 'stirIn' }
  const whites = lines.some(l => takes(WHITES, findIngredient(l.ingredientId)!))
  return { ...base, kind: 'foldIn', overrun: whites ? WHITES_OVERRUN : CREAM_OVERRUN }
}

/**
 * Steps of a way of making with the order a method gives: what it heats together, stirs in and folds in, whether it is
 * strained and blended. Baked fillings, and a method that would leave nothing to heat, stay as the way of making has
 * them.
 * @example stepsTold('yolkBath', lines, null, id).map(s => s.kind) // ['combine', 'cook', 'strain', 'stirIn', 'pour']
 */
export function stepsTold(school: School, lines: readonly Line[], method: Method | null, id: NewId): Step[] {
  const usual = stepsFor(school, lines, id)
  if (!method) return usual
  const cooks = usual.some(s => s.kind === 'cook')
  const strained = method.strains || !method.acts.some(a => a.of === 'filling' && a.does === 'pour')
  const told = (l: Line) => method.placed[l.ingredientId]
  const joins = usual.filter(isJoin)
  const usualOf = (l: Line) => joins.find(s => s.lineIds.includes(l.id))
  const combined = usual.find((s): s is Step & { kind: 'combine' } => s.kind === 'combine')!
  const stays = (l: Line) => {
    const where = told(l)?.where
    if (where === 'folded') return false
    return where === undefined || !cooks ? combined.lineIds.includes(l.id) : where === 'heated'
  }
  const heated = lines.filter(stays)
  if (heated.length === 0) return usual
  const groups = new Map<string, Group>()
  for (const l of lines.filter(x => !heated.includes(x))) {
    const before = usualOf(l)
    const own = told(l)
    const where = own && (cooks || own.where === 'folded') ? own.where : before?.kind === 'foldIn' ? 'folded' : 'after'
    const place: Placement = { where, order: own?.order ?? LAST, meetsC: own?.meetsC ?? null }
    const key = own ? `${place.order} ${where}` : `usual ${before?.id}`
    const group: Group = groups.get(key) ?? { lines: [], place, before }
    group.lines.push(l)
    groups.set(key, group)
  }
  const after: Step[] = [...groups.values()].sort((x, y) => x.place.order - y.place.order)
    .map(g => joined(g.lines, g.place, g.before, id))
  const has = (kind: Step['kind']) => usual.filter(s => s.kind === kind)
  const blend = method.blends && cooks && has('blend').length === 0 ? [{ id: id(), kind: 'blend' as const }] : has('blend')
  const strain = method.strains && has('strain').length === 0 ? [{ id: id(), kind: 'strain' as const }] : has('strain')
  return [
    { ...combined, lineIds: heated.map(l => l.id) }, ...has('cook'), ...(strained ? strain : []), ...after,
    ...(usual.findIndex(s => s.kind === 'blend') > usual.findIndex(s => s.kind === 'pour')
      ? [...has('pour'), ...blend]
      : [...blend, ...has('pour')]),
    ...has('bake'),
  ]
}
/** What the method does not speak of goes in after what it does. */
const LAST = 1e6
