<script setup lang="ts">
/** Cost per batch and portion, allergens, and nutrition by calculation. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { batchCost } from '#core/formula/cost'
import { allergensOf } from '#core/formula/allergens'
import { nutritionOf, type Nutrition } from '#core/plan/nutrition'
import { TABLE_UI, unseen } from '~/composables/tableStyle'
import { ALLERGEN_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const { money } = fmt
const cost = computed(() => batchCost(props.doc, kitchen.core!))
const nutrition = computed(() => nutritionOf(props.doc, kitchen.core!, props.assessment))
const allergens = computed(() => allergensOf(props.doc))
const costRows = computed(() =>
  cost.value.lines.map(l => ({
    what: fmt.name(l.ingredientId),
    mass: fmt.grams(l.massG),
    price: l.perKg === null ? say('labelPanel.noPrice') : `${money(l.perKg)} a kg`,
    cost: l.cost === null ? '—' : money(l.cost),
  })),
)
const ROWS: [keyof Nutrition, string, (v: number) => string][] = [
  ['energyKJ', say('labelPanel.energy'), v => `${fmt.fixed(v)} kJ`],
  ['energyKcal', '', v => `${fmt.fixed(v)} kcal`],
  ['fatG', say('labelPanel.fat'), v => `${fmt.fixed(v, 1)} g`],
  ['milkFatG', say('labelPanel.ofWhichMilkFat'), v => `${fmt.fixed(v, 1)} g`],
  ['carbohydrateG', say('labelPanel.carbohydrate'), v => `${fmt.fixed(v, 1)} g`],
  ['sugarsG', say('labelPanel.ofWhichSugars'), v => `${fmt.fixed(v, 1)} g`],
  ['fibreG', say('labelPanel.fibre'), v => `${fmt.fixed(v, 1)} g`],
  ['proteinG', say('labelPanel.protein'), v => `${fmt.fixed(v, 1)} g`],
  ['alcoholG', say('labelPanel.alcohol'), v => `${fmt.fixed(v, 1)} g`],
]
const foodRows = computed(() =>
  ROWS.filter(([k]) => k !== 'alcoholG' || nutrition.value.per100g.alcoholG > 0.05).map(([k, what, words]) => ({
    what,
    per100: words(nutrition.value.per100g[k]),
    portion: words(nutrition.value.portion[k]),
  })),
)
</script>

<template>
  <section class="label">
    <h2>{{ $say('labelPanel.cost') }}</h2>
    <p data-cost>
      <b class="display">{{ money(cost.batch) }}</b> {{ $say('labelPanel.theBatch') }} <b>{{ money(cost.portion) }}</b>
      {{ $say('labelPanel.aPortionOf', { portionG: fmt.grams(nutrition.portionG) }) }}<template v-if="cost.missing.length">
        {{ $say('labelPanel.withoutNoPriceYet', { id: cost.missing.map(id => fmt.name(id).toLowerCase()).join(', ') }) }}
      </template>{{ $say('labelPanel.pricesStandUnder') }}
      <NuxtLink class="underline" to="/kitchen">{{ $say('labelPanel.kitchen') }}</NuxtLink>.
    </p>
    <UTable
      :data="costRows"
      :columns="
        [{ accessorKey: 'what', header: 'line' }, { accessorKey: 'mass', header: 'grams' },
         { accessorKey: 'price', header: 'price' }, { accessorKey: 'cost', header: 'cost' }]
      "
      :ui="TABLE_UI"
    />
    <h2>{{ $say('labelPanel.allergens') }}</h2>
    <p v-if="allergens.length" data-allergens>
      <template v-for="(a, i) in allergens" :key="a.allergen">
        {{ i > 0 ? '; ' : '' }}<b>{{ ALLERGEN_NAMES[a.allergen] }}</b>
        ({{ a.ingredientIds.map(id => fmt.name(id).toLowerCase()).join(', ') }})
      </template>{{ $say('labelPanel.fromTheTableSRowsCheck') }}
    </p>
    <p v-else>{{ $say('labelPanel.noneOfTheListedOnesIn') }}</p>
    <h2>{{ $say('labelPanel.nutritionCalculated') }}</h2>
    <UTable
      :data="foodRows"
      :columns="
        [{ accessorKey: 'what', header: unseen($say('labelPanel.what')) }, { accessorKey: 'per100', header: 'per 100 g' },
         { accessorKey: 'portion', header: `portion, ${fmt.grams(nutrition.portionG)}` }]
      "
      :ui="TABLE_UI"
    />
    <p class="soft small">{{ $say('labelPanel.calculatedFromTheCompositionTableNot') }}</p>
  </section>
</template>

<style scoped>
h2 { font-size: 1.05rem; margin: 0.8rem 0 0.2rem; } h2:first-child { margin-top: 0; }
p { margin: 0.1rem 0 0.4rem; } b.display { font-size: 1.4rem; }
</style>
