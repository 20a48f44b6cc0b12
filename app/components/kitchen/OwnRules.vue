<script setup lang="ts">
/** Rules of thumb the kitchen goes by: juice of a fruit, what a can holds, powder for leaf; the published beside. */
import { besideGrams } from '#core/base/ingredients/beside'
import { FRUITS } from '#core/base/ingredients/measures'
import { FIELDS } from '#core/base/fields'
import { CANS } from '#core/formats/reader/weigh'
import type { OwnRules } from '#core/kitchen/kitchen'
import { LEAVES, OWN_RULE_LEAF_G, POWDER_BLOOM, swapGelatin } from '#core/physics/set/gelatin'
import { fruitOf } from '#core/plan/fruit'
import { fruitName } from '~/words/stock'
import { say } from '~/words/say'

type Table = 'ownJuiceG' | 'ownCanG'
const props = defineProps<{ rules: OwnRules }>()
const emit = defineEmits<{ change: [rules: OwnRules] }>()
const fmt = useFormat()
const powder = swapGelatin(OWN_RULE_LEAF_G, LEAVES.gold.bloom, POWDER_BLOOM)
const canOf = (id: string) => say('ownRules.canOf', { what: fmt.name(id).toLowerCase() })
const juiceOf = (id: string) => say('ownRules.juiceOf', { fruit: fruitName(fruitOf(id)!) })
/** "46.4 g (45 ml)" */
const juice = (fruitId: string, g: number): string =>
  say('ownRules.gramsAndMl', {
    g: fmt.grams(g), ml: fmt.fixed(besideGrams(fruitOf(fruitId)!.juiceId, g, 'metric')?.ml ?? 0),
  })
const rows = computed(() => [
  ...Object.entries(props.rules.ownJuiceG ?? {}).map(([id, g]) => ({
    table: 'ownJuiceG' as Table, id, g, label: juiceOf(id), here: juice(id, g), published: juice(id, fruitOf(id)!.juiceG),
  })),
  ...Object.entries(props.rules.ownCanG ?? {}).map(([id, g]) => ({
    table: 'ownCanG' as Table, id, g, label: canOf(id), here: fmt.grams(g),
    published: (CANS[id] ?? []).map(x => fmt.grams(x)).join(', ') || say('ownRules.noneKnown'),
  })),
])
const put = (table: Table, id: string, g: number) =>
  emit('change', { [table]: { ...props.rules[table], [id]: g } })
const drop = (table: Table, id: string) =>
  emit('change', { [table]: Object.fromEntries(Object.entries(props.rules[table] ?? {}).filter(([k]) => k !== id)) })
const fruits = computed(() => FRUITS.filter(f => props.rules.ownJuiceG?.[f.id] === undefined))
/** Cans as they are sold first, then whatever else may come in one. */
const { options } = useIngredients()
const canned = computed(() =>
  [...Object.keys(CANS), ...options.value.map(o => o.id).filter(id => !(id in CANS))]
    .filter(id => props.rules.ownCanG?.[id] === undefined))
const adding = ref('')
/** A rule begins as the published one, to be changed. */
const USUAL_CAN_G = 400
function add() {
  const [table, id] = adding.value.split(':') as [Table, string]
  adding.value = ''
  if (id) put(table, id, table === 'ownJuiceG' ? fruitOf(id)!.juiceG : CANS[id]?.[0] ?? USUAL_CAN_G)
}
</script>

<template>
  <section class="wide" data-kitchen-part="rules">
    <h2 class="section-title">{{ $say('ownRules.title') }}</h2>
    <p class="soft small">{{ $say('ownRules.how') }}</p>
    <ul class="rules">
      <li data-rule="powder">
        <QuantityField
          field="kitchen.ownPowderG" kind="mass" show-label :label="$say('ownRules.powderFor', { leafG: fmt.grams(OWN_RULE_LEAF_G) })"
          :blank="$say('fruitLedger.asTheTable', { g: fmt.grams(powder) })" :model-value="rules.ownPowderG ?? 0"
          @update:model-value="v => emit('change', { ownPowderG: v >= FIELDS['kitchen.ownPowderG'].min ? v : undefined })"
        />
        <p class="soft small">{{ $say('ownRules.published', { rule: fmt.grams(powder) }) }}</p>
      </li>
      <li v-for="r in rows" :key="r.table + r.id" :data-rule="r.id">
        <QuantityField
          :field="`kitchen.${r.table}.*`" kind="mass" show-label :label="r.label" :model-value="r.g"
          @update:model-value="v => put(r.table, r.id, v)"
        />
        <UButton
          variant="ghost" color="neutral" icon="i-lucide-x" :aria-label="$say('ownRules.drop', { label: r.label })"
          @click="drop(r.table, r.id)"
        />
        <p class="soft small">
          {{ $say('ownRules.hereAndPublished', { here: r.here, rule: r.published }) }}
        </p>
      </li>
    </ul>
    <form class="add" @submit.prevent="add">
      <label class="sr" for="k-rule">{{ $say('ownRules.add') }}</label>
      <select id="k-rule" v-model="adding" class="native">
        <option value="" disabled>{{ $say('ownRules.add') }}</option>
        <optgroup :label="$say('ownRules.juices')">
          <option v-for="f in fruits" :key="f.id" :value="`ownJuiceG:${f.id}`">{{ fruitName(f) }}</option>
        </optgroup>
        <optgroup :label="$say('ownRules.cans')">
          <option v-for="id in canned" :key="id" :value="`ownCanG:${id}`">{{ fmt.name(id) }}</option>
        </optgroup>
      </select>
      <UButton type="submit" variant="outline" color="neutral" size="sm" :label="$say('kitchen.add')" :disabled="!adding" />
    </form>
  </section>
</template>

<style scoped>
section { border-top: 1px solid var(--ink); padding-top: 0.7rem; }
.wide { grid-column: 1 / -1; }
.rules {
  list-style: none; margin: 0.5rem 0 0.7rem; padding: 0; display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 19rem), 1fr)); gap: 0.8rem 1.8rem;
}
.rules li {
  display: grid; grid-template-columns: minmax(0, 1fr) auto; align-items: end; align-content: start; gap: 0 0.2rem;
}
.rules p { grid-column: 1 / -1; margin: 0.15rem 0 0; }
.add { display: flex; gap: 0.6rem; max-width: 24rem; }
</style>
