/** A reading put on the bench: its components, and what the method states of tin, oven and heat, marked as given. */
import { type Bench, benchOf, type Planned, putBack } from '../../formula/bench'
import { createFormula } from '../../formula/create'
import type { ComponentRole, Line, School } from '../../formula/document'
import { POURED_ROLES, withComponent } from '../../formula/layers'
import { type NewId, stepsFor } from '../../formula/steps'
import { suggestSchool } from '../../formula/suggest'
import type { Kitchen } from '../../kitchen/kitchen'
import { type Material, plainVessel, type Vessel } from '../../physics/geometry/cavity'
import type { Use } from '../../physics/set/bands'
import type { Reading, ReadVessel } from './reading'

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
function stated(bench: Bench, r: Reading): void {
  if (r.vessel) {
    bench.assembly.vessel = vesselRead(r.vessel)
    bench.assembly.vesselId = null
    bench.assembly.count = r.vessel.count ?? (['glass', 'ramekin', 'stemmed', 'mould'].includes(r.vessel.kind)
      ? bench.assembly.count
      : 1)
    if (r.vessel.count) bench.assembly.portions = Math.max(r.vessel.count, r.portions ?? 1)
  }
  if (r.portions) bench.assembly.portions = r.portions
  const { heat } = bench
  if (heat.method === 'oven' && r.oven) {
    heat.oven = {
      ...heat.oven, airTempC: r.oven.tempC, fan: r.oven.fan, ovenId: null, offsetK: 0,
      timeS: r.oven.minutes === null ? heat.oven.timeS : { given: r.oven.minutes * 60 },
    }
    if (r.peakC !== null) {
      heat.targetTempC = r.peakC
      heat.oven.timeS = { simulated: true }
    }
  } else if (heat.method !== 'none' && r.peakC !== null) heat.targetTempC = r.peakC
}

/** The whole dessert out of a reading: fillings and creams each with a process of their own. */
export function onBench(r: Reading, o: OnBench, kitchen: Kitchen, id: NewId): Planned {
  const bench = createFormula({
    name: o.name, school: o.school, use: o.use, note: o.note, lines: o.lines.filling ?? [], crust: o.lines.crust ?? [],
    topping: o.lines.topping ?? [],
  }, kitchen, id)
  if (o.bloom !== null) bench.set.bloom = o.bloom
  stated(bench, r)
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
