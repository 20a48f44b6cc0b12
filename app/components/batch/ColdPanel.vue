<script setup lang="ts">
/** A leg of the cold: the middle measured over the one foretold, and what the code asks by when. */
import type { EChartsOption } from 'echarts'
import { mean } from 'simple-statistics'
import { coolingOf } from '#core/book/cooling'
import { eventsOf } from '#core/book/record'
import type { Bench } from '#core/formula/bench'
import { COLD_COURSE } from '#core/live/course'
import type { Assessment } from '#core/pipeline/assessment'
import { COURSE_GRID, foretoldLine, measuredLine, readSince } from '~/composables/courses'
import { COLD, label, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { clockWords, leftWords, stageWords } from '~/words/batch'
import { say } from '~/words/say'

/** A logger takes so long to feel another air, s. */
const SETTLES_S = 200
const props = defineProps<{ batch: LiveBatch, bench: Bench, assessment: Assessment, legId: string, place: string }>()
const fmt = useFormat()
const record = computed(() => props.batch.record.value!)
const moves = computed(() => eventsOf(props.batch.events.value, 'movedTo'))
const mine = computed(() => moves.value.findLast(e => e.legId === props.legId) ?? null)
const startS = computed(() => moves.value[0]?.atS ?? null)
const foundSet = computed(() => eventsOf(props.batch.events.value, 'foundSet')[0] ?? null)
const opened = computed(() => eventsOf(props.batch.events.value, 'opened')[0] ?? null)
const readings = (channel: 'core' | 'air') => readSince(
  props.batch.record.value?.readings.find(x => x.channel === channel && x.deviceId === 'logger'), startS.value ?? 0)
const core = computed(() => readings('core'))
const air = computed(() => readings('air').at(-1)?.value ?? null)
/** What the code asks: met, missed, still to come, or not measured. */
const stages = computed(() => coolingOf(
  props.batch.record.value!, props.batch.nowS.value,
  { timeS: props.assessment.chill.timeS, tempC: props.assessment.chill.coreC },
))
/* How long it still takes in this place, by the logger in the middle and the one in its air. */
const leg = computed(() => props.assessment.chill.legs.find(l => l.id === props.legId) ?? null)
const here = computed(() => mine.value && readSince(
  props.batch.record.value?.readings.find(x => x.channel === 'core' && x.deviceId === 'logger'), mine.value.atS))
/** The next temperature the code asks for. */
const due = computed(() => stages.value.find(s => s.state === 'due') ?? null)
/** The middle at several paces of this place's air, worked out beside the page. */
const { paces } = useColdPaces(props.bench, record.value.kitchen, props.legId)
const range = useLiveCourse({
  levelC: computed(() => due.value?.toC ?? null),
  paces,
  endC: computed(() => leg.value?.airTempC ?? 0),
  law: COLD_COURSE,
  core: computed(() => here.value ?? []),
  warmerK: computed(() => {
    if (!leg.value || !mine.value || ['bench', 'iceBath'].includes(leg.value.kind)) return null
    // Its first readings here are still of where it was.
    const since = mine.value.atS - (startS.value ?? 0) + SETTLES_S
    const read = readings('air').filter(x => x.s >= since)
    return read.length > 0 ? mean(read.map(x => x.value)) - leg.value.airTempC : null
  }),
  nowS: computed(() => props.batch.nowS.value - (mine.value?.atS ?? 0)),
})
const next = computed(() =>
  opened.value || !due.value || !range.value ? null : { toC: due.value.toC, range: range.value })
const option = computed<EChartsOption>(() => {
  const { chill } = props.assessment
  const planS = props.bench.chill.reduce((s, l) => s + l.timeS, 0)
  const end = Math.max(1, Math.ceil(Math.max(planS * 1.1, core.value.at(-1)?.s ?? 0) / 3600))
  const top = Math.ceil(fmt.degreesShown(Math.max(...chill.coreC, ...core.value.map(x => x.value), 30)) / 10) * 10
  return {
    animation: false,
    textStyle,
    grid: COURSE_GRID,
    xAxis: timeAxis(say('batch.hoursCold'), end, v => String(v)),
    yAxis: valueAxis(fmt.unit.value, fmt.degreesShown(0), top),
    series: [
      {
        ...foretoldLine(chill.timeS.flatMap((t, i) =>
          (t <= 3600 * end ? [[t / 3600, fmt.degreesShown(chill.coreC[i]!)]] : [])), true),
        markLine: {
          symbol: 'none', silent: true,
          data: stages.value.map(s => ({
            yAxis: fmt.degreesShown(s.toC), lineStyle: { color: COLD, type: 'dotted' as const },
            label: { ...label(COLD), position: 'insideMiddleTop' as const, formatter: fmt.temp(s.toC) },
          })),
        },
      },
      measuredLine(core.value.map(x => [x.s / 3600, fmt.degreesShown(x.value)])),
    ],
  }
})
</script>

<template>
  <section class="cold" :data-cold="opened ? 'opened' : mine ? 'in' : 'out'">
    <button
      v-if="!mine" type="button" class="press" @click="batch.happen({ kind: 'movedTo', legId })"
    >
      {{ $say('batch.movedIn', { place }) }}
    </button>
    <p v-else class="was">{{ $say('batch.moved', { at: fmt.clock(batch.record.value!.startedAt, mine.atS) }) }}</p>
    <div v-if="startS !== null" class="tiles">
      <p class="tile">
        <span>{{ $say('batch.coreNow') }}</span>
        <b class="num" data-core>{{ core.length ? fmt.temp(core.at(-1)!.value, 1) : '–' }}</b>
      </p>
      <p v-if="air !== null" class="tile">
        <span>{{ $say('batch.airNow') }}</span><b class="num">{{ fmt.temp(air, 1) }}</b>
      </p>
      <p v-if="next" class="tile" data-left="cold">
        <span>{{ $say('batch.untilC', { c: fmt.temp(next.toC) }) }}</span>
        <b class="num">{{ leftWords(next.range) }}</b>
      </p>
      <p v-for="s in stages" :key="s.toC" class="stage" :class="s.state" :data-stage="s.state">
        {{ stageWords(s, record.startedAt, fmt) }}
        <span v-if="s.state === 'due'" class="num">({{ clockWords(Math.max(0, s.dueS - batch.nowS.value)) }})</span>
      </p>
    </div>
    <template v-if="mine">
      <p v-if="foundSet" class="was">{{ $say('batch.wasSet', { at: fmt.clock(record.startedAt, foundSet.atS) }) }}</p>
      <button v-else type="button" class="flat" data-found-set @click="batch.happen({ kind: 'foundSet' })">
        {{ $say('batch.itIsSet') }}
      </button>
    </template>
    <ImportReadings v-if="startS !== null && !batch.whole.value?.weights" :batch="batch" :from-s="startS" />
    <StationChart v-if="startS !== null" class="course" :option="option" :label="$say('batch.coldChart')" />
  </section>
</template>

<style scoped>
p { margin: 0; }
.stage { font-size: 1.15rem; }
.stage.met::before { content: "✓ "; }
.stage.missed, .stage.unmeasured { color: var(--blood); font-weight: 600; border-left: 4px solid var(--blood); padding-left: 0.7rem; }
.course { height: 280px; }
</style>
