<script setup lang="ts">
/** The note behind a number: how it comes about, from what, after whom, how surely. It hangs from its button. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { why, type WhyTopic } from '~/words/why'

const props = defineProps<{
  topic: WhyTopic
  about: { doc: Bench, assessment: Assessment }
  button: HTMLElement
}>()
const open = defineModel<boolean>('open', { required: true })
const fmt = useFormat()
// Kept current while it is read.
const note = computed(() => why(props.topic, props.about.doc, props.about.assessment, fmt))
</script>

<template>
  <UPopover v-model:open="open" :reference="button" :content="{ align: 'start', collisionPadding: 12 }">
    <template #content>
      <div class="whynote" role="dialog" :aria-label="note.title">
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
