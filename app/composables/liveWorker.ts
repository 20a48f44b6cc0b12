/** The live worker: begun while the page is still being fetched, where a formula is what is opened. */
let begun: Worker | null = null
const begin = () => new Worker(new URL('../workers/live.worker.ts', import.meta.url), { type: 'module' })

/** Begins it ahead of who will ask it. */
export function beginLiveWorker(): void {
  begun ??= begin()
}
/** The one that was begun, once; a new one after that. */
export function takeLiveWorker(): Worker {
  const worker = begun ?? begin()
  begun = null
  return worker
}
