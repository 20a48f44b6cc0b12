/**
 * The shelf, page by page: searched, refreshed when the tab comes to the front, and asked again while some of it is
 * being worked out.
 */
import type { Family } from '#core/formula/document'
import type { FormulaList, FormulaListItem } from '../../shared/schemas/wire'

interface Page {
  after: string | null
  items: FormulaListItem[]
  next: string | null
}
const SEARCH_MS = 200
const AGAIN_MS = 700

export function useShelf() {
  const pages = shallowRef<Page[] | null>(null)
  const total = ref<number | null>(null)
  const failed = ref(false)
  const search = ref('')
  /** Only one kind of dessert; what is in trouble first: kept in this browser. */
  const family = useKept<Family | ''>('lumbik:shelf-kind', '')
  const troubleFirst = useKept<boolean>('lumbik:shelf-trouble', false)
  /** What the rows shown were searched by. */
  const found = ref('')
  const asking = () => JSON.stringify([search.value.trim(), family.value, troubleFirst.value])
  let shownFor = asking()
  const loadingMore = ref(false)
  let asked = 0
  const items = computed<FormulaListItem[] | null>(() => {
    if (!pages.value) return null
    const seen = new Set<string>()
    return pages.value.flatMap(p => p.items).filter(i => !seen.has(i.id) && !!seen.add(i.id))
  })
  /** Whether all that is shown belongs to what is stored. */
  const fresh = computed(() => items.value !== null && !items.value.some(i => i.stale))

  const fetchPage = async (after: string | null, text: string) => {
    const list = await api<FormulaList>('/api/formulas', {
      query: {
        ...(after ? { after } : {}),
        ...(text ? { search: text } : {}),
        ...(family.value ? { family: family.value } : {}),
        ...(troubleFirst.value ? { order: 'trouble' } : {}),
      },
    })
    return { list, page: { after, items: list.items, next: list.next } }
  }
  const loadSoon = useDebounceFn(() => void load(), AGAIN_MS)
  const heard = onNote(({ kind }) => { if (kind === 'formula' && pages.value) void loadSoon() })
  onScopeDispose(heard.off)
  /** Reads the shelf anew, as far as it was read. A late answer never replaces a newer one. */
  async function load() {
    const id = ++asked
    const text = search.value.trim()
    const key = asking()
    const reach = key === shownFor ? (pages.value?.length ?? 1) : 1
    try {
      const fetched: Page[] = []
      let after: string | null = null
      for (let i = 0; i < reach; i++) {
        const { list, page } = await fetchPage(after, text)
        if (id !== asked) return
        if (i === 0) total.value = list.total
        fetched.push(page)
        after = list.next
        if (!after) break
      }
      pages.value = fetched
      found.value = text
      shownFor = key
      failed.value = false
      again()
    } catch {
      if (id === asked) failed.value = true
    }
  }
  async function more() {
    const last = pages.value?.at(-1)
    if (!last?.next || loadingMore.value) return
    loadingMore.value = true
    const id = asked
    try {
      const { page } = await fetchPage(last.next, found.value)
      if (id === asked && pages.value) pages.value = [...pages.value, page]
      again()
    } catch {
      failed.value = true
    } finally {
      loadingMore.value = false
    }
  }
  const soon = useTimeoutFn(() => void refreshStale(), AGAIN_MS, { immediate: false })
  /** What is being worked out is asked for again, where it stands; rows do not move for it. */
  function again() {
    soon.stop()
    if (!fresh.value) soon.start()
  }
  async function refreshStale() {
    const id = asked
    for (const [n, page] of (pages.value ?? []).entries()) {
      if (!page.items.some(i => i.stale)) continue
      try {
        const { list } = await fetchPage(page.after, found.value)
        if (id !== asked || !pages.value) return
        const now = new Map(list.items.map(i => [i.id, i]))
        pages.value = pages.value.map((p, i) =>
          i === n ? { ...p, items: p.items.map(x => now.get(x.id) ?? { ...x, stale: false }) } : p,
        )
      } catch {
        break
      }
    }
    again()
  }
  function without(id: string) {
    pages.value = pages.value?.map(p => ({ ...p, items: p.items.filter(i => i.id !== id) })) ?? null
    if (total.value !== null) total.value--
  }
  watchDebounced(search, load, { debounce: SEARCH_MS })
  watch([family, troubleFirst], () => void load())
  useEventListener(document, 'visibilitychange', () => {
    if (document.visibilityState === 'visible') void load()
  })
  const back = onBack(() => void load())
  onScopeDispose(() => {
    asked++
    back.off()
  })
  return { items, total, failed, fresh, search, family, troubleFirst, found, loadingMore, load, more, without }
}
