<script setup lang="ts">
/** When it may be covered, unmoulded, cut, served: ranges with what decides; and why it sweats or skins. */
import { pouredAfterS, type Assessment } from '#core/pipeline/assessment'
import { dewPoint, DROPS_G_M2, ROOM_HUMIDITY, SKIN_G_M2 } from '#core/physics/chill/moisture'
import type { WhenRow } from '#core/plan/when'
import type { Bench } from '#core/formula/bench'
import { temperTime } from '#core/plan/order'
import { decidesWords, WHEN_NAMES } from '~/words/cold'
import type { ColdView } from '~/workers/solve.worker'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const solver = useSolver()
const rows = shallowRef<WhenRow[]>([])
const view = shallowRef<ColdView | null>(null)
watch([() => props.doc, () => kitchen.core], async () => {
  if (!kitchen.core) return
  const when = await solver.run({ kind: 'when', doc: props.doc, kitchen: kitchen.core })
  if (!when || !('value' in when)) return
  rows.value = when.value
  const cold = await solver.run({ kind: 'cold', docs: [props.doc], kitchen: kitchen.core })
  if (cold && 'value' in cold) view.value = cold.value[0]!
}, { immediate: true })
const endS = computed(() => Math.max(3600, ...rows.value.flatMap(r => [r.slowS ?? 0, r.likelyS ?? 0])) * 1.08)
const pouredS = computed(() => pouredAfterS(props.assessment))
const start = computed(() => props.doc.serve.startAt)
const says = (s: number | null) =>
  s === null
    ? say('whenPanel.notInADay')
    : start.value
      ? fmt.clock(start.value, pouredS.value + s)
      : s < 60
        ? say('whenPanel.atOnce')
        : say('whenPanel.afterPouring', { p1: fmt.duration(s) })
const share = (s: number | null) => `${Math.min(100, 100 * (s ?? endS.value) / endS.value)}%`
const useBy = computed(() => props.assessment.serve.useBy)
const m = computed(() => view.value?.picture.moisture ?? null)
const dewC = computed(() => dewPoint(props.doc.use.tableTempC, ROOM_HUMIDITY))
const dewS = computed(() => temperTime(props.assessment, dewC.value))
</script>

