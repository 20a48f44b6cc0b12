<script setup lang="ts">
/** How high it is good for, what is wanted, and when it is ready. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { pieceFigures } from '#core/pipeline/summary'
import { coldWords, plateWords, wantedWords } from '~/words/stands'
import { readyWords } from '~/words/verdict'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const piece = computed(() => pieceFigures(props.doc, props.assessment))
const ready = computed(() => readyWords(props.doc, props.assessment, fmt))
</script>

<template>
  <section class="stands" :aria-label="$say('verdictFigures.howHigh')">
    <dl class="figures">
      <div>
        <dt>{{ $say('verdictFigures.fridge') }}</dt>
        <dd><WhyNumber topic="cold">{{ coldWords(piece, fmt) }}</WhyNumber></dd>
      </div>
      <div>
        <dt>{{ $say('verdictFigures.plate') }}</dt>
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
.figures { display: grid; grid-template-columns: 1fr 1fr; gap: 0 1rem; margin: 0.5rem 0 0; font-size: 0.92rem; }
dt { color: var(--ink-soft); }
dd { margin: 0; font-size: 1.05rem; font-weight: 600; }
.stands :deep(.whynum) {
  min-height: 44px; display: inline-flex; align-items: center; border-bottom: 0; text-decoration: underline dotted;
  text-underline-offset: 4px;
}
.stands :deep(.whynum)::after { inset: 0; min-height: 44px; }
.wanted { display: flex; flex-wrap: wrap; gap: 0 1rem; margin: 0; min-height: 88px; align-content: start; }
</style>
