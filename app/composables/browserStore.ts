import { useStorage, type UseStorageOptions } from '@vueuse/core'

/**
 * What this browser keeps. Storage that is full or denied costs nothing but the keeping: values then live as long
 * as the page, `storageFailing` says so, and everything goes on to the server as before.
 */
const memory = new Map<string, string>()
/** Whether the browser refused to keep something. */
export const storageFailing = ref(false)

function storage(): Storage | null {
  try {
    return window.localStorage
  } catch {
    storageFailing.value = true
    return null
  }
}

export const browserStore = {
  get(key: string): string | null {
    try {
      return memory.get(key) ?? storage()?.getItem(key) ?? null
    } catch {
      storageFailing.value = true
      return null
    }
  },
  /** Keeps a value. @returns whether it outlives the page */
  set(key: string, value: string): boolean {
    try {
      const at = storage()
      if (at) {
        at.setItem(key, value)
        memory.delete(key)
        return true
      }
    } catch {
      storageFailing.value = true
    }
    memory.set(key, value)
    return false
  },
  remove(key: string): void {
    memory.delete(key)
    try {
      storage()?.removeItem(key)
    } catch {
      storageFailing.value = true
    }
  },
  keys(prefix: string): string[] {
    const found = new Set([...memory.keys()].filter(k => k.startsWith(prefix)))
    try {
      const at = storage()
      for (let i = 0; at && i < at.length; i++) if (at.key(i)!.startsWith(prefix)) found.add(at.key(i)!)
    } catch {
      storageFailing.value = true
    }
    return [...found]
  },
}

/** A ref that this browser keeps under a key: whatever its storage allows, it works. */
export const useKept = <T>(key: string, initial: T, options: UseStorageOptions<T> = {}) =>
  useStorage<T>(
    key,
    initial,
    {
      getItem: key => browserStore.get(key),
      setItem: (key, value) => void browserStore.set(key, value),
      removeItem: key => browserStore.remove(key),
    },
    options,
  )

const mine = new Map<string, string>()
function tabStorage(): Storage | null {
  try {
    return window.sessionStorage
  } catch {
    return null
  }
}
/** The same for this tab alone: which view is open and the like. What cannot be kept lives as long as the page. */
export const useKeptByTab = <T>(key: string, initial: T, options: UseStorageOptions<T> = {}) =>
  useStorage<T>(
    key,
    initial,
    {
      getItem: key => mine.get(key) ?? tabStorage()?.getItem(key) ?? null,
      setItem: (key, value) => {
        try {
          tabStorage()!.setItem(key, value)
        } catch {
          mine.set(key, value)
        }
      },
      removeItem: (key) => {
        mine.delete(key)
        tabStorage()?.removeItem(key)
      },
    },
    options,
  )
