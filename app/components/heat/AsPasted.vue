<script setup lang="ts">
/** The cook's own method beside Lumbik's order of work, where the two differ, and the way back to reading it. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { given } from '#core/formula/document'
import { readText } from '#core/formats/reader/read'
import { emptyDraft, useNewDraft } from '~/composables/useNewDraft'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const draft = useNewDraft()
const reading = computed(() => readText(props.doc.note))
const steps = computed(() => reading.value.lines.filter(l => l.kind === 'step'))
const inOven = computed(() => props.doc.heat.method === 'oven')
/** An oven by its heat and minutes, as one phrase. */
const ovenWords = (tempC: number, fan: boolean, s: number | null) =>
  say('reading.ovenAt', {
    temp: fmt.temp(tempC), fan: fan ? say('reading.withFan') : '', time: s === null ? '' : `, ${fmt.duration(s)}`,
  })

interface Difference {
  key: 'oven' | 'peak'
  yours: string
  here: string
  keep: () => void
}
/** What the text says otherwise than the plan does, as far as it matters. */
const differences = computed<Difference[]>(() => {
  const { oven, peakC } = reading.value
  const { heat } = props.doc
  const out: Difference[] = []
  const { endS } = props.assessment.heat
  const theirS = oven?.minutes ? oven.minutes * 60 : null
  const isOther = oven && (Math.abs(oven.tempC - heat.oven.airTempC) > 1 || oven.fan !== heat.oven.fan
    || (theirS !== null && Math.abs(theirS - endS) > 60))
  if (inOven.value && oven && isOther)
    out.push({
      key: 'oven',
      yours: ovenWords(oven.tempC, oven.fan, theirS),
      here: ovenWords(heat.oven.airTempC, heat.oven.fan, endS),
      keep: () => ws.change('', (d) => {
        Object.assign(d.heat.oven, { airTempC: oven.tempC, fan: oven.fan })
        if (theirS !== null) d.heat.oven.timeS = { given: theirS }
      }),
    })
  const asks = heat.method !== 'none' && (!inOven.value || given(heat.oven.timeS) === null)
  if (asks && peakC !== null && Math.abs(peakC - heat.targetTempC) >= 0.5)
    out.push({
      key: 'peak',
      yours: say('reading.takenTo', { temp: fmt.temp(peakC) }),
      here: say('reading.takenTo', { temp: fmt.temp(heat.targetTempC) }),
      keep: () => ws.change('', (d) => {
        d.heat.targetTempC = peakC
      }),
    })
  return out
})
async function readAgain() {
  draft.value = emptyDraft({ text: props.doc.note, name: props.doc.name })
  await navigateTo('/new')
}
</script>

<template>
  <section v-if="steps.length" class="pasted" data-part="pasted">
    <h3 class="section-title">{{ $say('asPasted.asYouWroteIt') }}</h3>
    <ol>
      <li v-for="s in steps" :key="s.span[0]">{{ s.text }}</li>
    </ol>
    <p v-for="d in differences" :key="d.key" class="differs" :data-differs="d.key">
      {{ $say('asPasted.yoursHere', { yours: d.yours, here: d.here }) }}
      <UButton size="sm" variant="outline" color="neutral" :label="$say('asPasted.keepMine')" @click="d.keep()" />
    </p>
    <UButton
      class="no-print" size="sm" variant="ghost" color="neutral" :label="$say('asPasted.readItAgain')" @click="readAgain"
    />
  </section>
</template>

<style scoped>
.pasted { border-top: 1px solid var(--ink); margin-top: 1.6rem; padding-top: 0.4rem; max-width: 46rem; }
ol { list-style: none; margin: 0; padding: 0; }
li { border-bottom: 1px solid var(--hairline); padding: 0.4rem 0; color: var(--ink-soft); white-space: pre-line; }
.differs { display: flex; flex-wrap: wrap; gap: 0.6rem; align-items: center; margin: 0.6rem 0 0; }
</style>
