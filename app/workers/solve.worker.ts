/** The solving worker: map, rebalance, comparison, swaps and levers, in small steps between which a cancel is heard. */
import { expose } from 'comlink'
import { InputError } from '#core/base/errors'
import type { Bench, Planned } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import { explain, type Explained } from '#core/solve/compare'
import { pictureOf, type Picture } from '#core/plan/picture'
import { servicePlansOf, type ServicePlans } from '#core/plan/clock'
import { whenOf, type WhenRow } from '#core/plan/when'
import { assess, work } from '#core/pipeline/assess'
import type { Assessment } from '#core/pipeline/assessment'
import { placed } from '#core/pipeline/stack'
import { summarise, type Summary } from '#core/pipeline/summary'
import { cookVariants, type CookVariant } from '#core/plan/variants'
import { fitInto, type FitPlan, type FitWish } from '#core/plan/fit'
import { several, type Several, type SomeOf } from '#core/plan/several'
import { canMake, type CanMake, type Wish } from '#core/schedule/canMake'
import { levers, type Lever } from '#core/solve/elasticity'
import { mapField, type MapRequest, reachOf } from '#core/solve/map'
import { createQuick } from '#core/solve/quick'
import { rebalance, type Goal, type Way } from '#core/solve/rebalance'
import { swapGuard, type Swap } from '#core/solve/swap'
import { drawMap, type MapDrawing } from '../composables/mapDrawing'

export interface SolveProblem {
  code: string
  path: string
  params: Record<string, number | string>
}
/** What a job reports while it runs: how much is done, and the map so far. */
export interface SolveProgress {
  done: number
  map?: MapDrawing
}
export type SolveTask =
  | { kind: 'map', doc: Bench, kitchen: Kitchen, request: Omit<MapRequest, 'n'>, at: 'cold' | 'plate' }
  | { kind: 'rebalance', doc: Bench, kitchen: Kitchen, goal: Goal }
  | { kind: 'explain', from: Bench, to: Bench, kitchen: Kitchen }
  | { kind: 'swap', doc: Bench, kitchen: Kitchen, lineId: string, toId: string }
  | { kind: 'levers', doc: Bench, kitchen: Kitchen, firmer: boolean }
  | { kind: 'fit', doc: Bench, kitchen: Kitchen, wish: FitWish }
  | { kind: 'several', doc: Bench, kitchen: Kitchen, asked: SomeOf[] }
  | { kind: 'variants', doc: Bench, kitchen: Kitchen }
  | { kind: 'when', doc: Bench, kitchen: Kitchen }
  | { kind: 'service', doc: Bench, kitchen: Kitchen, at: string }
  | { kind: 'cold', docs: Bench[], kitchen: Kitchen }
  | { kind: 'faces', docs: Bench[], kitchen: Kitchen }
  | { kind: 'canMake', formulas: Planned[], kitchen: Kitchen, wish: Wish, now: string }
/** What a tin makes of a batch: depth and the times that follow from it. */
export interface TinFigures {
  depthM: number
  endS: number
  readyS: number | null
  batchG: number
}
export interface FitAnswer {
  plan: FitPlan
  before: TinFigures
  after: TinFigures
}
/** One way to chill: its picture and what its assessment says of the cold. */
export interface ColdView {
  picture: Picture
  chill: Assessment['chill']
  depthM: number
  count: number
}
export interface SolveResults {
  map: MapDrawing
  rebalance: Way[]
  explain: Explained
  swap: Swap
  levers: Lever[]
  fit: FitAnswer
  several: Several
  variants: CookVariant[]
  when: WhenRow[]
  service: ServicePlans
  cold: ColdView[]
  /** Each state's verdict and figures for its drawing; null where it cannot be computed. */
  faces: (Summary | null)[]
  canMake: CanMake[]
}
export type SolveAnswer =
  { value: SolveResults[keyof SolveResults] } | { problem: SolveProblem } | { cancelled: true }

/** Coarse first, then fine. */
const GRIDS = [16, 64]
const BREATH_MS = 12

const cancelled = new Set<number>()
const breathe = () =>
  new Promise<void>((resolve) => {
    const channel = new MessageChannel()
    channel.port1.onmessage = () => resolve()
    channel.port2.postMessage(0)
  })

/** Runs a generator, letting messages in every few milliseconds. @returns its value, or null once cancelled */
async function drive<P, R>(id: number, steps: Generator<P, R>, onStep: (p: P) => void): Promise<R | null> {
  let last = performance.now()
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    onStep(step.value)
    if (performance.now() - last > BREATH_MS) {
      await breathe()
      last = performance.now()
    }
    if (cancelled.delete(id)) {
      steps.return(undefined as never)
      return null
    }
  }
}

const tinFigures = (a: Assessment): TinFigures => ({
  depthM: a.shape.depthM,
  endS: a.heat.endS,
  readyS: a.chill.readyS,
  batchG: a.shape.batchG,
})
/** Long enough to see it served, set and cold; a day at most. */
const coldEndS = (c: Assessment['chill']): number =>
  Math.min(24 * 3600, 1.05 * Math.max(3600, c.servedS, c.readyS ?? 0, c.to5S ?? 0))

