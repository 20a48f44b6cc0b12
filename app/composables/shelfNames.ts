/** Names of all that is on the shelf, page after page. */
import type { FormulaList } from '../../shared/schemas/wire'

/** Every formula's id and name; what cannot be read just now is left out. */
export async function shelfNames(): Promise<{ id: string, name: string }[]> {
  const all: { id: string, name: string }[] = []
  for (let after = ''; ;) {
    const page: FormulaList | null = await api<FormulaList>('/api/formulas', { query: after ? { after } : {} })
      .catch(() => null)
    all.push(...(page?.items ?? []).map(({ id, name }) => ({ id, name })))
    if (!page?.next) return all
    after = page.next
  }
}
