<script setup lang="ts">
/**
 * How many it is for: covers, vessels, a weight or a volume, and the factor that gets there with what sieve and
 * pan keep.
 */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import type { Covers } from '#core/formula/occasion'
import { scaleFormula } from '#core/formula/edits'
import { coversPlan } from '#core/plan/covers'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const toast = useToast()
const KINDS = [
  ['people', say('coversForm.covers')],
  ['vessels', say('coversForm.tinsOrDishes')],
  ['weight', 'A weight'],
  ['volume', 'A volume'],
] as const
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
  toast.add({
    title: say('coversForm.multipliedBy', { factor: fmt.fixed(p.factor, 2) }),
    description: say('coversForm.undoBringsItBack'),
  })
}
</script>

<template>
  <section class="covers">
    <h2 class="section-title">{{ $say('coversForm.howManyIsItFor') }}</h2>
    <div class="choices" role="group" :aria-label="$say('coversForm.howTheAmountIsSaid')">
      <button
        v-for="[kind, name] in KINDS" :key="kind" type="button" :aria-pressed="covers.kind === kind"
        @click="set(start(kind))"
      >
        {{ name }}
      </button>
    </div>
    <div class="fields">
      <template v-if="covers.kind === 'people'">
        <QuantityField
          kind="count" show-label :label="$say('coversForm.people')" :model-value="covers.people" :min="1" :max="5000"
          @update:model-value="v => covers.kind === 'people' && set({ ...covers, people: v })" @done="ws.endGesture()"
        />
        <QuantityField
          kind="count" show-label :label="$say('coversForm.piecesEach')" :model-value="covers.each" :min="1" :max="50"
          @update:model-value="v => covers.kind === 'people' && set({ ...covers, each: v })" @done="ws.endGesture()"
        />
      </template>
      <QuantityField
        v-else-if="covers.kind === 'vessels'" kind="count" show-label
        :label="$say('coversForm.tinsDishesOrGlassesFilledAs')" :model-value="covers.count" :min="1" :max="500"
        @update:model-value="v => set({ kind: 'vessels', count: v })" @done="ws.endGesture()"
      />
      <QuantityField
        v-else-if="covers.kind === 'weight'" kind="mass" show-label :label="$say('coversForm.fillingWanted')"
        :model-value="covers.massG" :min="1" :max="1000000" @update:model-value="v => set({ kind: 'weight', massG: v })"
        @done="ws.endGesture()"
      />
      <QuantityField
        v-else kind="percent" :unit-text="$say('coversForm.ml')" show-label :label="$say('coversForm.fillingWanted')"
        :step="50" :model-value="covers.volumeM3 * 1e6" :min="1" :max="1000000"
        @update:model-value="v => set({ kind: 'volume', volumeM3: v / 1e6 })" @done="ws.endGesture()"
      />
    </div>
    <p class="answer" data-answer="covers">
      <b class="display">× {{ fmt.fixed(plan.factor, 2) }}</b> <span>
        {{
          $say('coversForm.inPortionsSieveAndPanKeep',
               { wantedG: fmt.grams(plan.wantedG),
                 vessels: plan.count === 1
                   ? $say('coversForm.oneVessel')
                   : $say('coversForm.vessels', { count: plan.count }),
                 portions: plan.portions,
                 lossG: fmt.grams(plan.lossG) })
        }}
      </span>
    </p>
    <UButton :label="$say('coversForm.multiplyTheFormula')" :disabled="done" @click="multiply" />
    <p v-if="done" class="soft small" role="status">{{ $say('coversForm.theFormulaMakesJustThat') }}</p>
    <p class="soft small">
      {{ $say('coversForm.aPortionStaysDepthAndOverflow', { portionG: fmt.grams(assessment.shape.portionG) }) }}
      <NuxtLink class="underline" :to="`/formula/${ws.id}/shape`">{{ $say('coversForm.shape') }}</NuxtLink>{{ $say('coversForm.wholeEggsUnderEggs') }}
    </p>
  </section>
</template>

<style scoped>
.fields { display: grid; grid-template-columns: repeat(2, minmax(0, 14rem)); gap: 1rem; margin: 1rem 0; }
.answer { margin: 0.6rem 0; }
.answer b { font-size: 1.9rem; margin-right: 0.6rem; }
</style>
