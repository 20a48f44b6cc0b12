<script setup lang="ts">
/** A bowl or trifle from parts by volume: what it needs, what runs over, and the factor that fits. */
import type { Assessment } from '#core/pipeline/assessment'
import { vesselOf, type Bench } from '#core/formula/bench'
import { scaleFormula } from '#core/formula/edits'
import { cavityOf, cavityVolume } from '#core/physics/geometry/cavity'
import { BOWL_ROOM, bowlPlan } from '#core/plan/bowl'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
interface Part { id: string, name: string, ml: number }
/** What else goes into the bowl stays with the formula in this browser. */
const kept = useKept<Record<string, Part[]>>('lumbik:bowl', {})
const parts = computed(() => kept.value[ws.id] ?? [])
const put = (next: Part[]) => { kept.value = { ...kept.value, [ws.id]: next } }
const set = (id: string, part: Partial<Part>) => put(parts.value.map(p => (p.id === id ? { ...p, ...part } : p)))
const add = () => put([...parts.value, { id: crypto.randomUUID(), name: '', ml: 500 }])
const own = computed(() => props.assessment.shape.volumeM3)
const holds = computed(() => {
  const cavity = cavityOf(vesselOf(props.doc, kitchen.core!), props.doc.assembly)
  return cavityVolume(cavity) * props.assessment.shape.count
})
const plan = computed(() => bowlPlan([own.value, ...parts.value.map(p => p.ml / 1e6)], holds.value))
/** This formula and the other parts together, by the factor. */
function scale() {
  const { factor } = plan.value
  put(parts.value.map(p => ({ ...p, ml: Math.round(p.ml * factor) })))
  ws.replace(scaleFormula(props.doc, factor))
  ws.endGesture()
}
</script>

<template>
  <section class="bowl">
    <h2 class="section-title">{{ $say('bowlPanel.fromParts') }}</h2>
    <p class="soft">{{ $say('bowlPanel.whatLiesInTheBowl') }}</p>
    <ul class="parts">
      <li>
        <b>{{ doc.name }}</b><span class="num">{{ fmt.litres(own) }}</span>
      </li>
      <li v-for="(p, i) in parts" :key="p.id" data-bowl-part>
        <input
          class="native" dir="auto" maxlength="80" :value="p.name" :placeholder="$say('bowlPanel.spongeCreamFruit')"
          :aria-label="$say('bowlPanel.nameOfPart', { n: i + 1 })"
          @input="set(p.id, { name: ($event.target as HTMLInputElement).value })"
        >
        <QuantityField
          kind="count" unit-text="ml" :step="50" :min="0" :max="100000"
          :label="$say('bowlPanel.volumeOfPart', { n: i + 1 })" :model-value="p.ml" @update:model-value="v => set(p.id, { ml: v })"
        />
        <UButton
          variant="ghost" color="neutral" size="sm" icon="i-lucide-x"
          :aria-label="$say('bowlPanel.takeOut', { n: i + 1 })" @click="put(parts.filter(x => x.id !== p.id))"
        />
      </li>
    </ul>
    <UButton variant="outline" color="neutral" size="sm" :label="$say('bowlPanel.addAPart')" @click="add" />
    <p class="answer" data-answer="bowl" aria-live="polite">
      <b class="display">{{ fmt.litres(plan.needM3) }}</b>
      {{ $say('bowlPanel.needsABowlOf', { bowl: fmt.litres(plan.bowlM3), room: fmt.percent(BOWL_ROOM) }) }}
      {{
        plan.overM3 > 0
          ? $say('bowlPanel.runsOver', { holds: fmt.litres(holds), over: fmt.litres(plan.overM3) })
          : $say('bowlPanel.fits', { holds: fmt.litres(holds) })
      }}
    </p>
    <UButton
      v-if="Math.abs(plan.factor - 1) > 0.005"
      :label="$say('bowlPanel.makeTimes', { factor: fmt.fixed(plan.factor, 2) })" @click="scale"
    />
    <p class="soft small">{{ $say('bowlPanel.volumesAsTheyLie') }}</p>
  </section>
</template>

<style scoped>
.parts { list-style: none; margin: 0 0 0.6rem; padding: 0; border-top: 1px solid var(--ink); max-width: 40rem; }
.parts li {
  display: grid; grid-template-columns: minmax(0, 1fr) 8rem 44px; gap: 0.8rem; align-items: center; min-height: 48px;
  border-bottom: 1px solid var(--hairline);
}
.parts .num { text-align: right; }
.answer { margin: 0.8rem 0; max-width: 40rem; } .answer .display { font-size: 1.9rem; margin-right: 0.4rem; }
</style>
