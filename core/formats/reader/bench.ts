/** A reading put on the bench: its components, and what the method states of tin, oven and heat, marked as given. */
import { type Bench, benchOf, type Planned, putBack } from '../../formula/bench'
import { createFormula } from '../../formula/create'
import type { ChillLeg, ComponentRole, Line, School } from '../../formula/document'
import { POURED_ROLES, withComponent } from '../../formula/layers'
import { type NewId, stepsFor } from '../../formula/steps'
import { suggestSchool } from '../../formula/suggest'
import type { Kitchen } from '../../kitchen/kitchen'
import { type Material, plainVessel, type Vessel } from '../../physics/geometry/cavity'
import type { Use } from '../../physics/set/bands'
import type { Reading, ReadVessel } from './reading'
import { heatedIn, stepsTold } from './steps'

/** Usual inside measures where the text says none, m (trade sizes, from memory). */
const USUAL: Record<ReadVessel['kind'], { lengthM: number, heightM: number, material: Material }> = {
  round: { lengthM: 0.23, heightM: 0.05, material: 'metal' },
  rectangle: { lengthM: 0.2, heightM: 0.045, material: 'metal' },
  tartRing: { lengthM: 0.2, heightM: 0.03, material: 'metal' },
  tartShell: { lengthM: 0.23, heightM: 0.028, material: 'metal' },
  pieDish: { lengthM: 0.23, heightM: 0.035, material: 'ceramic' },
  ramekin: { lengthM: 0.08, heightM: 0.05, material: 'ceramic' },
  glass: { lengthM: 0.06, heightM: 0.08, material: 'glass' },
  stemmed: { lengthM: 0.08, heightM: 0.08, material: 'glass' },
  mould: { lengthM: 0.07, heightM: 0.05, material: 'silicone' },
  bowl: { lengthM: 0.2, heightM: 0.08, material: 'ceramic' },
}

/**
 * A vessel with what the text does not say as usual.
 * @example vesselRead({ kind: 'round', diameterM: 0.2, lengthM: null, widthM: null, heightM: null }).heightM // 0.05
 */
export function vesselRead(v: Omit<ReadVessel, 'count'>): Vessel {
  const usual = USUAL[v.kind]
  const lengthM = v.diameterM ?? v.lengthM ?? usual.lengthM
  return plainVessel(v.kind, usual.material, lengthM, v.diameterM ?? v.widthM ?? lengthM, v.heightM ?? usual.heightM)
}

export interface OnBench {
  name: string
  note: string
  school: School
  use: Use
  /** Lines by role, each with its words. */
  lines: Partial<Record<ComponentRole, Line[]>>
  bloom: number | null
}

/** What the method states goes into the plan; the rest stays as the way of making has it. */
function stated(bench: Bench, r: Reading, id: NewId): void {
  vesselStated(bench.assembly, r)
  heatStated(bench.heat, r)
  coldStated(bench, r, id)
}

function vesselStated(assembly: Bench['assembly'], r: Reading): void {
  if (r.vessel) {
    const small = ['glass', 'ramekin', 'stemmed', 'mould'].includes(r.vessel.kind)
    assembly.vessel = vesselRead(r.vessel)
    assembly.vesselId = null
    assembly.count = r.vessel.count ?? (small ? assembly.count : 1)
    if (r.vessel.count) assembly.portions = Math.max(r.vessel.count, r.portions ?? 1)
  }
  if (r.portions) assembly.portions = r.portions
}

function heatStated(heat: Bench['heat'], { oven, peakC, method }: Reading): void {
  if (heat.method === 'oven') {
    if (!oven) return
    heat.oven = {
      ...heat.oven, airTempC: oven.tempC, fan: oven.fan, ovenId: null, offsetK: 0,
      bath: heat.oven.bath || (method?.bakedInBath ?? false),
      timeS: oven.minutes === null ? heat.oven.timeS : { given: oven.minutes * 60 },
    }
    if (peakC !== null) {
      heat.targetTempC = peakC
      heat.oven.timeS = { simulated: true }
    }
    return
  }
  if (heat.method === 'none') return
  if (method?.pot && method.pot !== heat.method) Object.assign(heat, heatedIn(method.pot))
  if (peakC !== null) heat.targetTempC = peakC
  if (heat.targetTempC >= BOILS_FROM_C && method?.boilMinutes != null) heat.holdS = method.boilMinutes * 60
}
/** From such a target on a hold is a boil, °C. */
const BOILS_FROM_C = 95

/** Minutes on the bench, hours in the freezer and in the cold, as told; and how warm it is eaten. */
function coldStated(bench: Bench, { method }: Reading, id: NewId): void {
  if (!method) return
  const is = (leg: ChillLeg, kind: ChillLeg['place']['kind']) => leg.place.kind === kind
  const bench0 = bench.chill.find(l => is(l, 'bench'))
  if (bench0 && method.coolMinutes !== null) bench0.timeS = method.coolMinutes * 60
  const last = bench.chill.at(-1)
  if (last && method.chillMinutes !== null) last.timeS = method.chillMinutes * 60
  if (method.freezeMinutes !== null) {
    const freezer = bench.chill.find(l => is(l, 'freezer'))
    if (freezer) freezer.timeS = method.freezeMinutes * 60
    else if (last)
      bench.chill.splice(-1, 0, {
        ...last, id: id(), placeId: null, place: { kind: 'freezer', airTempC: -18 }, timeS: method.freezeMinutes * 60,
      })
  }
  if (method.roomWarm) bench.serve.temperC = bench.use.tableTempC
}

/** The whole dessert out of a reading: fillings and creams each with a process of their own. */
export function onBench(r: Reading, o: OnBench, kitchen: Kitchen, id: NewId): Planned {
  const bench = createFormula({
    name: o.name, school: o.school, use: o.use, note: o.note, lines: o.lines.filling ?? [], crust: o.lines.crust ?? [],
    topping: o.lines.topping ?? [],
  }, kitchen, id)
  if (o.bloom !== null) bench.set.bloom = o.bloom
  stated(bench, r, id)
  const filling = bench.components.find(c => c.id === bench.componentId)!
  filling.steps = stepsTold(o.school, filling.lines, r.method, id)
  let planned = putBack(bench)
  for (const [role, lines] of Object.entries(o.lines) as [ComponentRole, Line[]][]) {
    if (['filling', 'crust', 'topping'].includes(role) || lines.length === 0) continue
    const name = r.lines.find(l => l.component?.role === role)?.component?.name ?? role
    if ((POURED_ROLES as readonly string[]).includes(role)) {
      const school = suggestSchool(lines)
      const made = withComponent(planned, { role, name, school }, id)
      const own = made.planned.formula.components.find(c => c.id === made.id)!
      own.lines = lines
      own.steps = stepsFor(school, lines, id)
      planned = made.planned
    } else planned.formula.components = [...planned.formula.components, { id: id(), role, name, lines, steps: [] }]
  }
  return putBack(benchOf(planned))
}