/** A task with each of its benches among the other components of its dessert. */
function inPlace(task: SolveTask): SolveTask {
  const { kitchen } = task
  if (task.kind === 'explain')
    return { ...task, from: placed(task.from, kitchen), to: placed(task.to, kitchen) }
  if (task.kind === 'faces' || task.kind === 'canMake') return task
  if (task.kind === 'cold') return { ...task, docs: task.docs.map(d => placed(d, kitchen)) }
  return { ...task, doc: placed(task.doc, kitchen) }
}

/** State by state, so that a cancel is heard between them; one that cannot be computed takes none other with it. */
function* facesOf(docs: readonly Bench[], kitchen: Kitchen): Generator<number, (Summary | null)[]> {
  const out: (Summary | null)[] = []
  for (const doc of docs) {
    try {
      out.push(summarise(doc, assess(placed(doc, kitchen), kitchen)))
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      out.push(null)
    }
    yield out.length / docs.length
  }
  return out
}

/** Formula by formula. */
function* canMakeOf(
  formulas: readonly Planned[], kitchen: Kitchen, wish: Wish, now: string,
): Generator<number, CanMake[]> {
  const out: CanMake[] = []
  for (const f of formulas) {
    out.push(canMake(f, kitchen, wish, now))
    yield out.length / formulas.length
  }
  return out
}

async function solve(
  id: number,
  task: SolveTask,
  report: (p: SolveProgress) => void,
): Promise<SolveResults[keyof SolveResults] | null> {
  switch (task.kind) {
    case 'map': {
      const quick = createQuick(task.doc, task.kitchen)
      let drawing: MapDrawing | null = null
      for (const n of GRIDS) {
        const field = await drive(id, mapField(task.doc, task.kitchen, { ...task.request, n }, quick), done =>
          report({ done: n === GRIDS[0] ? 0.1 * done : 0.1 + 0.9 * done }),
        )
        if (!field) return null
        drawing = drawMap(field, task.at)
        if (n !== GRIDS.at(-1)) {
          report({ done: 0.1, map: drawing })
        } else if (!drawing.meets) {
          const { x, y } = task.request
          const reach = await drive(id, reachOf(task.doc, task.kitchen, [x, y], quick), () => {})
          if (!reach) return null
          drawing = { ...drawing, reach }
        }
      }
      return drawing
    }
    case 'rebalance':
      return drive(id, rebalance(task.doc, task.kitchen, task.goal), p => report(p))
    case 'explain':
      return drive(id, explain(task.from, task.to, task.kitchen), done => report({ done }))
    case 'swap':
      return swapGuard(task.doc, task.kitchen, task.lineId, task.toId, () => crypto.randomUUID())
    case 'levers':
      return levers(task.doc, task.kitchen, task.firmer)
    case 'fit': {
      const before = assess(task.doc, task.kitchen)
      const plan = fitInto(task.doc, task.kitchen, before.shape, task.wish, () => crypto.randomUUID())
      return { plan, before: tinFigures(before), after: tinFigures(assess(plan.doc, task.kitchen)) }
    }
    case 'several':
      return drive(id, several(task.doc, task.kitchen, assess(task.doc, task.kitchen), task.asked), () => {})
    case 'variants':
      return drive(id, cookVariants(task.doc, task.kitchen), () => {})
    case 'when':
      return whenOf(work(task.doc, task.kitchen), task.doc, task.kitchen)
    case 'service':
      return servicePlansOf(task.doc, task.kitchen, task.at)
    case 'faces':
      return drive(id, facesOf(task.docs, task.kitchen), done => report({ done }))
    case 'canMake':
      return drive(id, canMakeOf(task.formulas, task.kitchen, task.wish, task.now), done => report({ done }))
    case 'cold': {
      const worked = task.docs.map(doc => ({ doc, w: work(doc, task.kitchen) }))
      // One time axis for all, so that they compare.
      const endS = Math.max(...worked.map(({ w }) => coldEndS(w.assessment.chill)))
      return worked.map(({ doc, w }) => ({
        picture: pictureOf(w, doc, task.kitchen, endS),
        chill: w.assessment.chill,
        depthM: w.assessment.shape.depthM,
        count: w.assessment.shape.count,
      }))
    }
  }
}

const api = {
  /** Runs a task to its end or until it is cancelled. */
  async run(id: number, task: SolveTask, report: (id: number, p: SolveProgress) => void): Promise<SolveAnswer> {
    await breathe()
    if (cancelled.delete(id)) return { cancelled: true }
    try {
      const value = await solve(id, inPlace(task), p => report(id, p))
      return value === null ? { cancelled: true } : { value }
    } catch (error) {
      if (error instanceof InputError)
        return { problem: { code: error.code, path: error.path, params: { ...error.params } } }
      throw error
    }
  },
  cancel(id: number): void {
    cancelled.add(id)
  },
}
export type SolveApi = typeof api
expose(api)
