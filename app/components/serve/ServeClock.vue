<script setup lang="ts">
/**
 * The clock in both directions: from the start to ready, from dinner back to the start; tempering; how long it
 * stands.
 */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import type { Use } from '#core/physics/set/bands'
import { OWN_STEPS, type OwnStep } from '#core/formula/document'
import { standsAt } from '#core/pipeline/summary'
import { orderOfWork, spanOf, temperTime } from '#core/plan/order'
import { CODES } from '#core/physics/safety/keeping'
import type { ServicePlan, ServicePlans } from '#core/plan/clock'
import { BLOOD, CITRON_DEEP, COLD, INK, label, textStyle, timeAxis, valueAxis } from '~/composables/useChartStyle'
import type { WhyTopic } from '~/words/why'
import { OWN_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
const s = computed(() => props.assessment.serve)
const start = computed(() => props.doc.serve.startAt)
const clock = (afterS: number | null) =>
  afterS === null
    ? say('serveClock.notInADay')
    : start.value
      ? fmt.clock(start.value, afterS)
      : afterS === 0
        ? say('serveClock.theStart')
        : `+ ${fmt.duration(afterS)}`
const use = (part: Partial<Use>, gesture: string) => ws.change(gesture, (d) => { Object.assign(d.use, part) })
const order = computed(() => orderOfWork(props.doc, kitchen.core!, props.assessment))
const span = computed(() => spanOf(order.value, props.assessment))
const plan = computed<{ name: string, at: string, key?: string, why?: WhyTopic }[]>(() => [
  ...(span.value.beginsS < 0
    ? [{ name: say('serveClock.workBegins'), at: clock(span.value.beginsS), key: 'begins' }]
    : []),
  {
    name:
      props.doc.heat.method === 'oven'
        ? say('serveClock.intoTheOven')
        : props.doc.heat.method === 'none'
          ? 'begun'
          : say('serveClock.panOn'),
    at: clock(0),
  },
  ...(props.doc.heat.method === 'none'
    ? []
    : [{ name: say('serveClock.offTheHeat'), at: clock(props.assessment.heat.endS), why: 'heatTime' as const }]),
  { name: say('words.ready'), at: clock(s.value.readyAfterS), key: 'ready', why: 'ready' },
  { name: say('serveClock.outOfTheCold2'), at: clock(s.value.servedAfterS), key: 'out', why: 'ready' },
  { name: say('words.served'), at: clock(s.value.servedAfterS + span.value.platingS), key: 'served' },
])
/* From service back. */
const wanted = computed(() => props.doc.serve.serveAt)
const isTime = computed(() => /^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(wanted.value))
const plans = shallowRef<ServicePlans | null>(null)
watch([() => props.doc, () => kitchen.core], async () => {
  if (!isTime.value) plans.value = null
  if (!kitchen.core || !isTime.value) return
  const got = await solver.run<'service'>({ kind: 'service', doc: props.doc, kitchen: kitchen.core, at: wanted.value })
  if (got && 'value' in got) plans.value = got.value
}, { immediate: true })
/** The big answer first: as late as is sensible; then the plan's own cold. */
const answers = computed(() => {
  const { latest, asPlanned } = plans.value ?? { latest: null, asPlanned: null }
  return [
    ...(latest ? [{ key: 'latest', plan: latest }] : []),
    ...(asPlanned ? [{ key: 'asPlanned', plan: asPlanned }] : []),
  ]
})
const onDay = (at: string) =>
  wanted.value.slice(0, 10) === at.slice(0, 10) ? fmt.time(at) : `${fmt.day(at)} ${fmt.time(at)}`
/** The plan is what it would become. */
const isSo = (p: ServicePlan) => JSON.stringify(p.doc) === JSON.stringify(props.doc)
function take(p: ServicePlan) {
  ws.replace(p.doc)
  ws.endGesture()
}
/* The cook's own minutes. */
const ownSteps = computed(() => OWN_STEPS.filter(step => step !== 'heat' || props.doc.heat.method !== 'none'))
const ownOf = (step: OwnStep) => props.doc.serve.ownS?.[step] ?? 0
const setOwn = (step: OwnStep, seconds: number) => ws.change(`own-${step}`, (d) => {
  const { [step]: _, ...rest } = d.serve.ownS ?? {}
  const next = seconds > 0 ? { ...rest, [step]: seconds } : rest
  d.serve = { ...d.serve, ownS: Object.keys(next).length ? next : undefined }
})
const hasOwn = computed(() => Object.keys(props.doc.serve.ownS ?? {}).length > 0)
/* On the table. */
const code = computed(() => CODES[kitchen.record?.settings.foodCode ?? 'us'])
const holds = computed(() =>
  s.value.standsOnTableS === null
    ? say('serveClock.n4HOrMore')
    : s.value.standsOnTableS < 60
      ? say('serveClock.notAtAll')
      : fmt.duration(s.value.standsOnTableS),
)
const temper = computed(() =>
  props.doc.serve.temperC === null ? null : temperTime(props.assessment, props.doc.serve.temperC),
)
const shown = fmt.degreesShown
const option = computed<EChartsOption>(() => {
  const { timeS, meanC, tauPa } = s.value.table
  const hours = timeS.map(t => t / 3600)
  // What it carries, as the height that would stand; what is not cut or turned out has its heap for that.
  const mm = (pa: number) => 1000 * standsAt(props.assessment, pa)
  const stands = tauPa.map(mm)
  const need = mm(props.assessment.verdict.target.plateMinPa)
  const top = Math.max(...stands, need) * 1.15
  const round = 10 ** Math.floor(Math.log10(top))
  const named = (name: string, color: string, at: [number, number], above: boolean) => ({
    silent: true,
    symbol: 'circle',
    itemStyle: { color },
    data: [
      {
        name,
        coord: at,
        symbolSize: 1,
        label: {
          show: true,
          ...label(color),
          formatter: name,
          position: above ? ('top' as const) : ('bottom' as const),
          textBorderColor: '#FBF8F0',
          textBorderWidth: 4,
        },
      },
    ],
  })
  const at = (values: number[], share: number): [number, number] => {
    const i = Math.max(0, hours.findIndex(t => t >= 4 * share))
    return [hours[i]!, values[i]!]
  }
  return {
    animation: false,
    textStyle,
    grid: { left: 60, right: 54, top: 40, bottom: 46 },
    xAxis: timeAxis(say('serveClock.hoursOnTheTable'), 4, v => String(v), 1),
    yAxis: [
      valueAxis('mm', 0, (Math.ceil((top / round) * 2) / 2) * round),
      valueAxis(fmt.unit.value, shown(0), shown(40), true, COLD),
    ],
    series: [
      {
        name: 'carries',
        type: 'line',
        showSymbol: false,
        silent: true,
        lineStyle: { color: CITRON_DEEP, width: 2.5 },
        data: hours.map((h, i) => [h, stands[i]!]),
        markPoint: named(say('serveClock.whatItCarries'), CITRON_DEEP, at(stands, 0.3), true),
        markLine: {
          symbol: 'none',
          silent: true,
          data: [
            {
              yAxis: need,
              lineStyle: { color: BLOOD, type: 'dashed' },
              label: { ...label(BLOOD), position: 'insideEndTop', formatter: say('serveClock.belowThisItSags') },
            },
            {
              xAxis: props.doc.use.tableTimeS / 3600,
              lineStyle: { color: INK, type: 'solid' },
              label: { ...label(INK), position: 'end', formatter: 'planned' },
            },
          ],
        },
      },
      {
        name: 'warmth',
        type: 'line',
        yAxisIndex: 1,
        showSymbol: false,
        silent: true,
        lineStyle: { color: COLD, width: 2, type: 'dashed' },
        data: hours.map((h, i) => [h, shown(meanC[i]!)]),
        markPoint: named(say('serveClock.itsWarmth'), COLD, at(meanC.map(shown), 0.72), true),
      },
    ],
  }
})
</script>

<template>
  <div class="clock" :data-clock="solver.running.value ? 'working' : plans || !isTime ? 'settled' : 'idle'">
    <div class="fields">
      <div>
        <label class="field-label" for="start">
          {{
            doc.heat.method === 'oven'
              ? $say('serveClock.goesInTheOvenAt')
              : doc.heat.method === 'none'
                ? $say('serveClock.begunAt')
                : $say('serveClock.panGoesOnAt')
          }}
        </label>
        <input
          id="start" class="native" type="datetime-local" :value="start.slice(0, 16)"
          @change="ws.change('', d => { d.serve.startAt = ($event.target as HTMLInputElement).value })"
        >
      </div>
      <div>
        <label class="field-label" for="serve-at">{{ $say('serveClock.orToBeServedAt') }}</label>
        <input
          id="serve-at" class="native" type="datetime-local" :value="wanted.slice(0, 16)"
          @change="ws.change('', d => { d.serve.serveAt = ($event.target as HTMLInputElement).value })"
        >
      </div>
      <QuantityField
        field="use.tableTimeS" kind="minutes" show-label :label="$say('serveClock.timeOnTheTable')" :step="5"
        :model-value="doc.use.tableTimeS" @update:model-value="v => use({ tableTimeS: v }, 'table-time')"
        @done="ws.endGesture()"
      />
      <QuantityField
        field="use.tableTempC" kind="temperature" show-label :label="$say('serveClock.warmthOfTheTable')"
        :model-value="doc.use.tableTempC" @update:model-value="v => use({ tableTempC: v }, 'table-temp')"
        @done="ws.endGesture()"
      />
      <div class="temper">
        <QuantityField
          field="serve.temperC" kind="temperature" show-label :label="$say('serveClock.eatenAtItsMean')"
          :model-value="doc.serve.temperC ?? assessment.verdict.cold.tempC"
          @update:model-value="v => ws.change('temper', d => { d.serve.temperC = v })" @done="ws.endGesture()"
        />
        <small v-if="doc.serve.temperC !== null" class="soft" data-fact="temper">
          {{
            temper === null
              ? $say('serveClock.notReachedOnThisTable')
              : $say('serveClock.outOfTheColdBefore', { temper: fmt.duration(temper) })
          }}
          <button type="button" class="underline" @click="ws.change('', d => { d.serve.temperC = null })">
            {{ $say('serveClock.fromTheCold') }}
          </button>
        </small>
      </div>
    </div>
    <div v-if="plans" class="back" data-answer="back">
      <div v-for="({ key, plan: p }, i) in answers" :key="key" :class="{ or: i > 0 }" :data-plan-way="key">
        <p>
          <span class="soft">
            {{
              i > 0 || key === 'asPlanned'
                ? $say('serveClock.orWithThePlansOwnCold')
                : $say('serveClock.beginAtTheLatest')
            }}
          </span>
          <b class="display" data-fact="begins">{{ onDay(p.beginsAt) }}</b>
          <span class="soft">
            {{
              p.beginsAt === p.startAt
                ? ''
                : doc.heat.method === 'oven'
                  ? $say('serveClock.intoTheOvenAt2', { time: onDay(p.startAt) })
                  : doc.heat.method === 'none'
                    ? $say('serveClock.mixedAt', { time: onDay(p.startAt) })
                    : $say('serveClock.panOnAt2', { time: onDay(p.startAt) })
            }}
            {{ p.platingS >= 60 ? $say('serveClock.outOfTheColdAt', { time: onDay(p.outAt) }) : '' }}
          </span>
        </p>
        <p class="soft small">
          <template v-if="key === 'latest'">
            {{
              plans.fromNight
                ? $say('serveClock.theEveningBefore', { lastLegS: fmt.duration(p.lastLegS) })
                : $say('serveClock.itHoldsInASlowFridge', { lastLegS: fmt.duration(p.lastLegS) })
            }}
          </template>
          <template v-else-if="p.lengthenedS > 0">
            {{ $say('serveClock.thePlanSOwnColdIs', { lengthenedS: fmt.duration(p.lengthenedS) }) }}
          </template>
          <template v-else>{{ $say('serveClock.inTheColdFor', { lastLegS: fmt.duration(p.lastLegS) }) }}</template>
        </p>
        <UButton
          size="sm" :variant="i > 0 ? 'outline' : 'solid'" :color="i > 0 ? 'neutral' : 'primary'"
          :label="isSo(p) ? $say('serveClock.plannedSo') : $say('serveClock.planItSo')" :disabled="isSo(p)"
          @click="take(p)"
        />
      </div>
      <p v-if="!plans.latest" class="bad">{{ $say('serveClock.itDoesNotSetWithinA') }}</p>
    </div>
    <details class="own" :open="hasOwn">
      <summary>{{ $say('serveClock.myOwnMinutes') }}</summary>
      <div class="fields">
        <QuantityField
          v-for="step in ownSteps" :key="step" field="serve.ownS.*" kind="minutes" show-label :label="OWN_NAMES[step]"
          :blank="step === 'rest' ? $say('serveClock.none') : $say('serveClock.asComputed')" :step="1"
          :model-value="ownOf(step)" @update:model-value="v => setOwn(step, v)" @done="ws.endGesture()"
        />
      </div>
      <p class="soft small">{{ $say('serveClock.theClockGoesByThem') }}</p>
    </details>
    <ol class="plan" :aria-label="$say('serveClock.theDay')">
      <li v-for="p in plan" :key="p.name" :class="{ 'is-ready': p.key === 'ready' }">
        <span class="soft">{{ p.name }}</span>
        <b class="num" :data-plan="p.key">
          <WhyNumber v-if="p.why" :topic="p.why">{{ p.at }}</WhyNumber>
          <template v-else>{{ p.at }}</template>
        </b>
      </li>
    </ol>
    <dl class="facts">
      <div>
        <dt>{{ $say('serveClock.holdsOnTheTable') }}</dt>
        <dd data-fact="holds">
          <WhyNumber topic="holds">{{ holds }}</WhyNumber>
          <small>
            {{
              $say('serveClock.atPlanned',
                   { tableTempC: fmt.temp(doc.use.tableTempC), tableTimeS: fmt.duration(doc.use.tableTimeS) })
            }}
          </small>
        </dd>
      </div>
      <div>
        <dt>{{ $say('serveClock.theCodeStopsItAt') }}</dt>
        <dd>{{ fmt.duration(code.counterS) }}<small>{{ $say('serveClock.outOfTheCold') }}</small></dd>
      </div>
      <div>
        <dt>{{ $say('serveClock.onThePlateByThen') }}</dt>
        <dd>
          <WhyNumber topic="plateTemp">{{ fmt.temp(s.plateTempC) }}</WhyNumber>
          <small>{{ $say('serveClock.fromInTheFridge', { tempC: fmt.temp(assessment.verdict.cold.tempC) }) }}</small>
        </dd>
      </div>
      <div>
        <dt>{{ $say('serveClock.weeping') }}</dt>
        <dd data-fact="weeping">
          <WhyNumber topic="weeping">
            {{ $say('serveClock.of10', { score: fmt.fixed(assessment.set.weeping.score) }) }}
          </WhyNumber>
          <small>
            {{
              assessment.set.weeping.score < 1
                ? $say('serveClock.hardlyAny')
                : assessment.set.weeping.score < 4
                  ? $say('serveClock.aLittle')
                  : $say('serveClock.expectAPuddle')
            }}
          </small>
        </dd>
      </div>
    </dl>
    <LazyStationChart :option="option" :label="$say('serveClock.whatThePieceCarriesAsIt', { holds })" />
    <h2 class="section-title">{{ $say('serveClock.beforeItGoesOut') }}</h2>
    <CautionList :findings="assessment.findings.filter(f => f.code !== 'noStart' || !start)" />
    <p class="soft small judged">{{ $say('serveClock.timesAndLimitsArePredictionsAnd') }}</p>
  </div>
</template>

<style scoped>
.fields {
  display: grid; grid-template-columns: repeat(auto-fill, minmax(10.5rem, 1fr)); gap: 1rem; align-items: start;
  max-width: 60rem;
}
.back { border-left: 4px solid var(--citron); padding: 0.2rem 0 0.3rem 1rem; margin-top: 1rem; }
.back p { margin: 0 0 0.3rem; }
.back .display { font-size: 2.2rem; margin: 0 0.4rem; }
.back .or { margin-top: 0.8rem; }
.back .or .display { font-size: 1.5rem; }
.own { margin-top: 0.8rem; }
.own summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; }
.plan {
  list-style: none; display: grid; grid-template-columns: repeat(auto-fit, minmax(7.5rem, 1fr)); margin: 1.2rem 0;
  padding: 0;
  border-top: 1.5px solid var(--ink);
}
.plan li { position: relative; padding: 0.7rem 0.6rem 0 0; display: flex; flex-direction: column; }
.plan li::before {
  content: ""; position: absolute; top: -6px; left: 0; width: 11px; height: 11px; border-radius: 50%;
  background: var(--ink);
}
.plan li.is-ready::before { background: var(--citron); border: 2px solid var(--ink); }
.plan b { font-family: var(--font-display); font-size: 1.5rem; font-weight: 500; }
.temper small { display: block; font-size: 0.9rem; }
.bad { color: var(--blood); }
.judged { margin-top: 0.8rem; }
@media (max-width: 760px) {
  .fields, .plan { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); row-gap: 1rem; }
  .fields > div:nth-child(-n + 2) { grid-column: 1 / -1; }
}
</style>
