<script setup lang="ts">
/** The course of the heat: temperature, and what happens along it. */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { FIELDS } from '#core/base/fields'
import { fahrenheitToCelsius } from '#core/base/units'
import { given } from '#core/formula/document'
import { BOILED_C } from '#core/physics/heat/pot'
import { LETHALITY_NEEDED_MIN } from '#core/physics/safety/lethality'
import {
  BLOOD,
  CITRON,
  CITRON_DEEP,
  COLD,
  INK,
  label,
  moments,
  SOFT,
  textStyle,
  timeAxis,
  valueAxis,
} from '~/composables/useChartStyle'
import { say } from '~/words/say'
import type { Cue } from './cue'

const props = defineProps<{ doc: Bench, assessment: Assessment, cues: readonly Cue[], hasEgg: boolean }>()
const fmt = useFormat()
const h = computed(() => props.assessment.heat)
const method = computed(() => props.doc.heat.method)
const shown = fmt.degreesShown
/** A course in % of what it means. */
interface Course { name: string, color: string, type: 'solid' | 'dotted' | 'dashed', values: number[] }
/** Courses beside the temperature, in % of what each means; a line says its own name where it climbs. */
const courses = computed(() => {
  const a = h.value
  const list: Course[] = []
  if (props.hasEgg)
    list.push(
      { name: say('words.set'), color: CITRON_DEEP, type: 'solid', values: a.setting.map(x => 100 * x) },
      { name: say('words.overSet'), color: BLOOD, type: 'dotted', values: a.oversetting.map(x => 100 * x) },
    )
  if (a.t60C !== null)
    list.push({
      name: say('cookPlan.heatThatCountsAsCooked'),
      color: COLD,
      type: 'dashed',
      values: a.lethalityMin.map(x => 100 * Math.min(1, x / LETHALITY_NEEDED_MIN)),
    })
  if (a.starchShare.length)
    list.push({
      name: say('cookPlan.starchSwollen'),
      color: CITRON_DEEP,
      type: 'solid',
      values: a.starchShare.map(x => 100 * x),
    })
  if (a.peakTempC > BOILED_C && method.value !== 'oven')
    list.push({
      name: say('cookPlan.steamGone'),
      color: SOFT,
      type: 'dotted',
      values: a.evaporationG.map(g => (100 * g) / Math.max(1e-9, a.evaporatedG)),
    })
  return list
})
/** Names stand where a line passes a height of its own, so that they keep apart. */
const NAME_AT = [62, 22, 42, 78, 30]
const minutes = computed(() => h.value.timeS.map(t => t / 60))
const end = computed(() => Math.max(4, Math.ceil(h.value.endS / 60) + 1))
const reached = computed(() => props.cues.filter(c => c.at !== null))
/** What the drawing reaches up to: the course, and what is asked of it. */
const top = computed(() => {
  if (fmt.fahrenheit.value) return 230
  return Math.max(h.value.peakTempC, props.doc.heat.targetTempC) > 98 ? 110 : 100
})

