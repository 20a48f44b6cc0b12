/** What a long piece of work says of itself, in memory that both threads see: thousandths done, and whether to stop. */
export interface Watched { cells: SharedArrayBuffer }
export const watched = (): Watched => ({ cells: new SharedArrayBuffer(8) })
export const progressOf = ({ cells }: Watched): number => Atomics.load(new Int32Array(cells), 0) / 1000
export const stopWork = ({ cells }: Watched): void => void Atomics.store(new Int32Array(cells), 1, 1)
/** What a piece of work says that was stopped. */
export const STOPPED = 'stopped'

/** Says how far it is, 0–1. @throws where it is to stop */
export function saysHowFar({ cells }: Watched, share: number): void {
  const at = new Int32Array(cells)
  Atomics.store(at, 0, Math.round(1000 * share))
  if (Atomics.load(at, 1) === 1) throw new Error(STOPPED)
}
/** Runs to the end, saying how far it is; a stopped one throws. */
export function watchedRun<T>(run: Generator<number, T>, watch: Watched): T {
  for (;;) {
    const step = run.next()
    if (step.done) return step.value
    saysHowFar(watch, step.value)
  }
}
