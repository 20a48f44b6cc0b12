<script setup lang="ts">
/** What was foretold of a batch beside what was measured, and the difference in words. */
import type { BatchShown } from '../../../shared/book'
import { besideName, differenceWords, figureWords } from '~/words/batch'

const props = defineProps<{ batch: LiveBatch }>()
const fmt = useFormat()
/** Worked out by the server a moment after the outcome was written down. */
const shown = shallowRef<BatchShown | null>(props.batch.whole.value?.shown ?? null)
const head = computed(() => props.batch.events.value.length)
const { pause } = useIntervalFn(async () => {
  await props.batch.load()
  const now = props.batch.whole.value?.shown ?? null
  if (now) {
    shown.value = now
    pause()
  }
}, 1500, { immediate: shown.value === null })
watch(head, () => { shown.value = props.batch.whole.value?.shown ?? shown.value })
</script>

<template>
  <section v-if="shown" class="beside" data-beside>
    <h2>{{ $say('batch.beside') }}</h2>
    <p v-if="shown.beside.length === 0" class="soft">{{ $say('batch.besideNone') }}</p>
    <table v-else>
      <thead>
        <tr>
          <td /><th>{{ $say('batch.predicted') }}</th><th>{{ $say('batch.measured') }}</th><td />
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in shown.beside" :key="b.id">
          <th scope="row">{{ besideName(b.id) }}</th>
          <td class="num" :data-label="$say('batch.predicted')">{{ figureWords(b.predicted, b.unit, fmt) }}</td>
          <td class="num" :data-label="$say('batch.measured')">{{ figureWords(b.measured, b.unit, fmt) }}</td>
          <td>{{ differenceWords(b) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h2 { font-size: 1.35rem; margin: 1.2rem 0 0.3rem; }
table { border-collapse: collapse; width: 100%; max-width: 46rem; }
th, td { text-align: left; padding: 0.35rem 0.8rem 0.35rem 0; border-bottom: 1px solid var(--hairline); font-weight: 400; }
thead th { color: var(--ink-soft); border-color: var(--ink); }
td.num { white-space: nowrap; }
@media (max-width: 760px) {
  thead { display: none; }
  table, tbody, tr, th, td { display: block; }
  tr { border-bottom: 1px solid var(--hairline); padding: 0.3rem 0; }
  th, td { border: 0; padding: 0.05rem 0; }
  th { font-weight: 600; }
  td[data-label]::before { content: attr(data-label) " "; color: var(--ink-soft); }
}
</style>
