<script setup lang="ts">
/** A logger's CSV: which column is the time, which the temperature; remembered for the next file. */
import { isValid, parse, parseISO } from 'date-fns'
import Papa from 'papaparse'
import { group, say } from '~/words/say'

const props = defineProps<{ batch: LiveBatch, fromS: number }>()
const CHANNELS = group<Record<'core' | 'air' | 'pot', string>>('batch.CHANNELS')
const kept = useKept<{ time: string, value: string, channel: 'core' | 'air' | 'pot' }>('lumbik:csv-columns', {
  time: '', value: '', channel: 'core',
})
const rows = shallowRef<Record<string, string>[]>([])
const columns = computed(() => Object.keys(rows.value[0] ?? {}))
async function onFile(event: Event) {
  const [file] = (event.target as HTMLInputElement).files ?? []
  if (!file) return
  taken.value = null
  rows.value = Papa.parse<Record<string, string>>(await file.text(), { header: true, skipEmptyLines: 'greedy' }).data
  // A column that was chosen before and is not in this file is asked for again.
  const known = (name: string, at: number) => (columns.value.includes(name) ? name : columns.value[at] ?? '')
  kept.value = { ...kept.value, time: known(kept.value.time, 0), value: known(kept.value.value, 1) }
}
/** A time as loggers write it: ISO, a day and a clock, or plain seconds. */
const FORMATS = ['yyyy-MM-dd HH:mm:ss', 'yyyy-MM-dd HH:mm', 'dd/MM/yyyy HH:mm:ss', 'dd/MM/yyyy HH:mm', 'dd.MM.yyyy HH:mm']
function secondsOf(text: string): number | null {
  if (/^\d+([.,]\d+)?$/.test(text)) return Number(text.replace(',', '.'))
  const all = [parseISO(text), ...FORMATS.map(f => parse(text, f, new Date(0)))]
  const date = all.find(isValid)
  return date ? date.getTime() / 1000 : null
}
/** Pairs of seconds from the first row and value, in order. */
const pairs = computed(() => {
  const read = rows.value.flatMap((r) => {
    const of = (column: string) => (r[column] ?? '').trim()
    const [s, value] = [secondsOf(of(kept.value.time)), Number(of(kept.value.value).replace(',', '.') || NaN)]
    return s === null || !Number.isFinite(value) ? [] : [{ s, value }]
  }).sort((a, b) => a.s - b.s)
  const first = read[0]?.s ?? 0
  return read.map(x => ({ s: x.s - first, value: x.value })).filter((x, i, all) => i === 0 || x.s > all[i - 1]!.s)
})
const taken = ref<number | null>(null)
/** So many at a time: a request has a size. */
const AT_ONCE = 900
async function take() {
  let added = 0
  for (let i = 0; i < pairs.value.length; i += AT_ONCE) {
    const part = pairs.value.slice(i, i + AT_ONCE)
    const deviceId = kept.value.channel === 'pot' ? 'probe' : 'logger'
    const [timeS, values] = [part.map(x => props.fromS + x.s), part.map(x => x.value)]
    const said = await api<{ added: number }>(`/api/batches/${props.batch.id}/readings`, {
      method: 'POST', body: { series: [{ deviceId, channel: kept.value.channel, timeS, values }] },
    })
    added += said.added
  }
  taken.value = added
  rows.value = []
  await props.batch.load()
}
</script>

<template>
  <details class="import no-print">
    <summary>{{ $say('batch.importCsv') }}</summary>
    <p class="soft">{{ $say('batch.csvFrom') }}</p>
    <input type="file" accept=".csv,text/csv,text/plain" :aria-label="$say('batch.importCsv')" @change="onFile">
    <div v-if="columns.length" class="map">
      <label>
        <span class="field-label">{{ $say('batch.csvTime') }}</span>
        <select v-model="kept.time" class="native"><option v-for="c in columns" :key="c">{{ c }}</option></select>
      </label>
      <label>
        <span class="field-label">{{ $say('batch.csvValue') }}</span>
        <select v-model="kept.value" class="native"><option v-for="c in columns" :key="c">{{ c }}</option></select>
      </label>
      <label>
        <span class="field-label">{{ $say('batch.csvChannel') }}</span>
        <select v-model="kept.channel" class="native">
          <option v-for="(n, c) in CHANNELS" :key="c" :value="c">{{ n }}</option>
        </select>
      </label>
      <button v-if="pairs.length" type="button" class="take" @click="take">
        {{ $say('batch.csvTake', { n: pairs.length }) }}
      </button>
      <p v-else class="wrong" role="alert">{{ $say('batch.csvNone') }}</p>
    </div>
    <p v-if="taken !== null" role="status">{{ say('batch.csvTaken', { n: taken }) }}</p>
  </details>
</template>

<style scoped>
summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; }
p { margin: 0.2rem 0; }
input[type="file"] { min-height: 44px; max-width: 100%; }
.map { display: flex; flex-wrap: wrap; gap: 0.6rem 1.4rem; align-items: end; }
.take { min-height: 48px; padding: 0 1.2rem; border: 1.5px solid var(--ink); font-weight: 600; cursor: pointer; }
</style>
