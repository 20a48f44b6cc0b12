<script setup lang="ts">
/** What is on the bench: each line's source measure, its grams, what it is counted in, and where its strength comes from. */
import type { Assessment } from '#core/pipeline/assessment'
import { fillingOf, type Bench } from '#core/formula/bench'
import type { Line } from '#core/formula/document'
import { lotStrength } from '#core/kitchen/kitchen'
import type { Measured, Strength } from '#core/base/ingredients/types'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { carriesFat } from '#core/kitchen/strength'
import { RIGHT, TABLE_UI } from '~/composables/tableStyle'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const rows = computed(() => fillingOf(props.doc).lines.map((line) => {
  const row = findIngredient(line.ingredientId)
  const acid = row?.group === 'juice' && row.acid ? row.acid : null
  return { line, acid, fat: row && carriesFat(row) ? row.per100g.fat ?? 0 : null, strength: line.strength ?? { kind: 'typical' as const }, lots: (kitchen.record?.lots ?? []).filter(l => l.ingredientId === line.ingredientId), source: row?.source }
}))

const COLUMNS = [{ id: 'name', header: 'On the bench' }, { id: 'source', header: 'as written, and what was assumed' }, { id: 'grams', header: 'grams', meta: RIGHT }, { id: 'strength', header: 'strength', meta: { class: { td: 'w-[38%]' } } }]

function setStrength(line: Line, strength: Strength) {
  ws.change(`strength-${line.id}-${strength.kind}`, (d) => {
    const l = fillingOf(d).lines.find(x => x.id === line.id)
    if (l) l.strength = strength
  })
}
type Row = (typeof rows.value)[number]
function choose(r: Row, value: string) {
  ws.endGesture()
  const now: Measured = r.acid ? { acidPercent: props.assessment.stock.lines.find(l => l.id === r.line.id)?.acidPercent ?? r.acid.typical } : { fatPercent: r.fat ?? 0 }
  if (value === 'typical') setStrength(r.line, { kind: 'typical' })
  else if (value === 'measured') setStrength(r.line, { kind: 'measured', ...now })
  else {
    const lot = kitchen.record!.lots.find(l => l.id === value)
    if (lot) setStrength(r.line, lotStrength(lot))
  }
}
const spread = (sigma: number) => sigma > 0 ? `± ${fmt.percent(sigma)}` : ''
const lotWords = (l: { name: string, acidPercent?: number | null, fatPercent?: number | null }) => `lot: ${l.name}${l.acidPercent != null ? `, ${fmt.fixed(l.acidPercent, 1)} %` : l.fatPercent != null ? `, ${fmt.fixed(l.fatPercent, 1)} % fat` : ''}`
</script>

<template>
  <div>
    <UTable :data="rows" :columns="COLUMNS" :ui="TABLE_UI" class="stack">
      <template #name-cell="{ row: { original: r } }"><b>{{ fmt.name(r.line.ingredientId) }}</b></template>
      <template #source-cell="{ row: { original: r } }"><template v-if="r.line.sourceText || r.line.assumption">{{ r.line.sourceText }}<span v-if="r.line.assumption" class="soft small assumed">{{ r.line.assumption }}</span></template><span v-else class="soft">weighed in grams</span></template>
      <template #grams-cell="{ row: { original: r } }"><b>{{ fmt.grams(r.line.massG) }}</b></template>
      <template #strength-cell="{ row: { original: r } }">
        <div :data-ingredient="r.line.ingredientId">
          <template v-if="r.acid || r.fat !== null">
            <label class="sr" :for="`s-${r.line.id}`">Where the strength of {{ fmt.name(r.line.ingredientId) }} comes from</label>
            <select :id="`s-${r.line.id}`" class="native" :value="r.strength.kind === 'lot' ? r.strength.lotId : r.strength.kind" @change="choose(r, ($event.target as HTMLSelectElement).value)">
              <option v-if="r.acid" value="typical">typical fruit, {{ fmt.fixed(r.acid.typical, 1) }} % acid ({{ fmt.fixed(r.acid.low, 1) }}–{{ fmt.fixed(r.acid.high, 1) }})</option>
              <option v-else value="typical">as the table has it, {{ fmt.fixed(r.fat ?? 0, 1) }} % fat</option>
              <option v-for="l in r.lots" :key="l.id" :value="l.id">{{ lotWords(l) }}</option>
              <option v-if="r.strength.kind === 'lot' && !r.lots.some(l => l.id === (r.strength as { lotId: string }).lotId)" :value="r.strength.lotId">{{ lotWords(r.strength) }}</option>
              <option value="measured">{{ r.acid ? 'measured here' : 'fat from the label' }}</option>
            </select>
            <QuantityField v-if="r.strength.kind === 'measured' && r.acid" kind="percent" unit-text="% acid" :label="`Measured acid of ${fmt.name(r.line.ingredientId)}`" :model-value="r.strength.acidPercent ?? r.acid.typical" :min="0.05" :max="12" @update:model-value="v => setStrength(r.line, { ...(r.strength as Strength & Measured), kind: 'measured', acidPercent: v })" @done="ws.endGesture()" />
            <QuantityField v-else-if="r.strength.kind === 'measured'" kind="percent" unit-text="% fat" :label="`Fat of ${fmt.name(r.line.ingredientId)}`" :model-value="r.strength.fatPercent ?? r.fat ?? 0" :min="0.1" :max="85" @update:model-value="v => setStrength(r.line, { ...(r.strength as Strength & Measured), kind: 'measured', fatPercent: v })" @done="ws.endGesture()" />
            <span v-else-if="r.acid" class="soft small spread">{{ spread(assessment.stock.lines.find(l => l.id === r.line.id)?.acidLnSigma ?? 0) }} {{ r.strength.kind === 'typical' ? 'from fruit to fruit' : 'as measured' }}</span>
          </template>
          <span v-else class="soft small">{{ r.source }}</span>
        </div>
      </template>
    </UTable>
    <p class="sum">
      <WhyNumber topic="juice"><b>{{ fmt.grams(assessment.stock.juiceG) }}</b></WhyNumber> of juice at <WhyNumber topic="juiceAcid"><b>{{ fmt.fixed(assessment.stock.juiceAcid.value, 1) }} % acid</b></WhyNumber>, as citric,
      {{ assessment.stock.juiceProvenance === 'measured' ? 'measured' : 'taken as typical fruit: measure yours, and everything downstream follows' }}.
      Grams are changed under <NuxtLink class="underline" :to="`/formula/${ws.id}/balance`">Balance</NuxtLink>.
    </p>
    <CautionList :findings="assessment.findings.filter(f => f.station === 'stock')" />
  </div>
</template>

<style scoped>
.assumed { display: block; }
.spread { padding-left: 0.3rem; }
.sum { margin: 1rem 0; max-width: 44rem; }
</style>
