<script setup lang="ts">
/**
 * Half the section, from the middle to the edge, to scale: temperature as a field, isotherms, and the front of
 * the set.
 */
import type { EChartsOption } from 'echarts'
import { HeatmapChart, LineChart } from 'echarts/charts'
import { GridComponent, VisualMapComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import type { Frame, Picture } from '#core/plan/picture'
import { levelLines, RAMP_HIGH, RAMP_LOW, rampColors, refine } from '~/composables/coldDrawing'
import { INK, label } from '~/composables/useChartStyle'
import { say } from '~/words/say'

use([HeatmapChart, LineChart, GridComponent, VisualMapComponent, CanvasRenderer])
const props = defineProps<{
  picture: Picture
  frame: Frame
  name: string
  /** Tallest the drawing may be, m: several maps then share one scale. */ scaleM: { widthM: number, heightM: number }
}>()
const fmt = useFormat()
const host = useTemplateRef<HTMLElement>('host')
const { width } = useElementSize(host, { width: 320, height: 100 })
/** Room under and beside the field for its rule. */
const PAD = { left: 8, right: 44, top: 8, bottom: 26 }
const perM = computed(() =>
  Math.min((width.value - PAD.left - PAD.right) / props.scaleM.widthM, 240 / props.scaleM.heightM),
)
/** Cells of whole pixels leave no seams. */
const CELL_PX = 4
const cells = computed(() => ({
  x: Math.max(10, Math.round((perM.value * props.picture.radiusM) / CELL_PX)),
  y: Math.max(6, Math.round((perM.value * props.picture.heightM) / CELL_PX)),
}))
const size = computed(() => ({ w: CELL_PX * cells.value.x, h: CELL_PX * cells.value.y }))
const RAMP = rampColors()
const names = (n: number) => Array.from({ length: n }, (_, i) => i)
/** Isotherms that mean something to a kitchen. */
const ISOTHERMS = [60, 45, 21, 8, 5, 0] as const
const shades = computed(() => refine(props.frame.tempC, props.picture.grid, cells.value.x, cells.value.y))
const fine = computed(() => refine(props.frame.tempC, props.picture.grid))
const set = computed(() => refine(props.frame.set, props.picture.grid))
const option = computed<EChartsOption>(() => {
  const grid = { left: PAD.left, top: PAD.top, width: size.value.w, height: size.value.h }
  const hidden = { show: false, boundaryGap: false as const }
  /** Every run of a level; its longest carries the word. */
  const levels = (field: number[], level: number) => {
    const runs = levelLines(field, level)
    const longest = Math.max(0, ...runs.map(r => r.length))
    return runs.map(run => ({ run, named: run.length === longest && run.length > 6 }))
  }
  const isotherms = ISOTHERMS.flatMap(t => levels(fine.value, t).map(r => ({ ...r, t })))
  /** A word beside the middle of its line, on the side that has room. */
  const word = (run: [number, number][], text: string, color: string) => {
    const coord = run[Math.floor(run.length / 2)]!
    return [
      {
        name: text,
        coord,
        symbolSize: 1,
        label: {
          show: true,
          ...label(color),
          formatter: text,
          position: coord[0] > 0.55 ? ('left' as const) : ('right' as const),
          textBorderColor: '#FBF8F0',
          textBorderWidth: 4,
        },
      },
    ]
  }
  const front = levels(set.value, 1)
  return {
    animation: false,
    grid: [grid, grid],
    xAxis: [
      { type: 'category', data: names(cells.value.x), ...hidden, boundaryGap: true },
      { type: 'value', gridIndex: 1, min: 0, max: 1, show: false },
    ],
    yAxis: [
      { type: 'category', data: names(cells.value.y), ...hidden, boundaryGap: true },
      { type: 'value', gridIndex: 1, min: 0, max: 1, show: false },
    ],
    visualMap: { show: false, min: RAMP_LOW, max: RAMP_HIGH, seriesIndex: 0, inRange: { color: RAMP } },
    series: [
      {
        type: 'heatmap',
        data: shades.value.map((t, k) => [k % cells.value.x, Math.floor(k / cells.value.x), t]),
        progressive: 0,
        silent: true,
      },
      ...isotherms.map(({ t, run, named }) => ({
        type: 'line' as const,
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: run,
        showSymbol: false,
        silent: true,
        lineStyle: { color: INK, width: 1, type: 'dashed' as const },
        markPoint: {
          silent: true,
          symbol: 'circle',
          data: named && size.value.h > 60 ? word(run, fmt.temp(t), INK) : [],
        },
      })),
      ...front.map(({ run, named }) => ({
        type: 'line' as const,
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: run,
        showSymbol: false,
        silent: true,
        lineStyle: { color: INK, width: 3 },
        markPoint: { silent: true, symbol: 'circle', data: named ? word(run, say('coldMap.setToHere'), INK) : [] },
      })),
    ],
  }
})
const hottest = computed(() => Math.max(...props.frame.tempC))
const coldest = computed(() => Math.min(...props.frame.tempC))
const words = computed(() =>
  say('coldMap.atItsColdestAtItsWarmest', {
    name: props.name,
    coldest: fmt.temp(coldest.value),
    hottest: fmt.temp(hottest.value),
  }),
)
</script>

<template>
  <div ref="host" class="coldmap" role="img" :aria-label="words">
    <div class="field" :style="{ width: `${size.w + PAD.left + PAD.right}px`, height: `${size.h + PAD.top + 4}px` }">
      <VChart :option="option" :init-options="{ renderer: 'canvas' }" :update-options="{ notMerge: true }" autoresize />
      <i
        class="frame"
        :style="{ left: `${PAD.left}px`, top: `${PAD.top}px`, width: `${size.w}px`, height: `${size.h}px` }"
      />
      <span class="deep small" :style="{ left: `${PAD.left + size.w + 4}px`, top: `${PAD.top + size.h / 2 - 11}px` }">
        {{ fmt.mm(picture.heightM) }}
      </span>
    </div>
    <p class="rule small soft" :style="{ width: `${size.w + PAD.left}px` }">
      <span>{{ $say('coldMap.middle') }}</span>
      <span>{{ $say('coldMap.edgeOut', { radiusM: fmt.mm(picture.radiusM) }) }}</span>
    </p>
  </div>
</template>

<style scoped>
.coldmap { min-width: 0; }
.field { position: relative; max-width: 100%; }
.frame { position: absolute; border: 1.5px solid var(--ink); border-left-style: dashed; pointer-events: none; }
.deep { position: absolute; white-space: nowrap; }
.rule { display: flex; justify-content: space-between; margin: 0; padding-left: 8px; }
</style>
