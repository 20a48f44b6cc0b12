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
const typed = ref(0)
const shown = computed(() => (typed.value > 0 ? typed.value : props.eachG))
function pour() {
  if (next.value === null) return
  props.batch.happen({ kind: 'poured', vessel: next.value, shownG: Math.round(shown.value * 10) / 10 })
  typed.value = 0
}
</script>

<template>
  <section class="pour" :data-poured="poured.length">
    <p class="target num">{{ $say('batch.pourTarget', { g: fmt.grams(eachG) }) }}</p>
    <template v-if="next !== null">
      <p class="which num">{{ $say('batch.into', { n: next, of: count }) }}</p>
      <QuantityField
        v-model="typed" kind="mass" show-label :label="$say('batch.typed')" :blank="fmt.fixed(eachG)"
      />
      <button type="button" class="act" @click="pour">{{ $say('batch.poured') }}</button>
    </template>
    <p v-else class="which">{{ $say('batch.pouredAll', { n: count }) }}</p>
    <ol v-if="poured.length" class="done num">
      <li v-for="e in poured" :key="e.id">
        {{ $say('batch.into', { n: e.vessel, of: count }) }}: {{ fmt.grams(e.shownG) }}
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
.act {
  min-height: 64px; padding: 0 1.6rem; background: var(--ink); color: var(--paper); font-size: 1.4rem; font-weight: 600;
  cursor: pointer;
}
.done { width: 100%; list-style: none; padding: 0; margin: 0.4rem 0 0; font-size: 1.1rem; }
.done button { min-height: 44px; padding: 0 0.6rem; }
</style>
