/** Reads a pasted text off the page's thread: bit by bit, with progress, given up when a newer text comes. */
import { expose } from 'comlink'
import { type Lint, lintOf } from '#core/formats/reader/lint'
import { type ReadHouse, readSteps } from '#core/formats/reader/read'
import type { Answers, Reading } from '#core/formats/reader/reading'

export interface Looked {
  reading: Reading
  lints: Lint[]
}

let latest = 0

const api = {
  /** @returns the reading, or null when a newer one was asked for */
  async read(
    job: number,
    text: string,
    answers: Answers,
    house: ReadHouse,
    onProgress: (job: number, done: number) => void,
  ): Promise<Looked | null> {
    latest = job
    const steps = readSteps(text, { ...house, answers })
    for (;;) {
      const at = steps.next()
      if (at.done) return { reading: at.value.reading, lints: lintOf(at.value, answers) }
      onProgress(job, at.value)
      await new Promise(resolve => setTimeout(resolve))
      if (latest !== job) return null
    }
  },
}
export type ReadApi = typeof api
expose(api)
