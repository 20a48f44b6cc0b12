/** The shelf, a page at a time, and which formula a first start should open. Nothing is computed here. */
import { isText } from '../../../shared/schemas/shape'
import { FAMILIES } from '#core/formula/document'
import type { FormulaList } from '../../../shared/schemas/wire'
import { FIRST_DEMO_ID } from '../../database/demo'
import { isThere, listFormulas } from '../../domain/formulas'
import { wantSummaries } from '../../domain/refresh'

const SEARCH_MOST = 120
const ORDERS = ['changed', 'trouble'] as const

export default defineEventHandler(async (event): Promise<FormulaList> => {
  const { after, search, eggs, family, order } = getQuery(event)
  const one = (value: unknown, path: string) => {
    if (value === undefined || (typeof value === 'string' && isText(value) && value.length <= 400)) return value
    throw problem(422, { path, code: 'unknownValue' })
  }
  const oneOf = <T extends string>(known: readonly T[], value: unknown, path: string): T | null => {
    const text = one(value, path)
    if (!text) return null
    if (!(known as readonly string[]).includes(text)) throw problem(422, { path, code: 'unknownValue' })
    return text as T
  }
  const { em, owner } = await useRequest(event)
  const cursor = one(after, 'after') ?? null
  const page = await listFormulas(em, owner, {
    after: cursor,
    search: (one(search, 'search') ?? '').slice(0, SEARCH_MOST),
    eggs: one(eggs, 'eggs') === '1',
    family: oneOf(FAMILIES, family, 'family'),
    troubleFirst: oneOf(ORDERS, order, 'order') === 'trouble',
  })
  wantSummaries(page.items.filter(i => i.stale).map(i => i.id))
  const firstId = cursor
    ? null
    : (await isThere(em, owner, FIRST_DEMO_ID))
        ? FIRST_DEMO_ID
        : (page.items[0]?.id ?? null)
  return { ...page, firstId }
})
