<script setup lang="ts">
/** One formula's batches by the version they were made from: which of them comes out as meant. */
import { byVersion } from '#core/book/versions'
import type { BatchItem } from '../../../shared/book'
import type { VersionList } from '../../../shared/schemas/wire'
import { say } from '~/words/say'

const props = defineProps<{ formulaId: string, items: readonly BatchItem[] }>()
const fmt = useFormat()
const versions = shallowRef<VersionList['items']>([])
watch(() => props.formulaId, async (id) => {
  // Without their names versions are told by the day of their first batch.
  versions.value = (await api<VersionList>(`/api/formulas/${id}/versions`).catch(() => null))?.items ?? []
}, { immediate: true })
const rows = computed(() => byVersion(props.items.map(i => ({
  versionId: i.versionId, asMeant: i.isDone ? (i.faults.length > 0 ? false : i.shown?.asMeant ?? null) : null,
}))))
function nameOf(id: string): string {
  const kept = versions.value.find(v => v.id === id)
  const first = props.items.findLast(i => i.versionId === id)
  return kept?.label || say('book.versionOf', { at: fmt.day(kept?.createdAt ?? first?.startedAt ?? '') })
}
/** So many of it must have been judged before it is called the best. */
const LEAST = 3
const best = computed(() => (rows.value.length > 1 && rows.value[0]!.judged >= LEAST ? rows.value[0]!.versionId : null))
</script>

<template>
  <section v-if="rows.length > 1" class="versions" data-versions>
    <h2>{{ $say('book.byVersion') }}</h2>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ $say('book.version') }}</th>
          <th scope="col">{{ $say('book.versionBatches') }}</th>
          <th scope="col">{{ $say('book.asMeant') }}</th>
          <th scope="col">{{ $say('book.versionAtLeast') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.versionId">
          <th scope="row">{{ nameOf(r.versionId) }} <b v-if="r.versionId === best">{{ $say('book.versionBest') }}</b></th>
          <td class="num">{{ r.batches }}</td>
          <td class="num">{{ $say('book.versionOfJudged', { n: r.asMeant, of: r.judged }) }}</td>
          <td class="num">{{ fmt.percent(r.atLeast) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="!best" class="soft">{{ $say('book.versionTooFew') }}</p>
  </section>
</template>

<style scoped>
h2 { font-size: 1.3rem; margin: 1.4rem 0 0.3rem; }
table { border-collapse: collapse; width: 100%; max-width: 46rem; }
th, td { text-align: left; padding: 0.4rem 0.8rem 0.4rem 0; border-bottom: 1px solid var(--hairline); font-weight: 400; }
thead th { color: var(--ink-soft); border-color: var(--ink); }
th b::before { content: "✓ "; }
</style>
