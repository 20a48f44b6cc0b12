<script setup lang="ts">
/** A chart in our manner: hairlines, direct labels, units on the axes. Loaded only where a station shows one. */
import { LineChart, ScatterChart } from 'echarts/charts'
import {
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  TooltipComponent,
} from 'echarts/components'
import { use } from 'echarts/core'
import type { EChartsOption } from 'echarts'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'

use([
  LineChart,
  ScatterChart,
  GridComponent,
  MarkLineComponent,
  MarkPointComponent,
  MarkAreaComponent,
  TooltipComponent,
  SVGRenderer,
])
defineProps<{ option: EChartsOption, label: string }>()
/** What can be touched lies over the chart, and is told its size. */
const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)
</script>

<template>
  <div ref="frame" class="chart">
    <div class="drawn" role="img" :aria-label="label">
      <VChart :option="option" :init-options="{ renderer: 'svg' }" :update-options="{ notMerge: true }" autoresize />
    </div>
    <slot v-if="width > 0" :width="width" :height="height" />
  </div>
</template>

<style scoped>
.chart { width: 100%; height: 340px; position: relative; }
.drawn { width: 100%; height: 100%; }
@media (max-width: 760px) { .chart { height: 320px; } }
</style>
