<script setup lang="ts">
/** The label itself, as it is stuck on: sized for a 62 mm roll or an A6 card. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { labelFacts } from '#core/plan/label'
import { ALLERGEN_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment, size: '62' | 'a6' }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const l = computed(() => labelFacts(props.doc, kitchen.core!, props.assessment))
const WARNINGS = {
  rawEgg: say('labelSheet.containsEggThatIsNotCooked'),
  lethalityLow: say('labelSheet.containsLightlyCookedEggNotFor'),
  rawTopping: say('labelSheet.toppedWithEggWhiteThatIs'),
  animalGelatin: say('labelSheet.containsAnimalGelatine'),
  alcohol: say('labelSheet.containsAlcohol'),
  medicines: say('labelSheet.containsGrapefruitOrBitterOrangeAsk'),
} as const
</script>

<template>
  <article class="label" :class="`s-${size}`" data-label>
    <h2 dir="auto">{{ l.name }}</h2>
    <p class="made">
      {{
        $say('labelSheet.aPortion',
             { p1: l.madeOn
                 ? $say('labelSheet.made', { madeOn: fmt.day(l.madeOn) })
                 : $say('labelSheet.made2'),
               portionG: fmt.grams(l.portionG) })
      }}
    </p>
    <p class="by">
      <span>{{ $say('labelSheet.useBy') }}</span> <b>
        {{
          l.useBy
            ? $say('labelSheet.endOf', { p1: fmt.day(l.useBy) })
            : l.storageDays > 0
              ? $say('labelSheet.dayTheDayOfMakingBeing', { storageDays: l.storageDays })
              : $say('labelSheet.theSameDay')
        }}
      </b>
    </p>
    <p>{{ $say('labelSheet.keepAtOrBelowCovered', { holdC: fmt.temp(l.holdC) }) }}</p>
    <p class="what">
      <b>{{ $say('labelSheet.ingredients') }}</b> <template v-for="(i, n) in l.ingredients" :key="i.ingredientId">
        <template v-if="n > 0">, </template>
        <strong v-if="i.allergens.length">
          {{ fmt.name(i.ingredientId).toLowerCase() }} ({{ i.allergens.map(x => ALLERGEN_NAMES[x]).join(', ') }})</strong>
        <template v-else>{{ fmt.name(i.ingredientId).toLowerCase() }}</template>
      </template>
      <template v-if="l.plainCrust">, <strong>{{ $say('labelSheet.pastryCerealsWithGlutenMilk') }}</strong></template>.
    </p>
    <p class="allergens">
      <b>{{ $say('labelSheet.allergens') }}</b>
      {{
        l.allergens.length
          ? l.allergens.map(x => ALLERGEN_NAMES[x]).join(', ')
          : $say('labelSheet.noneOfThoseLumbikKnows')
      }}
    </p>
    <p v-for="w in l.warnings" :key="w" class="warn">{{ WARNINGS[w] }}</p>
    <p v-if="l.lots.length" class="lots">{{ $say('labelSheet.lots', { lots: l.lots.join('; ') }) }}</p>
    <p class="by-whom">{{ kitchen.record?.name }}</p>
  </article>
</template>

<style scoped>
.label {
  background: white; color: black; border: 1px solid var(--ink); font-family: var(--font-sans); line-height: 1.25;
  box-sizing: border-box;
}
.s-62 { width: 62mm; padding: 3mm; font-size: 10.5pt; }
.s-a6 { width: 105mm; min-height: 148mm; padding: 8mm; font-size: 12pt; }
h2 { font-size: 1.3em; margin: 0 0 0.3em; }
p { margin: 0 0 0.35em; }
.by { border-top: 1px solid black; border-bottom: 1px solid black; padding: 0.25em 0; }
.by b { font-size: 1.35em; display: block; }
strong { font-weight: 700; } .warn { font-weight: 700; border-left: 3px solid black; padding-left: 0.5em; }
@media print { .label { border: 0; } }
</style>
