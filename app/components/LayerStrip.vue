<script setup lang="ts">
/** The components of a dessert of several, from the top down: which one the stations work on, and how each stands. */
import type { Part } from '#core/pipeline/dessert'
import { movedLevel, withoutComponent } from '#core/formula/layers'
import { partWords, ROLE_NAMES } from '~/words/layers'

const props = defineProps<{ parts: Part[], chosen: string }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
/** As they lie: the topmost first; what lies beside the vessel comes last. */
const rows = computed(() => [
  ...props.parts.filter(p => p.fromM !== null).toReversed(), ...props.parts.filter(p => p.fromM === null),
].map(p => ({ ...p, words: partWords(p, fmt), here: p.id === props.chosen, made: p.code !== null || p.problem !== null })))
const here = computed(() => rows.value.find(r => r.here))
const levels = computed(() => props.parts.filter(p => p.fromM !== null).map(p => p.id))
const canMove = (by: 1 | -1) => {
  const to = levels.value.indexOf(props.chosen) + by
  return levels.value.includes(props.chosen) && to >= 0 && to < levels.value.length
}
function move(by: 1 | -1) {
  ws.replaceAll(movedLevel(ws.planned!, props.chosen, by))
  ws.endGesture()
}
function takeOut() {
  const gone = props.chosen
  ws.turnTo(rows.value.find(r => r.made && r.id !== gone)!.id)
  ws.replaceAll(withoutComponent(ws.planned!, gone))
  ws.endGesture()
}
const rename = (name: string) =>
  ws.change('layer-name', d => Object.assign(d.components.find(c => c.id === props.chosen)!, { name }))
</script>

<template>
  <section class="layers no-print" aria-label="Layers of this dessert">
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
        <p v-else class="layer laid"><b>{{ r.name || ROLE_NAMES[r.role] }}</b><span class="what">{{ r.words.size }}</span></p>
      </li>
    </ol>
    <div v-if="here" class="tools">
      <NameField
        class="name" :model-value="here.name" aria-label="Name of this layer" maxlength="120"
        @update:model-value="rename" @done="ws.endGesture()"
      />
      <UButton
        variant="ghost" color="neutral" size="sm" icon="i-lucide-arrow-up" label="Up" :disabled="!canMove(1)"
        @click="move(1)"
      />
      <UButton
        variant="ghost" color="neutral" size="sm" icon="i-lucide-arrow-down" label="Down" :disabled="!canMove(-1)"
        @click="move(-1)"
      />
      <UButton variant="ghost" color="neutral" size="sm" label="Take out" @click="takeOut" />
    </div>
  </section>
</template>

<style scoped>
.layers { border-top: 1px solid var(--hairline); margin-top: 0.5rem; padding: 0.4rem 0; }
ol { list-style: none; margin: 0; padding: 0; display: flex; gap: 0; overflow-x: auto; }
li { flex: 1 0 9rem; border-right: 1px solid var(--hairline); }
li:last-child { border-right: 0; }
.layer {
  width: 100%; min-height: 64px; text-align: left; padding: 0.35rem 0.8rem; margin: 0; display: flex;
  flex-direction: column; justify-content: center; border-bottom: 3px solid transparent;
}
button.layer { cursor: pointer; }
button.layer[aria-pressed="true"] { border-bottom-color: var(--citron); background: #fffdf7; }
b { font-weight: 600; overflow-wrap: anywhere; }
.what { font-size: 0.9rem; color: var(--ink-soft); }
.blood { color: var(--blood); font-weight: 600; }
.tools { display: flex; flex-wrap: wrap; align-items: center; gap: 0.2rem 0.6rem; }
.name { flex: 1 1 10rem; min-height: 44px; background: transparent; border: 0; border-bottom: 1px solid var(--hairline); }
</style>
