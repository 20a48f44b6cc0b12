<script setup lang="ts">
/** The plan of the cold: a sequence of legs, the core's temperature, when it is safe, set and cold. */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/pipeline/assessment'
import { COVERS, type Cover, type PlaceKind } from '#core/physics/thermal/places'
import type { Bench } from '#core/formula/bench'
import type { ChillLeg } from '#core/formula/document'
import { HARD_AIR_C, USUAL_AIR_C } from '#core/physics/thermal/places'
import { CAPACITY_W } from '#core/physics/chill/load'
import { CODES } from '#core/physics/safety/keeping'
import { valueAt } from '#core/physics/thermal/conduction'
import {
  BLOOD,
  CITRON,
  CITRON_DEEP,
  COLD,
  INK,
  label,
  moments,
  textStyle,
  timeAxis,
  valueAxis,
} from '~/composables/useChartStyle'
import { COVER_NAMES, FOOD_CODES, PLACE_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const c = computed(() => props.assessment.chill)
const legs = (gesture: string, edit: (legs: ChillLeg[]) => ChillLeg[] | undefined) =>
  ws.change(gesture, (d) => {
    d.chill = edit(d.chill) ?? d.chill
  })
const legSet = (i: number, part: Partial<ChillLeg>, gesture: string) =>
  legs(gesture, l => l.map((leg, k) => (k === i ? { ...leg, ...part } : leg)))

const GENERIC: PlaceKind[] = ['bench', 'iceBath', 'domesticFridge', 'fanFridge', 'walkIn', 'blastChiller', 'freezer']
const options = computed(() => [
  ...(kitchen.record?.places ?? []).map(p => ({
    value: p.id,
    name: `${p.name}, ${fmt.temp(p.airTempC, 1)}`,
    placeId: p.id,
    place: { kind: p.kind, airTempC: p.airTempC },
  })),
  ...GENERIC.map((kind) => {
    const airTempC = kind === 'bench' ? (kitchen.record?.settings.roomTempC ?? 20) : USUAL_AIR_C[kind]
    return {
      value: kind,
      name: `${PLACE_NAMES[kind]}, ${fmt.temp(airTempC)}`,
      placeId: null,
      place: { kind, airTempC },
    }
  }),
])
function setPlace(i: number, value: string) {
  const o = options.value.find(x => x.value === value)
  if (o) legSet(i, { placeId: o.placeId, place: { ...o.place } }, '')
}
const placeValue = (leg: ChillLeg) => options.value.some(o => o.value === leg.placeId) ? leg.placeId! : leg.place.kind
function addLeg(kind: PlaceKind, first = false) {
  const leg: ChillLeg = {
    id: crypto.randomUUID(),
    placeId: null,
    place: { kind, airTempC: kind === 'bench' ? (kitchen.record?.settings.roomTempC ?? 20) : USUAL_AIR_C[kind] },
    timeS: kind === 'iceBath' ? 600 : 1800,
    cover: kind === 'iceBath' ? 'open' : 'film',
  }
  legs('', l => first ? [leg, ...l] : [...l.slice(0, -1), leg, ...l.slice(-1)])
}
const move = (i: number, by: number) => legs('', (l) => {
  const next = [...l]
  const [leg] = next.splice(i, 1)
  next.splice(i + by, 0, leg!)
  return next
})
/** What is said of a place's door or load stands open. */
const isLoaded = (l: ChillLeg) => (l.opensPerHour ?? 0) > 0 || (l.alongsideG ?? 0) > 0 || l.hard === true
const shown = fmt.degreesShown
const code = computed(() => CODES[kitchen.record?.settings.foodCode ?? 'us'])
const endH = computed(() =>
  Math.min(26, Math.max(3, Math.ceil(Math.max(c.value.servedS, c.value.readyS ?? 0, c.value.to5S ?? 0) / 3600) + 1)),
)
const coreAt = (s: number) => valueAt(c.value.timeS, c.value.coreC, s)
const events = computed(() => {
  const a = c.value
  const out: { key: string, name: string, s: number | null, color: string }[] = []
  const stage = a.stages.at(-1)!
  const start = a.timeS.find((_, i) => a.coreC[i]! <= code.value.fromC) ?? 0
  out.push({
    key: 'safe',
    name: a.safe ? say('chillPlan.cooledSafely') : say('chillPlan.cooledTooLate'),
    s: stage.takesS === null ? null : start + stage.takesS,
    color: a.safe ? COLD : BLOOD,
  })
  out.push({ key: 'set', name: say('chillPlan.setThroughMark'), s: a.readyS, color: CITRON_DEEP })
  out.push({ key: 'cold', name: say('words.cold'), s: a.coldS, color: COLD })
  return out
})
const line = (values: number[]) =>
  values.map((v, i) => [c.value.timeS[i]! / 3600, v]).filter(([h]) => h! <= endH.value + 1)
const shownEvents = computed(() => events.value.filter(e => e.s !== null && e.s / 3600 <= endH.value))
/** Each leg as a band, named where there is room for its name. */
const legBands = () => c.value.legs.map((l, i) => {
  const toH = Math.min(l.toS / 3600, endH.value)
  return [
    {
      xAxis: l.fromS / 3600,
      name: PLACE_NAMES[l.kind as PlaceKind],
      itemStyle: { color: i % 2 ? 'rgba(79,113,133,.10)' : 'rgba(79,113,133,.03)' },
      label: {
        ...label(COLD),
        position: 'top' as const,
        distance: 2,
        show: (toH - l.fromS / 3600) / endH.value > 0.16,
      },
    },
    { xAxis: toH },
  ] as [object, object]
})
/** The core, with a mark where something happens. */
const coreLine = () => ({
  name: say('words.core'),
  type: 'line' as const,
  showSymbol: false,
  lineStyle: { color: INK, width: 2.5 },
  itemStyle: { color: INK },
  z: 5,
  data: line(c.value.coreC.map(shown)),
  markPoint: {
    symbol: 'circle',
    symbolSize: 13,
    label: { show: false },
    data: shownEvents.value.map(e => ({
      name: e.name,
      coord: [e.s! / 3600, shown(coreAt(e.s!))],
      itemStyle: { color: e.key === 'set' ? CITRON : '#FBF8F0', borderColor: e.color, borderWidth: 2.5 },
    })),
  },
  markArea: { silent: true, data: legBands() },
})
const slowLine = () => ({
  name: say('chillPlan.coreSlowFridge'),
  type: 'line' as const,
  showSymbol: false,
  lineStyle: { color: COLD, width: 1.5, type: 'dashed' as const },
  itemStyle: { color: COLD },
  data: line(c.value.slowCoreC.map(shown)),
})
/** How far it has set, with the moments. */
const setLine = () => ({
  name: say('words.set'),
  type: 'line' as const,
  yAxisIndex: 1,
  showSymbol: false,
  markLine: moments(shownEvents.value.map(e => ({ name: e.name, at: e.s! / 3600, color: e.color })), endH.value, 1.1),
  lineStyle: { color: CITRON_DEEP, width: 2.5 },
  itemStyle: { color: CITRON_DEEP },
  data: line(c.value.setShare.map(x => 100 * x)),
})
/** What stands at a moment, line by line. */
function said(ps: unknown): string {
  const list = ps as { axisValue: number, data: [number, number], seriesName: string }[]
  const unitOf = (name: string) => (name === say('words.set') ? '%' : fmt.unit.value)
  return say('chillPlan.afterPouringBr', {
    axisValue: fmt.duration(list[0]!.axisValue * 3600),
    br: list.map(p => `${p.seriesName} ${fmt.fixed(p.data[1], 0)} ${unitOf(p.seriesName)}`).join('<br>'),
  })
}
/** Bottom and top of the scale, °C or °F. */
const scale = computed<[number, number]>(() => {
  const warm = c.value.coreC[0]! > 55
  const frost = c.value.legs.some(l => l.airTempC < -1)
  return fmt.fahrenheit.value ? [20, warm ? 200 : 140] : [frost ? -20 : 0, warm ? 100 : 60]
})
/* The end of each leg is taken hold of on the axis of time. */
const GRID = { left: 46, right: 54, top: 92, bottom: 46 }
const plotWidth = (width: number) => width - GRID.left - GRID.right
const legEnd = (i: number, width: number) => {
  const toH = props.doc.chill.slice(0, i + 1).reduce((sum, l) => sum + l.timeS, 0) / 3600
  return `${GRID.left + (plotWidth(width) * Math.min(toH, endH.value)) / endH.value}px`
}
const option = computed<EChartsOption>(() => ({
  animation: false,
  textStyle,
  grid: GRID,
  tooltip: { trigger: 'axis', backgroundColor: '#fffdf7', borderColor: INK, textStyle, formatter: said },
  xAxis: timeAxis(
    say('chillPlan.hoursAfterPouring'),
    endH.value,
    v => String(v),
    endH.value > 12 ? 4 : endH.value > 6 ? 2 : 1,
  ),
  yAxis: [valueAxis(fmt.unit.value, ...scale.value), valueAxis('% set', 0, 100, true, CITRON_DEEP)],
  series: [coreLine(), slowLine(), setLine()],
}))
</script>

<template>
  <div class="chill">
    <LazyStationChart
      :option="option"
      :label="
        $say('chillPlan.coreTemperatureAgainstTime',
             { pouring: events.map(e => e.s === null
               ? $say('chillPlan.notReached', { name: e.name })
               : $say('chillPlan.afterPouring', { name: e.name, p2: fmt.duration(e.s) })).join('; ') })
      "
    >
      <template #default="{ width, height }">
        <PictureHandle
          v-for="(leg, i) in doc.chill" :key="leg.id" axis="x" :label="$say('chillPlan.endOfLeg', { p1: i + 1 })"
          :value="leg.timeS / 60" :min="5" :max="26 * 60" :step="5" :text="fmt.duration(leg.timeS)"
          :per-px="(endH * 60) / plotWidth(width)" :left="legEnd(i, width)" :top="`${height - GRID.bottom}px`"
          @change="v => legSet(i, { timeS: Math.round(v * 60) }, `leg-${leg.id}`)" @done="ws.endGesture()"
        />
      </template>
    </LazyStationChart>
    <p class="key soft small">{{ $say('chillPlan.blackLineTheCoreDashedThe') }}</p>
    <ol class="legs">
      <li v-for="(leg, i) in doc.chill" :key="leg.id" :data-leg="i">
        <span class="n num">{{ i + 1 }}</span>
        <div class="where">
          <label class="field-label" :for="`place-${leg.id}`">{{ $say('chillPlan.where') }}</label>
          <select
            :id="`place-${leg.id}`" class="native" :value="placeValue(leg)"
            @change="setPlace(i, ($event.target as HTMLSelectElement).value)"
          >
            <option v-for="o in options" :key="o.value" :value="o.value">{{ o.name }}</option>
          </select>
        </div>
        <QuantityField
          class="time" :kind="leg.timeS > 5400 || i === doc.chill.length - 1 ? 'hours' : 'minutes'" show-label
          :step="leg.timeS > 5400 || i === doc.chill.length - 1 ? 0.5 : 5"
          :label="i === doc.chill.length - 1 ? $say('chillPlan.untilServed') : $say('chillPlan.for')"
          field="chill.*.timeS" :model-value="leg.timeS"
          @update:model-value="v => legSet(i, { timeS: Math.round(v) }, `leg-${leg.id}`)" @done="ws.endGesture()"
        />
        <div class="cover">
          <label class="field-label" :for="`cover-${leg.id}`">{{ $say('chillPlan.cover') }}</label>
          <select
            :id="`cover-${leg.id}`" class="native" :value="leg.cover"
            @change="legSet(i, { cover: ($event.target as HTMLSelectElement).value as Cover }, '')"
          >
            <option v-for="k in COVERS" :key="k" :value="k">{{ COVER_NAMES[k] }}</option>
          </select>
        </div>
        <details v-if="CAPACITY_W[leg.place.kind] !== undefined" class="load" :open="isLoaded(leg)">
          <summary>{{ $say('chillPlan.doorAndLoad') }}</summary>
          <QuantityField
            field="chill.*.opensPerHour" kind="count" show-label :label="$say('chillPlan.doorOpened')"
            :unit-text="$say('chillPlan.timesAnHour')" :model-value="leg.opensPerHour ?? 0"
            @update:model-value="v => legSet(i, { opensPerHour: v }, `door-${leg.id}`)" @done="ws.endGesture()"
          />
          <QuantityField
            field="chill.*.alongsideG" kind="mass" show-label :label="$say('chillPlan.alongside')"
            :blank="$say('chillPlan.none')" :model-value="leg.alongsideG ?? 0"
            @update:model-value="v => legSet(i, { alongsideG: v }, `with-${leg.id}`)" @done="ws.endGesture()"
          />
          <label v-if="leg.place.kind === 'blastChiller'" class="tick">
            <input
              type="checkbox" :checked="leg.hard ?? false"
              @change="legSet(i, { hard: ($event.target as HTMLInputElement).checked }, '')"
            >
            {{ $say('chillPlan.hardProgramme', { hardC: fmt.temp(HARD_AIR_C) }) }}
          </label>
          <span v-if="c.legs[i] && c.legs[i]!.warmestC > c.legs[i]!.airTempC + 0.5" class="soft small" data-fact="air">
            {{ $say('chillPlan.itsAirClimbsTo', { warmestC: fmt.temp(c.legs[i]!.warmestC, 1) }) }}
          </span>
        </details>
        <span class="acts">
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-arrow-up" :disabled="i === 0"
            :aria-label="$say('chillPlan.legEarlier', { p1: i + 1 })" @click="move(i, -1)"
          />
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-arrow-down" :disabled="i === doc.chill.length - 1"
            :aria-label="$say('chillPlan.legLater', { p1: i + 1 })" @click="move(i, 1)"
          />
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-x" :disabled="doc.chill.length === 1"
            :aria-label="$say('chillPlan.takeOutLeg', { p1: i + 1 })"
            @click="legs('', l => l.filter((_, k) => k !== i))"
          />
        </span>
      </li>
    </ol>
    <div class="more">
      <UButton
        variant="outline" color="neutral" size="sm" :label="$say('chillPlan.iceBathFirst')"
        @click="addLeg('iceBath', true)"
      />
      <UButton
        variant="outline" color="neutral" size="sm" :label="$say('chillPlan.addABenchRest')" @click="addLeg('bench')"
      />
      <UButton
        variant="outline" color="neutral" size="sm" :label="$say('chillPlan.addAFridge')"
        @click="addLeg('domesticFridge')"
      />
      <UButton
        variant="outline" color="neutral" size="sm" :label="$say('chillPlan.addAFreezerSpell')"
        @click="addLeg('freezer')"
      />
      <span class="soft small">{{ $say('chillPlan.anIceBathBeforePouringIs') }}</span>
    </div>
    <dl class="facts">
      <div v-for="(s, i) in c.stages" :key="s.toC">
        <dt>{{ $say('chillPlan.toFrom', { toC: fmt.temp(s.toC), fromC: fmt.temp(code.fromC) }) }}</dt>
        <dd :class="{ bad: !s.passes }">
          <WhyNumber topic="cooling">
            {{ s.takesS === null ? $say('chillPlan.notReached2') : fmt.duration(s.takesS) }}
          </WhyNumber>
          <small>
            {{
              $say('chillPlan.limitSlowFridge',
                   { withinS: fmt.duration(s.withinS),
                     takesS: c.slowStages[i]!.takesS === null
                       ? $say('chillPlan.never')
                       : fmt.duration(c.slowStages[i]!.takesS!) })
            }}
          </small>
        </dd>
      </div>
      <div>
        <dt>{{ $say('chillPlan.setThrough') }}</dt>
        <dd data-fact="set">
          <WhyNumber topic="set">
            {{
              c.readyS === null
                ? $say('chillPlan.notInADay')
                : c.readyS < 60
                  ? $say('chillPlan.atOnce')
                  : fmt.duration(c.readyS)
            }}
          </WhyNumber>
          <small>{{ $say('chillPlan.afterPouring2') }}</small>
        </dd>
      </div>
      <div>
        <dt>{{ $say('chillPlan.coldThrough') }}</dt>
        <dd>
          <WhyNumber topic="coldThrough">
            {{ c.coldS === null ? $say('chillPlan.notInADay') : fmt.duration(c.coldS) }}
          </WhyNumber>
          <small>{{ $say('chillPlan.within1OfItsPlace') }}</small>
        </dd>
      </div>
      <div v-if="c.freeze && c.freeze.firmS !== null">
        <dt>{{ $say('chillPlan.firmToUnmould') }}</dt>
        <dd data-fact="firm">
          <WhyNumber topic="freezing">{{ fmt.duration(c.freeze.firmS) }}</WhyNumber>
          <small>{{ $say('chillPlan.afterPouring2') }}</small>
        </dd>
      </div>
      <div v-if="c.freeze && c.freeze.firmS !== null">
        <dt>{{ $say('chillPlan.thawed') }}</dt>
        <dd data-fact="thawed">
          <WhyNumber topic="freezing">
            {{ c.freeze.thawedS === null ? $say('chillPlan.notInThisPlan') : fmt.duration(c.freeze.thawedS) }}
          </WhyNumber>
          <small>{{ $say('chillPlan.afterPouring2') }}</small>
        </dd>
      </div>
    </dl>
    <CautionList :findings="assessment.findings.filter(f => f.station === 'chill')" />
    <p class="soft small judged">
      {{ $say('chillPlan.judgedByTheFromMemoryOf', { us: FOOD_CODES[kitchen.record?.settings.foodCode ?? 'us'] }) }}
    </p>
  </div>
</template>

<style scoped>
.legs { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--ink); }
.legs li {
  display: grid; grid-template-columns: 1.2rem minmax(0, 2fr) minmax(0, 7rem) minmax(0, 1.2fr) auto; gap: 0.9rem;
  align-items: end; border-bottom: 1px solid var(--hairline); padding: 0.35rem 0 0.45rem;
}
.n { font-family: var(--font-display); font-size: 1.2rem; padding-bottom: 0.5rem; }
.acts { display: flex; }
.load { grid-column: 2 / -1; grid-row: 2; }
.load summary { min-height: 24px; cursor: pointer; font-size: 0.9rem; color: var(--soft); }
@media (pointer: coarse) { .load summary { padding: 10px 0; } }
.load > :not(summary) { display: inline-block; width: 8rem; margin: 0.3rem 1.4rem 0.3rem 0; vertical-align: bottom; }
.load > .small { width: auto; padding-bottom: 0.6rem; }
.load > .tick { display: inline-flex; width: auto; align-items: center; gap: 0.5rem; min-height: 44px; }
.tick input { width: 22px; height: 22px; accent-color: var(--ink); }
.more { display: flex; flex-wrap: wrap; gap: 0.5rem 0.6rem; align-items: center; margin: 0.7rem 0; }
.judged { margin-top: 0.8rem; }
.key { margin: 0 0 0.6rem; }
@media (max-width: 760px) {
  .legs li { grid-template-columns: 1.2rem minmax(0, 0.7fr) minmax(0, 1fr); }
  .where { grid-column: 2 / -1; }
  .time { grid-column: 2; }
  .cover { grid-column: 3; }
  .acts { grid-column: 2 / -1; }
  .load { grid-row: auto; }
}
</style>
