/** The simulated scale as something is poured onto it: it runs towards what the simulated cook pours, until stopped. */
const POURS_MS = 2200
const STEP_MS = 70

export function useRunningScale() {
  /** What it shows, g; null: nothing was poured yet. */
  const shownG = ref<number | null>(null)
  const target = ref<{ key: string, toG: number, fromMs: number } | null>(null)
  /** A display's step. */
  const shown = (g: number) => (g < 20 ? Math.round(10 * g) / 10 : Math.round(g))
  function look() {
    const at = target.value
    if (!at) return
    const gone = Math.min(1, (performance.now() - at.fromMs) / POURS_MS)
    // Fast at first, then drop by drop.
    shownG.value = gone === 1 ? at.toG : shown(at.toG * (1 - (1 - gone) ** 2))
    if (gone === 1) target.value = null
  }
  useIntervalFn(look, STEP_MS)
  return {
    shownG: readonly(shownG),
    isRunning: computed(() => target.value !== null),
    /** What is being poured. */
    key: computed(() => target.value?.key ?? null),
    pour(key: string, toG: number) {
      target.value = { key, toG, fromMs: performance.now() }
      shownG.value = 0
    },
    /** As far as it has come. */
    stop() {
      look()
      target.value = null
    },
    clear() {
      target.value = shownG.value = null
    },
  }
}
