/**
 * A whole dessert as steps of a day: each part's own making, then the building of it in order, with what waits in the
 * cold, what freezes overnight and what is done as it is served.
 */
import { partThickM } from '../formula/parts'
import { benchOf, type Planned, turnTo } from '../formula/bench'
import { type Component, isComputed } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { assess, work } from '../pipeline/assess'
import { placed } from '../pipeline/stack'
import { orderOfWork } from '../plan/order'
import { partWork } from '../plan/partWork'
import { labourOf } from '../plan/labour'
import { whenOf } from '../plan/when'
import type { WorkStep } from '../plan/work'
import type { BuildCode, BuildStep } from '../plate/build'
import { plateOf } from '../plate/plate'
import type { EquipmentKind } from './day'
import type { StepInput } from './read'
import { inBowls, LEAST_COLD_S, SLOW_HANDS, usesOf } from './stepParts'

/** Hands at a step of building: for the first vessel, and for each more, minutes (common practice). */
const HANDS_MIN: Partial<Record<BuildCode, readonly [first: number, each: number]>> = {
  line: [5, 0.5], lay: [4, 0.5], layFrozen: [4, 1], pour: [4, 0.5], spreadOn: [5, 0.5], glaze: [10, 3], top: [8, 0.5],
  roll: [6, 6], fillShells: [5, 0.4], heap: [5, 2], beside: [3, 0.3], freezeInsert: [4, 1],
  turnOut: [4, 0.7],
}
const COLD_KIND: Partial<Record<BuildCode, EquipmentKind>> = {
  set: 'fridge', chill: 'fridge', thaw: 'fridge', freezeInsert: 'freezer', freezeWhole: 'freezer',
}
/** Cold that is slow, over likely cold, 90th percentile (judgement; the last cold has its own). */
const SLOW_COLD = 1.3
/** Steps of a component's order that building takes over. */
const BUILT: readonly string[] = [
  'pour', 'lean', 'chill', 'iceBath', 'unmould', 'temper', 'cut', 'portion', 'serve', 'bake',
]
const AT_SERVICE: readonly string[] = ['temper', 'cut', 'portion', 'serve']

/** A step of work as one of the day. */
function ofWork(s: WorkStep, id: string, name: string, after: string[], uses: StepInput['uses']): StepInput | null {
  const dueS = s.attendedS + s.unattendedS
  if (dueS <= 0) return null
  return {
    id, name, minutes: dueS / 60, minutesSlow: (dueS + (SLOW_HANDS - 1) * s.attendedS) / 60, attended: s.attendedS / 60,
    uses, after, maxGapMinutes: null,
  }
}

/** The making of every part, up to where it is laid in; the last step of each. */
function makings(planned: Planned, kitchen: Kitchen, has: ReadonlySet<string>) {
  const main = benchOf(planned)
  // With the lots of this occasion.
  const onBench = (c: Component) => main.components.find(x => x.id === c.id) ?? c
  const lastOf = new Map<string, string>()
  const steps: StepInput[] = []
  for (const c of planned.formula.components) {
    const b = isComputed(c) ? placed(turnTo(main, c.id), kitchen) : main
    const order: WorkStep[] = isComputed(c)
      ? orderOfWork(b, kitchen, assess(b, kitchen)).filter(s => !s.code.startsWith('part:') && !BUILT.includes(s.code))
      : partWork(onBench(c), 0, partThickM(main, c)).map(s => ({ ...s, ...labourOf(s, main) }))
    const own: StepInput[] = []
    for (const [i, s] of order.entries()) {
      const before = own.at(-1)?.id
      const made = ofWork(
        s, `${c.id}/${i}`, `${s.code} · ${c.name}`, before ? [before] : [], usesOf(s, b, kitchen, has))
      if (made) own.push(made)
    }
    steps.push(...inBowls(own, isComputed(c) ? b.heat.method : null, has))
    if (own.length > 0) lastOf.set(c.id, own.at(-1)!.id!)
  }
  return { steps, lastOf }
}

