<script setup lang="ts">
/** Lines of a step on the scale: what each is to weigh, what the scale shows, how much is left, and in it goes. */
import { eventsOf } from '#core/book/record'
import { silentS } from '~/composables/courses'
import { say } from '~/words/say'

const props = defineProps<{
  batch: LiveBatch
  lines: readonly { id: string, ingredientId: string, massG: number }[]
}>()
const fmt = useFormat()
const typed = ref<Record<string, number>>({})
/** What a scale that is connected shows now, g; null: none is, or it has been silent. */
const connected = computed(() => {
  const s = props.batch.record.value?.readings.find(r => r.channel === 'weight')
  return s && silentS(s, props.batch) === 0 ? s.values.at(-1) ?? null : null
})
/* The scale of a demonstration, one line after the other. */
const weights = computed(() => props.batch.whole.value?.weights ?? null)
const scale = useRunningScale()
const poured = ref<string | null>(null)
function pour(id: string) {
  poured.value = id
  scale.pour(id, weights.value![id] ?? 0)
}
const added = computed(() => eventsOf(props.batch.events.value, 'added'))
const inOf = (id: string) => added.value.filter(e => e.lineId === id)
const shownG = (l: { id: string }): number | null =>
  typed.value[l.id] ?? (weights.value ? (poured.value === l.id ? scale.shownG.value : null) : connected.value)
/** A gram, or half a hundredth, is what a kitchen scale can tell; of a pinch a twentieth. */
const slack = (massG: number) => (massG < 20 ? Math.max(0.1, 0.05 * massG) : Math.max(1, 0.005 * massG))
function how(l: { id: string, massG: number }): { words: string, state: 'under' | 'over' | 'on' } | null {
  const shown = shownG(l)
  if (shown === null) return null
  const off = shown - l.massG
  if (Math.abs(off) <= slack(l.massG)) return { words: say('batch.onTarget'), state: 'on' }
  return off < 0
    ? { words: say('batch.under', { g: fmt.grams(-off) }), state: 'under' }
    : { words: say('batch.over', { g: fmt.grams(off) }), state: 'over' }
}
function put(id: string, g: number | null) {
  if (scale.key.value === id) scale.stop()
  props.batch.happen({ kind: 'added', lineId: id, shownG: g })
}
</script>

<template>
  <ul class="lines">
    <li v-for="l in lines" :key="l.id" :class="{ is: inOf(l.id).length > 0 }" :data-line="l.id">
      <p class="name"><b class="num">{{ fmt.grams(l.massG) }}</b> {{ fmt.name(l.ingredientId) }}</p>
      <template v-if="inOf(l.id).length === 0">
        <p class="scale num" :class="how(l)?.state">
          <template v-if="shownG(l) !== null">
            {{ $say('batch.scaleShows') }} <b>{{ fmt.grams(shownG(l)!) }}</b>
            <span>{{ how(l)!.words }}</span>
          </template>
        </p>
        <button
          v-if="weights" type="button" class="flat" :data-pour="scale.key.value === l.id ? 'runs' : 'rests'"
          :aria-label="`${scale.key.value === l.id ? $say('batch.pourStop') : $say('batch.pour')} ${fmt.name(l.ingredientId)}`"
          @click="scale.key.value === l.id ? scale.stop() : pour(l.id)"
        >
          {{ scale.key.value === l.id ? $say('batch.pourStop') : $say('batch.pour') }}
        </button>
        <QuantityField
          v-else-if="connected === null" class="typed" :model-value="typed[l.id] ?? 0" kind="mass" show-label blank="–"
          :label="$say('batch.typed')" :ingredient-id="l.ingredientId"
          @update:model-value="v => { typed[l.id] = v }"
        />
        <div class="acts">
          <button type="button" class="press" :disabled="shownG(l) === null" data-in @click="put(l.id, shownG(l))">
            {{ $say('batch.itIsIn') }}
          </button>
          <button type="button" class="underline" @click="put(l.id, null)">{{ $say('batch.unweighed') }}</button>
        </div>
      </template>
      <template v-else>
        <p class="was">
          {{ inOf(l.id).map(e => e.shownG === null ? $say('batch.inUnweighed') : $say('batch.inBy', { g: fmt.grams(e.shownG) })).join('; ') }}
        </p>
        <button
          type="button" class="underline undo" :aria-label="`${$say('batch.takeBack')} ${fmt.name(l.ingredientId)}`"
          @click="batch.correct(inOf(l.id).at(-1)!.id, null)"
        >
          {{ $say('batch.takeBack') }}
        </button>
      </template>
    </li>
  </ul>
</template>

<style scoped>
.lines { list-style: none; margin: 0; padding: 0; border-top: 1.5px solid var(--ink); }
li {
  display: grid; grid-template-columns: minmax(10rem, 1.2fr) minmax(9rem, 1fr) 9rem auto; gap: 0.3rem 1.2rem;
  align-items: center; border-bottom: 1px solid var(--hairline); padding: 0.5rem 0; min-height: 64px;
}
p { margin: 0; }
.name { font-size: 1.35rem; }
.name b { font-family: var(--font-display); font-weight: 500; font-size: 1.7rem; }
.scale { font-size: 1.15rem; }
.scale b { font-family: var(--font-display); font-weight: 500; font-size: 1.5rem; }
.scale span { display: block; font-size: 1rem; }
.scale.over span { color: var(--blood); font-weight: 600; }
.acts { display: flex; gap: 1rem; align-items: center; }
.acts .underline, .undo { min-height: 44px; }
.is .name { color: var(--ink-soft); }
.was { grid-column: 2 / 4; font-size: 1.15rem; }
.was::before { content: "✓ "; }
@media (max-width: 900px) {
  li { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); }
  .acts { grid-column: 1 / -1; }
  .was { grid-column: 1; }
}
</style>
