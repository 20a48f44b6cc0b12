/** What other devices of the kitchen change, heard within a moment, and who else is where this tab is. */
import { type ChangeNote, type placeOf, SAYS_S } from '../../shared/live'

const noteHooks = createEventHook<ChangeNote>()
/** Called for each thing that was changed somewhere. */
export const onNote = noteHooks.on
/** Whether changes are heard of at present. */
export const hearsOthers = ref(false)
const AGAIN_MS = 2000

/** Listens while somebody is signed in; where it left off, after a break. One for the whole app. */
export function useLiveLine(isIn: Ref<boolean>): void {
  let source: EventSource | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let last = ''
  function close() {
    clearTimeout(timer)
    source?.close()
    source = null
    hearsOthers.value = false
  }
  function open() {
    close()
    if (!isIn.value) return
    source = new EventSource(last ? `/api/live?after=${last}` : '/api/live')
    const heard = ({ lastEventId }: MessageEvent) => {
      last = lastEventId || last
      hearsOthers.value = true
    }
    source.addEventListener('still', heard)
    source.addEventListener('message', (event) => {
      heard(event)
      for (const note of JSON.parse(String(event.data)) as ChangeNote[]) void noteHooks.trigger(note)
    })
    source.addEventListener('error', () => {
      hearsOthers.value = false
      // Refused for good, or the server is away: tried again by ourselves.
      if (source?.readyState === EventSource.CLOSED) timer = setTimeout(open, AGAIN_MS)
    })
  }
  watch(isIn, open, { immediate: true })
  onBack(() => { if (!hearsOthers.value) open() })
  useEventListener(window, 'pagehide', close)
  useEventListener(window, 'pageshow', event => event.persisted && open())
}

/** Says that this tab is at a place, and tells who else is. */
export function useHere(place: () => ReturnType<typeof placeOf> | ''): Ref<string[]> {
  const id = crypto.randomUUID()
  const others = ref<string[]>([])
  const say = async () => {
    const at = place()
    const said = await api<{ others: string[] }>('/api/live/here', { method: 'POST', body: { id, place: at } }).catch(() => null)
    if (at === place()) others.value = said?.others ?? []
  }
  watch(place, () => void say(), { immediate: true })
  useIntervalFn(() => void say(), SAYS_S * 1000)
  const heard = onNote(({ kind, target }) => {
    if (kind === 'presence' && target === place() && target) void say()
  })
  const leave = () => navigator.sendBeacon('/api/live/here', new Blob([JSON.stringify({ id, place: '' })], { type: 'application/json' }))
  useEventListener(window, 'pagehide', leave)
  onScopeDispose(() => {
    heard.off()
    leave()
  })
  return others
}
