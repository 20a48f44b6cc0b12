<script setup lang="ts">
/** What goes onto each portion at the last: what, how much, how late, how long it lasts, what it costs. */
import type { Bench } from '#core/formula/bench'
import { costOf } from '#core/formula/cost'
import { FINISH_KINDS, type FinishKind } from '#core/formula/document'
import { finishRows, rosetteG, withFinish, withFinishOf, withoutFinish } from '#core/formula/finish'
import { FINISH_NAMES } from '~/words/names'
import { longWords } from '~/words/today'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const { options } = useIngredients()
const rows = computed(() => finishRows(props.doc))
function put(doc: Bench) {
  ws.replace(doc)
  ws.endGesture()
}
const add = (as: FinishKind) => put(withFinish(props.doc, as, () => crypto.randomUUID()))
/* A rosette by its nozzle: the grams of cream follow. */
const nozzleM = ref(0.014)
const prices = computed(() => kitchen.core?.prices ?? {})
const costs = computed(() => rows.value.map(r => costOf(r.line.ingredientId, r.eachG, prices.value)))
const cost = computed(() => costs.value.reduce((s: number, c) => s + (c ?? 0), 0))
const unpriced = computed(() =>
  rows.value.filter((_, i) => costs.value[i] === null).map(r => fmt.name(r.line.ingredientId)))
const currency = computed(() => kitchen.record?.settings.currency ?? '')
</script>

<template>
  <section class="finish" data-finish>
    <p class="lead">{{ $say('finish.how') }}</p>
    <div class="choices" role="group" :aria-label="$say('finish.add')">
      <button v-for="k in FINISH_KINDS" :key="k" type="button" :data-put-on="k" @click="add(k)">+ {{ FINISH_NAMES[k] }}</button>
    </div>
    <p v-if="rows.length === 0" class="soft">{{ $say('finish.none') }}</p>
    <ul v-else>
      <li v-for="r in rows" :key="r.line.id" :data-finish-row="r.as">
        <div>
          <h3>{{ FINISH_NAMES[r.as] }}</h3>
          <span v-if="r.pieces" class="soft num">{{ $say('finish.pieces', { n: r.pieces, g: fmt.grams(r.eachG / r.pieces) }) }}</span>
        </div>
        <div>
          <label class="field-label" :for="`of-${r.line.id}`">{{ $say('finish.what') }}</label>
          <select
            :id="`of-${r.line.id}`" class="native" :value="r.line.ingredientId"
            :aria-label="$say('finish.of', { as: FINISH_NAMES[r.as] })"
            @change="e => put(withFinishOf(doc, r.line.id, { ingredientId: (e.target as HTMLSelectElement).value }))"
          >
            <option v-for="o in options" :key="o.id" :value="o.id">{{ o.name }}</option>
          </select>
        </div>
        <QuantityField
          class="each" kind="mass" show-label :label="$say('finish.each')" :model-value="r.eachG" :min="0.1" :max="500"
          @update:model-value="v => put(withFinishOf(doc, r.line.id, { eachG: v }))"
        />
        <p class="num"><span class="field-label">{{ $say('finish.all') }}</span>{{ fmt.grams(r.line.massG) }}</p>
        <p class="num">
          <span class="field-label">{{ $say('finish.on') }}</span>{{ $say('finish.atMost', { min: longWords(r.onMin) }) }}
        </p>
        <p class="num"><span class="field-label">{{ $say('finish.holds') }}</span>{{ longWords(r.holdsMin) }}</p>
        <UButton
          variant="ghost" color="neutral" icon="i-lucide-x" :aria-label="$say('finish.out', { name: FINISH_NAMES[r.as] })"
          @click="put(withoutFinish(doc, r.line.id))"
        />
        <div v-if="r.as === 'rosette'" class="nozzle">
          <QuantityField
            kind="length" show-label :label="$say('finish.nozzle')" :model-value="nozzleM" :min="0.004" :max="0.03" :step="1"
            @update:model-value="v => nozzleM = v"
          />
          <button
            type="button" class="flat" data-nozzle
            @click="put(withFinishOf(doc, r.line.id, { eachG: rosetteG(nozzleM) }))"
          >
            {{ $say('finish.rosette', { g: fmt.grams(rosetteG(nozzleM)), mm: fmt.mm(nozzleM, 0) }) }}
          </button>
        </div>
      </li>
    </ul>
    <p v-if="rows.length" class="num" data-finish-cost>
      <template v-if="cost > 0">{{ $say('finish.cost', { cost: `${currency} ${fmt.fixed(cost, 2)}` }) }}</template>
      <template v-if="unpriced.length">{{ ' ' }}{{ $say('finish.costNot', { list: unpriced.join(', ') }) }}</template>
    </p>
  </section>
</template>

<style scoped>
.finish { display: grid; gap: 0.8rem; justify-items: start; }
ul { list-style: none; margin: 0; padding: 0; width: 100%; border-top: 1px solid var(--ink); }
li {
  display: grid; grid-template-columns: minmax(8rem, 1fr) minmax(9rem, 1.2fr) 7rem 5rem 8rem 6rem auto; gap: 0.2rem 1rem;
  align-items: start; border-bottom: 1px solid var(--hairline); padding: 0.5rem 0;
}
h3 { margin: 0; font-size: 1.15rem; }
li p { margin: 0; min-height: 44px; } li p .field-label { display: block; }
.nozzle { grid-column: 1 / -1; display: flex; flex-wrap: wrap; gap: 0.6rem 1rem; align-items: end; }
select { width: 100%; }
@media (max-width: 1100px) { li { grid-template-columns: 1fr 1fr 1fr; } }
@media (max-width: 620px) { li { grid-template-columns: 1fr 1fr; } }
</style>
