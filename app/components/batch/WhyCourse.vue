<script setup lang="ts">
/** A cause's course: what was measured, what was planned, and how it would have gone had it been this. */
import type { EChartsOption } from 'echarts'
import { wrap, type Remote } from 'comlink'
import { eventsOf, seriesOf } from '#core/book/record'
import type { Cause } from '#core/diagnose/weigh'
import { benchOf } from '#core/formula/bench'
import type { Courses, PotApi } from '../../workers/pot.worker'
import { COURSE_GRID, measuredLine, readSince } from '~/composables/courses'
import { BLOOD, label, SOFT, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { say } from '~/words/say'

const props = defineProps<{ batch: LiveBatch, causes: readonly Cause[], names: readonly string[] }>()
const fmt = useFormat()
const chosen = ref(0)
const courses = shallowRef<Courses[] | null>(null)
const worker = new Worker(new URL('../../workers/pot.worker.ts', import.meta.url), { type: 'module' })
const pot: Remote<PotApi> = wrap<PotApi>(worker)
onScopeDispose(() => worker.terminate())
watch(() => props.causes, async (causes) => {
  const supposed = causes.map(c => ({ theta: c.best.theta, went: c.best.went }))
  const found = await pot.courses(toPlain(props.batch.record.value!), toPlain(supposed)).catch(() => null)
  courses.value = found as Courses[] | null
}, { immediate: true })

type Course = { timeS: readonly number[], tempC: readonly number[] }
function drawing(which: 'pot' | 'cold', perX: number, x: string): EChartsOption | null {
  const [planned, supposed] = [courses.value?.[0]?.[which], courses.value?.[chosen.value + 1]?.[which]]
  const record = props.batch.record.value
  if (!planned || !supposed || !record) return null
  const fromS = eventsOf(record.events, which === 'pot' ? 'heatOn' : 'movedTo')[0]?.atS ?? 0
  const series = which === 'pot'
    ? seriesOf(record, 'pot') : record.readings.find(r => r.channel === 'core' && r.deviceId === 'logger')
  const seen = readSince(series, fromS).map(x => [x.s / perX, fmt.degreesShown(x.value)])
  const line = (c: Course) => c.timeS.map((t, i) => [t / perX, fmt.degreesShown(c.tempC[i]!)])
  const b = benchOf(record, record.componentId)
  const plannedS = which === 'cold' ? b.chill.reduce((s, l) => s + l.timeS, 0) : planned.timeS.at(-1) ?? 0
  const lastS = Math.max(plannedS, perX * (seen.at(-1)?.[0] ?? 0))
  const end = Math.max(1, Math.ceil(lastS / perX))
  const one = (name: string, data: number[][], color: string, type: 'dashed' | 'dotted', width: number) => ({
    type: 'line' as const, name, data: data.filter(d => d[0]! <= end), showSymbol: false,
    lineStyle: { color, type, width }, itemStyle: { color },
    endLabel: { show: true, ...label(color), formatter: name, align: 'right' as const, offset: [0, type === 'dashed' ? -14 : 14] },
  })
  return {
    animation: false,
    textStyle,
    grid: COURSE_GRID,
    xAxis: timeAxis(x, end, v => String(v)),
    yAxis: valueAxis(fmt.unit.value, 0, fmt.fahrenheit.value ? 240 : 120),
    series: [
      one(say('blame.planned'), line(planned), SOFT, 'dashed', 2),
      one(say('blame.hadItBeen'), line(supposed), BLOOD, 'dotted', 3),
      measuredLine(seen),
    ],
  }
}
const charts = computed(() => [
  { key: 'pot', label: say('blame.coursePot'), option: drawing('pot', 60, say('batch.minutesOn')) },
  { key: 'cold', label: say('blame.courseCold'), option: drawing('cold', 3600, say('batch.hoursCold')) },
].filter(c => c.option !== null))
</script>

<template>
  <section v-if="charts.length" class="courses" data-courses>
    <div class="choices" role="group" :aria-label="$say('blame.causes')">
      <button v-for="(n, i) in names" :key="n" type="button" :aria-pressed="chosen === i" @click="chosen = i">
        {{ n }}
      </button>
    </div>
    <div class="two">
      <figure v-for="c in charts" :key="c.key">
        <figcaption>{{ c.label }}</figcaption>
        <StationChart class="chart" :option="c.option!" :label="c.label" />
      </figure>
    </div>
  </section>
</template>

<style scoped>
.courses { margin-top: 0.8rem; }
.two { display: grid; grid-template-columns: repeat(auto-fit, minmax(20rem, 1fr)); gap: 0 2rem; }
figure { margin: 0.5rem 0 0; min-width: 0; }
figcaption { color: var(--ink-soft); }
.two .chart { height: 250px; }
</style>
