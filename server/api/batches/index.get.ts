/** The Book, a page at a time. */
import { FAULTS } from '#core/book/outcome'
import { isText, isUuid } from '../../../shared/schemas/shape'
import { listBatches } from '../../domain/book'

const SEARCH_MOST = 120

export default defineEventHandler(async (event) => {
  const query = getQuery(event)
  const one = (path: string): string | null => {
    const value = query[path]
    if (value === undefined || value === '') return null
    if (typeof value === 'string' && isText(value) && value.length <= 400) return value
    throw problem(422, { path, code: 'unknownValue' })
  }
  const known = (path: string, ok: (v: string) => boolean) => {
    const value = one(path)
    if (value !== null && !ok(value)) throw problem(422, { path, code: 'unknownValue' })
    return value
  }
  const { em, owner } = await useRequest(event)
  return listBatches(em, owner, {
    after: one('after'),
    search: (one('search') ?? '').slice(0, SEARCH_MOST),
    fault: known('fault', v => (FAULTS as readonly string[]).includes(v)),
    lot: known('lot', isUuid),
    formulaId: known('formula', isUuid),
    by: known('by', isUuid),
    going: one('going') === '1',
  })
})