<template>
  <section class="when" :data-when="solver.running.value ? 'working' : rows.length ? 'settled' : 'idle'">
    <ul class="rows">
      <li v-for="r in rows" :key="r.what" :data-when-row="r.what">
        <p class="name">
          <b>{{ WHEN_NAMES[r.what].name }}</b> <span class="soft small">{{ WHEN_NAMES[r.what].what }}</span>
        </p>
        <p class="likely display num" data-likely><WhyNumber topic="when">{{ says(r.likelyS) }}</WhyNumber></p>
        <p class="range soft">
          <template v-if="r.likelyS === null">{{ $say('whenPanel.neverWithinADayOnThis') }}</template>
          <template v-else-if="r.slowS !== null && r.slowS - (r.quickS ?? 0) < 60" />
          <template v-else>
            {{ $say('whenPanel.between') }} <b class="num">{{ says(r.quickS) }}</b> {{ $say('whenPanel.and') }}
            <b class="num">{{ says(r.slowS) }}</b>
          </template>
        </p>
        <div class="bar" aria-hidden="true">
          <i :style="{ left: share(r.quickS), right: `calc(100% - ${share(r.slowS)})` }" />
          <b :style="{ left: share(r.likelyS) }" />
        </div>
        <p class="soft small decides">{{ decidesWords(r) }}</p>
      </li>
      <li data-when-row="latest">
        <p class="name">
          <b>{{ $say('whenPanel.latest') }}</b> <span class="soft small">{{ $say('whenPanel.keptCold') }}</span>
        </p>
        <p class="likely display num">
          {{
            useBy
              ? $say('whenPanel.endOf', { p1: fmt.day(useBy) })
              : assessment.serve.storageDays > 0
                ? $say('whenPanel.days', { storageDays: assessment.serve.storageDays })
                : $say('whenPanel.notKept')
          }}
        </p>
        <p class="range soft">
          {{ useBy ? $say('whenPanel.theDayOfMakingIsDay') : $say('whenPanel.giveAStartTimeUnderServe') }}
        </p>
        <div />
        <p class="soft small decides">
          {{
            assessment.findings.some(f => f.code === 'lotDate')
              ? $say('whenPanel.aLotSOwnDate')
              : assessment.findings.some(f => f.code === 'holdsHours')
                ? $say('whenPanel.onlyAirHoldsItUp')
                : $say('whenPanel.theFoodCode')
          }}
        </p>
      </li>
    </ul>
    <p class="soft small">{{ $say('whenPanel.rangesAQuickAndASlow', { endS: fmt.duration(endS) }) }}</p>
    <h2 class="section-title">{{ $say('whenPanel.coverSweatAndSkin') }}</h2>
    <dl v-if="m" class="facts moisture">
      <div>
        <dt>{{ $say('whenPanel.coveredAtOnceAirUnderIt') }}</dt>
        <dd data-fact="sweat-now" :class="{ bad: m.drops }">
          <WhyNumber topic="moisture">{{ fmt.fixed(m.sweatNowGM2) }} g/m²</WhyNumber>
          <small>
            {{ m.drops ? $say('whenPanel.dropsRun') : $say('whenPanel.noDropsUnder', { DROPSGM2: DROPS_G_M2 }) }}
          </small>
        </dd>
      </div>
      <div>
        <dt>
          {{
            $say('whenPanel.coveredAt',
                 { p1: fmt.temp(45), laterS: m.laterS < 60 ? $say('whenPanel.atOnce') : fmt.duration(m.laterS) })
          }}
        </dt>
        <dd data-fact="sweat-later">
          {{ fmt.fixed(m.sweatLaterGM2) }} g/m²<small>{{ $say('whenPanel.gathersUnderTheCover') }}</small>
        </dd>
      </div>
      <div>
        <dt>{{ $say('whenPanel.leftOpenUntilThen') }}</dt>
        <dd :class="{ bad: m.skin }">
          {{ fmt.fixed(m.driesGM2) }}
          g/m²<small>
            {{ m.skin ? $say('whenPanel.driesToASkin') : $say('whenPanel.noSkinUnder', { SKINGM2: SKIN_G_M2 }) }}
          </small>
        </dd>
      </div>
      <div>
        <dt>{{ $say('whenPanel.dewOnTheTable') }}</dt>
        <dd>
          {{ dewS === null || assessment.verdict.cold.tempC >= dewC ? $say('whenPanel.none') : fmt.duration(dewS) }}<small>
            {{
              $say('whenPanel.untilItIsAboveTheDew',
                   { dewC: fmt.temp(dewC),
                     tableTempC: fmt.temp(doc.use.tableTempC),
                     ROOMHUMIDITY: fmt.percent(ROOM_HUMIDITY) })
            }}
          </small>
        </dd>
      </div>
      <div v-if="assessment.chill.load">
        <dt>{{ $say('whenPanel.heatIntoTheFridgeFirstHour') }}</dt>
        <dd data-fact="load" :class="{ bad: assessment.chill.load.watts > assessment.chill.load.capacityW }">
          <WhyNumber topic="fridgeLoad">{{ fmt.fixed(assessment.chill.load.watts) }} W</WhyNumber>
          <small>
            {{ $say('whenPanel.suchAOneCarriesOffSome', { capacityW: fmt.fixed(assessment.chill.load.capacityW) }) }}
          </small>
        </dd>
      </div>
    </dl>
    <p class="soft small">{{ $say('whenPanel.filmThatTouchesTheSurfaceLeaves', { p1: fmt.temp(45) }) }}</p>
    <CautionList
      :findings="
        assessment.findings.filter(f =>
          ['filmTooHot', 'uncovered', 'hotIntoGlass', 'fridgeLoad', 'frozen', 'thawing'].includes(f.code))
      "
    />
  </section>
</template>

<style scoped>
.rows { list-style: none; padding: 0; margin: 0; border-top: 1.5px solid var(--ink); }
.rows li {
  display: grid; grid-template-columns: 11rem 11rem minmax(0, 1fr); gap: 0.1rem 1.2rem; align-items: baseline;
  border-bottom: 1px solid var(--hairline); padding: 0.6rem 0;
}
p { margin: 0; } .likely { font-size: 1.5rem; } .decides { grid-column: 2 / -1; }
.bar { grid-column: 2 / -1; position: relative; height: 10px; border-bottom: 1px solid var(--hairline); }
.bar i { position: absolute; top: 3px; height: 4px; background: var(--cold); }
.bar b { position: absolute; top: -1px; width: 3px; height: 12px; background: var(--ink); }
h2 { margin-top: 1.2rem; }
.moisture { grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr)); }
@media (max-width: 760px) {
  .rows li { grid-template-columns: minmax(0, 1fr) auto; }
  .range, .bar, .decides { grid-column: 1 / -1; }
}
</style>
