<script setup lang="ts">
/** The cut face and the verdict in a sentence: what stays in view while anything is changed. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import type { Part } from '#core/pipeline/dessert'
import { pieceFigures } from '#core/pipeline/summary'
import { unbroken } from '~/words/unbroken'
import { verdictSentence } from '~/words/verdict'

const props = defineProps<{ doc: Bench, assessment: Assessment, parts?: Part[] }>()
const fmt = useFormat()
const piece = computed(() => pieceFigures(props.doc, props.assessment, props.parts))
const sentence = computed(() => unbroken(verdictSentence(props.doc, props.assessment, fmt)))
const v = computed(() => props.assessment.verdict)
</script>

<template>
  <section
    class="head" :aria-label="$say('verdictHead.verdict')" :data-cold-pa="Math.round(v.cold.tauPa.value)"
    :data-plate-pa="Math.round(v.plate.tauPa.value)"
  >
    <LiveFace :piece="piece" :assessment="assessment" />
    <h2 class="sentence" :data-verdict="v.code" aria-live="polite">{{ sentence }}</h2>
  </section>
</template>

<style scoped>
/* Three lines whatever it says: what can be pressed below keeps its place when the sentence changes. */
.sentence { font-size: 1.4rem; margin: 0.5rem 0 0.4rem; text-wrap: balance; min-height: 4.75rem; }
</style>
