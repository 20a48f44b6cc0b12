<script setup lang="ts">
/** A computed number that can be asked "why": how it comes about, from what, after whom, how surely. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { why, type WhyTopic } from '~/words/why'

const props = defineProps<{ topic: WhyTopic }>()
const about = inject<() => { doc: Bench, assessment: Assessment } | null>('why', () => null)
const fmt = useFormat()
const open = ref(false)
// Worked out only when asked, and kept current while it is read.
const note = computed(() => {
  const it = open.value ? about() : null
  return it ? why(props.topic, it.doc, it.assessment, fmt) : null
})
</script>

<template>
  <UPopover v-model:open="open" :content="{ align: 'start', collisionPadding: 12 }">
    <button type="button" class="whynum" :data-why="topic" aria-haspopup="dialog" :title="$say('whyNumber.why')">
      <slot />
    </button>
    <template #content>
      <div v-if="note" class="whynote" role="dialog" :aria-label="note.title">
        <h4>{{ note.title }}</h4>
        <p>{{ note.how }}</p>
        <dl v-if="note.inputs.length">
          <div v-for="[name, value] in note.inputs" :key="name"><dt>{{ name }}</dt><dd>{{ value }}</dd></div>
        </dl>
        <p class="src"><b>{{ $say('whyNumber.after') }}</b> {{ note.source }}</p>
        <p class="src"><b>{{ $say('whyNumber.howSure') }}</b> {{ note.spread }}</p>
      </div>
    </template>
  </UPopover>
</template>

<style scoped>
.whynum {
  font: inherit; color: inherit; letter-spacing: inherit; padding: 0; background: none; text-align: inherit;
  cursor: help; border-bottom: 1.5px dotted var(--ink-soft); line-height: inherit; position: relative; z-index: 1;
}
.whynum::after { content: ''; position: absolute; inset: calc((100% - 46px) / 2) -0.3rem; min-height: 46px; }
.whynum:hover, .whynum:focus-visible { border-bottom-style: solid; border-bottom-color: currentcolor; }
</style>

<style>
.whynote {
  width: min(23rem, calc(100vw - 24px)); padding: 0.9rem 1rem; background: #fffdf7; color: var(--ink);
  font-size: 0.95rem; line-height: 1.4; max-height: 70vh; overflow-y: auto;
}
.whynote h4 { font-family: var(--font-display); font-size: 1.15rem; margin: 0 0 0.4rem; }
.whynote p { margin: 0 0 0.5rem; }
.whynote dl { margin: 0 0 0.5rem; border-top: 1px solid var(--hairline); }
.whynote dl div {
  display: flex; justify-content: space-between; gap: 1rem; border-bottom: 1px solid var(--hairline); padding: 0.2rem 0;
}
.whynote dt { color: var(--ink-soft); }
.whynote dd { margin: 0; text-align: right; font-variant-numeric: tabular-nums; }
.whynote .src { font-size: 0.9rem; color: var(--ink-soft); }
.whynote .src:last-child { margin: 0; }
</style>
