<script setup lang="ts">
/**
 * The order of work: what goes in when, at which temperature, what to look for, why; what would go wrong stands
 * at its step.
 */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { orderOfWork } from '#core/plan/order'
import { labourOfOrder } from '#core/plan/labour'
import { stepWords, toolWords } from '~/words/cook'
import { say } from '~/words/say'

const props = defineProps<{
  doc: Bench
  assessment: Assessment
  /** The bench card: large, without reasons. */ card?: boolean
}>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const placeName = (id: string) => kitchen.record?.places.find(p => p.id === id)?.name
const steps = computed(() =>
  orderOfWork(props.doc, kitchen.core!, props.assessment).map(s => ({ s, w: stepWords(s, fmt, props.doc, placeName) })),
)
const start = computed(() => props.doc.serve.startAt)
const at = (s: number) =>
  start.value
    ? fmt.clock(start.value, s)
    : s === 0
      ? 'start'
      : s < 0
        ? `${fmt.duration(-s)} before`
        : `+ ${fmt.duration(s)}`

/* What it asks of the kitchen. */
const named = (id: string) => {
  const own = kitchen.core!
  return [...own.places, ...own.ovens, ...own.burners].find(x => x.id === id)?.name
}
const labour = computed(() => {
  const { attendedS, unattendedS, taken } = labourOfOrder(steps.value.map(x => x.s))
  return say('orderList.hands', {
    attended: fmt.duration(attendedS),
    unattended: fmt.duration(unattendedS),
    taken: taken
      .map(t => say('orderList.takes', { tool: toolWords(t, named), takenS: fmt.duration(t.takenS) }))
      .join(', '),
  })
})
</script>

<template>
  <p v-if="!card" class="soft hands" data-fact="hands">{{ labour }} {{ $say('orderList.common') }}</p>
  <ol class="order" :class="{ card }" :aria-label="$say('orderList.orderOfWork')">
    <li v-for="({ s, w }, i) in steps" :key="s.key" :data-work="s.code" :class="s.component">
      <span class="when num">{{ i > 0 && at(steps[i - 1]!.s.atS) === at(s.atS) ? '' : at(s.atS) }}</span>
      <div class="what">
        <p class="do"><b>{{ w.title }}</b><span v-if="w.reach" class="reach num">{{ w.reach }}</span></p>
        <p v-if="w.lines.length" class="weights">
          <span v-for="l in w.lines" :key="l.name"><b class="num">{{ l.amount }}</b> {{ l.name.toLowerCase() }}</span>
        </p>
        <p v-if="w.cue" class="cue">{{ $say('orderList.until', { cue: w.cue }) }}</p>
        <p v-if="w.how" class="how">{{ w.how.charAt(0).toUpperCase() + w.how.slice(1) }}</p>
        <p v-if="w.probe && !card" class="soft small">{{ w.probe.charAt(0).toUpperCase() + w.probe.slice(1) }}</p>
        <p v-if="w.why && !card" class="soft small">{{ $say('orderList.why', { why: w.why }) }}</p>
        <p v-for="c in w.cautions" :key="c.title" class="caught" role="note"><b>{{ c.title }}</b> {{ c.text }}</p>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.order { list-style: none; padding: 0; margin: 0; border-top: 1.5px solid var(--ink); }
.order li {
  display: grid; grid-template-columns: 6.5rem minmax(0, 1fr); gap: 1rem; padding: 0.6rem 0;
  border-bottom: 1px solid var(--hairline); break-inside: avoid;
}
.hands { margin-bottom: 0.5rem; }
.when { font-family: var(--font-display); font-size: 1.15rem; }
p { margin: 0 0 0.15rem; }
.do { display: flex; flex-wrap: wrap; gap: 0.1rem 0.9rem; align-items: baseline; font-size: 1.05rem; }
.reach { font-family: var(--font-display); font-size: 1.15rem; }
.weights { display: flex; flex-wrap: wrap; gap: 0.1rem 1rem; }
.cue { font-style: italic; }
.crust .when, .topping .when { color: var(--ink-soft); }
.caught { border-left: 4px solid var(--blood); padding: 0.2rem 0 0.2rem 0.7rem; margin-top: 0.3rem; }
.caught b { color: var(--blood); }
.card li { grid-template-columns: 8.5rem minmax(0, 1fr); padding: 0.75rem 0; }
.card .when { font-size: 1.7rem; }
.card .do { font-size: 1.5rem; }
.card .reach { font-size: 1.6rem; }
.card .weights { font-size: 1.35rem; }
.card .cue, .card .how { font-size: 1.2rem; }
.card .caught { font-size: 1.1rem; }
@media (max-width: 760px) {
  .order li { grid-template-columns: 4.4rem minmax(0, 1fr); gap: 0.6rem; }
  .card li { grid-template-columns: minmax(0, 1fr); gap: 0.1rem; }
}
@media print {
  .card .when, .card .do, .card .reach, .card .weights, .card .cue, .card .how, .card .caught { font-size: 14pt; }
  .card li { padding: 0.8mm 0; grid-template-columns: minmax(0, 1fr); gap: 0; }
  .card .weights { display: block; } .card .weights span:not(:last-child)::after { content: ", "; }
  .card .do, .card .weights { gap: 0 2mm; }
  .card p { margin: 0; line-height: 1.15; }
}
</style>
