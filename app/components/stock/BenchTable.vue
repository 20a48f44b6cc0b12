<script setup lang="ts">
/**
 * What is on the bench: each line's source measure, its grams, what it is counted in, and where its strength
 * comes from.
 */
import type { Assessment } from '#core/pipeline/assessment'
import { fillingOf, type Bench } from '#core/formula/bench'
import type { Line } from '#core/formula/document'
import { lotStrength } from '#core/kitchen/kitchen'
import type { Measured, Strength } from '#core/base/ingredients/types'
import { besideGrams } from '#core/base/ingredients/beside'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { carriesFat } from '#core/kitchen/strength'
import { RIGHT, TABLE_UI } from '~/composables/tableStyle'
import { besideWords } from '~/words/stock'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
/** Whose cups and spoons, where the kitchen has said so: else millilitres only. */
const cups = computed(() => kitchen.record?.settings.cups ?? null)
const rows = computed(() =>
  fillingOf(props.doc).lines.map((line) => {
    const row = findIngredient(line.ingredientId)
    const acid = row?.group === 'juice' && row.acid ? row.acid : null
    return {
      line,
      acid,
      fat: row && carriesFat(row) ? (row.per100g.fat ?? 0) : null,
      strength: line.strength ?? { kind: 'typical' as const },
      lots: (kitchen.record?.lots ?? []).filter(l => l.ingredientId === line.ingredientId),
      source: row?.source,
      beside: besideGrams(line.ingredientId, line.massG, cups.value ?? 'metric'),
    }
  }),
)

const COLUMNS = [
  { id: 'name', header: say('benchTable.onTheBench') },
  { id: 'source', header: say('benchTable.asWrittenAndWhatWasAssumed') },
  { id: 'grams', header: 'grams', meta: RIGHT },
  { id: 'strength', header: 'strength', meta: { class: { td: 'w-[38%]' } } },
]

function setStrength(line: Line, strength: Strength) {
  ws.change(`strength-${line.id}-${strength.kind}`, (d) => {
    const l = fillingOf(d).lines.find(x => x.id === line.id)
    if (l) l.strength = strength
  })
}
type Row = (typeof rows.value)[number]
function choose(r: Row, value: string) {
  ws.endGesture()
  const now: Measured = r.acid
    ? { acidPercent: props.assessment.stock.lines.find(l => l.id === r.line.id)?.acidPercent ?? r.acid.typical }
    : { fatPercent: r.fat ?? 0 }
  if (value === 'typical') setStrength(r.line, { kind: 'typical' })
  else if (value === 'measured') setStrength(r.line, { kind: 'measured', ...now })
  else {
    const lot = kitchen.record!.lots.find(l => l.id === value)
    if (lot) setStrength(r.line, lotStrength(lot))
  }
}
const spread = (sigma: number) => sigma > 0 ? `± ${fmt.percent(sigma)}` : ''
const lotWords = (l: { name: string, acidPercent?: number | null, fatPercent?: number | null }) =>
  `lot: ${l.name}${l.acidPercent != null ? `, ${fmt.fixed(l.acidPercent, 1)} %` : l.fatPercent != null ? say('benchTable.fat', { fatPercent: fmt.fixed(l.fatPercent, 1) }) : ''}`
</script>

