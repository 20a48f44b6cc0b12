<script setup lang="ts">
/** A leg of the cold: the middle measured over the one foretold, and what the code asks by when. */
import type { EChartsOption } from 'echarts'
import { eventsOf } from '#core/book/record'
import type { Bench } from '#core/formula/bench'
import type { Assessment } from '#core/pipeline/assessment'
import { CODES, coolingStages } from '#core/physics/safety/keeping'
import { timeBelow } from '#core/physics/thermal/conduction'
import { COLD, INK, label, SOFT, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { clockWords } from '~/words/batch'
import { say } from '~/words/say'

const props = defineProps<{ batch: LiveBatch, bench: Bench, assessment: Assessment, legId: string, place: string }>()
const fmt = useFormat()
const moves = computed(() => eventsOf(props.batch.events.value, 'movedTo'))
const mine = computed(() => moves.value.findLast(e => e.legId === props.legId) ?? null)
const startS = computed(() => moves.value[0]?.atS ?? null)
const opened = computed(() => eventsOf(props.batch.events.value, 'opened')[0] ?? null)
const readings = (channel: 'core' | 'air') => {
  const s = props.batch.record.value?.readings.find(x => x.channel === channel && x.deviceId === 'logger')
  const from = startS.value ?? 0
  return s ? s.timeS.flatMap((t, i) => (t >= from && s.values[i] !== null ? [{ s: t - from, c: s.values[i]! }] : [])) : []
}
const core = computed(() => readings('core'))
const air = computed(() => readings('air').at(-1)?.c ?? null)
const code = computed(() => CODES[props.batch.record.value!.kitchen.foodCode])

/** What the code asks: met, missed or still to come, by the logger where there is one, else by what was foretold. */
const stages = computed(() => {
  if (startS.value === null) return []
  const measured = core.value.length > 1
  const times = measured ? core.value.map(x => x.s) : props.assessment.chill.timeS
  const values = measured ? core.value.map(x => x.c) : props.assessment.chill.coreC
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
const option = computed<EChartsOption>(() => {
  const { chill } = props.assessment
  const end = Math.max(1, Math.ceil((chill.timeS.at(-1) ?? 3600) / 3600))
  return {
    animation: false,
    textStyle,
    grid: { left: 48, right: 16, top: 30, bottom: 46 },
    xAxis: timeAxis(say('batch.hoursCold'), end, v => String(v)),
    yAxis: valueAxis(fmt.unit.value, fmt.degreesShown(0), Math.ceil(fmt.degreesShown(Math.max(...chill.coreC, 30)) / 10) * 10),
    series: [
      {
        type: 'line', name: say('batch.predicted'), showSymbol: false,
        data: chill.timeS.map((t, i) => [t / 3600, fmt.degreesShown(chill.coreC[i]!)]),
        lineStyle: { color: SOFT, width: 2, type: 'dashed' }, itemStyle: { color: SOFT },
        endLabel: { show: true, ...label(SOFT), formatter: say('batch.predicted'), align: 'right', offset: [0, -12] },
        markLine: {
          symbol: 'none', silent: true,
          data: stages.value.map(s => ({
            yAxis: fmt.degreesShown(s.toC), lineStyle: { color: COLD, type: 'dotted' as const },
            label: { ...label(COLD), position: 'insideEndTop' as const, formatter: fmt.temp(s.toC) },
          })),
        },
      },
      {
        type: 'line', name: say('batch.measured'), showSymbol: core.value.length < 3,
        data: core.value.map(x => [x.s / 3600, fmt.degreesShown(x.c)]),
        lineStyle: { color: INK, width: 3 }, itemStyle: { color: INK }, z: 5,
      },
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
        <b class="num" data-core>{{ core.length ? fmt.temp(core.at(-1)!.c, 1) : '–' }}</b>
      </p>
      <p v-if="air !== null" class="tile">
        <span>{{ $say('batch.airNow') }}</span><b class="num">{{ fmt.temp(air, 1) }}</b>
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
