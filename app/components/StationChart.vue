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
</script>

<template>
  <div class="chart" role="img" :aria-label="label">
    <VChart :option="option" :init-options="{ renderer: 'svg' }" :update-options="{ notMerge: true }" autoresize />
  </div>
</template>

<style scoped>
.chart { width: 100%; height: 340px; }
@media (max-width: 760px) { .chart { height: 320px; } }
</style>
