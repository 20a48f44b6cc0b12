<script setup lang="ts">
/** The label itself, as it is stuck on: sized for a 62 mm roll or an A6 card. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { labelFacts } from '#core/plan/label'
import { ALLERGEN_NAMES } from '~/words/names'

const props = defineProps<{ doc: Bench, assessment: Assessment, size: '62' | 'a6' }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const l = computed(() => labelFacts(props.doc, kitchen.core!, props.assessment))
const WARNINGS = { rawEgg: 'Contains egg that is not cooked: not for pregnant, very young, old or ill people.', lethalityLow: 'Contains lightly cooked egg: not for pregnant, very young, old or ill people.', rawTopping: 'Topped with egg white that is not cooked through: not for pregnant, very young, old or ill people.', animalGelatin: 'Contains animal gelatine.', alcohol: 'Contains alcohol.', medicines: 'Contains grapefruit or bitter orange: ask if you take medicines.' } as const
</script>

<template>
  <article class="label" :class="`s-${size}`" data-label>
    <h2>{{ l.name }}</h2>
    <p class="made">{{ l.madeOn ? `Made ${fmt.day(l.madeOn)}` : 'Made ____________' }} · {{ fmt.grams(l.portionG) }} a portion</p>
    <p class="by"><span>Use by</span> <b>{{ l.useBy ? `end of ${fmt.day(l.useBy)}` : l.storageDays > 0 ? `day ${l.storageDays}, the day of making being day 1` : 'the same day' }}</b></p>
    <p>Keep at {{ fmt.temp(l.holdC) }} or below, covered.</p>
    <p class="what"><b>Ingredients:</b> <template v-for="(i, n) in l.ingredients" :key="i.ingredientId"><template v-if="n > 0">, </template><strong v-if="i.allergens.length">{{ fmt.name(i.ingredientId).toLowerCase() }} ({{ i.allergens.map(x => ALLERGEN_NAMES[x]).join(', ') }})</strong><template v-else>{{ fmt.name(i.ingredientId).toLowerCase() }}</template></template><template v-if="l.plainCrust">, <strong>pastry (cereals with gluten, milk)</strong></template>.</p>
    <p class="allergens"><b>Allergens:</b> {{ l.allergens.length ? l.allergens.map(x => ALLERGEN_NAMES[x]).join(', ') : 'none of those Lumbik knows' }}</p>
    <p v-for="w in l.warnings" :key="w" class="warn">{{ WARNINGS[w] }}</p>
    <p v-if="l.lots.length" class="lots">Lots: {{ l.lots.join('; ') }}</p>
    <p class="by-whom">{{ kitchen.record?.name }}</p>
  </article>
</template>

<style scoped>
.label { background: white; color: black; border: 1px solid var(--ink); font-family: var(--font-sans); line-height: 1.25; box-sizing: border-box; }
.s-62 { width: 62mm; padding: 3mm; font-size: 10.5pt; } .s-a6 { width: 105mm; min-height: 148mm; padding: 8mm; font-size: 12pt; }
h2 { font-size: 1.3em; margin: 0 0 0.3em; }
p { margin: 0 0 0.35em; }
.by { border-top: 1px solid black; border-bottom: 1px solid black; padding: 0.25em 0; } .by b { font-size: 1.35em; display: block; }
strong { font-weight: 700; } .warn { font-weight: 700; border-left: 3px solid black; padding-left: 0.5em; }
@media print { .label { border: 0; } }
</style>