/** A course's own name: where it climbs past its height; what never climbs so high is named at its end. */
function named(c: Course, k: number) {
  const climbs = c.values.findIndex(v => v >= NAME_AT[k % NAME_AT.length]!)
  if (climbs < 0 && c.values.length < 2) return []
  const i = climbs < 0 ? c.values.length - 1 : climbs
  const late = climbs >= 0 && minutes.value[i]! > end.value * 0.45
  return [{
    name: c.name,
    coord: [minutes.value[i]!, c.values[i]!],
    symbolSize: 1,
    label: {
      show: true,
      ...label(c.color),
      formatter: c.name,
      position: late ? ('left' as const) : ('right' as const),
      textBorderColor: '#FBF8F0',
      textBorderWidth: 4,
    },
  }]
}
/** From where it turns grainy, as a line across. */
function grainyLine() {
  const { grainyAtC } = h.value
  if (!props.hasEgg || grainyAtC === null || shown(grainyAtC) >= top.value) return []
  return [{
    yAxis: shown(grainyAtC),
    lineStyle: { color: BLOOD, type: 'dashed' as const },
    label: {
      ...label(BLOOD),
      position: 'insideStartTop' as const,
      formatter: say('cookPlan.grainyFrom', { grainyAtC: fmt.temp(grainyAtC) }),
    },
  }]
}
/** The temperature, with a mark where something happens. */
const temperatureLine = () => ({
  name: say('words.temperature'),
  type: 'line' as const,
  showSymbol: false,
  lineStyle: { color: INK, width: 2.5 },
  itemStyle: { color: INK },
  data: minutes.value.map((m, i) => [m, shown(h.value.tempC[i]!)]),
  z: 5,
  markPoint: {
    symbol: 'circle',
    symbolSize: 13,
    label: { show: false },
    data: reached.value.map(c => ({
      name: c.name,
      coord: [c.at! / 60, shown(c.tempC!)],
      itemStyle: { color: c.key === 'grainy' ? BLOOD : CITRON, borderColor: INK, borderWidth: 2 },
    })),
  },
  markLine: { symbol: 'none', silent: true, data: grainyLine() },
})
/** A course beside it; the first carries the moments. */
const courseLine = (c: Course, k: number) => ({
  name: c.name,
  type: 'line' as const,
  yAxisIndex: 1,
  showSymbol: false,
  lineStyle: { color: c.color, width: k === 0 ? 2.5 : 2, type: c.type },
  itemStyle: { color: c.color },
  data: minutes.value.map((m, i) => [m, c.values[i]!]),
  markPoint: { silent: true, symbol: 'circle', itemStyle: { color: c.color }, data: named(c, k) },
  ...(k === 0
    ? {
        markLine: moments(
          reached.value.map(r => ({ name: r.name, at: r.at! / 60, color: r.key === 'grainy' ? BLOOD : INK })),
          end.value,
          1,
        ),
      }
    : {}),
})
/** What stands at a moment, line by line. */
function said(ps: unknown): string {
  const list = ps as { axisValue: number, data: [number, number], seriesName: string }[]
  const unitOf = (name: string) => (name === say('words.temperature') ? fmt.unit.value : '%')
  const lines = list.map(p => `${p.seriesName} ${fmt.fixed(p.data[1], 0)} ${unitOf(p.seriesName)}`)
  return [fmt.duration(list[0]!.axisValue * 60), ...lines].join('<br>')
}
const where = computed(() =>
  method.value === 'oven'
    ? say('cookPlan.ovenColdestPart')
    : method.value === 'sousVide' ? say('cookPlan.pouchMiddle') : say('cookPlan.pan'))
/* The target is taken hold of where the course reaches it. */
const GRID = { left: 46, right: 54, top: 84, bottom: 46 }
const ws = useWorkspaceStore()
const hasTarget = computed(() =>
  given(props.doc.heat.course) === null && props.doc.heat.until === 'hold' && given(props.doc.heat.oven.timeS) === null)
const target = computed(() => shown(props.doc.heat.targetTempC))
const reachedMin = computed(() => (h.value.reachedS ?? h.value.endS) / 60)
const plotH = (height: number) => height - GRID.top - GRID.bottom
const targetTop = (height: number) => `${GRID.top + plotH(height) * (1 - target.value / top.value)}px`
const targetLeft = (width: number) =>
  `${GRID.left + ((width - GRID.left - GRID.right) * Math.min(reachedMin.value, end.value)) / end.value}px`
const LIMITS = FIELDS['heat.targetTempC']
function setTarget(value: number) {
  const c = fmt.fahrenheit.value ? fahrenheitToCelsius(value) : value
  ws.change('target', (d) => { d.heat.targetTempC = Math.round(c * 100) / 100 })
}
const option = computed<EChartsOption>(() => ({
  animation: false,
  textStyle,
  grid: GRID,
  tooltip: { trigger: 'axis', backgroundColor: '#fffdf7', borderColor: INK, textStyle, formatter: said },
  xAxis: timeAxis(say('cookPlan.minutesInThe', { pan: where.value }), end.value, v => String(v)),
  yAxis: [
    valueAxis(fmt.unit.value, 0, top.value),
    ...(courses.value.length ? [valueAxis('%', 0, 100, true, CITRON_DEEP)] : []),
  ],
  series: [temperatureLine(), ...courses.value.map(courseLine)],
}))
</script>

<template>
  <LazyStationChart
    :option="option"
    :label="
      $say('cookPlan.temperatureOverInThe',
           { egg: hasEgg
               ? $say('cookPlan.settingAndOverSettingOfThe')
               : '',
             endS: fmt.duration(h.endS),
             pan: method === 'oven'
               ? $say('cookPlan.oven')
               : $say('cookPlan.pan'),
             at: cues.map(c => c.at === null
               ? $say('cookPlan.notReached', { name: c.name })
               : $say('cookPlan.at2', { name: c.name, at: fmt.duration(c.at) })).join('; ') })
    "
  >
    <template #default="{ width, height }">
      <PictureHandle
        v-if="hasTarget" :label="$say('heatChart.target')" :value="target" :min="shown(LIMITS.min)"
        :max="shown(LIMITS.max)" :step="1" :text="fmt.temp(doc.heat.targetTempC)"
        :per-px="top / plotH(height)" :left="targetLeft(width)" :top="targetTop(height)" @change="setTarget"
        @done="ws.endGesture()"
      />
    </template>
  </LazyStationChart>
</template>
