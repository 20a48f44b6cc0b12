<script setup lang="ts">
/** How hot, how long, what to look for, what ruins it. */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/assessment'
import { FAMILIES, type Family, type FormulaDocument, given, type HeatMethod, type School } from '#core/formula/document'
import { withSchool } from '#core/formula/create'
import { familyOf } from '#core/families/families'
import { schoolOf } from '#core/families/schools'
import { suggestSchool } from '#core/families/suggest'
import { fillingOf } from '#core/formula/document'
import { burstsIn } from '#core/heat/pot'
import { celsiusToFahrenheit } from '#core/units/measures'
import { BLOOD, CITRON, CITRON_DEEP, INK, label, moments, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { CONDITION_NAMES, FAMILY_NAMES, METHOD_NAMES, REASON_NAMES, SCHOOL_NAMES } from '~/words/names'

const props = defineProps<{ doc: FormulaDocument, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const h = computed(() => props.assessment.heat)
const heat = (part: Partial<FormulaDocument['heat']>, gesture: string) => ws.change(gesture, (d) => { Object.assign(d.heat, part) })
const family = computed(() => familyOf(props.doc.family))
const school = computed(() => schoolOf(props.doc.school))
function setSchool(next: School) {
  ws.replace(withSchool(props.doc, next, () => crypto.randomUUID()))
  ws.endGesture()
}
const setFamily = (next: Family) => setSchool(suggestSchool(fillingOf(props.doc).lines, next, props.doc.use.kind))
const method = computed(() => props.doc.heat.method)
const heats = computed(() => method.value !== 'none')
/** The egg's own curve says something: where it sets the dessert, or could scramble in a pan that never boils. */
const hasEgg = computed(() => h.value.t60C !== null && (family.value.eggSets || (heats.value && method.value !== 'oven' && h.value.peakTempC < 94 && props.assessment.set.eggC > 2)))
const reducing = computed(() => props.doc.heat.until === 'creamVolume')
const ovenTime = computed(() => given(props.doc.heat.oven.timeS))
const oven = (part: Partial<FormulaDocument['heat']['oven']>, gesture: string) => ws.change(gesture, (d) => { Object.assign(d.heat.oven, part) })
const shown = (c: number) => fmt.fahrenheit.value ? celsiusToFahrenheit(c) : c
const cues = computed(() => !hasEgg.value ? [] : [
  { key: 'coats', why: 'coats' as const, name: 'coats the spoon', at: h.value.coatsS },
  { key: 'done', why: 'done' as const, name: 'done', at: h.value.doneS },
  { key: 'grainy', why: 'margin' as const, name: 'grainy', at: h.value.grainyS },
])
const tempAt = (s: number) => {
  const i = h.value.timeS.findIndex(t => t >= s)
  return h.value.tempC[Math.max(i, 0)]!
}
const option = computed<EChartsOption>(() => {
  const a = h.value
  const minutes = a.timeS.map(t => t / 60)
  const end = Math.max(4, Math.ceil(a.endS / 60) + 1)
  const top = fmt.fahrenheit.value ? 220 : a.peakTempC > 98 ? 110 : 100
  const reached = cues.value.filter(c => c.at !== null)
  const points = reached.map(c => ({ name: c.name, coord: [c.at! / 60, shown(tempAt(c.at!))], itemStyle: { color: c.key === 'grainy' ? BLOOD : CITRON, borderColor: INK, borderWidth: 2 } }))
  return {
    animation: false, textStyle, grid: { left: 46, right: 54, top: 84, bottom: 46 },
    tooltip: { trigger: 'axis', backgroundColor: '#fffdf7', borderColor: INK, textStyle, formatter: (ps: unknown) => {
      const list = ps as { axisValue: number, data: [number, number], seriesName: string }[]
      return `${fmt.duration(list[0]!.axisValue * 60)}<br>${list.map(p => `${p.seriesName} ${fmt.fixed(p.data[1], 0)} ${p.seriesName === 'temperature' ? fmt.unit.value : '%'}`).join('<br>')}`
    } },
    xAxis: timeAxis(`minutes in the ${method.value === 'oven' ? 'oven, coldest part' : 'pan'}`, end, v => String(v)),
    yAxis: [valueAxis(fmt.unit.value, 0, top), ...(hasEgg.value ? [valueAxis('% of the egg', 0, 100, true, CITRON_DEEP)] : [])],
    series: [
      { name: 'temperature', type: 'line', showSymbol: false, lineStyle: { color: INK, width: 2.5 }, itemStyle: { color: INK }, data: minutes.map((m, i) => [m, shown(a.tempC[i]!)]), z: 5,
        markPoint: { symbol: 'circle', symbolSize: 13, data: points, label: { show: false } },
        markLine: { symbol: 'none', silent: true, data: hasEgg.value && a.grainyAtC !== null && shown(a.grainyAtC) < top ? [{ yAxis: shown(a.grainyAtC), lineStyle: { color: BLOOD, type: 'dashed' }, label: { ...label(BLOOD), position: 'insideStartTop', formatter: `grainy from ${fmt.temp(a.grainyAtC)}` } }] : [] } },
      ...(hasEgg.value ? [
        { name: 'set', type: 'line', yAxisIndex: 1, markLine: moments(reached.map(c => ({ name: c.name, at: c.at! / 60, color: c.key === 'grainy' ? BLOOD : INK })), end, 1), showSymbol: false, lineStyle: { color: CITRON_DEEP, width: 2.5 }, itemStyle: { color: CITRON_DEEP }, endLabel: { show: true, ...label(CITRON_DEEP), formatter: 'set', offset: [-2, a.setting.at(-1)! > 0.9 ? -2 : 0] }, data: minutes.map((m, i) => [m, 100 * a.setting[i]!]) },
        { name: 'over-set', type: 'line', yAxisIndex: 1, showSymbol: false, lineStyle: { color: BLOOD, width: 2, type: 'dotted' }, itemStyle: { color: BLOOD }, endLabel: { show: a.oversetting.at(-1)! < 0.85, ...label(BLOOD), textBorderColor: '#FBF8F0', textBorderWidth: 4, formatter: 'over-set', offset: [-62, -12] }, data: minutes.map((m, i) => [m, 100 * a.oversetting[i]!]) },
      ] satisfies EChartsOption['series'] : []),
    ],
  }
})
const margin = computed(() => h.value.marginK === null ? '—' : h.value.marginK > 0 ? fmt.degrees(h.value.marginK, 1) : `past it by ${fmt.degrees(-h.value.marginK, 1)}`)
</script>

<template>
  <div class="heat">
    <div class="controls">
      <div class="choices" role="group" aria-label="Way of making">
        <button v-for="s in family.schools" :key="s" type="button" :aria-pressed="doc.school === s" @click="setSchool(s)">{{ SCHOOL_NAMES[s].name }}</button>
      </div>
      <div class="fields">
        <div class="kind">
          <label class="field-label" for="family">Kind of dessert</label>
          <select id="family" class="native" :value="doc.family" @change="setFamily(($event.target as HTMLSelectElement).value as Family)"><option v-for="f in FAMILIES" :key="f" :value="f">{{ FAMILY_NAMES[f].name }}</option></select>
        </div>
        <div v-if="family.methods.length > 1">
          <label class="field-label" for="method">Heat</label>
          <select id="method" class="native" :value="method" @change="heat({ method: ($event.target as HTMLSelectElement).value as HeatMethod }, '')"><option v-for="m in family.methods" :key="m" :value="m">{{ METHOD_NAMES[m] }}</option></select>
        </div>
        <template v-if="method === 'oven'">
          <QuantityField kind="temperature" show-label big label="Oven at" :step="5" :model-value="doc.heat.oven.airTempC" :min="60" :max="300" @update:model-value="v => oven({ airTempC: v }, 'oven')" @done="ws.endGesture()" />
          <div><label class="field-label" for="oven-until">Done by</label><select id="oven-until" class="native" :value="ovenTime === null ? 'target' : 'time'" @change="oven({ timeS: ($event.target as HTMLSelectElement).value === 'time' ? { given: Math.round(h.endS / 60) * 60 } : { simulated: true } }, '')"><option value="target">its middle</option><option value="time">a set time</option></select></div>
          <QuantityField v-if="ovenTime !== null" kind="minutes" show-label big label="Time in it" :model-value="ovenTime" :max="21600" @update:model-value="v => oven({ timeS: { given: v } }, 'oven-time')" @done="ws.endGesture()" />
          <label class="tick"><input type="checkbox" :checked="doc.heat.oven.fan" @change="oven({ fan: ($event.target as HTMLInputElement).checked }, '')"> fan</label>
          <label class="tick"><input type="checkbox" :checked="doc.heat.oven.bath" @change="oven({ bath: ($event.target as HTMLInputElement).checked }, '')"> water bath</label>
        </template>
        <QuantityField v-if="heats && ovenTime === null" kind="temperature" show-label big :label="method === 'oven' ? 'Middle to' : 'Take it to'" :model-value="doc.heat.targetTempC" :min="10" :max="105" @update:model-value="v => heat({ targetTempC: v }, 'target')" @done="ws.endGesture()" />
        <div v-if="family.fields.reduce && method === 'direct'" class="wide"><label class="field-label" for="until">Then boil</label><select id="until" class="native" :value="doc.heat.until" @change="heat({ until: ($event.target as HTMLSelectElement).value as 'hold' | 'creamVolume' }, '')"><option value="creamVolume">to cream's volume</option><option value="hold">for a time</option></select></div>
        <QuantityField v-if="heats && ovenTime === null && !reducing" kind="minutes" show-label big label="Hold it there" :step="0.5" :model-value="doc.heat.holdS" :max="3600" @update:model-value="v => heat({ holdS: v }, 'hold')" @done="ws.endGesture()" />
        <QuantityField kind="temperature" show-label label="Starts at" :model-value="doc.heat.startTempC" :min="0" :max="100" @update:model-value="v => heat({ startTempC: v }, 'start')" @done="ws.endGesture()" />
        <QuantityField v-if="method === 'direct' || method === 'microwave'" kind="power" show-label :label="method === 'microwave' ? 'Microwave rated' : 'Heat into the pan'" :model-value="doc.heat.burnerW" :min="50" :max="5000" @update:model-value="v => heat({ burnerW: v }, 'burner')" @done="ws.endGesture()" />
      </div>
      <AfterHeat :doc="doc" />
    </div>
    <LazyStationChart v-if="heats" :option="option" :label="`Temperature${hasEgg ? ', setting and over-setting of the egg' : ''} over ${fmt.duration(h.endS)} in the ${method === 'oven' ? 'oven' : 'pan'}. ${cues.map(c => c.at === null ? `${c.name}: not reached` : `${c.name} at ${fmt.duration(c.at)}`).join('; ')}.`" />
    <dl class="facts">
      <div v-if="heats"><dt>{{ method === 'oven' ? 'out of the oven' : 'off the heat' }}</dt><dd data-fact="heat-time"><WhyNumber topic="heatTime">{{ fmt.duration(h.endS) }}</WhyNumber><small>{{ method === 'microwave' ? `about ${burstsIn(h.endS)} bursts of 20 s` : `peak ${fmt.temp(h.peakTempC)}` }}</small></dd></div>
      <div v-for="c in cues" :key="c.key"><dt>{{ c.name }}</dt><dd :class="{ bad: c.key === 'grainy' && c.at !== null }" :data-cue="c.key"><WhyNumber :topic="c.why">{{ c.at === null ? 'never' : `${fmt.duration(c.at)}` }}</WhyNumber><small v-if="c.at !== null">at {{ fmt.temp(tempAt(c.at)) }}</small></dd></div>
      <div v-if="hasEgg"><dt>to spare before grainy</dt><dd :class="{ bad: h.marginK !== null && h.marginK <= 0 }"><WhyNumber topic="margin">{{ margin }}</WhyNumber><small v-if="h.grainyAtC !== null">it turns at {{ fmt.temp(h.grainyAtC) }}</small></dd></div>
      <div v-if="hasEgg"><dt>egg set, in the end</dt><dd><WhyNumber topic="eggSet">{{ fmt.percent(h.a) }}</WhyNumber><small>over-set {{ fmt.percent(h.b) }}</small></dd></div>
      <div v-if="h.t60C !== null && heats"><dt>lethality</dt><dd :class="{ bad: h.lethality.value < 2 }" data-fact="lethality"><WhyNumber topic="lethality">{{ h.lethality.value >= 100 ? 'over 100' : fmt.fixed(h.lethality.value, 1) }} min</WhyNumber><small>at {{ fmt.temp(70) }}; 2 are asked</small></dd></div>
      <div v-if="heats"><dt>steam</dt><dd data-fact="steam"><WhyNumber topic="steam">{{ fmt.grams(h.evaporatedG) }}</WhyNumber><small>leaves the {{ method === 'oven' ? 'filling' : 'pan' }}</small></dd></div>
      <div v-if="family.fields.reduce && heats"><dt>stop at</dt><dd data-fact="pan-stop"><WhyNumber topic="reduction">{{ fmt.grams(h.panG) }}</WhyNumber><small>in the pan, and the pan's own weight<template v-if="h.reduction">; {{ fmt.fixed(h.reduction.volumeMl) }} ml, a hot jug reads {{ fmt.fixed(h.reduction.hotVolumeMl) }} ml</template></small></dd></div>
      <div v-if="assessment.set.starchC > 1.5"><dt>starch swollen</dt><dd data-fact="starch"><WhyNumber topic="starch">{{ fmt.percent(assessment.set.starchCooked) }}</WhyNumber><small>peak {{ fmt.temp(assessment.set.making.starch.peakTempC) }}</small></dd></div>
      <div v-if="family.sets.includes('caseinPa') && heats"><dt>heat the milk has had</dt><dd><WhyNumber topic="milkHeat">{{ fmt.percent(assessment.set.making.milkHeat) }}</WhyNumber><small>a boil is all of it</small></dd></div>
      <div v-if="family.fields.whip"><dt>air</dt><dd data-fact="air"><WhyNumber topic="air">{{ fmt.percent(assessment.set.making.air) }}</WhyNumber><small>of the volume</small></dd></div>
      <div v-if="method !== 'oven'"><dt>pours at</dt><dd><WhyNumber topic="pours">{{ fmt.temp(h.pourTempC) }}</WhyNumber><small>after all is in, and the cold dish</small></dd></div>
    </dl>
    <p class="soft small reasons">{{ SCHOOL_NAMES[doc.school].how }} Gives: {{ school.gives.map(x => REASON_NAMES[x]).join(', ') }}. Costs: {{ school.costs.map(x => REASON_NAMES[x]).join(', ') }}. For when: {{ CONDITION_NAMES[school.decides] }}.</p>
    <CautionList :findings="assessment.findings.filter(f => f.station === 'heat')" />
  </div>
</template>

<style scoped>
.kind, .wide { grid-column: span 2; }
.reasons { margin: 0 0 0.8rem; max-width: 46rem; }
.tick { display: inline-flex; align-items: center; gap: 0.5rem; min-height: 44px; align-self: end; }
.tick input { width: 22px; height: 22px; accent-color: var(--ink); }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(8.2rem, 1fr)); gap: 0.9rem; margin: 0.8rem 0 0.4rem; max-width: 56rem; }
.facts { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 0.7rem 1rem; border-top: 1px solid var(--hairline); padding-top: 0.7rem; margin: 0.3rem 0 1rem; }
dt { font-size: 0.9rem; color: var(--ink-soft); }
dd { margin: 0; font-family: var(--font-display); font-size: 1.25rem; line-height: 1.15; }
dd.bad { color: var(--blood); }
small { display: block; font-family: var(--font-sans); font-size: 0.9rem; color: var(--ink-soft); }
@media (max-width: 760px) { .facts { grid-template-columns: 1fr 1fr; } }
</style>
