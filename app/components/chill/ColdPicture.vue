<script setup lang="ts">
/**
 * The cold going in: the section over time with a scrubber, two ways side by side, and the curves of core, mean
 * and surface.
 */
import type { EChartsOption } from 'echarts'
import type { Assessment } from '#core/pipeline/assessment'
import { chillWays } from '#core/plan/chillWays'
import { valueAt } from '#core/physics/thermal/conduction'
import type { Bench } from '#core/formula/bench'
import { CODES } from '#core/physics/safety/keeping'
import {
  BLOOD,
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
import { wayName } from '~/words/cold'
import type { ColdView } from '~/workers/solve.worker'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
const ways = computed(() => chillWays(props.doc, kitchen.core!))
const picked = ref<[string, string]>(['planned', ''])
/** What is set beside the plan at first: what would mend it, else ice. */
const beside = computed(() =>
  ways.value.some(w => w.key === picked.value[1])
    ? picked.value[1]
    : props.assessment.chill.safe
      ? (ways.value.find(w => w.way === 'iceBath' || w.way === 'straightIn')?.key ?? 'split2')
      : 'split4',
)
const first = computed(() => ways.value.some(w => w.key === picked.value[0]) ? picked.value[0] : 'planned')
const chosen = computed(() => [first.value, beside.value].map(k => ways.value.find(w => w.key === k)!))
const views = shallowRef<ColdView[]>([])
const step = ref(30)
watch([() => props.doc, () => kitchen.core, chosen], async () => {
  if (!kitchen.core) return
  const got = await solver.run({ kind: 'cold', docs: chosen.value.map(w => w.doc), kitchen: kitchen.core })
  if (got && 'value' in got) views.value = got.value
}, { immediate: true })
const last = computed(() => (views.value[0]?.picture.frames.length ?? 1) - 1)
const frameAt = (v: ColdView) => v.picture.frames[Math.min(step.value, last.value)]!
const nowS = computed(() => views.value[0] ? frameAt(views.value[0]).timeS : 0)
const scaleM = computed(() => ({
  widthM: Math.max(...views.value.map(v => v.picture.radiusM), 0.01),
  heightM: Math.max(...views.value.map(v => v.picture.heightM), 0.005),
}))
const { pause, resume, isActive } = useIntervalFn(() => {
  if (step.value >= last.value) pause()
  else step.value++
}, 90, { immediate: false })
function play() {
  if (isActive.value) return pause()
  if (step.value >= last.value) step.value = 0
  resume()
}
function take(i: number) {
  ws.replace(toPlain(chosen.value[i]!.doc))
  ws.endGesture()
  picked.value = ['planned', '']
}
const code = computed(() => CODES[kitchen.record?.settings.foodCode ?? 'us'])
const shown = fmt.degreesShown
const curves = computed<EChartsOption | null>(() => {
  const v = views.value[0]
  if (!v) return null
  const { chill, picture } = v
  const endH = picture.frames.at(-1)!.timeS / 3600
  const to = (timeS: number[], values: number[]) =>
    timeS.map((t, i) => [t / 3600, shown(values[i]!)]).filter(p => p[0]! <= endH * 1.02)
  const line = (
    name: string,
    color: string,
    data: number[][],
    type: 'solid' | 'dashed' | 'dotted',
    at: number,
    position: 'left' | 'right',
  ) => ({
    name,
    type: 'line' as const,
    showSymbol: false,
    silent: true,
    lineStyle: { color, width: name === 'core' ? 2.5 : 2, type },
    itemStyle: { color },
    data,
    markPoint: {
      silent: true,
      symbol: 'circle',
      data: data.length
        ? [
            {
              name,
              coord: data[
                Math.min(
                  data.length - 1,
                  data.findIndex(p => p[0]! >= endH * at),
                )
              ]! as [number, number],
              symbolSize: 1,
              label: {
                show: true,
                ...label(color),
                formatter: name,
                position,
                textBorderColor: '#FBF8F0',
                textBorderWidth: 4,
              },
            },
          ]
        : [],
    },
  })
  const start = chill.timeS.find((_, i) => chill.coreC[i]! <= code.value.fromC) ?? 0
  const limits = code.value.stages
    .map(s => ({ coord: [(start + s.withinS) / 3600, shown(s.toC)] as [number, number], s }))
    .filter(l => l.coord[0] <= endH)
  const top = Math.max(shown(20), Math.ceil(shown(Math.max(...chill.coreC)) / 20) * 20)
  const events = [
    {
      name: say('coldPicture.setSliceable'),
      at: chill.readyS,
      color: CITRON_DEEP,
    },
    { name: say('words.now'), at: nowS.value, color: INK },
  ]
    .filter((e): e is { name: string, at: number, color: string } => e.at !== null && e.at / 3600 <= endH)
    .map(e => ({ ...e, at: e.at / 3600 }))
  return {
    animation: false,
    textStyle,
    grid: { left: 46, right: 66, top: 66, bottom: 46 },
    xAxis: timeAxis(say('coldPicture.hoursAfterPouring'), endH, x => String(x), endH > 12 ? 4 : endH > 6 ? 2 : 1),
    yAxis: valueAxis(
      fmt.unit.value,
      Math.min(shown(0), Math.floor(shown(Math.min(...picture.surface.tempC)) / 20) * 20),
      top,
    ),
    series: [
      {
        ...line('core', INK, to(chill.timeS, chill.coreC), 'solid', 0.2, 'right'),
        markLine: moments(events, endH, 0),
        z: 5,
      },
      line('mean', SOFT, to(chill.timeS, chill.meanC), 'dashed', 0.1, 'right'),
      line('surface', COLD, to(picture.surface.timeS, picture.surface.tempC), 'dotted', 0.09, 'left'),
      {
        type: 'line',
        name: 'levels',
        data: [],
        markLine: {
          symbol: 'none',
          silent: true,
          data: [21, 8, 5].map(t => ({
            yAxis: shown(t),
            lineStyle: { color: COLD, width: 1, type: 'dashed' as const },
            label: {
              ...label(COLD),
              position: 'end' as const,
              show: t !== 5,
              formatter: t === 8 ? `${fmt.fixed(shown(8))}, ${fmt.temp(5)}` : fmt.temp(t),
            },
          })),
        },
        markPoint: {
          silent: true,
          symbol: 'triangle',
          symbolSize: 13,
          symbolRotate: 180,
          itemStyle: { color: chill.safe ? COLD : BLOOD },
          data: limits.map(l => ({
            name: say('words.limit'),
            coord: l.coord,
            label: {
              show: true,
              ...label(chill.safe ? COLD : BLOOD),
              position: 'right' as const,
              formatter: `limit ${fmt.temp(l.s.toC)}`,
              backgroundColor: '#FBF8F0',
              padding: [1, 3],
            },
          })),
        },
      },
    ],
  }
})
const took = (s: number | null) => s === null ? say('coldPicture.notReached') : fmt.duration(s)
const coreNow = (v: ColdView) => valueAt(v.chill.timeS, v.chill.coreC, nowS.value)
</script>

<template>
  <section class="cold" :data-cold="solver.running.value ? 'working' : views.length ? 'settled' : 'idle'">
    <div v-if="views.length" class="scrub no-print">
      <UButton
        variant="outline" color="neutral" :icon="isActive ? 'i-lucide-pause' : 'i-lucide-play'"
        :label="isActive ? $say('coldPicture.pause') : $say('coldPicture.run')" @click="play"
      />
      <label class="slider">
        <span class="sr">{{ $say('coldPicture.timeAfterPouring') }}</span>
        <input
          v-model.number="step" type="range" min="0" :max="last"
          :aria-valuetext="$say('coldPicture.afterPouring', { nowS: fmt.duration(nowS) })" @pointerdown="pause()"
        >
      </label>
      <b class="display num" data-scrub>{{ nowS < 60 ? $say('coldPicture.poured') : fmt.duration(nowS) }}</b>
    </div>
    <div class="two">
      <article v-for="(v, i) in views" :key="i" :data-way="chosen[i]?.key">
        <label class="sr" :for="`way-${i}`">
          {{ i === 0 ? $say('coldPicture.oneWay') : $say('coldPicture.besideIt') }}
        </label>
        <select
          :id="`way-${i}`" class="native way" :value="chosen[i]?.key"
          @change="
            picked = i === 0
              ? [($event.target as HTMLSelectElement).value, beside]
              : [first, ($event.target as HTMLSelectElement).value]
          "
        >
          <option v-for="w in ways" :key="w.key" :value="w.key">{{ wayName(w) }}</option>
        </select>
        <LazyColdMap
          :picture="v.picture" :frame="frameAt(v)" :name="chosen[i] ? wayName(chosen[i]!) : ''" :scale-m="scaleM"
        />
        <dl class="facts">
          <div>
            <dt>{{ $say('coldPicture.middleNow') }}</dt>
            <dd class="num">
              {{ fmt.temp(coreNow(v)) }}<small>
                {{ $say('coldPicture.ofItSet', { last: fmt.percent(v.picture.setShare[Math.min(step, last)] ?? 0) }) }}
              </small>
            </dd>
          </div>
          <div v-for="s in v.chill.stages" :key="s.toC">
            <dt>{{ $say('coldPicture.to', { toC: fmt.temp(s.toC) }) }}</dt>
            <dd :class="{ bad: !s.passes }">
              {{ took(s.takesS) }}<small>
                {{ s.passes ? $say('coldPicture.within') : $say('coldPicture.over') }} {{ fmt.duration(s.withinS) }}
              </small>
            </dd>
          </div>
          <div>
            <dt>{{ $say('coldPicture.setThrough') }}</dt>
            <dd>
              {{
                v.chill.readyS === null
                  ? $say('coldPicture.notInADay')
                  : v.chill.readyS < 60
                    ? $say('coldPicture.atOnce')
                    : fmt.duration(v.chill.readyS)
              }}
            </dd>
          </div>
        </dl>
        <p :data-safe="v.chill.safe ? 'yes' : 'no'" :class="{ bad: !v.chill.safe }">
          <b>
            {{
              v.chill.safe
                ? v.chill.safeSlow
                  ? $say('coldPicture.coolsSafely')
                  : $say('coldPicture.coolsInTimeButNotIn')
                : $say('coldPicture.coolsTooSlowlyAStop')
            }}
          </b> <span class="soft">
            {{
              $say('coldPicture.deep',
                   { them: v.count === 1
                       ? ''
                       : `${$say('coldPicture.ofThem', { count: v.count })} `,
                     depthM: fmt.mm(v.depthM) })
            }}
          </span>
        </p>
        <UButton
          v-if="chosen[i] && chosen[i]!.way !== 'planned'" class="no-print" size="sm" variant="outline" color="neutral"
          :label="$say('coldPicture.doItThisWay')" @click="take(i)"
        />
      </article>
    </div>
    <p v-if="views.length === 0" class="soft">{{ $say('coldPicture.drawing') }}</p>
    <LazyStationChart
      v-if="curves" :option="curves"
      :label="
        $say('coldPicture.coreMeanAndSurfaceOver',
             { timeS: fmt.duration(views[0]!.picture.frames.at(-1)!.timeS), chosen: chosen[0] ? wayName(chosen[0]) : '' })
      "
    />
    <p class="soft small">{{ $say('coldPicture.curvesOfTheFirstWayHalf') }}</p>
  </section>
</template>

<style scoped>
.scrub { display: flex; gap: 1rem; align-items: center; }
.scrub .display { font-size: 1.6rem; min-width: 6rem; text-align: right; }
.slider { flex: 1; display: flex; align-items: center; min-height: 44px; }
.slider input { width: 100%; height: 44px; accent-color: var(--ink); }
.two { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 1.2rem 2rem; margin-top: 0.4rem; }
.way { font-family: var(--font-display); font-size: 1.15rem; margin-bottom: 0.5rem; }
.bad { color: var(--blood); }
article p { margin: 0 0 0.5rem; }
@media (max-width: 760px) { .two { grid-template-columns: minmax(0, 1fr); } .scrub .display { font-size: 2.2rem; } }
</style>
