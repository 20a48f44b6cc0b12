/** Work in steps, each of which says how far it is. */

/**
 * All of it at once. @param run yields the share that is done, 0–1
 * @example toEnd((function* () { yield 0.5; return 7 })()) // 7
 */
export function toEnd<T>(run: Generator<number, T>): T {
  for (;;) {
    const step = run.next()
    if (step.done) return step.value
  }
}
