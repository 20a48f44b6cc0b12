<script setup lang="ts">
/** The boil: where it stops by the scale and by the jug, when the juice can go in, room for the foam, what sugar does to it. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { CREAM_KNITS_C } from '#core/physics/set/setting'
import { boilPlan } from '#core/plan/boil'
import { SUGAR_ML_PER_G } from '#core/physics/heat/reduction'
import { ACID_TOO_HOT_C } from '#core/pipeline/judge/limits'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const h = computed(() => props.assessment.heat)
const plan = computed(() => boilPlan(props.doc, kitchen.core!, props.assessment))
</script>

<template>
  <section class="reduce">
    <p class="answer" data-answer="stop"><span class="soft">Stop when the scale reads</span> <b class="display">{{ fmt.grams(plan.stopG) }}</b> <span class="soft">{{ plan.tareG !== null ? `with the pan (${fmt.grams(plan.tareG)} of it)` : 'and the pan\'s own weight: choose a pan under The cook and weigh it empty, once' }}</span></p>
    <dl class="facts">
      <div><dt>water to boil off</dt><dd data-fact="boil-off">{{ fmt.grams(plan.lossG) }}</dd></div>
      <div v-if="h.reduction"><dt>by the jug</dt><dd>{{ fmt.fixed(h.reduction.volumeMl) }} ml<small>a hot jug reads {{ fmt.fixed(h.reduction.hotVolumeMl) }} ml</small></dd></div>
      <div><dt>takes</dt><dd>{{ fmt.duration(h.endS) }}<small>boiling from {{ h.reachedS === null ? 'never' : fmt.duration(h.reachedS) }}, at {{ fmt.fixed(doc.heat.burnerW) }} W into the pan</small></dd></div>
      <div v-if="plan.juice"><dt>juice in</dt><dd data-fact="juice-in">{{ fmt.temp(plan.juice.beforeC) }}<small>{{ fmt.duration(plan.juice.atS) }} off the heat; not above {{ fmt.temp(ACID_TOO_HOT_C) }}, not under {{ fmt.temp(CREAM_KNITS_C) }}</small></dd></div>
      <div v-if="plan.roomM3 > 0"><dt>room for the foam</dt><dd>{{ fmt.litres(plan.roomM3) }}<small>three times the mix{{ plan.panM3 === null ? '' : `; this pan holds ${fmt.litres(plan.panM3)}` }}</small></dd></div>
    </dl>
    <template v-if="plan.halfSugar">
      <h3 class="section-title">What sugar does to it</h3>
      <p>Each gram of sugar adds {{ fmt.fixed(SUGAR_ML_PER_G, 2) }} ml, and just so much water is boiled off for it. With <b class="num">{{ fmt.grams(plan.sugarG) }}</b> the scale stops at <b class="num">{{ fmt.grams(plan.stopG) }}</b>; with half of it at <b class="num" data-fact="half-sugar">{{ fmt.grams(plan.halfSugar.stopG) }}</b>, and {{ fmt.grams(plan.halfSugar.staysG) }} more water stays: it sets looser twice over. Reducing does not sharpen it: the pH stays.</p>
    </template>
    <CautionList :findings="assessment.findings.filter(f => ['boilOver', 'panTooSmall', 'acidTooHot', 'acidTooLate'].includes(f.code))" />
  </section>
</template>

<style scoped>
.answer .display { font-size: 2.4rem; margin: 0 0.4rem; }
</style>
