<script setup lang="ts">
/** A batch's name, its clock, what of it waits to be sent, and its views; a demonstration's clock and flame. */
import type { BatchItem, BookPage } from '../../../shared/book'
import { clockWords, EVENT_WORDS, VIEW_NAMES } from '~/words/batch'
import { say } from '~/words/say'

const props = defineProps<{ batch: LiveBatch, view: string, views: readonly (keyof typeof VIEW_NAMES)[] }>()
const fmt = useFormat()
const whole = computed(() => props.batch.whole.value!)
const record = computed(() => props.batch.record.value!)
const begun = computed(() => say('batch.started', { at: fmt.clock(record.value.startedAt), by: whole.value.by }))
const isDemo = computed(() => whole.value.weights !== null)
const SPEEDS = [1, 5, 20, 60]
const POWERS = [0.5, 0.75, 1, 1.25]
/* What else is being made: two batches at once are two presses apart. */
const others = shallowRef<BatchItem[]>([])
async function lookAround() {
  const { items } = await api<BookPage>('/api/batches', { query: { going: '1' } }).catch(() => ({ items: [] as BatchItem[] }))
  others.value = items.filter(i => i.id !== props.batch.id).slice(0, 4)
}
void lookAround()
useIntervalFn(() => { if (document.visibilityState === 'visible') void lookAround() }, 20_000)
const waits = computed(() => props.batch.pending.value.length)
/* What is answered at once is not told: a line that comes and goes would move a button from under a finger. */
const TOLD_AFTER_MS = 2000
const toldWaits = ref(false)
const soon = useTimeoutFn(() => { toldWaits.value = waits.value > 0 }, TOLD_AFTER_MS, { immediate: false })
watch(() => waits.value > 0, (some) => {
  if (some) return soon.start()
  soon.stop()
  toldWaits.value = false
}, { immediate: true })
</script>

<template>
  <header class="head">
    <div class="who">
      <h1 dir="auto">{{ record.formula.name }}</h1>
      <p class="soft">
        <span v-if="record.simulated" class="mark" data-simulated>{{ $say('batch.simulated') }}</span>
        {{ begun }}<span v-if="!whole.isDone" class="num" data-clock>
          · {{ $say('batch.clockAt', { at: clockWords(batch.nowS.value) }) }}
        </span>
        <OthersHere :id="batch.id" kind="batch" class="no-print" />
        <template v-if="record.kitchen.learned"> · {{ $say('learned.usesSet') }}</template>
      </p>
    </div>
    <nav v-if="views.length > 1" class="choices no-print" :aria-label="$say('batch.title', { name: record.formula.name })">
      <NuxtLink
        v-for="v in views" :key="v" :to="`/batch/${batch.id}/${v}`"
        :class="{ on: v === view }" :aria-current="v === view ? 'page' : undefined" replace
      >
        {{ VIEW_NAMES[v] }}
      </NuxtLink>
    </nav>
    <p v-if="others.length" class="others no-print" data-others>
      {{ $say('batch.alsoMade') }}
      <NuxtLink v-for="o in others" :key="o.id" class="underline" :to="`/batch/${o.id}/cook`" dir="auto">
        {{ o.name }}
      </NuxtLink>
    </p>
    <p v-if="batch.failed.value || !batch.connected.value && toldWaits" class="away" role="status">
      {{ $say('batch.away') }}
    </p>
    <p v-if="toldWaits" class="away" role="status" data-unsent>{{ $say('batch.unsent', { n: waits }) }}</p>
    <p v-for="r in batch.refused.value" :key="r.event.id" class="away" role="alert">
      {{ $say('batch.refused', { code: r.code, what: EVENT_WORDS[r.event.happened.kind] }) }}
    </p>
    <div v-if="isDemo && view === 'cook'" class="demo no-print">
      <div class="choices" role="group" :aria-label="$say('batch.speed')">
        <span class="field-label">{{ $say('batch.speed') }}</span>
        <button
          v-for="s in SPEEDS" :key="s" type="button" :aria-pressed="batch.clock.value.speed === s"
          @click="batch.setClock({ speed: s })"
        >
          {{ $say('batch.times', { n: s }) }}
        </button>
      </div>
      <div class="choices" role="group" :aria-label="$say('batch.flame')">
        <span class="field-label">{{ $say('batch.flame') }}</span>
        <button
          v-for="p in POWERS" :key="p" type="button" :aria-pressed="whole.power === p"
          @click="batch.setClock({ power: p })"
        >
          {{ $say('batch.flameAt', { n: fmt.fixed(100 * p) }) }}
        </button>
      </div>
      <button type="button" class="underline skip" @click="batch.setClock({ skipS: 3600 })">
        {{ $say('batch.skipTo') }}
      </button>
    </div>
  </header>
</template>

<style scoped>
.head {
  display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0.2rem 1.5rem; align-items: end;
  border-bottom: 1px solid var(--hairline); padding-bottom: 0.4rem; margin-bottom: 0.9rem;
}
h1 { font-size: 1.7rem; margin: 0; overflow-wrap: anywhere; }
.who p { margin: 0; }
.mark { border: 1.5px solid var(--cold-deep); color: var(--cold-deep); padding: 0 0.4rem; font-weight: 600; }
nav.choices { border: 0; }
nav a {
  min-height: 44px; display: inline-flex; align-items: center; color: var(--ink-soft);
  border-bottom: 3px solid transparent;
}
nav a.on { color: var(--ink); font-weight: 600; border-color: var(--citron); box-shadow: inset 0 -1px 0 var(--ink); }
.away { grid-column: 1 / -1; color: var(--blood); font-weight: 600; margin: 0; }
p.others { grid-column: 1 / -1; display: flex; flex-wrap: wrap; gap: 0 1rem; align-items: center; margin: 0; }
.others a { min-height: 44px; display: inline-flex; align-items: center; }
.demo { grid-column: 1 / -1; display: flex; flex-wrap: wrap; gap: 0 1rem; align-items: center; }
.demo .field-label { margin: 0; }
.demo .choices { border: 0; align-items: center; flex-wrap: nowrap; }
.skip { min-height: 44px; }
@media (max-width: 760px) {
  .head { grid-template-columns: minmax(0, 1fr); }
  h1 { font-size: 1.35rem; }
  .demo .choices { gap: 0 0.7rem; }
}
</style>
