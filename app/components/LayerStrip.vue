<script setup lang="ts">
/** The components of a dessert of several, from the top down: which one the stations work on, and how each stands. */
import type { Part } from '#core/pipeline/dessert'
import { partWords, ROLE_NAMES } from '~/words/layers'

const props = defineProps<{ parts: Part[], chosen: string }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
/** Whether a part is the topmost or the lowest of the vessel. */
const placeOf = (i: number, all: Part[]) =>
  i === 0 ? 'top' : all[i + 1]?.fromM !== undefined && all[i + 1]!.fromM !== null ? 'between' : 'bottom'
/** As they lie: the topmost first; what lies beside the vessel comes last. */
const rows = computed(() =>
  [...props.parts.filter(p => p.fromM !== null).toReversed(), ...props.parts.filter(p => p.fromM === null)].map(
    (p, i, all) => ({
      ...p,
      words: partWords(p, fmt, placeOf(i, all)),
      here: p.id === props.chosen,
      made: p.code !== null || p.problem !== null,
    }),
  ),
)
</script>

<template>
  <section class="layers no-print" :aria-label="$say('layerStrip.layersOfThisDessert')">
    <ol>
      <li v-for="r in rows" :key="r.id">
        <button
          v-if="r.made" type="button" class="layer" :aria-pressed="r.here" :data-layer="r.id" :data-mark="r.mark"
          @click="ws.turnTo(r.id)"
        >
          <b>{{ r.name || ROLE_NAMES[r.role] }}</b>
          <span class="what">{{ r.words.size }}</span>
          <span class="what" :class="{ blood: r.mark === 'stop' }">{{ r.words.state }}</span>
        </button>
        <p v-else class="layer laid">
          <b>{{ r.name || ROLE_NAMES[r.role] }}</b>
          <span class="what">{{ r.words.size }}</span>
        </p>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.layers { border-top: 1px solid var(--hairline); margin-top: 0.5rem; padding: 0.2rem 0 0; }
ol { list-style: none; margin: 0; padding: 0; display: flex; gap: 0; overflow-x: auto; }
li { flex: 1 0 9rem; border-right: 1px solid var(--hairline); }
li:last-child { border-right: 0; }
.layer {
  width: 100%; min-height: 60px; text-align: left; padding: 0.35rem 0.8rem; margin: 0; display: flex;
  flex-direction: column; justify-content: center; border-bottom: 3px solid transparent;
}
button.layer { cursor: pointer; }
button.layer[aria-pressed="true"] { border-bottom-color: var(--citron); background: #fffdf7; }
b { font-weight: 600; overflow-wrap: anywhere; }
.what { font-size: 0.9rem; color: var(--ink-soft); }
.blood { color: var(--blood); font-weight: 600; }
</style>
