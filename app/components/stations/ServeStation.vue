<script setup lang="ts">
/** How and until when to serve it: the clock, the table, the use-by, every caution. */
import type { Assessment } from '#core/assessment'
import type { FormulaDocument, Use } from '#core/formula/document'
import type { WhyTopic } from '~/words/why'

const props = defineProps<{ doc: FormulaDocument, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const s = computed(() => props.assessment.serve)
const start = computed(() => props.doc.serve.startAt)
const clock = (afterS: number | null) => afterS === null ? 'not in a day' : start.value ? fmt.clock(start.value, afterS) : afterS === 0 ? 'the start' : `+ ${fmt.duration(afterS)}`
const use = (part: Partial<Use>, gesture: string) => ws.change(gesture, (d) => { Object.assign(d.use, part) })
const plan = computed<{ name: string, at: string, key?: string, why?: WhyTopic }[]>(() => [
  { name: props.doc.heat.method === 'oven' ? 'into the oven' : props.doc.heat.method === 'none' ? 'begun' : 'pan on', at: clock(0) },
  ...(props.doc.heat.method === 'none' ? [] : [{ name: 'off the heat', at: clock(props.assessment.heat.endS), why: 'heatTime' as const }]),
  { name: 'ready', at: clock(s.value.readyAfterS), key: 'ready', why: 'ready' },
  { name: 'served', at: clock(s.value.servedAfterS), key: 'served', why: 'ready' },
])
const holds = computed(() => s.value.standsOnTableS === null ? '4 h or more' : s.value.standsOnTableS < 60 ? 'not at all' : fmt.duration(s.value.standsOnTableS))
const print = () => window.print()
</script>

<template>
  <div class="serve">
    <div class="fields">
      <div><label class="field-label" for="start">{{ doc.heat.method === 'oven' ? 'Goes in the oven at' : doc.heat.method === 'none' ? 'Begun at' : 'Pan goes on at' }}</label><input id="start" class="native" type="datetime-local" :value="start.slice(0, 16)" @change="ws.change('', d => { d.serve.startAt = ($event.target as HTMLInputElement).value })"></div>
      <QuantityField kind="minutes" show-label label="Time on the table" :step="5" :model-value="doc.use.tableTimeS" :max="86400" @update:model-value="v => use({ tableTimeS: v }, 'table-time')" @done="ws.endGesture()" />
      <QuantityField kind="temperature" show-label label="Warmth of the table" :model-value="doc.use.tableTempC" :min="0" :max="45" @update:model-value="v => use({ tableTempC: v }, 'table-temp')" @done="ws.endGesture()" />
      <UButton class="no-print" variant="outline" color="neutral" label="Print" @click="print" />
    </div>
    <ol class="plan" aria-label="The day">
      <li v-for="p in plan" :key="p.name"><span class="soft">{{ p.name }}</span><b class="num" :data-plan="p.key"><WhyNumber v-if="p.why" :topic="p.why">{{ p.at }}</WhyNumber><template v-else>{{ p.at }}</template></b></li>
    </ol>
    <dl class="facts">
      <div><dt>holds on the table</dt><dd data-fact="holds"><WhyNumber topic="holds">{{ holds }}</WhyNumber><small>at {{ fmt.temp(doc.use.tableTempC) }}; planned {{ fmt.duration(doc.use.tableTimeS) }}</small></dd></div>
      <div><dt>on the plate by then</dt><dd><WhyNumber topic="plateTemp">{{ fmt.temp(s.plateTempC) }}</WhyNumber><small>from {{ fmt.temp(assessment.verdict.cold.tempC) }} in the fridge</small></dd></div>
      <div><dt>use by</dt><dd data-fact="useby"><WhyNumber topic="useBy">{{ s.useBy ? `end of ${fmt.day(s.useBy)}` : 'not given' }}</WhyNumber><small>{{ s.useBy ? 'kept cold; the day of making is day 1' : start ? 'this place is too warm to keep it' : 'give a start time' }}</small></dd></div>
      <div><dt>weeping</dt><dd data-fact="weeping"><WhyNumber topic="weeping">{{ fmt.fixed(assessment.set.weeping.score) }} of 10</WhyNumber><small>{{ assessment.set.weeping.score < 1 ? 'hardly any' : assessment.set.weeping.score < 4 ? 'a little' : 'expect a puddle' }}</small></dd></div>
    </dl>
    <h3 class="section-title">Before it goes out</h3>
    <CautionList :findings="assessment.findings.filter(f => f.code !== 'noStart' || !start)" />
    <p class="soft small judged">Times and limits are predictions and remembered rules. Your local code and your own food-safety plan decide.</p>
  </div>
</template>

<style scoped>
.fields { display: grid; grid-template-columns: minmax(12rem, 1.4fr) 1fr 1fr auto; gap: 1rem; align-items: end; max-width: 50rem; }
.plan { list-style: none; display: grid; grid-template-columns: repeat(4, 1fr); margin: 1.2rem 0; padding: 0; border-top: 1.5px solid var(--ink); }
.plan li { position: relative; padding: 0.7rem 0.6rem 0 0; display: flex; flex-direction: column; }
.plan li::before { content: ""; position: absolute; top: -6px; left: 0; width: 11px; height: 11px; border-radius: 50%; background: var(--ink); }
.plan li:nth-child(3)::before { background: var(--citron); border: 2px solid var(--ink); }
.plan b { font-family: var(--font-display); font-size: 1.5rem; font-weight: 500; }
.judged { margin-top: 0.8rem; }
.facts { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 0.7rem 1rem; border-top: 1px solid var(--hairline); padding-top: 0.7rem; margin: 0.3rem 0 1.2rem; }
dt { font-size: 0.9rem; color: var(--ink-soft); }
dd { margin: 0; font-family: var(--font-display); font-size: 1.25rem; line-height: 1.15; }
small { display: block; font-family: var(--font-sans); font-size: 0.9rem; color: var(--ink-soft); }
@media (max-width: 760px) { .fields, .plan { grid-template-columns: 1fr 1fr; row-gap: 1rem; } .facts { grid-template-columns: 1fr 1fr; } }
</style>
