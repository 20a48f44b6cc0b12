<script setup lang="ts">
/** A computed number that can be asked "why". The note, and what shows it, are fetched when one is first asked. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import type { WhyTopic } from '~/words/why'

defineProps<{ topic: WhyTopic }>()
const bench = inject<() => { doc: Bench, assessment: Assessment } | null>('why', () => null)
const button = useTemplateRef<HTMLElement>('button')
const open = ref(false)
/** Worked out only while it is read. */
const about = computed(() => (open.value ? bench() : null))
/** A press on the number closes its note: the press beside the note has done so already. */
let wasOpen = false
function press() {
  open.value = !wasOpen
  wasOpen = false
}
watch(open, async (on) => {
  if (on) return
  await nextTick()
  if (!document.activeElement || document.activeElement === document.body) button.value?.focus({ preventScroll: true })
})
</script>

<template>
  <button
    ref="button" type="button" class="whynum" :data-why="topic" aria-haspopup="dialog" :aria-expanded="open"
    :title="$say('whyNumber.why')" @pointerdown="wasOpen = open" @click="press"
  >
    <slot />
  </button>
  <LazyWhyNote v-if="about && button" v-model:open="open" :topic="topic" :about="about" :button="button" />
</template>

<style scoped>
.whynum {
  font: inherit; color: inherit; letter-spacing: inherit; padding: 0; background: none; text-align: inherit;
  cursor: help; border-bottom: 1.5px dotted var(--ink-soft); line-height: inherit; position: relative; z-index: 1;
}
.whynum::after { content: ''; position: absolute; inset: calc((100% - 46px) / 2) -0.3rem; min-height: 46px; }
.whynum:hover, .whynum:focus-visible { border-bottom-style: solid; border-bottom-color: currentcolor; }
</style>
