<script setup lang="ts">
/** What joins after the heat, step by step, and at which temperatures; and the grade of the gelatine. */
import {
  BLOOM_WATER,
  GELATIN_GRADES,
  LEAVES,
  OWN_RULE_LEAF_G,
  POWDER_BLOOM,
  swapByOwnRule,
  swapGelatin,
} from '#core/physics/set/gelatin'
import type { Assessment } from '#core/pipeline/assessment'
import { fillingOf, type Bench } from '#core/formula/bench'
import { given, type Step } from '#core/formula/document'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
type Joining = Extract<Step, { kind: 'stirIn' | 'foldIn' }>
const filling = computed(() => fillingOf(props.doc))
const steps = computed(() =>
  filling.value.steps.flatMap((step, index) => {
    if (step.kind !== 'stirIn' && step.kind !== 'foldIn') return []
    const lines = filling.value.lines.filter(l => step.lineIds.includes(l.id) && l.massG > 0)
    return lines.length
      ? [
          {
            step,
            index,
            lines,
            names: lines.map(l => fmt.name(l.ingredientId).toLowerCase()).join(', '),
            mixTempC: given(step.mixTempC),
          },
        ]
      : []
  }),
)
const change = (index: number, part: Partial<Joining>, gesture: string) =>
  ws.change(gesture, (d) => {
    Object.assign(fillingOf(d).steps[index]!, part)
  })
const hasGelatin = computed(() => filling.value.lines.some(l => l.ingredientId === 'gelatin'))
const gelatinG = computed(() =>
  filling.value.lines.reduce((sum, l) => sum + (l.ingredientId === 'gelatin' ? l.massG : 0), 0),
)
/** By the kitchen's own rule for powder and leaf, where it has one. */
const byRule = computed(() => {
  const own = kitchen.core?.ownPowderG
  return own ? { own, ...swapByOwnRule(gelatinG.value, props.doc.set.bloom, own) } : null
})
const grades = GELATIN_GRADES.map(g => ({ bloom: g.bloom, name: `${g.name}, ${g.bloom} Bloom` }))
</script>

<template>
  <div v-if="steps.length || hasGelatin" class="after">
    <div v-for="s in steps" :key="s.step.id" class="step" :data-step="s.step.kind">
      <p class="what">
        <b>{{ s.step.kind === 'foldIn' ? $say('afterHeat.foldedIn') : $say('afterHeat.stirredIn') }}</b> {{ s.names }}
      </p>
      <QuantityField
        field="components.*.steps.*.lineTempC" kind="temperature" show-label
        :label="s.step.kind === 'foldIn' ? $say('afterHeat.itGoesInAt') : $say('afterHeat.theyGoInAt')"
        :model-value="s.step.lineTempC"
        @update:model-value="v => change(s.index, { lineTempC: v }, `line-temp-${s.index}`)" @done="ws.endGesture()"
      />
      <div>
        <label class="field-label" :for="`mix-${s.step.id}`">{{ $say('afterHeat.theMixIs') }}</label>
        <select
          :id="`mix-${s.step.id}`" class="native" :value="s.mixTempC === null ? 'asis' : 'cooled'"
          @change="
            change(s.index,
                   { mixTempC: ($event.target as HTMLSelectElement).value === 'asis'
                     ? { simulated: true }
                     : { given: s.step.kind === 'foldIn' ? 26 : 55 } },
                   '')
          "
        >
          <option value="asis">{{ $say('afterHeat.asItComes') }}</option>
          <option value="cooled">{{ $say('afterHeat.cooledFirst') }}</option>
        </select>
      </div>
      <QuantityField
        v-if="s.mixTempC !== null" field="components.*.steps.*.mixTempC" kind="temperature" show-label
        :label="$say('afterHeat.cooledTo')" :model-value="s.mixTempC"
        @update:model-value="v => change(s.index, { mixTempC: { given: v } }, `mix-temp-${s.index}`)"
        @done="ws.endGesture()"
      />
      <WhipFields v-if="s.step.kind === 'foldIn'" :step="s.step" :index="s.index" :assessment="assessment" />
      <QuantityField
        v-if="s.step.kind === 'foldIn' && !s.step.peak" field="components.*.steps.*.overrun" :per="100" kind="percent" show-label
        :label="$say('afterHeat.whippedUpBy')" :step="10" :model-value="100 * s.step.overrun"
        @update:model-value="v => change(s.index, { overrun: v / 100 } as Partial<Joining>, `overrun-${s.index}`)"
        @done="ws.endGesture()"
      />
    </div>
    <div v-if="hasGelatin" class="step">
      <p class="what">
        <b>{{ $say('afterHeat.gelatine') }}</b>
        {{
          $say('afterHeat.bloomedInOfTheColdWater',
               { gelatinG: fmt.grams(gelatinG), gelatinG2: fmt.grams(BLOOM_WATER * gelatinG) })
        }}
      </p>
      <div class="grade">
        <label class="field-label" for="bloom">{{ $say('afterHeat.grade') }}</label>
        <select
          id="bloom" class="native" :value="doc.set.bloom"
          @change="ws.change('', d => { d.set.bloom = Number(($event.target as HTMLSelectElement).value) })"
        >
          <option v-if="!grades.some(g => g.bloom === doc.set.bloom)" :value="doc.set.bloom">
            {{ $say('afterHeat.bloom', { bloom: doc.set.bloom }) }}
          </option>
          <option v-for="g in grades" :key="g.name" :value="g.bloom">{{ g.name }}</option>
        </select>
      </div>
      <p class="soft small same">
        {{
          $say('afterHeat.theSameWorkOfPowderGold',
               { POWDERBLOOM: fmt.grams(swapGelatin(gelatinG, doc.set.bloom, POWDER_BLOOM)),
                 leafG: Math.round(10 * swapGelatin(gelatinG, doc.set.bloom, LEAVES.gold.bloom) / LEAVES.gold.leafG) / 10,
                 leafG2: Math.round(10 * swapGelatin(gelatinG, doc.set.bloom,
                                                     LEAVES.bronze.bloom) / LEAVES.bronze.leafG) / 10 })
        }}
        <b v-if="byRule" data-own-rule>
          {{
            $say('afterHeat.byYourRule',
                 { own: fmt.grams(byRule.own),
                   ten: fmt.grams(OWN_RULE_LEAF_G),
                   powderG: fmt.grams(byRule.powderG),
                   leafG: fmt.grams(byRule.leafG) })
          }}
        </b>
      </p>
    </div>
  </div>
</template>

<style scoped>
.after {
  border-top: 1px solid var(--hairline); margin-top: 0.9rem; padding-top: 0.6rem; display: grid; gap: 0.6rem;
  max-width: 46rem;
}
.step {
  display: grid; grid-template-columns: minmax(8rem, 1.4fr) repeat(4, minmax(7rem, 1fr)); gap: 0.9rem; align-items: end;
}
.what { margin: 0; align-self: center; }
.grade, .same { grid-column: span 2; }
.same { margin: 0; }
.what b { display: block; }
@media (max-width: 760px) { .step { grid-template-columns: 1fr 1fr; } .what { grid-column: 1 / -1; } }
</style>
