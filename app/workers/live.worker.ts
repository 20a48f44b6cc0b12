/** The live worker: one point assessment at a time. Who asks keeps the order; this only computes. */
import { expose } from 'comlink'
import type { Assessment } from '#core/pipeline/assessment'
import { InputError } from '#core/base/errors'
import { type Bench, putBack } from '#core/formula/bench'
import { assessDessert, partsOf, type Part } from '#core/pipeline/dessert'
import type { Kitchen } from '#core/kitchen/kitchen'

export interface InputProblem {
  code: string
  path: string
  params: Record<string, number | string>
}
/** `of` is the component it is about; `parts` says how all of them stand. */
export type LiveAnswer = { seq: number, of: string, parts: Part[] } & (
  { assessment: Assessment } | { problem: InputProblem }
)

const api = {
  assess(seq: number, doc: Bench, kitchen: Kitchen): LiveAnswer {
    const planned = putBack(doc)
    const of = doc.componentId
    try {
      const { assessment, parts } = assessDessert(planned, kitchen, of)
      return { seq, of, assessment, parts }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      const problem = { code: error.code, path: error.path, params: { ...error.params } }
      return { seq, of, problem, parts: partsOf(planned, kitchen) }
    }
  },
}
export type LiveApi = typeof api
expose(api)
