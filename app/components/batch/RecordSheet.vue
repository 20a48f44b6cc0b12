<script setup lang="ts">
/**
 * The record of a batch, for a folder or an inspector: cook and cooling temperatures with their times and limits, who,
 * and every correction.
 */
import { coolingOf } from '#core/book/cooling'
import { type BatchEvent, type Happened, holding } from '#core/book/record'
import { type Bench, fillingOf } from '#core/formula/bench'
import { saveFile } from '~/composables/formulaFile'
import { readingsCsv } from '~/composables/bookFiles'
import { clockWords, EVENT_WORDS, FAULT_NAMES, stageWords } from '~/words/batch'
import { FOOD_CODES, PLACE_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ batch: LiveBatch, bench: Bench }>()
const fmt = useFormat()
const door = useDoorStore()
const record = computed(() => props.batch.record.value!)
const held = computed(() => holding(record.value.events))
const lineName = (id: string) => {
  const line = fillingOf(props.bench).lines.find(l => l.id === id)
  return line ? fmt.name(line.ingredientId) : id
}
const legName = (id: string) => {
  const leg = props.bench.chill.find(l => l.id === id)
  return leg ? record.value.kitchen.places.find(p => p.id === leg.placeId)?.name ?? PLACE_NAMES[leg.place.kind] : id
}
/** A figure that was measured, with its unit. */
const METERS = {
  pH: (v: number) => `pH ${fmt.fixed(v, 2)}`,
  brix: (v: number) => `°Brix ${fmt.fixed(v, 1)}`,
  overrun: (v: number) => `${say('batch.recordOverrun')} ${fmt.fixed(v)} %`,
}
/** What an event says beside its kind. */
function figureOf(e: Happened): string {
  switch (e.kind) {
    case 'added': return `${lineName(e.lineId)}${e.shownG === null ? '' : ` ${fmt.grams(e.shownG)}`}`
    case 'panWeighed': case 'leftBehind': return fmt.grams(e.shownG)
    case 'poured': return `${e.vessel}: ${e.shownG === null ? say('batch.byEye') : fmt.grams(e.shownG)}`
    case 'movedTo': return legName(e.legId)
    case 'measured': return `${METERS[e.what](e.value)}${e.lineId ? ` ${lineName(e.lineId)}` : ''}`
    case 'outcome': return e.outcome.faults.map(f => FAULT_NAMES[f]).join(', ') || say('book.asMeant')
    case 'note': return props.batch.texts.value.get(e.textId) ?? say('batch.redacted')
    default: return ''
  }
}
/** Who wrote it: in a kitchen of several hands that is not always who began. */
const writer = (e: BatchEvent) => (e.actorId === 'me' ? door.me?.name : props.batch.whole.value!.names[e.actorId]) ?? ''
/** Steps that were ticked tell nothing that is not told elsewhere. */
const SILENT: readonly Happened['kind'][] = ['stepDone', 'stepSkipped', 'stepReopened', 'started']
const rows = computed(() => [...record.value.events]
  .filter(e => !SILENT.includes(e.kind))
  .sort((a, b) => a.atS - b.atS)
  .map(e => ({
    e,
    figure: e.kind === 'corrected' ? correction(e) : figureOf(e),
    isHeld: e.kind === 'corrected' || held.value.some(h => sameAs(h, e)),
  })))
const sameAs = (a: BatchEvent, b: BatchEvent) => JSON.stringify(a) === JSON.stringify(b)
function correction(e: Extract<BatchEvent, { kind: 'corrected' }>): string {
  const of = record.value.events.find(x => x.id === e.eventId)
  return say('batch.recordCorrects', {
    what: of ? EVENT_WORDS[of.kind] : '',
    at: of ? fmt.clock(record.value.startedAt, of.atS) : '',
    instead: e.instead === null ? say('batch.recordNothing') : `${EVENT_WORDS[e.instead.kind]} ${figureOf(e.instead)}`,
    why: e.whyId ? props.batch.texts.value.get(e.whyId) ?? say('batch.redacted') : '–',
  })
}

/* Temperatures with their times, against the code. */
const of = (channel: 'pot' | 'core', deviceId?: string) =>
  record.value.readings.find(s => s.channel === channel && (!deviceId || s.deviceId === deviceId))
const hottest = computed(() => {
  const s = of('pot') ?? of('core', 'probe')
  if (!s) return null
  const most = Math.max(...s.values.filter(v => v !== null))
  return { c: most, atS: s.timeS[s.values.indexOf(most)]! }
})
const cooling = computed(() => coolingOf(record.value, lastS.value))
/** When the last of it happened or was read: what is judged is judged as of then. */
const lastS = computed(() => props.batch.whole.value!.isDone
  ? Math.max(0, ...record.value.events.map(e => e.atS), ...record.value.readings.map(r => r.timeS.at(-1) ?? 0))
  : props.batch.nowS.value)
