<script setup lang="ts">
/** How many it is for: covers, vessels, a weight or a volume, and the factor that gets there with what sieve and pan keep. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import type { Covers } from '#core/formula/occasion'
import { scaleFormula } from '#core/formula/edits'
import { coversPlan } from '#core/plan/covers'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const toast = useToast()
const KINDS = [['people', 'Covers'], ['vessels', 'Tins or dishes'], ['weight', 'A weight'], ['volume', 'A volume']] as const
const start = (kind: Covers['kind']): Covers => {
  const { portions, count } = props.doc.assembly
  switch (kind) {
    case 'people': return { kind, people: portions, each: 1 }
    case 'vessels': return { kind, count }
    case 'weight': return { kind, massG: Math.round(props.assessment.shape.batchG) }
    case 'volume': return { kind, volumeM3: props.assessment.shape.volumeM3 }
  }
}
const covers = computed<Covers>(() => props.doc.stock.covers ?? start('people'))
const set = (c: Covers) => ws.change('covers', (d) => { d.stock.covers = c })
const plan = computed(() => coversPlan(props.doc, props.assessment.shape, covers.value))
const done = computed(() => Math.abs(plan.value.factor - 1) < 0.002)
function multiply() {
  const p = plan.value
  const next = scaleFormula(props.doc, p.factor)
  ws.replace({ ...next, assembly: { ...next.assembly, portions: p.portions, count: p.count } })
  ws.endGesture()
  toast.add({ title: `Multiplied by ${fmt.fixed(p.factor, 2)}.`, description: 'Undo brings it back.' })
}
</script>

<template>
  <section class="covers">
    <h2 class="section-title">How many is it for?</h2>
    <div class="choices" role="group" aria-label="How the amount is said">
      <button v-for="[kind, name] in KINDS" :key="kind" type="button" :aria-pressed="covers.kind === kind" @click="set(start(kind))">{{ name }}</button>
    </div>
    <div class="fields">
      <template v-if="covers.kind === 'people'">
        <QuantityField kind="count" show-label label="People" :model-value="covers.people" :min="1" :max="5000" @update:model-value="v => covers.kind === 'people' && set({ ...covers, people: v })" @done="ws.endGesture()" />
        <QuantityField kind="count" show-label label="Pieces each" :model-value="covers.each" :min="1" :max="50" @update:model-value="v => covers.kind === 'people' && set({ ...covers, each: v })" @done="ws.endGesture()" />
      </template>
      <QuantityField v-else-if="covers.kind === 'vessels'" kind="count" show-label label="Tins, dishes or glasses, filled as now" :model-value="covers.count" :min="1" :max="500" @update:model-value="v => set({ kind: 'vessels', count: v })" @done="ws.endGesture()" />
      <QuantityField v-else-if="covers.kind === 'weight'" kind="mass" show-label label="Filling wanted" :model-value="covers.massG" :min="1" :max="1000000" @update:model-value="v => set({ kind: 'weight', massG: v })" @done="ws.endGesture()" />
      <QuantityField v-else kind="percent" unit-text="ml" show-label label="Filling wanted" :step="50" :model-value="covers.volumeM3 * 1e6" :min="1" :max="1000000" @update:model-value="v => set({ kind: 'volume', volumeM3: v / 1e6 })" @done="ws.endGesture()" />
    </div>
    <p class="answer" data-answer="covers"><b class="display">× {{ fmt.fixed(plan.factor, 2) }}</b> <span>{{ fmt.grams(plan.wantedG) }} in {{ plan.count === 1 ? 'one vessel' : `${plan.count} vessels` }}, {{ plan.portions }} portions; sieve and pan keep another {{ fmt.grams(plan.lossG) }}.</span></p>
    <UButton label="Multiply the formula" :disabled="done" @click="multiply" />
    <p v-if="done" class="soft small" role="status">The formula makes just that.</p>
    <p class="soft small">A portion stays {{ fmt.grams(assessment.shape.portionG) }}. Depth and overflow are checked under <NuxtLink class="underline" :to="`/formula/${ws.id}/shape`">Shape</NuxtLink>; whole eggs under Eggs.</p>
  </section>
</template>

<style scoped>
.fields { display: grid; grid-template-columns: repeat(2, minmax(0, 14rem)); gap: 1rem; margin: 1rem 0; }
.answer { margin: 0.6rem 0; }
.answer b { font-size: 1.9rem; margin-right: 0.6rem; }
</style>
