<script setup lang="ts">
/**
 * The cook: way of making, heat, pan or oven; its course with what happens along it; where to put the probe and
 * when to stop.
 */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { FAMILIES, type Family, given, type School } from '#core/formula/document'
import type { HeatMethod } from '#core/physics/heat/pot'
import { withSchool } from '#core/formula/edits'
import { familyOf } from '#core/formula/families'
import { schoolOf } from '#core/formula/schools'
import { suggestSchool } from '#core/formula/suggest'
import { fillingOf, ovenAirC, panOf } from '#core/formula/bench'
import { scaleReadingG } from '#core/plan/boil'
import { BOILED_C, burstsIn, fullHeatW } from '#core/physics/heat/pot'
import { orderOfWork } from '#core/plan/order'
import { LETHALITY_NEEDED_MIN } from '#core/physics/safety/lethality'
import {
  BLOOD,
  CITRON,
  CITRON_DEEP,
  COLD,
  INK,
  label,
  moments,
  SOFT,
  textStyle,
  timeAxis,
  valueAxis,
} from '~/composables/useChartStyle'
import { CUE_NAMES, PROBE_NAMES } from '~/words/cook'
import { CONDITION_NAMES, FAMILY_NAMES, METHOD_NAMES, REASON_NAMES, SCHOOL_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const h = computed(() => props.assessment.heat)
const heat = (part: Partial<Bench['heat']>, gesture: string) =>
  ws.change(gesture, (d) => {
    Object.assign(d.heat, part)
  })
const family = computed(() => familyOf(props.doc.family))
const school = computed(() => schoolOf(props.doc.school))
function setSchool(next: School) {
  ws.replace(withSchool(props.doc, next, () => crypto.randomUUID()))
  ws.endGesture()
}
const setFamily = (next: Family) => setSchool(suggestSchool(fillingOf(props.doc).lines, next, props.doc.use.kind))
const method = computed(() => props.doc.heat.method)
const heats = computed(() => method.value !== 'none')
/** The egg's own curve says something: where it sets the dessert, or could scramble in a pan that never boils. */
const hasEgg = computed(
  () =>
    h.value.t60C !== null &&
    (family.value.eggSets ||
      (heats.value && method.value !== 'oven' && h.value.peakTempC < BOILED_C && props.assessment.set.eggC > 2)),
)
const reducing = computed(() => props.doc.heat.until === 'creamVolume')
const airC = computed(() => ovenAirC(props.doc, kitchen.core!))
const ovenTime = computed(() => given(props.doc.heat.oven.timeS))
const oven = (part: Partial<Bench['heat']['oven']>, gesture: string) =>
  ws.change(gesture, (d) => {
    Object.assign(d.heat.oven, part)
  })
const shown = fmt.degreesShown
const cues = computed(() => !hasEgg.value ? [] : [
  { key: 'coats', why: 'coats' as const, name: say('cookPlan.coatsTheSpoon'), at: h.value.coatsS },
  { key: 'done', why: 'done' as const, name: 'done', at: h.value.doneS },
  { key: 'grainy', why: 'margin' as const, name: 'grainy', at: h.value.grainyS },
])
const tempAt = (s: number) => {
  const i = h.value.timeS.findIndex(t => t >= s)
  return h.value.tempC[Math.max(i, 0)]!
}
/** Courses beside the temperature, in % of what each means; a line says its own name where it climbs. */
const courses = computed(() => {
  const a = h.value
  const list: { name: string, color: string, type: 'solid' | 'dotted' | 'dashed', values: number[] }[] = []
  if (hasEgg.value)
    list.push(
      { name: 'set', color: CITRON_DEEP, type: 'solid', values: a.setting.map(x => 100 * x) },
      { name: 'over-set', color: BLOOD, type: 'dotted', values: a.oversetting.map(x => 100 * x) },
    )
  if (a.t60C !== null)
    list.push({
      name: say('cookPlan.heatThatCountsAsCooked'),
      color: COLD,
      type: 'dashed',
      values: a.lethalityMin.map(x => 100 * Math.min(1, x / LETHALITY_NEEDED_MIN)),
    })
  if (a.starchShare.length)
    list.push({
      name: say('cookPlan.starchSwollen'),
      color: CITRON_DEEP,
      type: 'solid',
      values: a.starchShare.map(x => 100 * x),
    })
  if (a.peakTempC > BOILED_C && method.value !== 'oven')
    list.push({
      name: say('cookPlan.steamGone'),
      color: SOFT,
      type: 'dotted',
      values: a.evaporationG.map(g => (100 * g) / Math.max(1e-9, a.evaporatedG)),
    })
  return list
})
/** Names stand where a line passes a height of its own, so that they keep apart. */
const NAME_AT = [62, 22, 42, 78, 30]
const option = computed<EChartsOption>(() => {
  const a = h.value
  const minutes = a.timeS.map(t => t / 60)
  const end = Math.max(4, Math.ceil(a.endS / 60) + 1)
  const top = fmt.fahrenheit.value ? 220 : a.peakTempC > 98 ? 110 : 100
  const reached = cues.value.filter(c => c.at !== null)
  const points = reached.map(c => ({
    name: c.name,
    coord: [c.at! / 60, shown(tempAt(c.at!))],
    itemStyle: { color: c.key === 'grainy' ? BLOOD : CITRON, borderColor: INK, borderWidth: 2 },
  }))
  const named = (c: (typeof courses.value)[number], k: number) => {
    const i = c.values.findIndex(v => v >= NAME_AT[k % NAME_AT.length]!)
    // What never climbs so high is named at its end.
    if (i < 0)
      return c.values.length > 1
        ? [
            {
              name: c.name,
              coord: [minutes.at(-1)!, c.values.at(-1)!],
              symbolSize: 1,
              label: {
                show: true,
                ...label(c.color),
                formatter: c.name,
                position: 'right' as const,
                textBorderColor: '#FBF8F0',
                textBorderWidth: 4,
              },
            },
          ]
        : []
    const late = minutes[i]! > end * 0.45
    return [
      {
        name: c.name,
        coord: [minutes[i]!, c.values[i]!],
        symbolSize: 1,
        label: {
          show: true,
          ...label(c.color),
          formatter: c.name,
          position: late ? ('left' as const) : ('right' as const),
          textBorderColor: '#FBF8F0',
          textBorderWidth: 4,
        },
      },
    ]
  }
  return {
    animation: false,
    textStyle,
    grid: { left: 46, right: 54, top: 84, bottom: 46 },
    tooltip: {
      trigger: 'axis',
      backgroundColor: '#fffdf7',
      borderColor: INK,
      textStyle,
      formatter: (ps: unknown) => {
        const list = ps as { axisValue: number, data: [number, number], seriesName: string }[]
        return `${fmt.duration(list[0]!.axisValue * 60)}<br>${list.map(p => `${p.seriesName} ${fmt.fixed(p.data[1], 0)} ${p.seriesName === 'temperature' ? fmt.unit.value : '%'}`).join('<br>')}`
      },
    },
    xAxis: timeAxis(
      say('cookPlan.minutesInThe', {
        pan: method.value === 'oven' ? say('cookPlan.ovenColdestPart') : say('cookPlan.pan'),
      }),
      end,
      v => String(v),
    ),
    yAxis: [
      valueAxis(fmt.unit.value, 0, top),
      ...(courses.value.length ? [valueAxis('%', 0, 100, true, CITRON_DEEP)] : []),
    ],
    series: [
      {
        name: 'temperature',
        type: 'line',
        showSymbol: false,
        lineStyle: { color: INK, width: 2.5 },
        itemStyle: { color: INK },
        data: minutes.map((m, i) => [m, shown(a.tempC[i]!)]),
        z: 5,
        markPoint: { symbol: 'circle', symbolSize: 13, data: points, label: { show: false } },
        markLine: {
          symbol: 'none',
          silent: true,
          data:
            hasEgg.value && a.grainyAtC !== null && shown(a.grainyAtC) < top
              ? [
                  {
                    yAxis: shown(a.grainyAtC),
                    lineStyle: { color: BLOOD, type: 'dashed' },
                    label: {
                      ...label(BLOOD),
                      position: 'insideStartTop',
                      formatter: say('cookPlan.grainyFrom', { grainyAtC: fmt.temp(a.grainyAtC) }),
                    },
                  },
                ]
              : [],
        },
      },
      ...courses.value.map((c, k) => ({
        name: c.name,
        type: 'line' as const,
        yAxisIndex: 1,
        showSymbol: false,
        lineStyle: { color: c.color, width: k === 0 ? 2.5 : 2, type: c.type },
        itemStyle: { color: c.color },
        data: minutes.map((m, i) => [m, c.values[i]!]),
        markPoint: { silent: true, symbol: 'circle', itemStyle: { color: c.color }, data: named(c, k) },
        ...(k === 0
          ? {
              markLine: moments(
                reached.map(r => ({ name: r.name, at: r.at! / 60, color: r.key === 'grainy' ? BLOOD : INK })),
                end,
                1,
              ),
            }
          : {}),
      })),
    ],
  }
})
/* Equipment of the kitchen. */
const record = computed(() => kitchen.record)
const pan = computed(() => panOf(props.doc, kitchen.core!))
const burner = computed(() => record.value?.burners.find(b => b.id === props.doc.heat.burnerId) ?? null)
const fullW = computed(() => burner.value ? fullHeatW(burner.value) : 0)
const burners = computed(
  () => record.value?.burners.filter(b => (b.kind === 'microwave') === (method.value === 'microwave')) ?? [],
)
function takeBurner(id: string) {
  const b = record.value?.burners.find(x => x.id === id)
  heat({ burnerId: b?.id ?? null, ...(b && method.value === 'microwave' ? { burnerW: b.ratedW } : {}) }, '')
}
function takePan(id: string) {
  const p = record.value?.pans.find(x => x.id === id)
  heat({ pan: p ? { panId: p.id, diameterM: p.diameterM, heightM: p.heightM, tareG: p.tareG } : null }, '')
}
function takeOven(id: string) {
  const o = record.value?.ovens.find(x => x.id === id)
  oven({ ovenId: o?.id ?? null, offsetK: o?.offsetK ?? 0 }, '')
}
/** The weight of the empty pan is asked once: it stays with the kitchen's pan. */
const weighing = ref<number | null>(null)
function weigh() {
  const id = props.doc.heat.pan?.panId
  const tareG = weighing.value
  weighing.value = null
  if (!record.value || !id || tareG === null || tareG < 20) return
  kitchen.change({ ...record.value, pans: record.value.pans.map(p => p.id === id ? { ...p, tareG } : p) })
}
const main = computed(() =>
  orderOfWork(props.doc, kitchen.core!, props.assessment).find(
    s =>
      s.probe !== null &&
      s.cue !== null &&
      (s.code.startsWith('heat') || s.code.startsWith('boil') || s.code === 'bake'),
  ),
)
const margin = computed(() =>
  h.value.marginK === null
    ? '—'
    : h.value.marginK > 0
      ? fmt.degrees(h.value.marginK, 1)
      : say('cookPlan.pastItBy', { marginK: fmt.degrees(-h.value.marginK, 1) }),
)
</script>

<template>
  <div class="cook">
    <div class="controls">
      <div class="choices" role="group" :aria-label="$say('cookPlan.wayOfMaking')">
        <button
          v-for="s in family.schools" :key="s" type="button" :aria-pressed="doc.school === s" @click="setSchool(s)"
        >
          {{ SCHOOL_NAMES[s].name }}
        </button>
      </div>
      <div class="fields">
        <div class="kind">
          <label class="field-label" for="family">{{ $say('cookPlan.kindOfDessert') }}</label>
          <select
            id="family" class="native" :value="doc.family"
            @change="setFamily(($event.target as HTMLSelectElement).value as Family)"
          >
            <option v-for="f in FAMILIES" :key="f" :value="f">{{ FAMILY_NAMES[f].name }}</option>
          </select>
        </div>
        <div v-if="family.methods.length > 1">
          <label class="field-label" for="method">{{ $say('cookPlan.heat') }}</label>
          <select
            id="method" class="native" :value="method"
            @change="heat({ method: ($event.target as HTMLSelectElement).value as HeatMethod }, '')"
          >
            <option v-for="m in family.methods" :key="m" :value="m">{{ METHOD_NAMES[m] }}</option>
          </select>
        </div>
        <template v-if="method === 'oven'">
          <QuantityField
            field="heat.oven.airTempC" kind="temperature" show-label big :label="$say('cookPlan.ovenAt')" :step="5"
            :model-value="doc.heat.oven.airTempC" @update:model-value="v => oven({ airTempC: v }, 'oven')"
            @done="ws.endGesture()"
          />
          <div>
            <label class="field-label" for="oven-until">{{ $say('cookPlan.doneBy') }}</label>
            <select
              id="oven-until" class="native" :value="ovenTime === null ? 'target' : 'time'"
              @change="
                oven({ timeS: ($event.target as HTMLSelectElement).value === 'time'
                       ? { given: Math.round(h.endS / 60) * 60 }
                       : { simulated: true } },
                     '')
              "
            >
              <option value="target">{{ $say('cookPlan.itsMiddle') }}</option>
              <option value="time">{{ $say('cookPlan.aSetTime') }}</option>
            </select>
          </div>
          <QuantityField
            v-if="ovenTime !== null" field="heat.oven.timeS" kind="minutes" show-label big
            :label="$say('cookPlan.timeInIt')" :model-value="ovenTime"
            @update:model-value="v => oven({ timeS: { given: v } }, 'oven-time')" @done="ws.endGesture()"
          />
          <label class="tick">
            <input
              type="checkbox" :checked="doc.heat.oven.fan"
              @change="oven({ fan: ($event.target as HTMLInputElement).checked }, '')"
            >
            {{ $say('cookPlan.fan') }}
          </label>
          <label class="tick">
            <input
              type="checkbox" :checked="doc.heat.oven.bath"
              @change="oven({ bath: ($event.target as HTMLInputElement).checked }, '')"
            >
            {{ $say('cookPlan.waterBath') }}
          </label>
        </template>
        <QuantityField
          v-if="heats && ovenTime === null" field="heat.targetTempC" kind="temperature" show-label big
          :label="method === 'oven' ? $say('cookPlan.middleTo') : $say('cookPlan.takeItTo')"
          :model-value="doc.heat.targetTempC" @update:model-value="v => heat({ targetTempC: v }, 'target')"
          @done="ws.endGesture()"
        />
        <div v-if="family.fields.reduce && method === 'direct'" class="wide">
          <label class="field-label" for="until">{{ $say('cookPlan.thenBoil') }}</label>
          <select
            id="until" class="native" :value="doc.heat.until"
            @change="heat({ until: ($event.target as HTMLSelectElement).value as 'hold' | 'creamVolume' }, '')"
          >
            <option value="creamVolume">{{ $say('cookPlan.toCreamSVolume') }}</option>
            <option value="hold">{{ $say('cookPlan.forATime') }}</option>
          </select>
        </div>
        <QuantityField
          v-if="heats && ovenTime === null && !reducing" field="heat.holdS" kind="minutes" show-label big
          :label="$say('cookPlan.holdItThere')" :step="0.5" :model-value="doc.heat.holdS"
          @update:model-value="v => heat({ holdS: v }, 'hold')" @done="ws.endGesture()"
        />
        <QuantityField
          field="heat.startTempC" kind="temperature" show-label :label="$say('cookPlan.startsAt')"
          :model-value="doc.heat.startTempC" @update:model-value="v => heat({ startTempC: v }, 'start')"
          @done="ws.endGesture()"
        />
        <div v-if="method === 'oven' && record?.ovens.length">
          <label class="field-label" for="oven-own">{{ $say('cookPlan.whichOven') }}</label>
          <select
            id="oven-own" class="native" :value="doc.heat.oven.ovenId ?? ''"
            @change="takeOven(($event.target as HTMLSelectElement).value)"
          >
            <option value="">{{ $say('cookPlan.anyDialTrue') }}</option>
            <option v-for="o in record.ovens" :key="o.id" :value="o.id">{{ o.name }}</option>
          </select>
        </div>
        <div v-if="(method === 'direct' || method === 'microwave') && burners.length">
          <label class="field-label" for="burner-own">
            {{ method === 'microwave' ? $say('cookPlan.whichMicrowave') : $say('cookPlan.whichBurner') }}
          </label>
          <select
            id="burner-own" class="native" :value="burner?.id ?? ''"
            @change="takeBurner(($event.target as HTMLSelectElement).value)"
          >
            <option value="">{{ $say('cookPlan.any') }}</option>
            <option v-for="b in burners" :key="b.id" :value="b.id">{{ b.name }}</option>
          </select>
        </div>
        <QuantityField
          v-if="burner && method === 'direct'" kind="percent" show-label :label="$say('cookPlan.turnedTo')" :step="5"
          :model-value="100 * doc.heat.burnerW / fullW" :min="1" :max="100"
          @update:model-value="v => heat({ burnerW: Math.max(50, Math.round(v / 100 * fullW)) }, 'burner')"
          @done="ws.endGesture()"
        />
        <QuantityField
          v-if="method === 'direct' || method === 'microwave'" field="heat.burnerW" kind="power" show-label
          :label="method === 'microwave' ? $say('cookPlan.microwaveRated') : $say('cookPlan.heatIntoThePan')"
          :model-value="doc.heat.burnerW" @update:model-value="v => heat({ burnerW: v }, 'burner')"
          @done="ws.endGesture()"
        />
        <div v-if="method === 'direct' || method === 'waterBath'" class="wide">
          <label class="field-label" for="pan-own">
            {{ method === 'waterBath' ? $say('cookPlan.bowlOrPan') : $say('cookPlan.pan2') }}
          </label>
          <select
            id="pan-own" class="native" :value="doc.heat.pan?.panId ?? ''"
            @change="takePan(($event.target as HTMLSelectElement).value)"
          >
            <option value="">{{ $say('cookPlan.asSuitsTheMix') }}</option>
            <option v-for="p in record?.pans ?? []" :key="p.id" :value="p.id">{{ p.name }}</option>
          </select>
        </div>
        <QuantityField
          v-if="doc.heat.pan?.panId" field="heat.pan.tareG" kind="mass" show-label
          :label="$say('cookPlan.itWeighsEmpty')" :blank="$say('cookPlan.notWeighed')"
          :model-value="weighing ?? pan?.tareG ?? 0" @update:model-value="v => weighing = v" @done="weigh"
        />
      </div>
      <AfterHeat :doc="doc" />
    </div>
    <p v-if="main" class="look">
      <b>{{ $say('cookPlan.lookFor') }}</b>
      {{ CUE_NAMES[main.cue!] }}<template v-if="main.tempC !== null">
        {{ $say('cookPlan.at') }} <b class="num">{{ fmt.temp(main.tempC) }}</b>
      </template>.
      <span class="soft">
        {{ PROBE_NAMES[main.probe!].charAt(0).toUpperCase() + PROBE_NAMES[main.probe!].slice(1) }}.</span>
    </p>
    <LazyStationChart
      v-if="heats" :option="option"
      :label="
        $say('cookPlan.temperatureOverInThe',
             { egg: hasEgg
                 ? $say('cookPlan.settingAndOverSettingOfThe')
                 : '',
               endS: fmt.duration(h.endS),
               pan: method === 'oven'
                 ? $say('cookPlan.oven')
                 : $say('cookPlan.pan'),
               at: cues.map(c => c.at === null
                 ? $say('cookPlan.notReached', { name: c.name })
                 : $say('cookPlan.at2', { name: c.name, at: fmt.duration(c.at) })).join('; ') })
      "
    />
    <dl class="facts">
      <div v-if="heats">
        <dt>{{ method === 'oven' ? $say('cookPlan.outOfTheOven') : $say('cookPlan.offTheHeat') }}</dt>
        <dd data-fact="heat-time">
          <WhyNumber topic="heatTime">{{ fmt.duration(h.endS) }}</WhyNumber>
          <small>
            {{
              method === 'microwave'
                ? $say('cookPlan.aboutBurstsOf20S', { endS: burstsIn(h.endS) })
                : $say('cookPlan.peak', { peakTempC: fmt.temp(h.peakTempC) })
            }}
          </small>
        </dd>
      </div>
      <div v-for="c in cues" :key="c.key">
        <dt>{{ c.name }}</dt>
        <dd :class="{ bad: c.key === 'grainy' && c.at !== null }" :data-cue="c.key">
          <WhyNumber :topic="c.why">{{ c.at === null ? $say('cookPlan.never') : `${fmt.duration(c.at)}` }}</WhyNumber>
          <small v-if="c.at !== null">{{ $say('cookPlan.at3', { at: fmt.temp(tempAt(c.at)) }) }}</small>
        </dd>
      </div>
      <div v-if="hasEgg">
        <dt>{{ $say('cookPlan.toSpareBeforeGrainy') }}</dt>
        <dd :class="{ bad: h.marginK !== null && h.marginK <= 0 }">
          <WhyNumber topic="margin">{{ margin }}</WhyNumber>
          <small v-if="h.grainyAtC !== null">
            {{ $say('cookPlan.itTurnsAt', { grainyAtC: fmt.temp(h.grainyAtC) }) }}<template v-if="h.marginS !== null && h.marginK !== null && h.marginK > 0">
              {{
                $say('cookPlan.orAfterMoreAtThisHeat',
                     { marginS: h.marginS > 5400 ? $say('cookPlan.hours') : fmt.duration(h.marginS) })
              }}
            </template>
          </small>
        </dd>
      </div>
      <div v-if="heats && h.carryK > 0.05">
        <dt>{{ $say('cookPlan.stillToCome') }}</dt>
        <dd data-fact="carry">
          <WhyNumber topic="carry">{{ fmt.degrees(h.carryK, 1) }}</WhyNumber>
          <small>
            {{
              method === 'oven'
                ? $say('cookPlan.outOfTheOvenTheMiddle', { carryK: fmt.temp(h.tempC.at(-1)! + h.carryK) })
                : $say('cookPlan.fromThePanStopAtTo',
                       { carryK: fmt.temp(h.peakTempC - h.carryK, 1), peakTempC: fmt.temp(h.peakTempC) })
            }}
          </small>
        </dd>
      </div>
      <div v-if="method === 'oven' && Math.abs(airC - doc.heat.oven.airTempC) > 0.4">
        <dt>{{ $say('cookPlan.airInThisOven') }}</dt>
        <dd>
          {{ fmt.temp(airC) }}<small>{{ $say('cookPlan.withTheDialAt', { airTempC: fmt.temp(doc.heat.oven.airTempC) }) }}</small>
        </dd>
      </div>
      <div v-if="hasEgg">
        <dt>{{ $say('cookPlan.eggSetInTheEnd') }}</dt>
        <dd>
          <WhyNumber topic="eggSet">{{ fmt.percent(h.a) }}</WhyNumber>
          <small>{{ $say('cookPlan.overSet', { b: fmt.percent(h.b) }) }}</small>
        </dd>
      </div>
      <div v-if="h.t60C !== null && heats">
        <dt>{{ $say('cookPlan.lethality') }}</dt>
        <dd :class="{ bad: h.lethality.value < 2 }" data-fact="lethality">
          <WhyNumber topic="lethality">
            {{ h.lethality.value >= 100 ? $say('cookPlan.over100') : fmt.fixed(h.lethality.value, 1) }} min
          </WhyNumber>
          <small>{{ $say('cookPlan.at2AreAsked', { p1: fmt.temp(70) }) }}</small>
        </dd>
      </div>
      <div v-if="heats">
        <dt>{{ $say('cookPlan.steam') }}</dt>
        <dd data-fact="steam">
          <WhyNumber topic="steam">{{ fmt.grams(h.evaporatedG) }}</WhyNumber>
          <small>
            {{ $say('cookPlan.leavesThe', { pan: method === 'oven' ? $say('cookPlan.filling') : $say('cookPlan.pan') }) }}
          </small>
        </dd>
      </div>
      <div v-if="family.fields.reduce && heats">
        <dt>{{ $say('cookPlan.stopAt') }}</dt>
        <dd data-fact="pan-stop">
          <WhyNumber topic="reduction">{{ fmt.grams(scaleReadingG(doc, kitchen.core!, assessment)) }}</WhyNumber>
          <small>
            {{ pan?.tareG ? $say('cookPlan.onTheScaleWithThePan') : $say('cookPlan.inThePanAndThePan') }}<template v-if="h.reduction">
              {{
                $say('cookPlan.mlAHotJugReadsMl',
                     { volumeMl: fmt.fixed(h.reduction.volumeMl), hotVolumeMl: fmt.fixed(h.reduction.hotVolumeMl) })
              }}
            </template>
          </small>
        </dd>
      </div>
      <div v-if="assessment.set.starchC > 1.5">
        <dt>{{ $say('cookPlan.starchSwollen') }}</dt>
        <dd data-fact="starch">
          <WhyNumber topic="starch">{{ fmt.percent(assessment.set.starchCooked) }}</WhyNumber>
          <small>{{ $say('cookPlan.peak', { peakTempC: fmt.temp(assessment.set.making.starch[0]?.peakTempC ?? h.peakTempC) }) }}</small>
        </dd>
      </div>
      <div v-if="family.sets.includes('caseinPa') && heats">
        <dt>{{ $say('cookPlan.heatTheMilkHasHad') }}</dt>
        <dd>
          <WhyNumber topic="milkHeat">{{ fmt.percent(assessment.set.making.milkHeat) }}</WhyNumber>
          <small>{{ $say('cookPlan.aBoilIsAllOfIt') }}</small>
        </dd>
      </div>
      <div v-if="family.fields.whip">
        <dt>{{ $say('cookPlan.air') }}</dt>
        <dd data-fact="air">
          <WhyNumber topic="air">{{ fmt.percent(assessment.set.making.air) }}</WhyNumber>
          <small>{{ $say('cookPlan.ofTheVolume') }}</small>
        </dd>
      </div>
      <div v-if="method !== 'oven'">
        <dt>{{ $say('cookPlan.poursAt') }}</dt>
        <dd>
          <WhyNumber topic="pours">{{ fmt.temp(h.pourTempC) }}</WhyNumber>
          <small>{{ $say('cookPlan.afterAllIsInAndThe') }}</small>
        </dd>
      </div>
    </dl>
    <p class="soft small reasons">
      {{
        $say('cookPlan.givesCostsForWhen',
             { how: SCHOOL_NAMES[doc.school].how,
               REASONNAMES: school.gives.map(x => REASON_NAMES[x]).join(', '),
               REASONNAMES2: school.costs.map(x => REASON_NAMES[x]).join(', '),
               decides: CONDITION_NAMES[school.decides] })
      }}
    </p>
    <CautionList :findings="assessment.findings.filter(f => f.station === 'heat')" />
  </div>
</template>

<style scoped>
.kind, .wide { grid-column: span 2; }
.reasons { margin: 0 0 0.8rem; max-width: 46rem; }
.tick { display: inline-flex; align-items: center; gap: 0.5rem; min-height: 44px; align-self: end; }
.tick input { width: 22px; height: 22px; accent-color: var(--ink); }
.fields {
  display: grid; grid-template-columns: repeat(auto-fill, minmax(8.2rem, 1fr)); gap: 0.9rem; margin: 0.8rem 0 0.4rem;
  max-width: 56rem;
}
.look { margin: 0.9rem 0 0; font-size: 1.05rem; }
</style>
