<script setup lang="ts">
/** In the oven: the middle by a probe over the one foretold, in and out. */
import type { EChartsOption } from 'echarts'
import { eventsOf, seriesOf } from '#core/book/record'
import { OVEN_COURSE } from '#core/live/course'
import { ovenPaces } from '#core/live/paces'
import type { Watch } from '#core/plan/watch'
import type { Assessment } from '#core/pipeline/assessment'
import { COURSE_GRID, foretoldLine, measuredLine, readSince } from '~/composables/courses'
import { CITRON_DEEP, label, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { clockWords, leftWords } from '~/words/batch'
import { say } from '~/words/say'

const props = defineProps<{
  batch: LiveBatch
  watched: Watch
  assessment: Assessment
  sound: boolean
  /** Of the oven, °C. */
  airC: number
}>()
const fmt = useFormat()
const first = (kind: 'ovenIn' | 'ovenOut') => eventsOf(props.batch.events.value, kind)[0] ?? null
const inS = computed(() => first('ovenIn')?.atS ?? null)
const out = computed(() => first('ovenOut'))
const series = computed(() => props.batch.record.value && seriesOf(props.batch.record.value, 'core'))
const core = computed(() => (inS.value === null ? [] : readSince(series.value, inS.value))
  .map(x => ({ s: x.s, c: x.value - props.watched.biasK })))
const nowC = computed(() => core.value.at(-1)?.c ?? null)
const isIn = computed(() => inS.value !== null && !out.value)
const isCalled = computed(() => isIn.value && nowC.value !== null && nowC.value >= props.watched.doneC)
const leftRange = useLiveCourse({
  levelC: computed(() => props.watched.doneC),
  paces: computed(() => ovenPaces(props.assessment.heat, props.airC)),
  endC: computed(() => props.airC),
  law: OVEN_COURSE,
  core: computed(() => core.value.map(x => ({ s: x.s, value: x.c }))),
  nowS: computed(() => props.batch.nowS.value - (inS.value ?? 0)),
})
const { call } = useCall(() => props.sound)
watch(isCalled, is => is && call(), { immediate: true })
const option = computed<EChartsOption>(() => {
  const h = props.assessment.heat
  const { doneC } = props.watched
  const end = Math.ceil(Math.max(h.endS, core.value.at(-1)?.s ?? 0) / 60) + 2
  return {
    animation: false,
    textStyle,
    grid: COURSE_GRID,
    xAxis: timeAxis(say('batch.minutesOn'), end, v => String(v)),
    yAxis: valueAxis(fmt.unit.value, fmt.degreesShown(0), Math.ceil(fmt.degreesShown(doneC + 10) / 10) * 10),
    series: [
      {
        ...foretoldLine(h.timeS.map((t, i) => [t / 60, fmt.degreesShown(h.tempC[i]!)])),
        markLine: { symbol: 'none', silent: true, data: [{
          yAxis: fmt.degreesShown(doneC), lineStyle: { color: CITRON_DEEP, type: 'dashed' },
          label: {
            ...label(CITRON_DEEP), position: 'insideStartTop', formatter: `${say('batch.toDone')} ${fmt.temp(doneC)}`,
          },
        }] },
      },
      measuredLine(core.value.map(x => [x.s / 60, fmt.degreesShown(x.c)])),
    ],
  }
})
</script>

<template>
  <section class="oven" :data-oven="out ? 'out' : isCalled ? 'call' : inS === null ? 'cold' : 'in'">
    <button v-if="inS === null" type="button" class="press" @click="batch.happen({ kind: 'ovenIn' })">
      {{ $say('batch.ovenIn') }}
    </button>
    <p v-else-if="out" class="was">{{ $say('batch.wasOut', { at: clockWords(out.atS - inS) }) }}</p>
    <template v-else>
      <p class="was">{{ $say('batch.inOven', { at: fmt.clock(batch.record.value!.startedAt, inS) }) }}</p>
      <p class="tile">
        <span>{{ $say('batch.middleNow') }}</span>
        <b class="num">{{ nowC === null ? '–' : fmt.temp(nowC) }}</b>
      </p>
      <p v-if="leftRange && !isCalled" class="tile" data-left="oven">
        <span>{{ $say('batch.toDone') }}</span>
        <b class="num">{{ leftWords(leftRange) }}</b>
      </p>
      <button
        type="button" class="press" :class="{ stop: isCalled }" :role="isCalled ? 'alert' : undefined"
        @click="batch.happen({ kind: 'ovenOut' })"
      >
        {{ $say('batch.ovenOut') }}
      </button>
    </template>
    <StationChart v-if="inS !== null" class="course" :option="option" :label="$say('batch.potChart')" />
  </section>
</template>

<style scoped>
.oven { display: flex; flex-wrap: wrap; gap: 0.6rem 2rem; align-items: end; }
p { margin: 0; }
.course { width: 100%; height: 280px; }
</style>
