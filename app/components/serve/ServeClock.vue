<script setup lang="ts">
/** The clock in both directions: from the start to ready, from dinner back to the start; tempering; how long it stands. */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/pipeline/assessment'
import type { WhenRow } from '#core/plan/when'
import type { Bench } from '#core/formula/bench'
import type { Use } from '#core/physics/set/bands'
import { temperTime } from '#core/plan/order'
import { CODES } from '#core/physics/safety/keeping'
import { serveAt, type ServicePlan } from '#core/plan/clock'
import { BLOOD, CITRON_DEEP, COLD, INK, label, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import type { WhyTopic } from '~/words/why'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
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
/* From service back. */
const wanted = ref('')
const when = shallowRef<WhenRow[]>([])
watch([() => props.doc, () => kitchen.core], async () => {
  if (!kitchen.core) return
  const got = await solver.run({ kind: 'when', doc: props.doc, kitchen: kitchen.core })
  if (got && 'value' in got) when.value = got.value
}, { immediate: true })
const back = computed<ServicePlan | null>(() => {
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(wanted.value) || when.value.length === 0) return null
  return serveAt(props.doc, props.assessment, when.value, wanted.value)
})
const onDay = (at: string) => wanted.value.slice(0, 10) === at.slice(0, 10) ? fmt.time(at) : `${fmt.day(at)} ${fmt.time(at)}`
function take() {
  if (!back.value) return
  ws.replace(back.value.doc)
  ws.endGesture()
}
/* On the table. */
const code = computed(() => CODES[kitchen.record?.settings.foodCode ?? 'us'])
const holds = computed(() => s.value.standsOnTableS === null ? '4 h or more' : s.value.standsOnTableS < 60 ? 'not at all' : fmt.duration(s.value.standsOnTableS))
const temper = computed(() => props.doc.serve.temperC === null ? null : temperTime(props.assessment, props.doc.serve.temperC))
const shown = fmt.degreesShown
const option = computed<EChartsOption>(() => {
  const { timeS, meanC, tauPa } = s.value.table
  const hours = timeS.map(t => t / 3600)
  const need = props.assessment.verdict.target.plateMinPa
  const top = Math.max(...tauPa, need) * 1.15
  const round = 10 ** Math.floor(Math.log10(top))
  const named = (name: string, color: string, at: [number, number], above: boolean) => ({ silent: true, symbol: 'circle', itemStyle: { color }, data: [{ name, coord: at, symbolSize: 1, label: { show: true, ...label(color), formatter: name, position: above ? 'top' as const : 'bottom' as const, textBorderColor: '#FBF8F0', textBorderWidth: 4 } }] })
  const at = (values: number[], share: number): [number, number] => {
    const i = Math.max(0, hours.findIndex(t => t >= 4 * share))
    return [hours[i]!, values[i]!]
  }
  return {
    animation: false, textStyle, grid: { left: 60, right: 54, top: 40, bottom: 46 },
    xAxis: timeAxis('hours on the table', 4, v => String(v), 1),
    yAxis: [valueAxis('Pa', 0, Math.ceil(top / round * 2) / 2 * round), valueAxis(fmt.unit.value, shown(0), shown(40), true, COLD)],
    series: [
      { name: 'carries', type: 'line', showSymbol: false, silent: true, lineStyle: { color: CITRON_DEEP, width: 2.5 }, data: hours.map((h, i) => [h, tauPa[i]!]), markPoint: named('what it carries', CITRON_DEEP, at(tauPa, 0.3), true),
        markLine: { symbol: 'none', silent: true, data: [{ yAxis: need, lineStyle: { color: BLOOD, type: 'dashed' }, label: { ...label(BLOOD), position: 'insideEndTop', formatter: 'below this it sags' } }, { xAxis: props.doc.use.tableTimeS / 3600, lineStyle: { color: INK, type: 'solid' }, label: { ...label(INK), position: 'end', formatter: 'planned' } }] } },
      { name: 'warmth', type: 'line', yAxisIndex: 1, showSymbol: false, silent: true, lineStyle: { color: COLD, width: 2, type: 'dashed' }, data: hours.map((h, i) => [h, shown(meanC[i]!)]), markPoint: named('its warmth', COLD, at(meanC.map(shown), 0.72), true) },
    ],
  }
})
</script>