/** What waits in a bowl is in it until it is laid in: the bowl goes on to that step. */
function fromBowl(made: StepInput | undefined): NonNullable<StepInput['uses']> {
  const bowl = made?.uses?.find(u => u.kind === 'bowl')
  if (!bowl) return []
  bowl.held = true
  return [{ kind: 'bowl', amount: 1 }]
}

/** The last cold, likely and at its slow end, s. */
function coldOf(planned: Planned, kitchen: Kitchen, s: BuildStep): { likelyS: number, slowS: number } {
  if (s.code !== 'chill') return { likelyS: s.timeS, slowS: SLOW_COLD * s.timeS }
  const rows = planned.formula.components.filter(isComputed).flatMap((c) => {
    const b = placed(benchOf(planned, c.id), kitchen)
    return whenOf(work(b, kitchen), b, kitchen).filter(r => r.what === 'serve')
  })
  const likelyS = Math.max(s.timeS, ...rows.map(r => r.likelyS ?? 0))
  return { likelyS, slowS: Math.max(likelyS, ...rows.map(r => r.slowS ?? 0)) }
}

/**
 * Steps of a whole dessert: the parts side by side, the building of it one after another.
 * @param has kinds of equipment the day names; others are no limit
 * @throws {InputError} for what the pipeline cannot run
 * @example stepsOfPlate(dessert, kitchen, new Set()).at(-1).name // 'serve · Test curd'
 */
export function stepsOfPlate(planned: Planned, kitchen: Kitchen, has: ReadonlySet<string>): StepInput[] {
  const plate = plateOf(planned, kitchen)
  const { steps, lastOf } = makings(planned, kitchen, has)
  const main = benchOf(planned)
  const nameOf = (id: string | null) => planned.formula.components.find(c => c.id === id)?.name ?? planned.formula.name
  const more = main.assembly.count - 1
  let last: string | null = null
  // An insert freezes by itself: what is built waits for it only where it is laid in.
  const insertOf = new Map<string, string>()
  for (const [i, s] of plate.build.entries()) {
    const [first, each] = HANDS_MIN[s.code] ?? [0, 0]
    const handsMin = first + each * more
    const isInsert = s.code === 'freezeInsert'
    const { likelyS, slowS } = coldOf(planned, kitchen, s)
    const coldMin = s.timeS > 0 ? Math.max(LEAST_COLD_S, likelyS) / 60 : 0
    const own = s.partId === null || s.code === 'set' ? undefined : insertOf.get(s.partId) ?? lastOf.get(s.partId)
    const kind = COLD_KIND[s.code]
    const id = `build-${i}`
    if (handsMin + coldMin <= 0) continue
    steps.push({
      id,
      name: `build:${s.code} · ${nameOf(s.partId)}`,
      minutes: handsMin + coldMin,
      minutesSlow: SLOW_HANDS * handsMin + Math.max(coldMin, slowS / 60),
      attended: handsMin,
      uses: [
        ...(kind && has.has(kind) ? [{ kind, amount: 1, tempC: null }] : []),
        ...fromBowl(steps.find(x => x.id === own)),
      ],
      after: [...new Set([isInsert ? null : last, own].filter(x => x != null))],
      maxGapMinutes: null,
    })
    if (isInsert) insertOf.set(s.partId!, id)
    else last = id
  }
  const order = orderOfWork(placed(main, kitchen), kitchen, assess(placed(main, kitchen), kitchen))
  for (const [i, s] of order.filter(x => AT_SERVICE.includes(x.code)).entries()) {
    const made = ofWork(s, `end-${i}`, `${s.code} · ${nameOf(null)}`, last === null ? [] : [last], [])
    if (!made) continue
    steps.push(made)
    last = made.id!
  }
  return steps
}
