/** The planner off the page: a first plan at once, then a good one; a newer day stops an older. */
import { expose } from 'comlink'
import { InputError } from '#core/base/errors'
import { benchOf, type Planned } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import { type DayLedger, ledgerOf, type OnHand } from '#core/ledger/ledger'
import { type Counted, forCovers } from '#core/plan/covers'
import { bakedAt, freshMinutes, stepsOfFormula } from '#core/schedule/ofFormula'
import { type DayPlan, planSteps } from '#core/schedule/plan'
import type { DayInput, StepInput } from '#core/schedule/read'
import { replanSteps } from '#core/schedule/replan'

/** Share of the search that the first plan is made with. */
const FIRST = 0.02
/** A cancel is heard so often, ms. */
const BREATHES_MS = 40
let newest = 0
const breathe = () =>
  new Promise<void>((resolve) => {
    const channel = new MessageChannel()
    channel.port1.onmessage = () => resolve()
    channel.port2.postMessage(0)
  })

/** A dessert of the day with its formula, for so many. */
export interface Wanted { dessertId: string, planned: Planned, count: number | null, countOf?: Counted }
/** A formula's steps, and how long before service it may be begun. */
export interface Steps { steps: StepInput[], freshMinutes: number | null }
export interface DaySaid {
  plan: DayPlan | null
  /** Share of the search that is done; 1: this is the plan. */
  done: number
  /** What of the day cannot be, by its field. */
  wrong: { path: string, code: string } | null
}

const api = {
  /** A formula as steps; null: it cannot be worked out. */
  steps(
    { planned, count, countOf }: Omit<Wanted, 'dessertId'>, kitchen: Kitchen, named: readonly string[], ovenC: number | null,
  ): Steps | null {
    try {
      const as = ovenC === null ? planned : bakedAt(planned, ovenC)
      const steps = stepsOfFormula(as, kitchen, count, new Set(named), countOf)
      return { steps, freshMinutes: freshMinutes(as, kitchen, steps) }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      return null
    }
  },
  /** The ledger of a day; desserts that cannot be worked out are left out of it. */
  ledger(wanted: readonly Wanted[], have: readonly OnHand[], kitchen: Kitchen, date: string): DayLedger {
    const needs = wanted.flatMap(({ dessertId, planned, count, countOf }) => {
      try {
        return [{ dessertId, bench: forCovers(benchOf(planned), kitchen, count, countOf) }]
      } catch (error) {
        if (!(error instanceof InputError)) throw error
        return []
      }
    })
    return ledgerOf(needs, have, kitchen, date)
  },
  /**
   * Plans a day until it is done or another is asked for.
   * @param before the plan it had, where only a step was moved: then with the fewest moves from there
   */
  async plan(day: DayInput, before: DayPlan | null, report: (said: DaySaid) => void): Promise<void> {
    const mine = ++newest
    try {
      for (const effort of before ? [1] : [FIRST, 1]) {
        const run = before ? replanSteps(day, before) : planSteps(day, effort)
        for (let last = performance.now(), step = run.next(); ; step = run.next()) {
          if (step.done) {
            report({ plan: step.value, done: effort === 1 ? 1 : 0, wrong: null })
            break
          }
          if (performance.now() - last < BREATHES_MS) continue
          report({ plan: null, done: effort === 1 ? step.value : 0, wrong: null })
          await breathe()
          if (newest !== mine) return
          last = performance.now()
        }
        await breathe()
        if (newest !== mine) return
      }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      report({ plan: null, done: 1, wrong: { path: error.path, code: error.code } })
    }
  },
}
export type DayApi = typeof api
expose(api)
