/** The door: who is signed in here and what they may do. What is unsent waits for whoever comes back. */
import type { DoorState, Right } from '../../shared/door'
import { mayDo, TABLET_LOCKS_MIN } from '../../shared/door'
import type { DocumentKind } from '../composables/unsent'

/** What speaks to the device's keys: fetched where it is used. */
const keyring = () => import('@simplewebauthn/browser')
type Asked<K extends 'startAuthentication' | 'startRegistration'> =
  { id: string, options: Parameters<Awaited<ReturnType<typeof keyring>>[K]>[0]['optionsJSON'] }

const CACHE = 'lumbik:door'
/** What a kind of document asks of whoever writes it. */
const NEEDS: Readonly<Record<DocumentKind, Right>> = { formula: 'write', kitchen: 'write', lot: 'make' }

/** Whether this browser can open by a key: it knows how, and stands on a name over a channel nobody reads. */
export const opensByKey = (): boolean =>
  'PublicKeyCredential' in window && window.isSecureContext && !/^(?:\d+\.){3}\d+$|^\[/.test(location.hostname)

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
  let asked = 0
  /** Of two that are under way the one asked later holds, whichever is answered first. */
  async function load(): Promise<void> {
    const mine = ++asked
    try {
      const next = await api<DoorState>('/api/door')
      if (mine === asked) take(next)
    } catch {
      if (state.value || mine !== asked) return
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
  /** Signs in with a key this device keeps. @throws {ApiError}; what the browser says when it was not used */
  async function openByKey(): Promise<void> {
    const { id, options } = await api<Asked<'startAuthentication'>>('/api/door/passkey/asked', { method: 'POST', body: {} })
    const response = await (await keyring()).startAuthentication({ optionsJSON: options })
    await knock('passkey', { id, response })
  }
  /** Makes a key for whoever is signed in. @throws {ApiError}; what the browser says when none was made */
  async function makeKey(current: string, label: string): Promise<void> {
    const { id, options } = await api<Asked<'startRegistration'>>(
      '/api/door/passkeys/offer', { method: 'POST', body: { current } })
    const response = await (await keyring()).startRegistration({ optionsJSON: options })
    await api('/api/door/passkeys', { method: 'POST', body: { id, label, response } })
  }

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
      if (is && state.value?.tablet && isIn.value && !route.path.startsWith('/batch/')) void knock('lock').catch(() => {})
    })
  }
  return { state, me, isIn, may, mayWrite, load, knock, out, openByKey, makeKey }
})
