<script setup lang="ts">
/** Pouring by the scale, one vessel after the other. */
import { eventsOf } from '#core/book/record'

const props = defineProps<{ batch: LiveBatch, count: number, eachG: number }>()
const fmt = useFormat()
const poured = computed(() => eventsOf(props.batch.events.value, 'poured'))
/** The first vessel that nothing was poured into. */
const next = computed(() => {
  const done = new Set(poured.value.map(e => e.vessel))
  return Array.from({ length: props.count }, (_, i) => i + 1).find(n => !done.has(n)) ?? null
})
const typed = ref<number | null>(null)
/* In a demonstration the scale runs as it is poured; it is poured to the target, as well as a hand can. */
const isDemo = computed(() => props.batch.whole.value?.weights !== null)
const scale = useRunningScale()
watch(scale.shownG, (g) => { if (g !== null) typed.value = g })
/** By what the scale showed, or by eye: what nobody weighed is not written down as weighed. */
function pour(shownG: number | null) {
  if (next.value === null) return
  props.batch.happen({ kind: 'poured', vessel: next.value, shownG })
  scale.clear()
  typed.value = null
}
</script>

<template>
  <section class="pour" :data-poured="poured.length">
    <p class="target num">{{ $say('batch.pourTarget', { g: fmt.grams(eachG) }) }}</p>
    <template v-if="next !== null">
      <p class="which num">{{ $say('batch.into', { n: next, of: count }) }}</p>
      <button
        v-if="isDemo" type="button" class="flat" :data-pour="scale.isRunning.value ? 'runs' : 'rests'"
        @click="scale.isRunning.value ? scale.stop() : scale.pour('vessel', Math.round(eachG))"
      >
        {{ scale.isRunning.value ? $say('batch.pourStop') : $say('batch.pour') }}
      </button>
      <FigureField v-model="typed" :label="$say('batch.typed')" unit="g" :min="0" :max="200000" />
      <button type="button" class="press" :disabled="typed === null" data-poured-by-scale @click="pour(typed)">
        {{ $say('batch.poured') }}
      </button>
      <button type="button" class="flat" data-poured-by-eye @click="pour(null)">{{ $say('batch.pouredByEye') }}</button>
    </template>
    <p v-else class="which">{{ $say('batch.pouredAll', { n: count }) }}</p>
    <ol v-if="poured.length" class="done num">
      <li v-for="e in poured" :key="e.id">
        {{ $say('batch.into', { n: e.vessel, of: count }) }}: {{ e.shownG === null ? $say('batch.byEye') : fmt.grams(e.shownG) }}
        <button type="button" class="underline" @click="batch.correct(e.id, null)">{{ $say('batch.takeBack') }}</button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.pour { display: flex; flex-wrap: wrap; gap: 0.6rem 2rem; align-items: end; }
p { margin: 0; }
.target { width: 100%; font-size: 1.3rem; }
.which { font-family: var(--font-display); font-size: 2rem; }
.done { width: 100%; list-style: none; padding: 0; margin: 0.4rem 0 0; font-size: 1.1rem; }
.done button { min-height: 44px; padding: 0 0.6rem; }
</style>
