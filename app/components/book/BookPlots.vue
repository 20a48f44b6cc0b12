<script setup lang="ts">
/** Across batches: a figure as foretold and as measured, and batch by batch with its limits: is something drifting? */
import type { EChartsOption } from 'echarts'
import { controlOf } from '#core/book/control'
import type { BatchItem } from '../../../shared/book'
import { BLOOD, INK, SOFT, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { besideName, unitName } from '~/words/batch'
import { say } from '~/words/say'

const props = defineProps<{ items: readonly BatchItem[], isBad: (i: BatchItem) => boolean, of: string }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
/** Fewer points than this are no picture. */
const LEAST = 3
/** Figures that enough batches have, the time on the heat before the others. */
const figures = computed(() => {
  const ids = props.items.flatMap(i => i.shown?.beside.map(b => b.id) ?? [])
  const often = [...new Set(ids)].filter(id => ids.filter(x => x === id).length >= LEAST)
  return often.sort((a, b) => Number(b === 'heatMin') - Number(a === 'heatMin') || nameOf(a).localeCompare(nameOf(b)))
})
const chosen = ref('heatMin')
const figure = computed(() => (figures.value.includes(chosen.value) ? chosen.value : figures.value[0] ?? null))
/** A fridge by its own name. */
function nameOf(id: string): string {
  const place = id.startsWith('air.') ? kitchen.record?.places.find(p => p.id === id.slice(4))?.name : undefined
  return place ? `${besideName(id)}: ${place}` : besideName(id)
}
/** Oldest first. */
const points = computed(() => [...props.items].reverse().flatMap((i) => {
  const b = i.shown?.beside.find(x => x.id === figure.value)
  return b ? [{ i, b }] : []
}))
const unit = computed(() => points.value[0]?.b.unit ?? '')
/** Amounts are told as a share of what was foretold, what has no naught as a difference. */
const isShare = computed(() => ['min', 'g', 'kg', 'mm'].includes(unit.value))
const valueOf = ({ predicted, measured }: { predicted: number, measured: number }) =>
  isShare.value ? (100 * measured) / Math.max(1e-9, predicted) : measured - predicted
const unitWord = computed(() => unitName(unit.value))
const title = computed(() => say('book.plotTitle', { name: nameOf(figure.value ?? '') }))
const chartTitle = computed(() => [props.of, say('book.chartTitle', { name: nameOf(figure.value ?? '') })].filter(Boolean).join(': '))
/** A round step that a range has a few of. */
function stepOf(range: number): number {
  const rough = Math.max(1e-6, range) / 5
  const ten = 10 ** Math.floor(Math.log10(rough))
  return ten * ([1, 2, 5].find(n => n * ten >= rough) ?? 10)
}
const axisTo = (name: string, least: number, most: number, step: number) =>
  ({ ...valueAxis(name, least, most), interval: step })

const plot = computed<EChartsOption>(() => {
  const all = points.value.flatMap(({ b }) => [b.predicted, b.measured])
  const step = stepOf(Math.max(...all) - Math.min(0, ...all))
  const least = Math.min(0, Math.floor(Math.min(...all) / step) * step)
  const most = Math.ceil(Math.max(...all) / step) * step
  const axis = (name: string) => say('book.axis', { name, unit: unitWord.value })
  return {
    animation: false,
    textStyle,
    grid: { left: 56, right: 20, top: 34, bottom: 46 },
    xAxis: { ...timeAxis(axis(say('batch.predicted')), most, v => String(v)), min: least, interval: step },
    yAxis: axisTo(axis(say('batch.measured')), least, most, step),
    series: [
      {
        type: 'line', showSymbol: false, data: [[least, least], [most, most]],
        lineStyle: { color: SOFT, type: 'dashed', width: 1.5 },
      },
      {
        type: 'scatter', symbolSize: 12,
        data: points.value.map(({ i, b }) => ({
          value: [b.predicted, b.measured], name: i.name, itemStyle: { color: props.isBad(i) ? BLOOD : INK },
        })),
      },
    ],
  }
})
const values = computed(() => points.value.map(({ b }) => valueOf(b)))
const limits = computed(() => controlOf(values.value))
const control = computed<EChartsOption>(() => {
  const c = limits.value
  const line = (y: number, name: string) => ({
    yAxis: y,
    lineStyle: { color: SOFT, type: 'dashed' as const },
    label: { formatter: name, position: 'insideEndTop' as const, fontSize: 14 },
  })
  const [least, most] = [Math.min(...values.value, c.low), Math.max(...values.value, c.high)]
  const step = stepOf(Math.max(most - least, isShare.value ? 10 : 0.2))
  const unitOf = isShare.value ? '%' : unitWord.value
  return {
    animation: false,
    textStyle,
    grid: { left: 56, right: 20, top: 34, bottom: 46 },
    xAxis: { ...timeAxis(say('book.chartX'), values.value.length + 1, v => String(v)), interval: 1 },
    yAxis: axisTo(
      isShare.value ? say('book.chartShare', { unit: unitOf }) : say('book.chartDifference', { unit: unitOf }),
      Math.floor(least / step) * step, Math.ceil(most / step) * step, step,
    ),
    series: [{
      type: 'line', symbol: 'circle', symbolSize: 11, lineStyle: { color: INK, width: 1.5 },
      data: points.value.map(({ i, b }, k) =>
        ({ value: [k + 1, valueOf(b)], itemStyle: { color: props.isBad(i) ? BLOOD : INK } })),
      markLine: { symbol: 'none', silent: true, data: [
        line(c.mean, say('book.chartMean', { value: fmt.fixed(c.mean, isShare.value ? 0 : 1), unit: unitOf })),
        ...(c.high > c.low ? [line(c.low, ''), line(c.high, say('book.chartBand'))] : []),
      ] },
    }],
  }
})
/** What the chart says, for whoever does not see it, or has no time for it. */
const verdict = computed(() => {
  const n = limits.value.out.filter(Boolean).length
  return n === 0 ? say('book.chartSteady') : n === 1 ? say('book.chartOutOne') : say('book.chartOut', { n })
})
</script>

<template>
  <section v-if="figure" class="across">
    <label class="field-label" for="across-figure">{{ $say('book.across') }}</label>
    <select id="across-figure" v-model="chosen" class="native">
      <option v-for="id in figures" :key="id" :value="id">{{ nameOf(id) }}</option>
    </select>
    <div class="plots">
      <div>
        <h2>{{ chartTitle }}</h2>
        <p role="status" data-drift>{{ verdict }}</p>
        <StationChart :option="control" :label="`${chartTitle}. ${verdict}`" />
      </div>
      <div>
        <h2>{{ title }}</h2>
        <p class="soft">{{ $say('book.plotHow') }}</p>
        <StationChart :option="plot" :label="title" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.across { margin-top: 1.4rem; }
.native { width: auto; max-width: 100%; }
h2 { font-size: 1.3rem; margin: 1rem 0 0.2rem; } p { margin: 0; }
.plots { display: grid; grid-template-columns: repeat(auto-fit, minmax(22rem, 1fr)); gap: 0 2.5rem; }
@media (max-width: 760px) { .plots { grid-template-columns: minmax(0, 1fr); } }
</style>
