/**
 * A list of things to press that keeps its places: after a press nothing slides under the finger. What is done stays
 * where it was, marked, until the pointer has left and a moment has passed; what is new comes last.
 */
import { useTimeoutFn } from '@vueuse/core'

/** Long enough for a second tap, ms. */
const MOMENT_MS = 1500

export interface Held<T> {
  item: T
  /** It was pressed, or answered otherwise. */
  done: boolean
}

/** @param keyOf the same for the same thing before and after a press */
export function useHeldPlaces<T>(list: () => readonly T[], keyOf: (x: T) => string) {
  const held = shallowRef<readonly T[] | null>(null)
  let isInside = false
  const release = () => {
    held.value = null
  }
  const { start, isPending } = useTimeoutFn(() => {
    if (!isInside) release()
  }, MOMENT_MS, { immediate: false })
  const shown = computed<Held<T>[]>(() => {
    const now = list()
    const before = held.value ?? []
    const kept = before.map((x) => {
      const same = now.find(n => keyOf(n) === keyOf(x))
      return { item: same ?? x, done: same === undefined }
    })
    return [...kept, ...now.filter(n => !before.some(x => keyOf(x) === keyOf(n))).map(item => ({ item, done: false }))]
  })
  return {
    shown,
    press() {
      held.value = shown.value.map(x => x.item)
      start()
    },
    enter() {
      isInside = true
    },
    leave() {
      isInside = false
      if (!isPending.value) release()
    },
  }
}
