/** Fetches beforehand what work needs without a server: every formula, the week's days, what is being made. */
import { addDays, format } from 'date-fns'
import type { BookPage } from '../../shared/book'
import type { FormulaList, FormulaRecord } from '../../shared/schemas/wire'
import { keptAnswer } from './kept'

/** One after another, with a rest between: nobody waits for these. */
const REST_MS = 120
const DAYS_AHEAD = 7
const rest = () => new Promise(resolve => setTimeout(resolve, REST_MS))

/** Whether this device holds the app's own files: only then there is any use in it. */
export const isInstalled = (): boolean => navigator.serviceWorker?.controller != null

export async function stockUp(may: (right: 'make') => boolean): Promise<void> {
  if (!isInstalled()) return
  const get = <T>(url: string) => rest().then(() => api<T>(url))
  const { items } = await get<BookPage>('/api/batches?going=1')
  for (const { id } of items) await get(`/api/batches/${id}`)
  await get('/api/batches')
  await get('/api/devices')
  document.documentElement.dataset.stocked = may('make') ? 'going' : 'all'
  if (!may('make')) return
  const list = await get<FormulaList>('/api/formulas')
  for (const { id, version } of list.items) {
    const kept = await keptAnswer(`/api/formulas/${id}`) as FormulaRecord | undefined
    if (kept?.version !== version) await get(`/api/formulas/${id}`)
  }
  for (let i = -1; i < DAYS_AHEAD; i++) await get(`/api/days/${format(addDays(new Date(), i), 'yyyy-MM-dd')}`)
  document.documentElement.dataset.stocked = 'all'
}
