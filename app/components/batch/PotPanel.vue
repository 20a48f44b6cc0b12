<script setup lang="ts">
/**
 * The pot on the heat: what the probe shows over what was foretold, the minutes that are left as ranges that shrink,
 * what is noticed, and one call when it must come off.
 */
import type { EChartsOption } from 'echarts'
import { eventsOf, seriesOf } from '#core/book/record'
import { callOf } from '#core/live/call'
import type { Watch } from '#core/plan/watch'
import type { PotOutlook } from '../../workers/pot.worker'
import { COURSE_GRID, foretoldLine, measuredLine, readSince, silentS } from '~/composables/courses'
import { BLOOD, CITRON_DEEP, label, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import { clockWords, leftWords, NOTICE_WORDS } from '~/words/batch'
import { say } from '~/words/say'

const props = defineProps<{ batch: LiveBatch, watched: Watch, outlook: PotOutlook | null, sound: boolean }>()
const fmt = useFormat()
const w = computed(() => props.watched)
const held = computed(() => props.batch.events.value)
const onS = computed(() => eventsOf(held.value, 'heatOn')[0]?.atS ?? null)
const offEvent = computed(() => eventsOf(held.value, 'heatOff')[0] ?? null)
const series = computed(() => props.batch.record.value && seriesOf(props.batch.record.value, 'pot'))
const shownC = computed(() => series.value?.values.findLast(v => v !== null) ?? null)

const onOr0 = computed(() => onS.value ?? 0)
/* The scale under the pan, where something is boiled off: as it says, or as it was typed. */
const typedPan = shallowRef<{ atS: number, shownG: number } | null>(null)
const pan = computed(() => [
  ...readSince(props.batch.record.value?.readings.find(x => x.channel === 'weight' && x.deviceId === 'scale'), onOr0.value)
    .map(x => ({ atS: x.s, shownG: x.value })),
  ...(typedPan.value ? [typedPan.value] : []),
])
const typePan = (g: number | null) => {
  typedPan.value = g === null ? null : { atS: props.batch.nowS.value - onOr0.value, shownG: g }
}
const panReads = computed(() => pan.value.at(-1)?.shownG ?? null)

/** Seconds since the reading that the outlook is of. */
const lateS = computed(() => Math.max(0, props.batch.nowS.value - (onS.value ?? 0) - (props.outlook?.atS ?? 0)))
type Span = { low: number, value: number, high: number } | null | undefined
const later = (r: Span) => r && { low: r.low - lateS.value, value: r.value - lateS.value, high: r.high - lateS.value }
const mixC = computed(() => props.outlook?.tempC.value ?? null)
const isOn = computed(() => onS.value !== null && offEvent.value === null)
const probe = computed(() => readSince(series.value, onOr0.value).map(x => ({ atS: x.s, tempC: x.value })))
const said = computed(() => callOf(w.value, {
  nowS: props.batch.nowS.value - onOr0.value, probe: probe.value, pan: pan.value, mixC: mixC.value,
  off: later(props.outlook?.off) ?? null,
}))
/** Nothing comes from the probe any more, s; typed readings come when they come. */
const silent = computed(() =>
  (isOn.value && series.value && series.value.deviceId !== 'typed' ? silentS(series.value, props.batch) : 0))
const isCalled = computed(() => isOn.value && said.value.isCalled)
const panLeftMin = computed(() =>
  said.value.leftS === null ? '' : say('batch.panMin', { min: fmt.fixed(said.value.leftS / 60) }))
const { call } = useCall(() => props.sound)
watch(isCalled, is => is && call(), { immediate: true })

const times = computed(() => {
  const o = props.outlook
  if (!o) return []
  const row = (key: string, name: string, range: Span, atC: number | null) =>
    ({ key, name, range: later(range), isPast: atC !== null && mixC.value !== null && mixC.value >= atC })
  return [
    ...(w.value.coatsC === null ? [] : [row('coats', say('batch.toCoats'), o.coats, w.value.coatsC)]),
    row('done', w.value.boils ? say('batch.toBoil') : say('batch.toDone'), o.done, w.value.doneC - (w.value.boils ? 1.5 : 0)),
    ...(w.value.grainyC === null ? [] : [row('grainy', say('batch.toGrainy'), o.grainy, w.value.grainyC)]),
  ]
})
const marginK = computed(() => (w.value.grainyC === null || mixC.value === null ? null : w.value.grainyC - mixC.value))
/** What the stove gives beside what was stated: told once it is a tenth, and known. */
const heatWords = computed(() => {
  const o = props.outlook
  if (!o || w.value.pot?.method === 'waterBath') return ''
  if (o.heat.low > 1.05) return say('batch.hotter', { p: fmt.percent(o.heat.value - 1) })
  if (o.heat.high < 0.95) return say('batch.weaker', { p: fmt.percent(1 - o.heat.value) })
  return o.atS > 60 ? say('batch.asPlannedHeat') : ''
})

const typedC = ref<number | null>(null)
async function writeDown() {
  if (typedC.value === null) return
  const timeS = Math.round(10 * props.batch.nowS.value) / 10
  await api(`/api/batches/${props.batch.id}/readings`, {
    method: 'POST', body: { series: [{ deviceId: 'typed', channel: 'pot', timeS: [timeS], values: [typedC.value] }] },
  })
  typedC.value = null
}
function off() {
  props.batch.happen({ kind: 'heatOff' })
  if (panReads.value !== null)
    props.batch.happen({ kind: 'panWeighed', shownG: panReads.value, tareG: w.value.tareG })
}

const option = computed<EChartsOption>(() => {
  const from = onS.value ?? 0
  const shown = readSince(series.value, from).map(x => [x.s / 60, fmt.degreesShown(x.value)])
  const foretold = w.value.timeS.map((t, i) => [t / 60, fmt.degreesShown(w.value.tempC[i]!)])
  const end = Math.max(4, Math.ceil(Math.max(w.value.timeS.at(-1)! / 60, (shown.at(-1)?.[0] ?? 0) + 1)))
  const across = (c: number | null, name: string, color: string, above: boolean) => c === null ? [] : [{
    yAxis: fmt.degreesShown(c), lineStyle: { color, type: 'dashed' as const },
    label: {
      ...label(color), formatter: `${name} ${fmt.temp(c)}`,
      position: above ? 'insideStartTop' as const : 'insideStartBottom' as const,
    },
  }]
  const top = Math.max(w.value.doneC, w.value.grainyC ?? 0, ...w.value.tempC) + 8
  return {
    animation: false,
    textStyle,
    grid: COURSE_GRID,
    xAxis: timeAxis(say('batch.minutesOn'), end, v => String(v)),
    yAxis: valueAxis(
      fmt.unit.value, Math.floor(fmt.degreesShown(10) / 10) * 10, Math.ceil(fmt.degreesShown(top) / 10) * 10,
    ),
    series: [
      {
        ...foretoldLine(foretold),
        markLine: {
          symbol: 'none', silent: true,
          data: [
            ...across(w.value.doneC, say('batch.toDone'), CITRON_DEEP, false),
            ...across(w.value.grainyC, say('batch.toGrainy'), BLOOD, true),
          ],
        },
      },
      measuredLine(shown),
    ],
  }
})
</script>

<template>
  <section
    class="pot" :data-pot="offEvent ? 'off' : isCalled ? 'call' : isOn ? 'on' : 'cold'"
    :data-fed="outlook ? 'true' : 'false'"
  >
    <button v-if="onS === null" type="button" class="press" @click="batch.happen({ kind: 'heatOn' })">
      {{ $say('batch.putOn') }}
    </button>
    <p v-else-if="offEvent" class="was">{{ $say('batch.wasOff', { at: clockWords(offEvent.atS - onS) }) }}</p>
    <template v-else>
      <div v-if="isCalled" class="call" role="alert">
        <button type="button" class="press stop" @click="off">{{ $say('batch.offNow') }}</button>
        <p v-if="said.carryK > 0.3">
          {{ $say('batch.offNowWhy', { k: fmt.degrees(said.carryK, 1), to: fmt.temp(w.doneC) }) }}
        </p>
      </div>
      <p v-else-if="said.holdLeftS !== null && w.holdS > 0" class="hold" role="status">
        <b>{{ $say('batch.holdNow', { to: fmt.temp(w.doneC) }) }}</b>
        <span class="num">{{ $say('batch.holdFor', { s: clockWords(said.holdLeftS), to: fmt.temp(w.doneC) }) }}</span>
      </p>
      <p v-if="silent > 0" class="notice" role="status" data-notice="silent">
        {{ $say('batch.silent', { s: clockWords(silent) }) }}
      </p>
      <p v-for="n in outlook?.notices ?? []" :key="n.what" class="notice" role="status" :data-notice="n.what">
        {{ NOTICE_WORDS[n.what] }}
      </p>
      <p v-if="!outlook" class="soft">{{ series ? $say('batch.waiting') : $say('batch.noProbe') }}</p>
      <div v-else class="tiles">
        <p class="tile now">
          <span>{{ $say('batch.inTheMix') }}</span>
          <b class="num">{{ mixC === null || silent > 0 ? '–' : fmt.temp(mixC) }}</b>
          <small v-if="shownC !== null" class="num">
            {{ silent > 0 ? $say('batch.shownLast') : $say('batch.shown') }} {{ fmt.temp(shownC, 1) }}
          </small>
        </p>
        <p v-for="t in times" :key="t.key" class="tile" :class="t.key" :data-left="t.key">
          <span>{{ t.name }}</span>
          <b class="num">{{
            t.isPast ? $say('batch.past') : t.range ? leftWords(t.range) : $say('batch.never') }}</b>
          <small v-if="t.key === 'grainy' && marginK !== null">
            {{ marginK > 0 ? $say('batch.margin', { k: fmt.degrees(marginK) }) : $say('batch.noMargin') }}
          </small>
        </p>
        <p v-if="w.stopG !== null" class="tile" data-left="pan">
          <span>{{ $say('batch.panReads') }}</span>
          <b class="num">{{ panReads === null ? '–' : fmt.grams(panReads) }}</b>
          <small class="num">{{
            said.leftG === null ? $say('batch.panUntil', { g: fmt.grams(w.stopG) })
            : said.leftG > 0 ? $say('batch.panLeft', { g: fmt.grams(said.leftG), min: panLeftMin })
              : $say('batch.panThere', { g: fmt.grams(panReads!) }) }}</small>
        </p>
      </div>
      <p v-if="heatWords" class="heat" data-heat>{{ heatWords }}</p>
    </template>
    <div v-if="isOn" class="low">
      <button v-if="!isCalled" type="button" class="press quiet" @click="off">{{ $say('batch.offTheHeat') }}</button>
      <template v-if="!batch.whole.value?.weights || silent > 0">
        <FigureField v-model="typedC" :label="$say('batch.typeReading')" unit="°C" :min="-20" :max="150" />
        <button type="button" class="press quiet" :disabled="typedC === null" @click="writeDown">
          {{ $say('batch.writeDown') }}
        </button>
        <FigureField
          v-if="w.stopG !== null" :model-value="typedPan?.shownG ?? null" :label="$say('batch.panTyped')" unit="g"
          :min="0" :max="200000" @update:model-value="typePan"
        />
      </template>
    </div>
    <StationChart v-if="onS !== null" class="course" :option="option" :label="$say('batch.potChart')" />
  </section>
</template>

<style scoped>
p { margin: 0; }
.call { margin-bottom: 0.6rem; }
.call p { font-size: 1.15rem; margin-top: 0.3rem; }
.hold { display: flex; flex-wrap: wrap; gap: 0 1.2rem; font-size: 1.4rem; background: var(--citron-soft); padding: 0.5rem 0.8rem; margin-bottom: 0.6rem; }
.notice { border-left: 4px solid var(--blood); padding: 0.25rem 0 0.25rem 0.8rem; font-size: 1.15rem; margin-bottom: 0.4rem; }
.tile.grainy b { color: var(--blood); }
.heat { font-size: 1.15rem; padding-top: 0.5rem; font-weight: 600; }
.course { height: 300px; margin-top: 0.6rem; }
.low { display: flex; flex-wrap: wrap; gap: 0.8rem 1.4rem; align-items: end; margin-top: 0.4rem; }
@media (max-width: 760px) {
  .tiles { gap: 0.5rem 1.2rem; display: grid; grid-template-columns: 1fr 1fr; }
  .tile b { font-size: 1.75rem; }
  .course { height: 230px; }
}
</style>
