<script setup lang="ts">
/** The cut face, the verdict in a sentence, its numbers, and the cautions that apply. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import type { Part } from '#core/pipeline/dessert'
import { pieceFigures } from '#core/pipeline/summary'
import { readyWords, verdictSentence } from '~/words/verdict'

const props = defineProps<{ doc: Bench, assessment: Assessment, parts?: Part[] }>()
const fmt = useFormat()
const sentence = computed(() => verdictSentence(props.doc, props.assessment, fmt))
const ready = computed(() => readyWords(props.doc, props.assessment, fmt))
const v = computed(() => props.assessment.verdict)
/** The verdict's own sentence says these already. */
const SAID = new Set(['sagsOnTable', 'looseCold', 'tooFirm'])
const cautions = computed(() => props.assessment.findings.filter(f => f.severity !== 'info' && !SAID.has(f.code)))
</script>

<template>
  <section class="head" :aria-label="$say('verdictHead.verdict')">
    <CutFace :piece="pieceFigures(doc, assessment, parts)" :grainy="v.code === 'grainy'" />
    <h2 class="sentence" :data-verdict="v.code" aria-live="polite">{{ sentence }}</h2>
    <p class="ready"><WhyNumber topic="ready">{{ ready }}</WhyNumber></p>
    <dl class="figures">
      <div>
        <dt>{{ $say('verdictHead.fridge') }}</dt>
        <dd class="pa">
          <WhyNumber topic="cold">
            <span data-cold-pa>{{ fmt.pascals(v.cold.tauPa.value) }}</span>
            <small>{{ $say('verdictHead.needs', { coldMinPa: fmt.fixed(v.target.coldMinPa) }) }}</small>
          </WhyNumber>
        </dd>
        <dd class="sinks" :title="$say('verdictHead.howFarALifted50Mm')">
          <WhyNumber topic="ringSink">
            {{ $say('verdictHead.ringSinks', { ringSlumpM: fmt.mm(v.cold.ringSlumpM) }) }}
          </WhyNumber>
        </dd>
      </div>
      <div>
        <dt>{{ $say('verdictHead.plate') }}</dt>
        <dd class="pa">
          <WhyNumber topic="plate">
            <span data-plate-pa>{{ fmt.pascals(v.plate.tauPa.value) }}</span>
            <small>{{ $say('verdictHead.needs2', { plateMinPa: fmt.fixed(v.target.plateMinPa) }) }}</small>
          </WhyNumber>
        </dd>
        <dd class="sinks" :title="$say('verdictHead.howFarALifted50Mm')">
          <WhyNumber topic="ringSink">
            {{ $say('verdictHead.ringSinks', { ringSlumpM: fmt.mm(v.plate.ringSlumpM) }) }}
          </WhyNumber>
        </dd>
      </div>
    </dl>
    <CautionList v-if="cautions.length" :findings="cautions" class="cautions" />
  </section>
</template>

<style scoped>
.pa :deep(.whynum), .sinks :deep(.whynum) { min-height: 46px; display: inline-block; }
.pa :deep(.whynum)::after, .sinks :deep(.whynum)::after { inset: 0; }
.sinks :deep(.whynum) { border-bottom: 0; text-decoration: underline dotted; text-underline-offset: 4px; }
.sentence { font-size: 1.5rem; margin: 0.9rem 0 0.3rem; text-wrap: balance; }
.ready { margin: 0 0 0.7rem; }
.figures { display: grid; grid-template-columns: 1fr 1fr; gap: 0 1rem; margin: 0 0 0.8rem; font-size: 0.92rem; }
dt { color: var(--ink-soft); display: inline; }
dd { margin: 0; display: inline; }
dd.sinks { display: block; color: var(--ink-soft); font-size: 0.9rem; }
.figures > div > dd:first-of-type { display: block; font-size: 1.05rem; font-weight: 600; }
small { font-size: 0.9rem; color: var(--ink-soft); font-weight: 400; display: block; }
</style>
