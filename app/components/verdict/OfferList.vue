<script setup lang="ts" generic="T extends { doc: Bench }">
/** Changes that are offered, each one press: taken, it says so in its place, with undo beside it. */
import type { Bench } from '#core/formula/bench'
import type { Moves } from '#core/solve/outcome'

const props = defineProps<{
  offers: readonly T[]
  keyOf: (x: T) => string
  words: (x: T) => { label: string, brings: string }
  /** What marks a row for whoever looks for it. */
  mark?: (x: T) => string
  /** What it is now and would be, drawn before and after. */
  moves?: (x: T) => Moves
}>()
const emit = defineEmits<{ take: [offer: T] }>()
const ws = useWorkspaceStore()
const { shown, press, release, enter, leave } = useHeldPlaces(() => props.offers, x => props.keyOf(x))
function take(offer: T) {
  press(offer)
  emit('take', offer)
}
function undo() {
  ws.undo()
  release()
}
defineExpose({ isEmpty: computed(() => shown.value.length === 0) })
</script>

<template>
  <div class="offers" :class="{ drawn: moves }" @pointerenter="enter" @pointerleave="leave">
    <template v-for="{ item, state } in shown" :key="keyOf(item)">
      <div v-if="state === 'taken'" class="taken" role="status">
        <span>{{ $say('verdictMore.done', { what: words(item).label }) }}</span>
        <button type="button" class="underline undo" @click="undo">{{ $say('workspace.undo') }}</button>
      </div>
      <div v-else-if="state === 'gone'" class="taken" aria-hidden="true">{{ words(item).label }}</div>
      <button v-else type="button" class="adjust" :class="{ lever: mark }" :data-lever="mark?.(item)" @click="take(item)">
        <span class="what"><b>{{ words(item).label }}</b><span>{{ words(item).brings }}</span></span>
        <BeforeAfter v-if="moves" :moves="moves(item)" />
      </button>
    </template>
  </div>
</template>

<style scoped>
.adjust, .taken {
  width: 100%; min-height: 46px; display: flex; justify-content: space-between; align-items: center; gap: 0.8rem;
  border-bottom: 1px solid var(--hairline); text-align: left; padding: 0.3rem 0.1rem;
}
/* Done or gone, a row is as high as it was. */
.drawn .adjust, .drawn .taken { min-height: 7.2rem; }
.adjust { cursor: pointer; }
.adjust:hover { background: var(--citron-soft); }
.what { flex: 1; display: flex; justify-content: space-between; align-items: baseline; gap: 0 0.8rem; flex-wrap: wrap; }
.what span { color: var(--ink-soft); font-size: 0.92rem; text-align: right; }
.adjust:has(svg) .what span { text-align: left; }
.taken { color: var(--ink-soft); }
.undo { min-height: 44px; cursor: pointer; padding: 0 0.4rem; }
</style>
