/**
 * Undo by snapshots: one step a gesture. Whoever keeps the present says how it was and is given how it is to be; what
 * others changed meanwhile comes into every step.
 */
const HISTORY = 200

export function useUndo<T extends object>() {
  const past = shallowRef<T[]>([])
  const future = shallowRef<T[]>([])
  let gesture = ''

  const endGesture = () => {
    gesture = ''
  }
  function forget() {
    past.value = []
    future.value = []
    endGesture()
  }
  /** Notes how it was before a change. @param name of the gesture; an empty one is always a step of its own */
  function note(before: T, name = '') {
    if (!name || name !== gesture) past.value = [...past.value.slice(-HISTORY + 1), before]
    gesture = name
    future.value = []
  }
  /** One step back, or null. */
  function back(now: T): T | null {
    const last = past.value.at(-1)
    if (!last) return null
    future.value = [now, ...future.value]
    past.value = past.value.slice(0, -1)
    endGesture()
    return last
  }
  /** One step forward again, or null. */
  function forward(now: T): T | null {
    const next = future.value[0]
    if (!next) return null
    past.value = [...past.value, now]
    future.value = future.value.slice(1)
    endGesture()
    return next
  }
  /** Carries a change of somebody else's into every step. */
  function each(change: (step: T) => T) {
    past.value = past.value.map(change)
    future.value = future.value.map(change)
  }
  return {
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    note, back, forward, each, forget, endGesture,
  }
}
