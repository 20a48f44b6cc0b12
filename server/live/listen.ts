/** One connection of each server listens for changes, of all its kitchens; it comes back by itself. */
import pg from 'pg'
import { faultName } from '../database/away'

const AGAIN_MS = 1000
type Wake = () => void
const wakes = new Map<string, Set<Wake>>()

/** Calls when something of a kitchen was changed, or may have been. @returns how to stop */
export function onChange(kitchenId: string, wake: Wake): () => void {
  const mine = wakes.get(kitchenId) ?? new Set()
  wakes.set(kitchenId, mine.add(wake))
  return () => {
    mine.delete(wake)
    if (mine.size === 0) wakes.delete(kitchenId)
  }
}
const wakeAll = () => wakes.forEach(all => all.forEach(wake => wake()))

/** Begins to listen. @returns how to stop */
export function startListening(url: string): () => Promise<void> {
  let client: pg.Client | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let isOver = false
  const again = () => {
    client = null
    if (!isOver) timer = setTimeout(begin, AGAIN_MS).unref()
  }
  function begin() {
    const mine = new pg.Client({ connectionString: url, application_name: 'lumbik listens', keepAlive: true })
    client = mine
    mine.on('notification', ({ payload }) => wakes.get(payload ?? '')?.forEach(wake => wake()))
    mine.on('error', () => {})
    mine.on('end', () => client === mine && again())
    mine.connect().then(() => mine.query('listen lumbik_changes')).then(
      // What was said while nobody listened is read now.
      wakeAll,
      (error) => {
        if (!isOver) console.error(`Lumbik: it does not hear of changes (${faultName(error)})`)
        void mine.end().catch(() => {})
        if (client === mine) again()
      },
    )
  }
  begin()
  return async () => {
    isOver = true
    clearTimeout(timer)
    await client?.end().catch(() => {})
  }
}
