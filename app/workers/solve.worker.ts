/** The solving worker: map, rebalance, comparison, swaps and levers, in small steps between which a cancel is heard. */
import { expose } from 'comlink'
import { InputError } from '#core/errors'
import type { FormulaDocument, Kitchen } from '#core/formula/document'
import { explain, type Explained } from '#core/solve/compare'
import { levers, type Lever } from '#core/solve/elasticity'
import { mapField, type MapRequest } from '#core/solve/map'
import { createQuick } from '#core/solve/quick'
import { rebalance, type Goal, type Way } from '#core/solve/rebalance'
import { swapGuard, type Swap } from '#core/solve/swap'
import { drawMap, type MapDrawing } from '../composables/mapDrawing'

export interface SolveProblem { code: string, path: string, params: Record<string, number | string> }
/** What a job reports while it runs: how much is done, and the map so far. */
export interface SolveProgress { done: number, map?: MapDrawing }
export type SolveTask =
  | { kind: 'map', doc: FormulaDocument, kitchen: Kitchen, request: Omit<MapRequest, 'n'>, at: 'cold' | 'plate' }
  | { kind: 'rebalance', doc: FormulaDocument, kitchen: Kitchen, goal: Goal }
  | { kind: 'explain', from: FormulaDocument, to: FormulaDocument, kitchen: Kitchen }
  | { kind: 'swap', doc: FormulaDocument, kitchen: Kitchen, lineId: string, toId: string }
  | { kind: 'levers', doc: FormulaDocument, kitchen: Kitchen, firmer: boolean }
export interface SolveResults { map: MapDrawing, rebalance: Way[], explain: Explained, swap: Swap, levers: Lever[] }
export type SolveAnswer = { value: SolveResults[keyof SolveResults] } | { problem: SolveProblem } | { cancelled: true }

/** Coarse first, then fine. */
const GRIDS = [16, 64]
const BREATH_MS = 12

const cancelled = new Set<number>()
const breathe = () => new Promise<void>((resolve) => {
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

async function solve(id: number, task: SolveTask, report: (p: SolveProgress) => void): Promise<SolveResults[keyof SolveResults] | null> {
  switch (task.kind) {
    case 'map': {
      const quick = createQuick(task.doc, task.kitchen)
      let drawing: MapDrawing | null = null
      for (const n of GRIDS) {
        const field = await drive(id, mapField(task.doc, task.kitchen, { ...task.request, n }, quick), done => report({ done: n === GRIDS[0] ? 0.1 * done : 0.1 + 0.9 * done }))
        if (!field) return null
        drawing = drawMap(field, task.at)
        if (n !== GRIDS.at(-1)) report({ done: 0.1, map: drawing })
      }
      return drawing
    }
    case 'rebalance': return drive(id, rebalance(task.doc, task.kitchen, task.goal), p => report(p))
    case 'explain': return drive(id, explain(task.from, task.to, task.kitchen), done => report({ done }))
    case 'swap': return swapGuard(task.doc, task.kitchen, task.lineId, task.toId, () => crypto.randomUUID())
    case 'levers': return levers(task.doc, task.kitchen, task.firmer)
  }
}

const api = {
  /** Runs a task to its end or until it is cancelled. */
  async run(id: number, task: SolveTask, report: (id: number, p: SolveProgress) => void): Promise<SolveAnswer> {
    await breathe()
    if (cancelled.delete(id)) return { cancelled: true }
    try {
      const value = await solve(id, task, p => report(id, p))
      return value === null ? { cancelled: true } : { value }
    } catch (error) {
      if (error instanceof InputError) return { problem: { code: error.code, path: error.path, params: { ...error.params } } }
      throw error
    }
  },
  cancel(id: number): void {
    cancelled.add(id)
  },
}
export type SolveApi = typeof api
expose(api)
