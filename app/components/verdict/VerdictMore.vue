<script setup lang="ts">
/** How sure, what makes it set, and what would bring it there. */
import { isOffTarget, type Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { solidOf } from '#core/formula/fruit'
import { BANDS } from '#core/physics/set/bands'
import { MECHANISMS } from '#core/physics/set/firmness'
import type { Adjustment } from '#core/solve/adjust'
import type { Lever } from '#core/solve/elasticity'
import { mattersMost, type Shares } from '#core/solve/sampling'
import { BAND_NAMES, MECHANISM_NAMES, UNCERTAIN_NAMES } from '~/words/names'
import { leverWords } from '~/words/balance'
import { rangeWords } from '~/words/stands'
import { adjustmentWords, IN_SENTENCE } from '~/words/verdict'
import { say } from '~/words/say'

const props = defineProps<{
  doc: Bench
  assessment: Assessment
  shares: Shares | null
  sharesSettled: boolean
  adjustments: Adjustment[]
  adjustmentsSettled: boolean
  levers: Lever[]
}>()
const emit = defineEmits<{ apply: [adjustment: { doc: Bench }], turn: [], rebalance: [] }>()
const fmt = useFormat()
const tenths = computed(() => props.shares ? Math.round(props.shares.holds * 10) : 0)
const sure = computed(() =>
  tenths.value <= 0
    ? say('verdictMore.fewerThan1In10')
    : tenths.value >= 10
      ? say('verdictMore.nearlyEveryBatch')
      : say('verdictMore.aboutIn10', { tenths: tenths.value }),
)
const bars = computed(() =>
  BANDS.map(b => ({
    id: b.id,
    name: BAND_NAMES[b.id],
    share: props.shares?.plate[b.id] ?? 0,
    here: props.assessment.verdict.plate.band === b.id,
  })).filter(b => b.share >= 0.03 || b.here),
)
/** What it carries at its firmest: what each mechanism gives is told as a part of that. */
const largest = computed(() =>
  Math.max(props.assessment.verdict.cold.tauPa.value, props.assessment.verdict.plate.tauPa.value, 1))
const mechanisms = computed(() => {
  const { cold, plate } = props.assessment.verdict
  return MECHANISMS.map(key => ({
    key,
    name: MECHANISM_NAMES[key],
    cold: cold.mechanismsPa[key],
    plate: plate.mechanismsPa[key],
  })).filter(m => Math.max(m.cold, m.plate) >= 0.01 * largest.value && Math.max(m.cold, m.plate) >= 0.5)
})
const matters = computed(() => {
  const [input, input2] = (props.shares ? mattersMost(props.shares) : []).map(m => UNCERTAIN_NAMES[m])
  if (!input) return say('verdictMore.nothingMoves')
  return say('verdictMore.mostDependsOn', { inputs: input2 ? say('verdictMore.thenOn', { input, input2 }) : input })
})
const isSolid = computed(() => solidOf(props.doc.school) !== null)
const dominated = computed(() => mechanisms.value.some(m => m.cold >= 0.9 * props.assessment.verdict.cold.tauPa.value))
const offTarget = computed(() => isOffTarget(props.assessment))
const cautions = computed(() =>
  props.assessment.findings.filter(f => f.severity !== 'info' && !IN_SENTENCE.has(f.code)))
/** Offers were answered once: from then on they keep their own places. */
const hadOffers = ref(false)
watch(() => props.adjustmentsSettled, (on) => { if (on) hadOffers.value = true }, { immediate: true })
const offered = useTemplateRef<{ isEmpty: boolean }>('offered')
</script>

<template>
  <section class="more">
    <CautionList v-if="cautions.length" :findings="cautions" class="cautions" />
    <div v-show="offTarget || !offered?.isEmpty" class="block">
      <h3>{{ $say('verdictMore.whatWouldBringItThere') }}</h3>
      <OfferList
        ref="offered" :offers="offTarget && adjustmentsSettled ? adjustments : []" :key-of="a => a.kind"
        :words="a => adjustmentWords(a, fmt)" :moves="a => a.moves" @take="a => emit('apply', a)"
      />
      <p v-if="offTarget && !adjustmentsSettled" class="soft waiting" :class="{ first: !hadOffers }">
        {{ $say('verdictMore.tryingChanges') }}
      </p>
      <p v-else-if="offTarget && adjustments.length === 0" class="soft none">
        {{ $say('verdictMore.noSingleChangeMendsItChange') }}
        <UButton
          size="sm" variant="outline" color="neutral" :label="$say('verdictMore.rebalanceIt')" @click="emit('rebalance')"
        />
      </p>
    </div>
    <div v-if="!levers.length && !adjustmentsSettled" class="block room" aria-hidden="true" />
    <div v-else-if="levers.length" class="block" data-levers :class="{ unsettled: !adjustmentsSettled }">
      <div class="lever-head">
        <h3>{{ $say('verdictMore.whatWouldMoveItMost') }}</h3>
        <button type="button" class="underline small turn" @click="emit('turn')">
          {{ levers[0]!.firmerBy >= 1 ? $say('verdictMore.theOtherWay') : $say('verdictMore.firmerAgain') }}
        </button>
      </div>
      <OfferList
        :offers="levers.slice(0, 4)" :key-of="l => `${l.kind}${l.lineId}`" :words="l => leverWords(l, fmt)"
        :mark="l => l.ingredientId ?? l.kind" @take="l => emit('apply', l)"
      />
    </div>
    <div class="block" :class="{ unsettled: !sharesSettled }" :data-shares="sharesSettled ? 'settled' : 'working'">
      <h3>{{ $say('verdictMore.howSure') }}</h3>
      <p class="sure">
        <template v-if="shares">
          <WhyNumber topic="shares"><b>{{ sure }}</b></WhyNumber> {{ $say('verdictMore.comeOutAsMeant') }}
          <span v-if="!sharesSettled" class="soft">{{ $say('verdictMore.catchingUp') }}</span>
        </template>
        <template v-else>{{ $say('verdictMore.counting') }}</template>
      </p>
      <ul v-if="!isSolid" class="bars" :aria-label="$say('verdictMore.sharesOnThePlateIn100')">
        <li v-for="b in bars" :key="b.id" :class="{ here: b.here }">
          <span>{{ b.name }}</span>
          <i><em :style="{ width: `${100 * b.share}%` }" /></i>
          <span class="num">{{ fmt.fixed(100 * b.share) }} %</span>
        </li>
      </ul>
      <p v-if="shares && shares.grainy >= 0.05" class="small">
        {{ $say('verdictMore.grainyInOfBatches', { grainy: fmt.percent(shares.grainy) }) }}
      </p>
      <p v-if="shares" class="small soft">
        {{ matters }}
        {{
          isSolid ? '' : $say('verdictMore.modelAndRange',
                              { factor: fmt.fixed(Math.exp(assessment.verdict.cold.tauPa.lnSigma ?? 0), 1),
                                range: rangeWords(assessment, doc.use.kind, shares.plateRangePa, fmt) })
        }}
      </p>
    </div>
    <details class="block" :open="!dominated">
      <summary><h3>{{ $say('verdictMore.whatMakesItSet') }}</h3></summary>
      <table v-if="mechanisms.length" class="mech">
        <thead>
          <tr>
            <th scope="col">{{ $say('verdictMore.mechanism') }}</th>
            <th scope="col"><span class="sr">{{ $say('verdictMore.drawn') }}</span></th>
            <th scope="col" class="r">{{ $say('verdictMore.fridge') }}</th>
            <th scope="col" class="r">{{ $say('verdictFigures.plate') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in mechanisms" :key="m.key" :data-mechanism="m.key">
            <th scope="row">{{ m.name }}</th>
            <td>
              <i class="pair">
                <em class="cold" :style="{ width: `${100 * m.cold / largest}%` }" />
                <em class="plate" :style="{ width: `${100 * m.plate / largest}%` }" />
              </i>
            </td>
            <td class="r num">{{ fmt.percent(m.cold / largest) }}</td>
            <td class="r num">{{ fmt.percent(m.plate / largest) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else class="soft small">{{ $say('verdictMore.nothingInItSets') }}</p>
      <p class="small soft">
        {{ $say('verdictMore.upperBarFromTheFridgeLower') }}
        <WhyNumber topic="mechanisms">{{ $say('verdictMore.howEachIsWorkedOut') }}</WhyNumber>
      </p>
    </details>
  </section>
</template>

<style scoped>
.more { display: grid; gap: 1rem; margin-top: 1rem; }
h3 { font-size: 1.05rem; margin: 0 0 0.3rem; display: inline-block; }
.more > :first-child { border-top: 0; padding-top: 0; }
.block { border-top: 1px solid var(--hairline); padding-top: 0.7rem; }
.unsettled { opacity: 0.55; }
.sure { margin: 0 0 0.4rem; }
.sure :deep(.whynum) {
  min-height: 44px; display: inline-flex; align-items: center; border-bottom: 0; text-decoration: underline dotted;
  text-underline-offset: 4px;
}
.sure :deep(.whynum)::after { inset: 0; min-height: 44px; }
.bars { list-style: none; margin: 0 0 0.4rem; padding: 0; display: grid; gap: 0.25rem; font-size: 0.92rem; }
.bars li { display: grid; grid-template-columns: 7.2rem 1fr 3rem; gap: 0.6rem; align-items: center; }
.bars .num { text-align: right; }
.bars i { height: 14px; border-left: 1px solid var(--ink); display: block; }
.bars em { display: block; height: 100%; background: var(--cold); }
.bars .here { font-weight: 600; }
.bars .here em { background: var(--citron); box-shadow: inset 0 0 0 1px var(--ink); }
.lever-head { display: flex; justify-content: space-between; align-items: baseline; }
.turn { min-height: 44px; cursor: pointer; }
.none { display: grid; gap: 0.5rem; justify-items: start; }
/* Room for what is being worked out, so that nothing below jumps when it comes. */
.waiting { min-height: 46px; } .waiting.first { min-height: 14.6rem; }
.room { min-height: 17rem; }
p { margin: 0.2rem 0; }
summary { cursor: pointer; min-height: 32px; }
.mech { width: 100%; font-size: 0.92rem; border-collapse: collapse; }
.mech th {
  font-weight: 400; text-align: left; color: var(--ink-soft); padding: 0.2rem 0.5rem 0.2rem 0; white-space: nowrap;
}
.mech td { padding: 0.2rem 0; width: 60%; }
.mech .r { text-align: right; white-space: nowrap; width: auto; padding-left: 0.6rem; }
.pair { display: grid; gap: 2px; }
.pair em { display: block; height: 7px; min-width: 1px; box-shadow: inset 0 0 0 1px var(--ink); }
.pair .cold { background: var(--cold); }
.pair .plate { background: var(--citron); }
</style>
