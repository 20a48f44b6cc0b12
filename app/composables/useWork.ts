/** Long work on the server: asked for, watched, given up. */
import type { WorkRecord } from '../../shared/book'

/** How often it is asked how far it is, ms. */
const ASKS_MS = 700

/** @param path answers `{ work }` to GET, and asks for it by POST; what else it answers goes to `also` */
export function useWork<T, A extends object = object>(path: string, also: (answer: A) => void = () => {}) {
  const work = shallowRef<WorkRecord<T> | null>(null)
  const failed = ref(false)
  const isGoing = computed(() => work.value?.state === 'waiting' || work.value?.state === 'going')
  async function call(method: 'GET' | 'POST') {
    try {
      const answer = await api<{ work: WorkRecord<T> | null } & A>(path, { method })
      work.value = answer.work
      if (method === 'GET') also(answer)
      failed.value = false
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      failed.value = true
    }
  }
  const load = () => call('GET')
  useIntervalFn(() => { if (isGoing.value) void load() }, ASKS_MS)
  // Asked for, done or given up from elsewhere, too.
  const heard = onNote(({ kind }) => { if (kind === 'work') void load() })
  onScopeDispose(heard.off)
  async function cancel() {
    if (!work.value) return
    work.value = (await api<{ work: WorkRecord<T> }>(`/api/jobs/${work.value.id}`, { method: 'DELETE' })).work
  }
  return {
    work, failed, isGoing, load, cancel,
    ask: () => call('POST'),
    result: computed(() => (work.value?.state === 'done' ? work.value.result : null)),
  }
}