<template>
  <div class="clock" :data-clock="solver.running.value ? 'working' : when.length ? 'settled' : 'idle'">
    <div class="fields">
      <div><label class="field-label" for="start">{{ doc.heat.method === 'oven' ? 'Goes in the oven at' : doc.heat.method === 'none' ? 'Begun at' : 'Pan goes on at' }}</label><input id="start" class="native" type="datetime-local" :value="start.slice(0, 16)" @change="ws.change('', d => { d.serve.startAt = ($event.target as HTMLInputElement).value })"></div>
      <div><label class="field-label" for="serve-at">Or: to be served at</label><input id="serve-at" v-model="wanted" class="native" type="datetime-local"></div>
      <QuantityField field="use.tableTimeS" kind="minutes" show-label label="Time on the table" :step="5" :model-value="doc.use.tableTimeS" @update:model-value="v => use({ tableTimeS: v }, 'table-time')" @done="ws.endGesture()" />
      <QuantityField field="use.tableTempC" kind="temperature" show-label label="Warmth of the table" :model-value="doc.use.tableTempC" @update:model-value="v => use({ tableTempC: v }, 'table-temp')" @done="ws.endGesture()" />
      <div class="temper"><QuantityField field="serve.temperC" kind="temperature" show-label label="Eaten at, its mean" :model-value="doc.serve.temperC ?? assessment.verdict.cold.tempC" @update:model-value="v => ws.change('temper', d => { d.serve.temperC = v })" @done="ws.endGesture()" /><small v-if="doc.serve.temperC !== null" class="soft" data-fact="temper">{{ temper === null ? 'not reached on this table' : `out of the cold ${fmt.duration(temper)} before` }} <button type="button" class="underline" @click="ws.change('', d => { d.serve.temperC = null })">from the cold</button></small></div>
    </div>
    <div v-if="back" class="back" data-answer="back">
      <p><span class="soft">{{ doc.heat.method === 'oven' ? 'Into the oven at' : doc.heat.method === 'none' ? 'Begin at' : 'Pan on at' }}</span> <b class="display">{{ onDay(back.startAt) }}</b><template v-if="back.latestStartAt"> <span class="soft">at the latest</span> <b class="num" data-fact="latest-start">{{ onDay(back.latestStartAt) }}</b><span class="soft">, even in a slow fridge</span></template><template v-else> <span class="bad">it does not set within a day</span></template></p>
      <p v-if="back.lengthenedS > 0" class="soft">The plan's own cold is too short at the slow end: the last leg grows by {{ fmt.duration(back.lengthenedS) }}.</p>
      <UButton size="sm" label="Plan it so" @click="take" />
    </div>
    <ol class="plan" aria-label="The day"><li v-for="p in plan" :key="p.name"><span class="soft">{{ p.name }}</span><b class="num" :data-plan="p.key"><WhyNumber v-if="p.why" :topic="p.why">{{ p.at }}</WhyNumber><template v-else>{{ p.at }}</template></b></li></ol>
    <dl class="facts">
      <div><dt>holds on the table</dt><dd data-fact="holds"><WhyNumber topic="holds">{{ holds }}</WhyNumber><small>at {{ fmt.temp(doc.use.tableTempC) }}; planned {{ fmt.duration(doc.use.tableTimeS) }}</small></dd></div>
      <div><dt>the code stops it at</dt><dd>{{ fmt.duration(code.counterS) }}<small>out of the cold</small></dd></div>
      <div><dt>on the plate by then</dt><dd><WhyNumber topic="plateTemp">{{ fmt.temp(s.plateTempC) }}</WhyNumber><small>from {{ fmt.temp(assessment.verdict.cold.tempC) }} in the fridge</small></dd></div>
      <div><dt>weeping</dt><dd data-fact="weeping"><WhyNumber topic="weeping">{{ fmt.fixed(assessment.set.weeping.score) }} of 10</WhyNumber><small>{{ assessment.set.weeping.score < 1 ? 'hardly any' : assessment.set.weeping.score < 4 ? 'a little' : 'expect a puddle' }}</small></dd></div>
    </dl>
    <LazyStationChart :option="option" :label="`What the piece carries as it warms: ${holds}`" />
    <h3 class="section-title">Before it goes out</h3>
    <CautionList :findings="assessment.findings.filter(f => f.code !== 'noStart' || !start)" />
    <p class="soft small judged">Times and limits are predictions and remembered rules. Your local code and your own food-safety plan decide.</p>
  </div>
</template>

<style scoped>
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(10.5rem, 1fr)); gap: 1rem; align-items: start; max-width: 60rem; }
.back { border-left: 4px solid var(--citron); padding: 0.2rem 0 0.3rem 1rem; margin-top: 1rem; } .back p { margin: 0 0 0.3rem; } .back .display { font-size: 2rem; margin-right: 0.4rem; }
.plan { list-style: none; display: grid; grid-template-columns: repeat(4, 1fr); margin: 1.2rem 0; padding: 0; border-top: 1.5px solid var(--ink); }
.plan li { position: relative; padding: 0.7rem 0.6rem 0 0; display: flex; flex-direction: column; }
.plan li::before { content: ""; position: absolute; top: -6px; left: 0; width: 11px; height: 11px; border-radius: 50%; background: var(--ink); }
.plan li:nth-child(3)::before { background: var(--citron); border: 2px solid var(--ink); }
.plan b { font-family: var(--font-display); font-size: 1.5rem; font-weight: 500; }
.temper small { display: block; font-size: 0.9rem; }
.bad { color: var(--blood); }
.judged { margin-top: 0.8rem; }
@media (max-width: 760px) { .fields, .plan { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); row-gap: 1rem; } .fields > div:nth-child(-n + 2) { grid-column: 1 / -1; } }
</style>
