/** The live worker: one point assessment at a time. Who asks keeps the order; this only computes. */
import { expose } from 'comlink'
import { assess } from '#core/pipeline/assess'
import type { Assessment } from '#core/pipeline/assessment'
import { InputError } from '#core/base/errors'
import type { FormulaDocument } from '#core/formula/document'
import type { Kitchen } from '#core/kitchen/kitchen'

export interface InputProblem {
  code: string
  path: string
  params: Record<string, number | string>
}
export type LiveAnswer = { seq: number, assessment: Assessment } | { seq: number, problem: InputProblem }

const api = {
  assess(seq: number, doc: FormulaDocument, kitchen: Kitchen): LiveAnswer {
    try {
      return { seq, assessment: assess(doc, kitchen) }
    } catch (error) {
      if (error instanceof InputError)
        return { seq, problem: { code: error.code, path: error.path, params: { ...error.params } } }
      throw error
    }
  },
}
export type LiveApi = typeof api
expose(api)