const print = () => window.print()
const json = () => saveFile(record.value.formula.name, 'batch.json', JSON.stringify(record.value, null, 1), 'application/json')
const csv = () => saveFile(record.value.formula.name, 'readings.csv', readingsCsv(record.value), 'text/csv')
/** What can be taken back of an event: its words, or its picture. */
function ownOf(e: BatchEvent): string | null {
  if (!door.may('write')) return null
  if (e.kind === 'photo') return gone.value.has(e.photoId) ? null : `/api/photos/${e.photoId}`
  const id = e.kind === 'note' ? e.textId : e.kind === 'corrected' ? e.whyId : null
  return id !== null && props.batch.texts.value.get(id) ? `/api/texts/${id}` : null
}
/** Pictures that are not there any more. */
const gone = ref(new Set<string>())
async function redact(e: BatchEvent) {
  await api(ownOf(e)!, { method: 'DELETE' })
  if (e.kind === 'photo') gone.value.add(e.photoId)
  await props.batch.load()
}
</script>

<template>
  <article class="record" data-record>
    <div class="acts no-print">
      <UButton :label="$say('batch.print')" @click="print" />
      <UButton variant="outline" color="neutral" :label="$say('batch.asJson')" @click="json" />
      <UButton variant="outline" color="neutral" :label="$say('batch.asCsv')" @click="csv" />
    </div>
    <h2>{{ $say('batch.recordTitle') }}</h2>
    <p>
      {{ $say('batch.recordOf', { name: record.formula.name, at: `${fmt.day(record.startedAt)} ${fmt.clock(record.startedAt)}`, by: batch.whole.value!.by }) }}
      <b v-if="record.simulated">({{ $say('batch.simulated') }})</b>
    </p>
    <p class="soft">
      {{ $say('batch.recordLimits', { code: FOOD_CODES[record.kitchen.foodCode] }) }} {{ $say('batch.defer') }}
    </p>
    <h3>{{ $say('batch.temperatures') }}</h3>
    <table>
      <tbody>
        <tr v-if="hottest">
          <th scope="row">{{ $say('batch.highest') }}</th>
          <td class="num">{{ fmt.temp(hottest.c, 1) }}</td>
          <td class="num">{{ fmt.clock(record.startedAt, hottest.atS) }}</td>
          <td />
        </tr>
        <tr v-for="s in cooling" :key="s.toC" :class="{ bad: s.state === 'missed' || s.state === 'unmeasured' }" :data-stage="s.state">
          <th scope="row">{{ $say('batch.inMiddle') }}</th>
          <td class="num">{{ fmt.temp(s.toC) }}</td>
          <td class="num">{{ s.takesS === null ? '–' : clockWords(s.takesS) }}</td>
          <td>
            {{ stageWords(s, record.startedAt, fmt) }}
            <span class="soft num">({{ clockWords(s.withinS) }})</span>
          </td>
        </tr>
      </tbody>
    </table>
    <h3>{{ $say('batch.recordWhat') }}</h3>
    <table>
      <thead>
        <tr>
          <th>{{ $say('batch.recordTime') }}</th><th>{{ $say('batch.recordWhat') }}</th>
          <th>{{ $say('batch.recordFigure') }}</th><th>{{ $say('batch.recordWho') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ e, figure, isHeld } in rows" :key="e.id" :class="{ gone: !isHeld }">
          <td class="num">{{ fmt.clock(record.startedAt, e.atS) }}</td>
          <td>{{ EVENT_WORDS[e.kind] }}</td>
          <td dir="auto">
            {{ figure }}
            <img
              v-if="e.kind === 'photo' && !gone.has(e.photoId)" :src="`/api/photos/${e.photoId}`" :alt="$say('batch.photo')"
              class="picture" @error="gone.add(e.photoId)"
            >
            <template v-else-if="e.kind === 'photo'">{{ $say('batch.redacted') }}</template>
            <button v-if="ownOf(e)" type="button" class="underline no-print" @click="redact(e)">
              {{ e.kind === 'photo' ? $say('batch.redactPhoto') : $say('batch.redact') }}
            </button>
          </td>
          <td dir="auto">{{ writer(e) }}</td>
        </tr>
      </tbody>
    </table>
  </article>
</template>

<style scoped>
.acts { display: flex; flex-wrap: wrap; gap: 0.6rem; margin-bottom: 0.8rem; }
h2 { font-size: 1.6rem; margin: 0; } h3 { font-size: 1.2rem; margin: 1rem 0 0.2rem; }
p { margin: 0.1rem 0; }
table { border-collapse: collapse; width: 100%; }
th, td { text-align: left; padding: 0.3rem 0.8rem 0.3rem 0; border-bottom: 1px solid var(--hairline); font-weight: 400; vertical-align: top; }
thead th { color: var(--ink-soft); border-color: var(--ink); }
.picture { max-width: 14rem; max-height: 14rem; display: block; }
.gone td { text-decoration: line-through; color: var(--ink-soft); }
.bad { color: var(--blood); font-weight: 600; }
@media print { th, td { padding: 0.5mm 3mm 0.5mm 0; font-size: 11pt; } }
</style>
