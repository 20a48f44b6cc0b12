<script setup lang="ts">
/** The course of the heat: temperature, and what happens along it. */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
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
const tempAt = (s: number) => {
  const i = h.value.timeS.findIndex(t => t >= s)
  return h.value.tempC[Math.max(i, 0)]!
}
/** Courses beside the temperature, in % of what each means; a line says its own name where it climbs. */
const courses = computed(() => {
  const a = h.value
  const list: { name: string, color: string, type: 'solid' | 'dotted' | 'dashed', values: number[] }[] = []
  if (props.hasEgg)
    list.push(
      { name: 'set', color: CITRON_DEEP, type: 'solid', values: a.setting.map(x => 100 * x) },
      { name: 'over-set', color: BLOOD, type: 'dotted', values: a.oversetting.map(x => 100 * x) },
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
const option = computed<EChartsOption>(() => {
  const a = h.value
  const minutes = a.timeS.map(t => t / 60)
  const end = Math.max(4, Math.ceil(a.endS / 60) + 1)
  const top = fmt.fahrenheit.value ? 220 : a.peakTempC > 98 ? 110 : 100
  const reached = props.cues.filter(c => c.at !== null)
  const points = reached.map(c => ({
    name: c.name,
    coord: [c.at! / 60, shown(tempAt(c.at!))],
    itemStyle: { color: c.key === 'grainy' ? BLOOD : CITRON, borderColor: INK, borderWidth: 2 },
  }))
  const named = (c: (typeof courses.value)[number], k: number) => {
    const i = c.values.findIndex(v => v >= NAME_AT[k % NAME_AT.length]!)
    // What never climbs so high is named at its end.
    if (i < 0)
      return c.values.length > 1
        ? [
            {
              name: c.name,
              coord: [minutes.at(-1)!, c.values.at(-1)!],
              symbolSize: 1,
              label: {
                show: true,
                ...label(c.color),
                formatter: c.name,
                position: 'right' as const,
                textBorderColor: '#FBF8F0',
                textBorderWidth: 4,
              },
            },
          ]
        : []
    const late = minutes[i]! > end * 0.45
    return [
      {
        name: c.name,
        coord: [minutes[i]!, c.values[i]!],
        symbolSize: 1,
        label: {
          show: true,
          ...label(c.color),
          formatter: c.name,
          position: late ? ('left' as const) : ('right' as const),
          textBorderColor: '#FBF8F0',
          textBorderWidth: 4,
        },
      },
    ]
  }
  return {
    animation: false,
    textStyle,
    grid: { left: 46, right: 54, top: 84, bottom: 46 },
    tooltip: {
      trigger: 'axis',
      backgroundColor: '#fffdf7',
      borderColor: INK,
      textStyle,
      formatter: (ps: unknown) => {
        const list = ps as { axisValue: number, data: [number, number], seriesName: string }[]
        return `${fmt.duration(list[0]!.axisValue * 60)}<br>${list.map(p => `${p.seriesName} ${fmt.fixed(p.data[1], 0)} ${p.seriesName === 'temperature' ? fmt.unit.value : '%'}`).join('<br>')}`
      },
    },
    xAxis: timeAxis(
      say('cookPlan.minutesInThe', {
        pan: method.value === 'oven'
          ? say('cookPlan.ovenColdestPart')
          : method.value === 'sousVide' ? say('cookPlan.pouchMiddle') : say('cookPlan.pan'),
      }),
      end,
      v => String(v),
    ),
    yAxis: [
      valueAxis(fmt.unit.value, 0, top),
      ...(courses.value.length ? [valueAxis('%', 0, 100, true, CITRON_DEEP)] : []),
    ],
    series: [
      {
        name: 'temperature',
        type: 'line',
        showSymbol: false,
        lineStyle: { color: INK, width: 2.5 },
        itemStyle: { color: INK },
        data: minutes.map((m, i) => [m, shown(a.tempC[i]!)]),
        z: 5,
        markPoint: { symbol: 'circle', symbolSize: 13, data: points, label: { show: false } },
        markLine: {
          symbol: 'none',
          silent: true,
          data:
            props.hasEgg && a.grainyAtC !== null && shown(a.grainyAtC) < top
              ? [
                  {
                    yAxis: shown(a.grainyAtC),
                    lineStyle: { color: BLOOD, type: 'dashed' },
                    label: {
                      ...label(BLOOD),
                      position: 'insideStartTop',
                      formatter: say('cookPlan.grainyFrom', { grainyAtC: fmt.temp(a.grainyAtC) }),
                    },
                  },
                ]
              : [],
        },
      },
      ...courses.value.map((c, k) => ({
        name: c.name,
        type: 'line' as const,
        yAxisIndex: 1,
        showSymbol: false,
        lineStyle: { color: c.color, width: k === 0 ? 2.5 : 2, type: c.type },
        itemStyle: { color: c.color },
        data: minutes.map((m, i) => [m, c.values[i]!]),
        markPoint: { silent: true, symbol: 'circle', itemStyle: { color: c.color }, data: named(c, k) },
        ...(k === 0
          ? {
              markLine: moments(
                reached.map(r => ({ name: r.name, at: r.at! / 60, color: r.key === 'grainy' ? BLOOD : INK })),
                end,
                1,
              ),
            }
          : {}),
      })),
    ],
  }
})
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
  />
</template>
