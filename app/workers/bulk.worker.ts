/** The bulk worker: shares by sampling and adjustments by trial, in chunks, so that a cancel is heard between them. */
import { expose } from 'comlink'
import { work } from '#core/pipeline/assess'
import { InputError } from '#core/base/errors'
import type { Bench } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import { placed } from '#core/pipeline/stack'
import { adjustments, type Adjustment } from '#core/solve/adjust'
import { levers, type Lever } from '#core/solve/elasticity'
import { createQuick } from '#core/solve/quick'
import { CHUNK, createSampler, SAMPLES, type Shares } from '#core/solve/sampling'

export interface BulkProgress {
  shares?: Shares
  levers?: Lever[]
  adjustments?: Adjustment[]
  done: number
}

const cancelled = new Set<number>()
/** Lets queued messages (a cancel, a newer job) in. */
const breathe = () =>
  new Promise<void>((resolve) => {
    const channel = new MessageChannel()
    channel.port1.onmessage = () => resolve()
    channel.port2.postMessage(0)
  })

const api = {
  /** Runs a job to its end or until it is cancelled. @returns whether it finished */
  async run(
    id: number,
    bench: Bench,
    kitchen: Kitchen,
    firmer: boolean,
    report: (id: number, progress: BulkProgress) => void,
  ): Promise<boolean> {
    try {
      const doc = placed(bench, kitchen)
      const worked = work(doc, kitchen)
      const sampler = createSampler(worked)
      for (let n = 0; n < SAMPLES; n += CHUNK) {
        if (cancelled.delete(id)) return false
        sampler.run(CHUNK)
        await breathe()
      }
      report(id, {
        shares: sampler.result(),
        levers: levers(doc, kitchen, firmer, createQuick(doc, kitchen, worked)),
        done: 0.5,
      })
      const search = adjustments(doc, kitchen, worked.assessment)
      for (;;) {
        if (cancelled.delete(id)) return false
        const step = search.next()
        if (step.done) {
          report(id, { adjustments: step.value, done: 1 })
          return true
        }
        await breathe()
      }
    } catch (error) {
      // Impossible input: the live worker says so, by field.
      if (error instanceof InputError) return true
      throw error
    }
  },
  cancel(id: number): void {
    cancelled.add(id)
  },
}
export type BulkApi = typeof api
expose(api)
