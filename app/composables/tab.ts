/** Which tab this is: the same after a reload, never that of another tab that lives. */
const TAB = 'lumbik:tab'
const LOCK = (id: string) => `lumbik-tab-${id}`
let claimed: Promise<string> | null = null

function remembered(): string | null {
  try {
    return sessionStorage.getItem(TAB)
  } catch {
    return null
  }
}
function rememberTab(id: string) {
  try {
    sessionStorage.setItem(TAB, id)
  } catch {
    /* A new id after a reload: what it left is adopted. */
  }
}

/** Holds a lock by this name for as long as the tab lives. @returns whether it was free */
const hold = (id: string) =>
  new Promise<boolean>((resolve) => {
    if (!navigator.locks) return resolve(true)
    void navigator.locks.request(LOCK(id), { ifAvailable: true }, (lock) => {
      resolve(lock !== null)
      return lock ? new Promise<void>(() => {}) : undefined
    })
  })

async function claim(): Promise<string> {
  const before = remembered()
  // A duplicated tab inherits the id of the one it came from, finds its lock held, and gets its own.
  const id = before && (await hold(before)) ? before : crypto.randomUUID()
  if (id !== before) await hold(id)
  rememberTab(id)
  return id
}
/** This tab's id. */
export const claimTab = (): Promise<string> => (claimed ??= claim())

/** Ids of the tabs that live; null where the browser does not tell. */
export async function livingTabs(): Promise<Set<string> | null> {
  if (!navigator.locks) return null
  const held = (await navigator.locks.query()).held ?? []
  return new Set(held.flatMap(l => (l.name?.startsWith('lumbik-tab-') ? [l.name.slice('lumbik-tab-'.length)] : [])))
}
