/** The door: who is signed in here and what they may do. What is unsent waits for whoever comes back. */
import type { DoorState, Right } from '../../shared/door'
import { mayDo, TABLET_LOCKS_MIN } from '../../shared/door'
import type { DocumentKind } from '../composables/unsent'

const CACHE = 'lumbik:door'
/** What a kind of document asks of whoever writes it. */
const NEEDS: Readonly<Record<DocumentKind, Right>> = { formula: 'write', kitchen: 'write', lot: 'make' }

export const useDoorStore = defineStore('door', () => {
  const state = shallowRef<DoorState | null>(null)
  const me = computed(() => state.value?.me ?? null)
  const isIn = computed(() => state.value?.state === 'in')
  const may = (right: Right): boolean => me.value !== null && mayDo(me.value.role, right)
  /** Where nobody could say yet who is here, nothing is lost: the server decides. */
  const mayWrite = (kind: DocumentKind): boolean => state.value === null || may(NEEDS[kind])

  function take(next: DoorState) {
    state.value = next
    // Who was here last works on where no server answers; a locked tablet stays locked there, too.
    if (next.state === 'in' || next.tablet) browserStore.set(CACHE, JSON.stringify(next))
    else browserStore.remove(CACHE)
    // A tablet's cooks share what it keeps; somebody's own device forgets them with their leaving.
    const whose = next.tablet ? `tablet ${next.kitchen?.id}` : next.state === 'in' ? `${next.me!.membershipId} ${next.kitchen?.id}` : ''
    void keepFor(whose).then(() => { if (next.state === 'in') void stockUp(may).catch(() => {}) })
  }
  async function load(): Promise<void> {
    try {
      take(await api<DoorState>('/api/door'))
    } catch {
      if (state.value) return
      try {
        state.value = JSON.parse(browserStore.get(CACHE) ?? 'null') as DoorState | null
      } catch {
        state.value = null
      }
    }
  }
  /** Says something at the door, and looks who is here then. @throws {ApiError} */
  async function knock(what: string, body: Record<string, unknown> = {}): Promise<void> {
    await api(`/api/door/${what}`, { method: 'POST', body })
    await load()
  }
  const out = () => knock('out')

  if (import.meta.client) {
    onUnsigned(() => void load())
    onBack(() => void load())
    // Just installed: what work needs is fetched now.
    if ('serviceWorker' in navigator)
      useEventListener(navigator.serviceWorker, 'controllerchange', () => { if (isIn.value) void stockUp(may).catch(() => {}) })
    // A tablet nobody touches locks itself; never under a cook at the stove.
    const { idle } = useIdle(TABLET_LOCKS_MIN * 60_000)
    const route = useRoute()
    watch(idle, (is) => {
      if (is && state.value?.tablet && isIn.value && !route.path.startsWith('/batch/')) void knock('lock')
    })
  }
  return { state, me, isIn, may, mayWrite, load, knock, out }
})
