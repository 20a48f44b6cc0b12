<script setup lang="ts">
/** Cost per batch and portion, allergens, and nutrition by calculation. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { batchCost } from '#core/formula/cost'
import { allergensOf } from '#core/formula/allergens'
import { nutritionOf, type Nutrition } from '#core/plan/nutrition'
import { TABLE_UI } from '~/composables/tableStyle'
import { ALLERGEN_NAMES } from '~/words/names'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const money = (v: number, digits = 2) => `${kitchen.record?.settings.currency ?? ''}${fmt.fixed(v, digits)}`
const cost = computed(() => batchCost(props.doc, kitchen.core!))
const nutrition = computed(() => nutritionOf(props.doc, kitchen.core!, props.assessment))
const allergens = computed(() => allergensOf(props.doc))
const costRows = computed(() => cost.value.lines.map(l => ({ what: fmt.name(l.ingredientId), mass: fmt.grams(l.massG), price: l.perKg === null ? 'no price' : `${money(l.perKg)} a kg`, cost: l.cost === null ? '—' : money(l.cost) })))
const ROWS: [keyof Nutrition, string, (v: number) => string][] = [
  ['energyKJ', 'Energy', v => `${fmt.fixed(v)} kJ`], ['energyKcal', '', v => `${fmt.fixed(v)} kcal`], ['fatG', 'Fat', v => `${fmt.fixed(v, 1)} g`], ['milkFatG', 'of which milk fat', v => `${fmt.fixed(v, 1)} g`], ['carbohydrateG', 'Carbohydrate', v => `${fmt.fixed(v, 1)} g`],
  ['sugarsG', 'of which sugars', v => `${fmt.fixed(v, 1)} g`], ['fibreG', 'Fibre', v => `${fmt.fixed(v, 1)} g`], ['proteinG', 'Protein', v => `${fmt.fixed(v, 1)} g`], ['alcoholG', 'Alcohol', v => `${fmt.fixed(v, 1)} g`],
]
const foodRows = computed(() => ROWS.filter(([k]) => k !== 'alcoholG' || nutrition.value.per100g.alcoholG > 0.05).map(([k, what, words]) => ({ what, per100: words(nutrition.value.per100g[k]), portion: words(nutrition.value.portion[k]) })))
</script>

<template>
  <section class="label">
    <h3>Cost</h3>
    <p data-cost><b class="display">{{ money(cost.batch) }}</b> the batch, <b>{{ money(cost.portion) }}</b> a portion of {{ fmt.grams(assessment.shape.portionG) }}<template v-if="cost.missing.length">, without {{ cost.missing.map(id => fmt.name(id).toLowerCase()).join(', ') }}: no price yet</template>. Prices stand under <NuxtLink class="underline" to="/kitchen">Kitchen</NuxtLink>.</p>
    <UTable :data="costRows" :columns="[{ accessorKey: 'what', header: 'line' }, { accessorKey: 'mass', header: 'grams' }, { accessorKey: 'price', header: 'price' }, { accessorKey: 'cost', header: 'cost' }]" :ui="TABLE_UI" />
    <h3>Allergens</h3>
    <p v-if="allergens.length" data-allergens><template v-for="(a, i) in allergens" :key="a.allergen">{{ i > 0 ? '; ' : '' }}<b>{{ ALLERGEN_NAMES[a.allergen] }}</b> ({{ a.ingredientIds.map(id => fmt.name(id).toLowerCase()).join(', ') }})</template>. From the table's rows: check every packet, and traces in your kitchen.</p>
    <p v-else>None of the listed ones in these lines. Check every packet, and traces in your kitchen.</p>
    <h3>Nutrition, calculated</h3>
    <UTable :data="foodRows" :columns="[{ accessorKey: 'what', header: '' }, { accessorKey: 'per100', header: 'per 100 g' }, { accessorKey: 'portion', header: `portion, ${fmt.grams(nutrition.portionG)}` }]" :ui="TABLE_UI" />
    <p class="soft small">Calculated from the composition table, not analysed; saturates and salt are not in the table. What is cooked off counts as water.</p>
  </section>
</template>

<style scoped>
h3 { font-size: 1.05rem; margin: 0.8rem 0 0.2rem; } h3:first-child { margin-top: 0; }
p { margin: 0.1rem 0 0.4rem; } b.display { font-size: 1.4rem; }
</style>
