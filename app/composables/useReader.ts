/**
 * Reading a pasted text in its worker: the latest text wins, a long one shows how far it is, one that is no recipe is
 * not begun.
 */
import { proxy } from 'comlink'
import { type ReadHouse, tooLong } from '#core/formats/reader/read'
import type { Answers } from '#core/formats/reader/reading'
import { keepWorker, toPlain, whileItSpeaks } from './useAssessor'
import type { Looked, ReadApi } from '../workers/read.worker'

/** A worker that says nothing for this long is taken for dead: its steps take milliseconds. */
const SILENCE_MS = 8000

/** @param house the kitchen's own cups and rules of thumb */
export function useReader(text: () => string, answers: () => Answers, house: () => ReadHouse) {
  const looked = shallowRef<Looked | null>(null)
  /** Whether what is shown belongs to the text as it stands. */
  const settled = ref(true)
  const done = ref(0)
  const much = computed(() => tooLong(text()))
  let job = 0
  const keeper = keepWorker<ReadApi>(
    () => new Worker(new URL('../workers/read.worker.ts', import.meta.url), { type: 'module' }),
    () => {},
  )

  const attempt = (id: number, asked: string, given: Answers): Promise<Looked | null> =>
    whileItSpeaks(SILENCE_MS, sign =>
      keeper.api().read(
        id,
        asked,
        given,
        toPlain(house()),
        proxy((from: number, share: number) => {
          if (from !== job) return
          sign()
          done.value = share
        }),
      ),
    )
  async function read() {
    const id = ++job
    const asked = text()
    done.value = 0
    if (much.value || !asked.trim()) {
      looked.value = null
      settled.value = true
      return
    }
    settled.value = false
    for (let tries = 0; tries < 2; tries++) {
      try {
        const answer = await attempt(id, asked, toPlain(answers()))
        if (id !== job || !answer) return
        looked.value = answer
        settled.value = true
        return
      } catch {
        if (id !== job) return
        keeper.restart()
      }
    }
  }
  watch([text, answers, house], read, { immediate: true })
  onScopeDispose(() => {
    job++
    keeper.stop()
  })
  return { looked, settled, done, much }
}
