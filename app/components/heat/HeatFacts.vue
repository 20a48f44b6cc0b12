<script setup lang="ts">
/** What the heat came to, figure by figure. */
import type { Assessment } from '#core/pipeline/assessment'
import { type Bench, ovenAirC, panOf } from '#core/formula/bench'
import { familyOf } from '#core/formula/families'
import { scaleReadingG } from '#core/plan/boil'
import { burstsIn, BURST } from '#core/physics/heat/pot'
import { say } from '~/words/say'
import type { Cue } from './cue'

const props = defineProps<{ doc: Bench, assessment: Assessment, cues: readonly Cue[], hasEgg: boolean }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const h = computed(() => props.assessment.heat)
const family = computed(() => familyOf(props.doc.family))
const method = computed(() => props.doc.heat.method)
const heats = computed(() => method.value !== 'none')
const airC = computed(() => ovenAirC(props.doc, kitchen.core!))
const pan = computed(() => panOf(props.doc, kitchen.core!))
const margin = computed(() =>
  h.value.marginK === null
    ? '—'
    : h.value.marginK > 0
      ? fmt.degrees(h.value.marginK, 1)
      : say('cookPlan.pastItBy', { marginK: fmt.degrees(-h.value.marginK, 1) }),
)
</script>

<template>
  <dl class="facts">
    <div v-if="heats">
      <dt>{{ method === 'oven' ? $say('cookPlan.outOfTheOven') : $say('cookPlan.offTheHeat') }}</dt>
      <dd data-fact="heat-time">
        <WhyNumber topic="heatTime">{{ fmt.duration(h.endS) }}</WhyNumber>
        <small>
          {{
            method === 'microwave'
              ? $say('cookPlan.aboutBurstsOf20S',
                     { endS: burstsIn(h.endS, doc.heat.burstS), burstS: fmt.fixed(doc.heat.burstS ?? BURST.onS) })
              : $say('cookPlan.peak', { peakTempC: fmt.temp(h.peakTempC) })
          }}
        </small>
      </dd>
    </div>
    <div v-for="c in cues" :key="c.key">
      <dt>{{ c.name }}</dt>
      <dd :class="{ bad: c.key === 'grainy' && c.at !== null }" :data-cue="c.key">
        <WhyNumber :topic="c.why">{{ c.at === null ? $say('cookPlan.never') : `${fmt.duration(c.at)}` }}</WhyNumber>
        <small v-if="c.tempC !== null">{{ $say('cookPlan.at3', { at: fmt.temp(c.tempC) }) }}</small>
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
    <div v-if="h.oven">
      <dt>{{ $say('cookPlan.inTheOvenAtOnce') }}</dt>
      <dd data-fact="at-once">
        <WhyNumber topic="ovenLoad">{{ h.oven.atOnce }}</WhyNumber>
        <small>
          {{ h.oven.loads > 1
            ? $say('cookPlan.loadsAirFallsTo', { loads: h.oven.loads, leastC: fmt.temp(h.oven.leastC) })
            : $say('cookPlan.airFallsTo', { leastC: fmt.temp(h.oven.leastC) }) }}
        </small>
      </dd>
    </div>
    <div v-if="h.middleBehindK > 0.5">
      <dt>{{ $say('cookPlan.middleBehind') }}</dt>
      <dd data-fact="behind">
        <WhyNumber topic="middleBehind">{{ fmt.degrees(h.middleBehindK, 1) }}</WhyNumber>
        <small>{{ $say('cookPlan.beforeItIsWhiskedIn') }}</small>
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
    <div v-if="heats && method !== 'sousVide'">
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
</template>
