<script setup lang="ts">
/** How hot, how long, what to look for, what ruins it. */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/assessment'
import { fillingOf, type FormulaDocument, SCHOOLS, type School } from '#core/formula/document'
import { stepsFor } from '#core/formula/create'
import { celsiusToFahrenheit } from '#core/units/measures'
import { BLOOD, CITRON, CITRON_DEEP, INK, label, moments, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { SCHOOL_NAMES } from '~/words/names'

const props = defineProps<{ doc: FormulaDocument, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const h = computed(() => props.assessment.heat)
const heat = (part: Partial<FormulaDocument['heat']>, gesture: string) => ws.change(gesture, (d) => { Object.assign(d.heat, part) })
function setSchool(school: School) {
  ws.change('', (d) => {
    d.school = school
    d.heat.method = school === 'wholeEggTempered' ? 'direct' : 'waterBath'
    const f = fillingOf(d)
    f.steps = stepsFor(school, f.lines, () => crypto.randomUUID())
  })
}
const shown = (c: number) => fmt.fahrenheit.value ? celsiusToFahrenheit(c) : c
const cues = computed(() => [
  { key: 'coats', name: 'coats the spoon', at: h.value.coatsS },
  { key: 'done', name: 'done', at: h.value.doneS },
  { key: 'grainy', name: 'grainy', at: h.value.grainyS },
])
const tempAt = (s: number) => {
  const i = h.value.timeS.findIndex(t => t >= s)
  return h.value.tempC[Math.max(i, 0)]!
}
const option = computed<EChartsOption>(() => {
  const a = h.value
  const minutes = a.timeS.map(t => t / 60)
  const end = Math.max(4, Math.ceil(a.endS / 60) + 1)
  const top = fmt.fahrenheit.value ? 220 : 100
  const reached = cues.value.filter(c => c.at !== null)
  const points = reached.map(c => ({ name: c.name, coord: [c.at! / 60, shown(tempAt(c.at!))], itemStyle: { color: c.key === 'grainy' ? BLOOD : CITRON, borderColor: INK, borderWidth: 2 } }))
  return {
    animation: false, textStyle, grid: { left: 46, right: 54, top: 84, bottom: 46 },
    tooltip: { trigger: 'axis', backgroundColor: '#fffdf7', borderColor: INK, textStyle, formatter: (ps: unknown) => {
      const list = ps as { axisValue: number, data: [number, number], seriesName: string }[]
      return `${fmt.duration(list[0]!.axisValue * 60)}<br>${list.map(p => `${p.seriesName} ${fmt.fixed(p.data[1], 0)} ${p.seriesName === 'temperature' ? fmt.unit.value : '%'}`).join('<br>')}`
    } },
    xAxis: timeAxis('minutes in the pan', end, v => String(v)),
    yAxis: [valueAxis(fmt.unit.value, 0, top), valueAxis('% of the egg', 0, 100, true, CITRON_DEEP)],
    series: [
      { name: 'temperature', type: 'line', showSymbol: false, lineStyle: { color: INK, width: 2.5 }, itemStyle: { color: INK }, data: minutes.map((m, i) => [m, shown(a.tempC[i]!)]), z: 5,
        markPoint: { symbol: 'circle', symbolSize: 13, data: points, label: { show: false } },
        markLine: { symbol: 'none', silent: true, data: a.grainyAtC !== null && shown(a.grainyAtC) < top ? [{ yAxis: shown(a.grainyAtC), lineStyle: { color: BLOOD, type: 'dashed' }, label: { ...label(BLOOD), position: 'insideStartTop', formatter: `grainy from ${fmt.temp(a.grainyAtC)}` } }] : [] } },
      { name: 'set', type: 'line', yAxisIndex: 1, markLine: moments(reached.map(c => ({ name: c.name, at: c.at! / 60, color: c.key === 'grainy' ? BLOOD : INK })), end, 1), showSymbol: false, lineStyle: { color: CITRON_DEEP, width: 2.5 }, itemStyle: { color: CITRON_DEEP }, endLabel: { show: true, ...label(CITRON_DEEP), formatter: 'set', offset: [-2, a.setting.at(-1)! > 0.9 ? -2 : 0] }, data: minutes.map((m, i) => [m, 100 * a.setting[i]!]) },
      { name: 'over-set', type: 'line', yAxisIndex: 1, showSymbol: false, lineStyle: { color: BLOOD, width: 2, type: 'dotted' }, itemStyle: { color: BLOOD }, endLabel: { show: a.oversetting.at(-1)! < 0.85, ...label(BLOOD), textBorderColor: '#FBF8F0', textBorderWidth: 4, formatter: 'over-set', offset: [-62, -12] }, data: minutes.map((m, i) => [m, 100 * a.oversetting[i]!]) },
    ],
  }
})
const margin = computed(() => h.value.marginK === null ? '—' : h.value.marginK > 0 ? fmt.degrees(h.value.marginK, 1) : `past it by ${fmt.degrees(-h.value.marginK, 1)}`)
</script>

<template>
  <div class="heat">
    <div class="controls">
      <div class="choices" role="group" aria-label="Way of making">
        <button v-for="s in SCHOOLS" :key="s" type="button" :aria-pressed="doc.school === s" @click="setSchool(s)">{{ SCHOOL_NAMES[s].name }}</button>
      </div>
      <div class="fields">
        <div>
          <label class="field-label" for="method">Heat</label>
          <select id="method" class="native" :value="doc.heat.method" @change="heat({ method: ($event.target as HTMLSelectElement).value as 'waterBath' | 'direct' }, '')"><option value="waterBath">water bath</option><option value="direct">direct, low</option></select>
        </div>
        <QuantityField kind="temperature" show-label big label="Take it to" :model-value="doc.heat.targetTempC" :min="40" :max="105" @update:model-value="v => heat({ targetTempC: v }, 'target')" @done="ws.endGesture()" />
        <QuantityField kind="minutes" show-label big label="Hold it there" :step="0.5" :model-value="doc.heat.holdS" :max="3600" @update:model-value="v => heat({ holdS: v }, 'hold')" @done="ws.endGesture()" />
        <QuantityField kind="temperature" show-label label="Starts at" :model-value="doc.heat.startTempC" :min="0" :max="60" @update:model-value="v => heat({ startTempC: v }, 'start')" @done="ws.endGesture()" />
        <QuantityField v-if="doc.heat.method === 'direct'" kind="power" show-label label="Heat into the pan" :model-value="doc.heat.burnerW" :min="50" :max="5000" @update:model-value="v => heat({ burnerW: v }, 'burner')" @done="ws.endGesture()" />
      </div>
    </div>
    <LazyStationChart :option="option" :label="`Temperature, setting and over-setting of the egg over ${fmt.duration(h.endS)} in the pan. ${cues.map(c => c.at === null ? `${c.name}: not reached` : `${c.name} at ${fmt.duration(c.at)}`).join('; ')}.`" />
    <dl class="facts">
      <div v-for="c in cues" :key="c.key"><dt>{{ c.name }}</dt><dd :class="{ bad: c.key === 'grainy' && c.at !== null }" :data-cue="c.key">{{ c.at === null ? 'never' : `${fmt.duration(c.at)}` }}<small v-if="c.at !== null">at {{ fmt.temp(tempAt(c.at)) }}</small></dd></div>
      <div><dt>to spare before grainy</dt><dd :class="{ bad: h.marginK !== null && h.marginK <= 0 }">{{ margin }}<small v-if="h.grainyAtC !== null">it turns at {{ fmt.temp(h.grainyAtC) }}</small></dd></div>
      <div><dt>egg set, in the end</dt><dd>{{ fmt.percent(h.a) }}<small>over-set {{ fmt.percent(h.b) }}</small></dd></div>
      <div><dt>lethality</dt><dd :class="{ bad: h.lethality.value < 2 }" data-fact="lethality">{{ h.lethality.value >= 100 ? 'over 100' : fmt.fixed(h.lethality.value, 1) }} min<small>at {{ fmt.temp(70) }}; 2 are asked</small></dd></div>
      <div><dt>steam</dt><dd>{{ fmt.grams(h.evaporatedG) }}<small>leaves the pan</small></dd></div>
      <div><dt>pours at</dt><dd>{{ fmt.temp(h.pourTempC) }}<small>after sieve, butter and tin</small></dd></div>
    </dl>
    <CautionList :findings="assessment.findings.filter(f => f.station === 'heat')" />
  </div>
</template>

<style scoped>
.fields { display: grid; grid-template-columns: repeat(auto-fit, minmax(7.5rem, 1fr)); gap: 0.9rem; margin: 0.8rem 0 0.4rem; max-width: 46rem; }
.facts { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 0.7rem 1rem; border-top: 1px solid var(--hairline); padding-top: 0.7rem; margin: 0.3rem 0 1rem; }
dt { font-size: 0.9rem; color: var(--ink-soft); }
dd { margin: 0; font-family: var(--font-display); font-size: 1.25rem; line-height: 1.15; }
dd.bad { color: var(--blood); }
small { display: block; font-family: var(--font-sans); font-size: 0.9rem; color: var(--ink-soft); }
@media (max-width: 760px) { .facts { grid-template-columns: 1fr 1fr; } }
</style>
