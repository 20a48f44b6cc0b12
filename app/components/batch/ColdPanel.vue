<script setup lang="ts">
/** A leg of the cold: the middle measured over the one foretold, and what the code asks by when. */
import type { EChartsOption } from 'echarts'
import { eventsOf } from '#core/book/record'
import type { Bench } from '#core/formula/bench'
import { COLD_COURSE } from '#core/live/course'
import type { Assessment } from '#core/pipeline/assessment'
import { CODES, coolingStages } from '#core/physics/safety/keeping'
import { timeBelow } from '#core/physics/thermal/conduction'
import { COURSE_GRID, foretoldLine, measuredLine, readSince } from '~/composables/courses'
import { COLD, label, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { clockWords, leftWords } from '~/words/batch'
import { say } from '~/words/say'

const props = defineProps<{ batch: LiveBatch, bench: Bench, assessment: Assessment, legId: string, place: string }>()
const fmt = useFormat()
const moves = computed(() => eventsOf(props.batch.events.value, 'movedTo'))
const mine = computed(() => moves.value.findLast(e => e.legId === props.legId) ?? null)
const startS = computed(() => moves.value[0]?.atS ?? null)
const opened = computed(() => eventsOf(props.batch.events.value, 'opened')[0] ?? null)
const readings = (channel: 'core' | 'air') => readSince(
  props.batch.record.value?.readings.find(x => x.channel === channel && x.deviceId === 'logger'), startS.value ?? 0)
const core = computed(() => readings('core'))
const air = computed(() => readings('air').at(-1)?.value ?? null)
const code = computed(() => CODES[props.batch.record.value!.kitchen.foodCode])

/** What the code asks: met, missed or still to come, by the logger where there is one, else by what was foretold. */
const stages = computed(() => {
  if (startS.value === null) return []
  const measured = core.value.length > 1
  const times = measured ? core.value.map(x => x.s) : props.assessment.chill.timeS
  const values = measured ? core.value.map(x => x.value) : props.assessment.chill.coreC
  const at = (c: number) => timeBelow(times, values, c)
  const countsS = at(code.value.fromC) ?? 0
  const goneS = props.batch.nowS.value - startS.value
  return coolingStages(code.value, at).map((s) => {
    const dueS = countsS + s.withinS
    const isMet = measured && s.passes
    const isMissed = measured && !s.passes && (s.takesS !== null || goneS > dueS)
    return { ...s, dueS, state: isMet ? 'met' as const : isMissed ? 'missed' as const : 'due' as const }
  })
})
/* How long it still takes in this place, by the logger in the middle and the one in its air. */
const leg = computed(() => props.assessment.chill.legs.find(l => l.id === props.legId) ?? null)
const here = computed(() => mine.value && readSince(
  props.batch.record.value?.readings.find(x => x.channel === 'core' && x.deviceId === 'logger'), mine.value.atS))
const { left } = useLiveCourse({
  foretold: computed(() => {
    const { timeS, coreC } = props.assessment.chill
    const from = timeS.findIndex(t => t >= (leg.value?.fromS ?? 0))
    return { timeS: timeS.slice(Math.max(0, from)), tempC: coreC.slice(Math.max(0, from)) }
  }),
  law: COLD_COURSE,
  core: computed(() => here.value ?? []),
  warmerK: computed(() =>
    (air.value === null || !leg.value || ['bench', 'iceBath'].includes(leg.value.kind) ? null : air.value - leg.value.airTempC)),
  nowS: computed(() => props.batch.nowS.value - (mine.value?.atS ?? 0)),
})
/** The next temperature the code asks for, and when the middle will be there. */
const next = computed(() => {
  const due = stages.value.find(s => s.state === 'due')
  const range = due && !opened.value ? left(due.toC) : null
  return due && range ? { toC: due.toC, range } : null
})
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
      v-if="!mine" type="button" class="act" @click="batch.happen({ kind: 'movedTo', legId })"
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
        {{
          s.state === 'met' ? $say('batch.codeMet', { c: fmt.temp(s.toC) })
          : s.state === 'missed' ? $say('batch.codeMissed', { c: fmt.temp(s.toC) })
            : $say('batch.codeAsks', { c: fmt.temp(s.toC), at: fmt.clock(batch.record.value!.startedAt, startS + s.dueS) })
        }}
        <span v-if="s.state === 'due'" class="num">
          ({{ clockWords(Math.max(0, s.dueS - (batch.nowS.value - startS))) }})
        </span>
      </p>
    </div>
    <ImportReadings v-if="startS !== null && !batch.whole.value?.weights" :batch="batch" :from-s="startS" />
    <StationChart v-if="startS !== null" class="course" :option="option" :label="$say('batch.coldChart')" />
  </section>
</template>

<style scoped>
p { margin: 0; }
.act {
  min-height: 64px; padding: 0 1.6rem; background: var(--ink); color: var(--paper); font-size: 1.4rem; font-weight: 600;
  cursor: pointer;
}
.was { font-size: 1.2rem; }
.tiles { display: flex; flex-wrap: wrap; gap: 0.6rem 2.2rem; align-items: end; padding: 0.6rem 0; }
.tile { display: grid; }
.tile span { color: var(--ink-soft); }
.tile b { font-family: var(--font-display); font-weight: 500; font-size: 2.3rem; line-height: 1.1; }
.stage { font-size: 1.15rem; }
.stage.met::before { content: "✓ "; }
.stage.missed { color: var(--blood); font-weight: 600; border-left: 4px solid var(--blood); padding-left: 0.7rem; }
.course { height: 280px; }
</style>
