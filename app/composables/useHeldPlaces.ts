/**
 * A list of things to press that keeps its places: nothing slides under the finger that is on its way. What was pressed
 * stays where it was, as done, and what is answered otherwise keeps its place, until the pointer has left and a moment
 * has passed; what is new comes last.
 */
import { useTimeoutFn } from '@vueuse/core'

/** Long enough for a second tap, ms. */
const MOMENT_MS = 1500

export interface Held<T> {
  item: T
  /** It can be pressed; it was; or it is answered otherwise and only keeps its place. */
  state: 'there' | 'taken' | 'gone'
}

/** @param keyOf the same for the same thing before and after a press */
export function useHeldPlaces<T>(list: () => readonly T[], keyOf: (x: T) => string) {
  const held = shallowRef<readonly T[] | null>(null)
  const pressed = shallowRef<ReadonlySet<string>>(new Set())
  let isInside = false
  let last: readonly T[] = [...list()]
  function release() {
    held.value = null
    pressed.value = new Set()
  }
  const { start, stop, isPending } = useTimeoutFn(() => {
    if (!isInside) release()
  }, MOMENT_MS, { immediate: false })
  const shown = computed<Held<T>[]>(() => {
    const now = list()
    const before = held.value ?? []
    const isNow = (x: T) => now.find(n => keyOf(n) === keyOf(x))
    const kept = before.map((x) => {
      if (pressed.value.has(keyOf(x))) return { item: x, state: 'taken' as const }
      return { item: isNow(x) ?? x, state: isNow(x) ? 'there' as const : 'gone' as const }
    })
    const fresh = now.filter(n => !before.some(x => keyOf(x) === keyOf(n)))
    return [...kept, ...fresh.map(item => ({ item, state: 'there' as const }))]
  })
  function hold(items: readonly T[]) {
    held.value = items
    start()
  }
  // What goes by itself keeps its place for a moment, too.
  watch(() => list().map(keyOf), (now, before) => {
    if (held.value === null && before.some(k => !now.includes(k))) hold(last)
    last = shown.value.map(x => x.item)
  }, { flush: 'sync' })
  return {
    shown,
    press(item: T) {
      held.value = shown.value.map(x => x.item)
      pressed.value = new Set([...pressed.value, keyOf(item)])
      start()
    },
    /** What was done is undone: the list is as it is again. */
    release() {
      stop()
      release()
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
