<script setup lang="ts">
/** The cut face, the verdict in a sentence, and how high it is good for. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import type { Part } from '#core/pipeline/dessert'
import { pieceFigures } from '#core/pipeline/summary'
import { coldWords, plateWords, wantedWords } from '~/words/stands'
import { readyWords, verdictSentence } from '~/words/verdict'

const props = defineProps<{ doc: Bench, assessment: Assessment, parts?: Part[] }>()
const fmt = useFormat()
const piece = computed(() => pieceFigures(props.doc, props.assessment, props.parts))
const sentence = computed(() => verdictSentence(props.doc, props.assessment, fmt))
const ready = computed(() => readyWords(props.doc, props.assessment, fmt))
const v = computed(() => props.assessment.verdict)
</script>

<template>
  <section
    class="head" :aria-label="$say('verdictHead.verdict')" :data-cold-pa="Math.round(v.cold.tauPa.value)"
    :data-plate-pa="Math.round(v.plate.tauPa.value)"
  >
    <LiveFace :piece="piece" :assessment="assessment" />
    <h2 class="sentence" :data-verdict="v.code" aria-live="polite">{{ sentence }}</h2>
    <dl class="figures">
      <div>
        <dt>{{ $say('verdictHead.fridge') }}</dt>
        <dd><WhyNumber topic="cold">{{ coldWords(piece, fmt) }}</WhyNumber></dd>
      </div>
      <div>
        <dt>{{ $say('verdictHead.plate') }}</dt>
        <dd><WhyNumber topic="plate">{{ plateWords(piece, fmt) }}</WhyNumber></dd>
      </div>
    </dl>
    <p class="wanted">
      <WhyNumber topic="needs">{{ wantedWords(assessment, piece, fmt) }}</WhyNumber>
      <WhyNumber topic="ready">{{ ready }}</WhyNumber>
    </p>
  </section>
</template>

<style scoped>
/* Three lines whatever it says: what can be pressed below keeps its place when the sentence changes. */
.sentence { font-size: 1.4rem; margin: 0.5rem 0 0.4rem; text-wrap: balance; min-height: 4.75rem; }
.figures :deep(.whynum), .wanted :deep(.whynum) { min-height: 44px; display: inline-flex; align-items: center; }
.figures :deep(.whynum)::after, .wanted :deep(.whynum)::after { inset: 0; min-height: 44px; }
.figures { display: grid; grid-template-columns: 1fr 1fr; gap: 0 1rem; margin: 0; font-size: 0.92rem; }
dt { color: var(--ink-soft); }
dd { margin: 0; font-size: 1.05rem; font-weight: 600; }
.wanted { display: flex; flex-wrap: wrap; gap: 0 1rem; margin: 0; min-height: 88px; align-content: start; }
</style>
