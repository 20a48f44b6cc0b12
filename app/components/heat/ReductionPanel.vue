<script setup lang="ts">
/**
 * The boil: where it stops by the scale and by the jug, when the juice can go in, room for the foam, what sugar
 * does to it.
 */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { CREAM_KNITS_C } from '#core/physics/set/setting'
import { boilPlan } from '#core/plan/boil'
import { SUGAR_ML_PER_G } from '#core/physics/heat/reduction'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const h = computed(() => props.assessment.heat)
const plan = computed(() => boilPlan(props.doc, kitchen.core!, props.assessment))
</script>

<template>
  <section class="reduce">
    <p class="answer" data-answer="stop">
      <span class="soft">{{ $say('reductionPanel.stopWhenTheScaleReads') }}</span> <b class="display">{{ fmt.grams(plan.stopG) }}</b> <span class="soft">
        {{
          plan.tareG !== null
            ? $say('reductionPanel.withThePanOfIt', { tareG: fmt.grams(plan.tareG) })
            : $say('reductionPanel.andThePanSOwnWeight')
        }}
      </span>
    </p>
    <dl class="facts">
      <div>
        <dt>{{ $say('reductionPanel.startsFrom') }}</dt>
        <dd data-fact="start">
          {{ fmt.grams(plan.startG) }}<small>{{ $say('reductionPanel.andMl', { ml: fmt.fixed(plan.startMl) }) }}</small>
        </dd>
      </div>
      <div>
        <dt>{{ $say('reductionPanel.waterToBoilOff') }}</dt>
        <dd data-fact="boil-off">{{ fmt.grams(plan.lossG) }}</dd>
      </div>
      <div v-if="h.reduction">
        <dt>{{ $say('reductionPanel.byTheJug') }}</dt>
        <dd>
          {{ fmt.fixed(h.reduction.volumeMl) }}
          ml<small>
            {{ $say('reductionPanel.aHotJugReadsMl', { hotVolumeMl: fmt.fixed(h.reduction.hotVolumeMl) }) }}
          </small>
        </dd>
      </div>
      <div>
        <dt>{{ $say('reductionPanel.takes') }}</dt>
        <dd>
          {{ fmt.duration(h.endS) }}<small>
            {{
              $say('reductionPanel.boilingFromAtWIntoThe',
                   { reachedS: h.reachedS === null
                       ? $say('reductionPanel.never')
                       : fmt.duration(h.reachedS),
                     burnerW: fmt.fixed(doc.heat.burnerW) })
            }}
          </small>
        </dd>
      </div>
      <div v-if="plan.juice">
        <dt>{{ $say('reductionPanel.juiceIn') }}</dt>
        <dd data-fact="juice-in">
          {{ fmt.temp(plan.juice.beforeC) }}<small>
            {{
              $say('reductionPanel.offTheHeatNotAboveNot',
                   { atS: fmt.duration(plan.juice.atS),
                     smoothBelowC: fmt.temp(Math.min(95, h.smoothBelowC ?? 95)),
                     CREAMKNITSC: fmt.temp(CREAM_KNITS_C) })
            }}
          </small>
        </dd>
      </div>
      <div v-if="plan.roomM3 > 0">
        <dt>{{ $say('reductionPanel.roomForTheFoam') }}</dt>
        <dd>
          {{ fmt.litres(plan.roomM3) }}<small>
            {{
              $say('reductionPanel.threeTimesTheMix',
                   { panM3: plan.panM3 === null
                     ? ''
                     : $say('reductionPanel.thisPanHolds', { panM3: fmt.litres(plan.panM3) }) })
            }}
          </small>
        </dd>
      </div>
    </dl>
    <template v-if="plan.halfSugar">
      <h2 class="section-title">{{ $say('reductionPanel.whatSugarDoesToIt') }}</h2>
      <p>
        {{ $say('reductionPanel.eachGramOfSugarAddsMl', { SUGARMLPERG: fmt.fixed(SUGAR_ML_PER_G, 2) }) }}
        <b class="num">{{ fmt.grams(plan.sugarG) }}</b> {{ $say('reductionPanel.theScaleStopsAt') }}
        <b class="num">{{ fmt.grams(plan.stopG) }}</b>{{ $say('reductionPanel.withHalfOfItAt') }}
        <b class="num" data-fact="half-sugar">{{ fmt.grams(plan.halfSugar.stopG) }}</b>{{ $say('reductionPanel.andMoreWaterStaysItSets', { staysG: fmt.grams(plan.halfSugar.staysG) }) }}
      </p>
    </template>
    <CautionList
      :findings="assessment.findings.filter(f => ['boilOver', 'panTooSmall', 'acidTooHot', 'acidTooLate'].includes(f.code))"
    />
  </section>
</template>

<style scoped>
.answer .display { font-size: 2.4rem; margin: 0 0.4rem; }
</style>
