/** A whole dessert worked out off the page. */
import { expose } from 'comlink'
import { InputError } from '#core/base/errors'
import { benchOf, type Planned } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import { placed } from '#core/pipeline/stack'
import { assess } from '#core/pipeline/assess'
import type { Assessment } from '#core/pipeline/assessment'
import { type Plate, plateOf } from '#core/plate/plate'

/** The dessert, and its filling's assessment for label, nutrition and cost; or the field in the way. */
export type PlateAnswer = { plate: Plate, assessment: Assessment } | { problem: string }

const api = {
  plate(planned: Planned, kitchen: Kitchen): PlateAnswer {
    try {
      return { plate: plateOf(planned, kitchen), assessment: assess(placed(benchOf(planned), kitchen), kitchen) }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      return { problem: error.path }
    }
  },
}
export type PlateApi = typeof api
expose(api)
