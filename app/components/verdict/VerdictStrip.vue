<script setup lang="ts">
/** The verdict on a phone: a strip that stays in view over whatever is changed; a press goes to the whole of it. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { isShaped } from '#core/physics/set/bands'
import { pieceFigures } from '#core/pipeline/summary'
import { speak } from '~/words/findings'
import { MARK_WORDS } from '~/words/names'
import { coldWords, plateWords } from '~/words/stands'
import { unbroken } from '~/words/unbroken'
import { IN_SENTENCE, shortVerdict, tasteWord } from '~/words/verdict'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const piece = computed(() => pieceFigures(props.doc, props.assessment))
/** What must not be: by its title here, whole below. The verdict's own word says the set. */
const stops = computed(() =>
  props.assessment.findings
    .filter(f => f.severity === 'stop' && !IN_SENTENCE.has(f.code))
    .map(f => speak(f, fmt).title))
const code = computed(() => props.assessment.verdict.code)
const said = computed(() => shortVerdict(code.value, props.assessment.chill.safe))
const high = computed(() => {
  const cold = coldWords(piece.value, fmt)
  return unbroken(isShaped(piece.value.use) ? `${cold}; ${plateWords(piece.value, fmt)}` : cold)
})
</script>

<template>
  <a href="#verdict" class="strip">
    <CutFace :piece="piece" :grainy="code === 'grainy'" small class="face" />
    <span class="says">
      <b :class="{ off: code !== 'good' || !assessment.chill.safe }">{{ said }}</b>, {{ tasteWord(doc, assessment) }}
      <small>{{ high }}</small>
      <small v-if="stops.length" class="stops"><b>{{ MARK_WORDS.stop }}</b> {{ stops.join(' ') }}</small>
    </span>
  </a>
</template>

<style scoped>
.strip {
  display: grid; grid-template-columns: 112px 1fr; gap: 0.7rem; align-items: center; background: var(--paper);
  border-bottom: 1px solid var(--ink); padding: 0.3rem 0; min-height: 56px; line-height: 1.25;
}
.off { color: var(--blood); }
.stops, .stops b { color: var(--blood); }
small { display: block; font-size: 0.9rem; color: var(--ink-soft); }
</style>
