<script setup lang="ts">
/** What is on the bench: each line's source measure, its grams, and where the juice's strength comes from. */
import type { Assessment } from '#core/assessment'
import { fillingOf, type FormulaDocument, type Line, type Strength } from '#core/formula/document'
import { findIngredient } from '#core/ingredients'

const props = defineProps<{ doc: FormulaDocument, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const rows = computed(() => fillingOf(props.doc).lines.map((line) => {
  const row = findIngredient(line.ingredientId)
  const acid = row?.group === 'juice' && row.acid ? row.acid : null
  return { line, acid, strength: line.strength ?? { kind: 'typical' as const }, lots: (kitchen.record?.lots ?? []).filter(l => l.ingredientId === line.ingredientId), confidence: row?.confidence, source: row?.source }
}))

function setStrength(line: Line, strength: Strength) {
  ws.change(`strength-${line.id}-${strength.kind}`, (d) => {
    const l = fillingOf(d).lines.find(x => x.id === line.id)
    if (l) l.strength = strength
  })
}
function choose(line: Line, value: string) {
  ws.endGesture()
  if (value === 'typical') setStrength(line, { kind: 'typical' })
  else if (value === 'measured') setStrength(line, { kind: 'measured', acidPercent: props.assessment.stock.lines.find(l => l.id === line.id)?.acidPercent ?? 5 })
  else {
    const lot = kitchen.record!.lots.find(l => l.id === value)!
    setStrength(line, { kind: 'lot', lotId: lot.id, name: lot.name, acidPercent: lot.acidPercent, ...(lot.pH === null ? {} : { pH: lot.pH }) })
  }
}
const SPREAD = (sigma: number) => sigma > 0 ? `± ${fmt.percent(sigma)}` : ''
</script>

<template>
  <div class="stock">
    <table>
      <thead><tr><th scope="col">On the bench</th><th scope="col">as written, and what was assumed</th><th scope="col" class="r">grams</th><th scope="col">strength of the juice</th></tr></thead>
      <tbody>
        <tr v-for="r in rows" :key="r.line.id" :data-ingredient="r.line.ingredientId">
          <th scope="row">{{ fmt.name(r.line.ingredientId) }}</th>
          <td class="src"><template v-if="r.line.sourceText || r.line.assumption">{{ r.line.sourceText }}<span v-if="r.line.assumption" class="soft small assumed">{{ r.line.assumption }}</span></template><span v-else class="soft">weighed in grams</span></td>
          <td class="r num"><b>{{ fmt.grams(r.line.massG) }}</b></td>
          <td class="strength">
            <template v-if="r.acid">
              <label class="sr" :for="`s-${r.line.id}`">Where the strength of {{ fmt.name(r.line.ingredientId) }} comes from</label>
              <select :id="`s-${r.line.id}`" class="native" :value="r.strength.kind === 'lot' ? r.strength.lotId : r.strength.kind" @change="choose(r.line, ($event.target as HTMLSelectElement).value)">
                <option value="typical">typical fruit, {{ fmt.fixed(r.acid.typical, 1) }} % acid ({{ fmt.fixed(r.acid.low, 1) }}–{{ fmt.fixed(r.acid.high, 1) }})</option>
                <option v-for="l in r.lots" :key="l.id" :value="l.id">lot: {{ l.name }}, {{ fmt.fixed(l.acidPercent, 1) }} %</option>
                <option v-if="r.strength.kind === 'lot' && !r.lots.some(l => l.id === (r.strength as { lotId: string }).lotId)" :value="r.strength.lotId">lot: {{ r.strength.name }}, {{ fmt.fixed(r.strength.acidPercent, 1) }} %</option>
                <option value="measured">measured here</option>
              </select>
              <QuantityField v-if="r.strength.kind === 'measured'" kind="percent" unit-text="% acid" :label="`Measured acid of ${fmt.name(r.line.ingredientId)}`" :model-value="r.strength.acidPercent" :min="0.05" :max="12" @update:model-value="v => setStrength(r.line, { kind: 'measured', acidPercent: v })" @done="ws.endGesture()" />
              <span v-else class="soft small spread">{{ SPREAD(assessment.stock.lines.find(l => l.id === r.line.id)?.acidLnSigma ?? 0) }} {{ r.strength.kind === 'typical' ? 'from fruit to fruit' : 'as measured' }}</span>
            </template>
            <span v-else class="soft small">{{ r.source }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="sum">
      <WhyNumber topic="juice"><b>{{ fmt.grams(assessment.stock.juiceG) }}</b></WhyNumber> of juice at <WhyNumber topic="juiceAcid"><b>{{ fmt.fixed(assessment.stock.juiceAcid.value, 1) }} % acid</b></WhyNumber>, as citric,
      {{ assessment.stock.juiceProvenance === 'measured' ? 'measured' : 'taken as typical fruit: measure yours, and everything downstream follows' }}.
      Grams are changed under <NuxtLink class="underline" :to="`/formula/${ws.id}/balance`">Balance</NuxtLink>.
    </p>
    <CautionList :findings="assessment.findings.filter(f => f.station === 'stock')" />
  </div>
</template>

<style scoped>
table { width: 100%; border-collapse: collapse; }
thead th { padding-right: 0.8rem; font-weight: 400; color: var(--ink-soft); font-size: 0.9rem; text-align: left; border-bottom: 1px solid var(--ink); }
tbody th { text-align: left; font-weight: 600; padding: 0.5rem 0.8rem 0.5rem 0; }
tbody tr { border-bottom: 1px solid var(--hairline); }
td { padding: 0.4rem 0.8rem 0.4rem 0; }
.r { text-align: right !important; white-space: nowrap; }
.strength { width: 38%; padding-right: 0; }
.assumed { display: block; }
.spread { padding-left: 0.3rem; }
.sum { margin: 1rem 0; max-width: 44rem; }
@media (max-width: 760px) {
  thead { position: absolute; clip-path: inset(50%); height: 1px; width: 1px; overflow: hidden; }
  tbody tr { display: grid; grid-template-columns: 1fr auto; padding: 0.4rem 0; }
  tbody th { padding: 0.2rem 0; }
  .src { grid-row: 2; grid-column: 1 / -1; padding: 0.1rem 0; }
  .strength { grid-column: 1 / -1; width: auto; }
}
</style>