<template>
  <div>
    <UTable :data="rows" :columns="COLUMNS" :ui="TABLE_UI" class="stack">
      <template #name-cell="{ row: { original: r } }"><b>{{ fmt.name(r.line.ingredientId) }}</b></template>
      <template #source-cell="{ row: { original: r } }">
        <template v-if="r.line.sourceText || r.line.assumption">
          {{ r.line.sourceText }}<span v-if="r.line.assumption" class="soft small assumed">{{ r.line.assumption }}</span>
        </template>
        <span v-else class="soft">{{ $say('benchTable.weighedInGrams') }}</span>
      </template>
      <template #grams-cell="{ row: { original: r } }">
        <b>{{ fmt.grams(r.line.massG) }}</b>
        <span v-if="r.beside" class="soft small beside" data-beside>
          {{ fmt.fixed(r.beside.ml) }} ml{{ cups ? `, ${besideWords(r.beside)}` : '' }}
        </span>
      </template>
      <template #strength-cell="{ row: { original: r } }">
        <div :data-ingredient="r.line.ingredientId">
          <template v-if="r.acid || r.fat !== null">
            <label class="sr" :for="`s-${r.line.id}`">
              {{ $say('benchTable.whereTheStrengthOfComesFrom', { ingredientId: fmt.name(r.line.ingredientId) }) }}
            </label>
            <select
              :id="`s-${r.line.id}`" class="native"
              :value="r.strength.kind === 'lot' ? r.strength.lotId : r.strength.kind"
              @change="choose(r, ($event.target as HTMLSelectElement).value)"
            >
              <option v-if="r.acid" value="typical">
                {{
                  $say('benchTable.typicalFruitAcid',
                       { typical: fmt.fixed(r.acid.typical, 1),
                         low: fmt.fixed(r.acid.low, 1),
                         high: fmt.fixed(r.acid.high, 1) })
                }}
              </option>
              <option v-else value="typical">
                {{ $say('benchTable.asTheTableHasItFat', { fat: fmt.fixed(r.fat ?? 0, 1) }) }}
              </option>
              <option v-for="l in r.lots" :key="l.id" :value="l.id">{{ lotWords(l) }}</option>
              <option
                v-if="r.strength.kind === 'lot' && !r.lots.some(l => l.id === (r.strength as { lotId: string }).lotId)"
                :value="r.strength.lotId"
              >
                {{ lotWords(r.strength) }}
              </option>
              <option value="measured">
                {{ r.acid ? $say('benchTable.measuredHere') : $say('benchTable.fatFromTheLabel') }}
              </option>
            </select>
            <QuantityField
              v-if="r.strength.kind === 'measured' && r.acid" kind="percent" :unit-text="$say('benchTable.acid')"
              :label="$say('benchTable.measuredAcidOf', { ingredientId: fmt.name(r.line.ingredientId) })"
              :model-value="r.strength.acidPercent ?? r.acid.typical" :min="0.05" :max="12"
              @update:model-value="v => setStrength(r.line, { ...(r.strength as Strength & Measured), kind: 'measured', acidPercent: v })"
              @done="ws.endGesture()"
            />
            <QuantityField
              v-else-if="r.strength.kind === 'measured'" kind="percent" :unit-text="$say('benchTable.fat2')"
              :label="$say('benchTable.fatOf', { ingredientId: fmt.name(r.line.ingredientId) })"
              :model-value="r.strength.fatPercent ?? r.fat ?? 0" :min="0.1" :max="85"
              @update:model-value="v => setStrength(r.line, { ...(r.strength as Strength & Measured), kind: 'measured', fatPercent: v })"
              @done="ws.endGesture()"
            />
            <span v-else-if="r.acid" class="soft small spread">
              {{ spread(assessment.stock.lines.find(l => l.id === r.line.id)?.acidLnSigma ?? 0) }}
              {{ r.strength.kind === 'typical' ? $say('benchTable.fromFruitToFruit') : $say('benchTable.asMeasured') }}
            </span>
          </template>
          <span v-else class="soft small">{{ r.source }}</span>
        </div>
      </template>
    </UTable>
    <p class="sum">
      <WhyNumber topic="juice"><b>{{ fmt.grams(assessment.stock.juiceG) }}</b></WhyNumber>
      {{ $say('benchTable.ofJuiceAt') }}
      <WhyNumber topic="juiceAcid">
        <b>{{ $say('benchTable.acid2', { juiceAcid: fmt.fixed(assessment.stock.juiceAcid.value, 1) }) }}</b>
      </WhyNumber>{{
        $say('benchTable.asCitricGramsAreChangedUnder',
             { follows: assessment.stock.juiceProvenance === 'measured'
               ? $say('benchTable.measured')
               : $say('benchTable.takenAsTypicalFruitMeasureYours') })
      }}
      <NuxtLink class="underline" :to="`/formula/${ws.id}/balance`">{{ $say('benchTable.balance') }}</NuxtLink>.
    </p>
    <CautionList :findings="assessment.findings.filter(f => f.station === 'stock')" />
  </div>
</template>

<style scoped>
.assumed, .beside { display: block; }
.spread { padding-left: 0.3rem; }
.sum { margin: 1rem 0; max-width: 44rem; }
</style>
