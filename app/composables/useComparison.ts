/** Other states of a formula: its versions, variants and what it came from, fetched when they are looked at. */
import { type Bench, benchOf } from '#core/formula/bench'
import type { Difference } from '#core/solve/compare'
import type { FormulaRecord, VersionItem, VersionList, VersionRecord } from '../../shared/schemas/wire'
import { say } from '~/words/say'

export interface Other {
  key: string
  name: string
  kind: 'version' | 'formula'
  id: string
  at: string | null
  /** What changed since the state before it. */
  changes: Difference[]
}
export interface Compared extends Other {
  doc: Bench
}

/** At most so many beside the formula itself. */
export const COMPARE_MOST = 2
const GHOSTS_MOST = 5

export function useComparison(formulaId: () => string) {
  const list = shallowRef<VersionList | null>(null)
  const failed = ref(false)
  const docs = shallowRef<Record<string, Bench>>({})
  const chosen = useKeptByTab<Record<string, string[]>>('lumbik:compare', {})
  const keys = computed(() => chosen.value[formulaId()] ?? [])

  const others = computed<Other[]>(() => {
    const l = list.value
    if (!l) return []
    const named: Other[] = l.items.map(v => ({
      key: `v:${v.id}`,
      name: v.label,
      kind: 'version',
      id: v.id,
      at: v.createdAt,
      changes: v.changes ?? [],
    }))
    const formulas = [...(l.origin ? [l.origin] : []), ...l.variants].map((f): Other => ({
      key: `f:${f.id}`,
      name: f.name,
      kind: 'formula',
      id: f.id,
      at: null,
      changes: [],
    }))
    return [...formulas, ...named]
  })
  const load = async (o: Other) => {
    if (docs.value[o.key]) return
    try {
      const { document } =
        o.kind === 'version'
          ? await api<VersionRecord>(`/api/versions/${o.id}`)
          : await api<FormulaRecord>(`/api/formulas/${o.id}`)
      docs.value = { ...docs.value, [o.key]: benchOf(document) }
    } catch {
      failed.value = true
    }
  }
  async function refresh() {
    try {
      list.value = await api<VersionList>(`/api/formulas/${formulaId()}/versions`)
      failed.value = false
    } catch {
      failed.value = true
    }
    for (const o of [...others.value.filter(x => keys.value.includes(x.key)), ...ghostOthers.value]) await load(o)
  }
  /** The next page of earlier states. */
  async function earlier() {
    const now = list.value
    if (!now?.next) return
    try {
      const page = await api<VersionList>(`/api/formulas/${formulaId()}/versions`, { query: { after: now.next } })
      const known = new Set(now.items.map(v => v.id))
      const items = [...now.items, ...page.items.filter(v => !known.has(v.id))].sort((a, b) =>
        b.createdAt.localeCompare(a.createdAt),
      )
      list.value = { ...now, items, next: page.next }
    } catch {
      failed.value = true
    }
  }
  /** Named states and other formulas of the same descent: what the map shows of itself. */
  const ghostOthers = computed(() => {
    const seen = new Set<string>()
    return others.value.filter(o => o.name && !seen.has(o.name) && !!seen.add(o.name)).slice(0, GHOSTS_MOST)
  })
  const ghosts = computed(() =>
    [
      ...ghostOthers.value,
      ...others.value.filter(o => keys.value.includes(o.key) && !ghostOthers.value.includes(o)),
    ].flatMap(o => (docs.value[o.key] ? [{ name: o.name || say('useComparison.anEarlierState'), doc: docs.value[o.key]! }] : [])),
  )
  const compared = computed<Compared[]>(() =>
    keys.value.flatMap((k) => {
      const o = others.value.find(x => x.key === k)
      return o && docs.value[k] ? [{ ...o, doc: docs.value[k] }] : []
    }),
  )
  async function toggle(o: Other) {
    const now = keys.value
    chosen.value = {
      ...chosen.value,
      [formulaId()]: now.includes(o.key) ? now.filter(k => k !== o.key) : [...now, o.key].slice(-COMPARE_MOST),
    }
    await load(o)
  }
  /** Names the state the server has. */
  async function nameIt(label: string): Promise<boolean> {
    try {
      await api<VersionItem>(`/api/formulas/${formulaId()}/versions`, { method: 'POST', body: { label } })
      await refresh()
      return true
    } catch {
      return false
    }
  }
  onMounted(refresh)
  return { list, others, docs, keys, compared, ghosts, failed, refresh, earlier, load, toggle, nameIt }
}
