<script setup lang="ts">
/** What a crust, topping or level comes to beyond its grams, and what a cook may say of how it is made. */
import type { Bench } from '#core/formula/bench'
import type { Component, PartMake } from '#core/formula/document'
import { isMeringue, partFacts, resizeParts } from '#core/formula/parts'
import { partFigures, USUAL_REST_S } from '#core/plate/partFigures'
import { partFigureWords } from '~/words/partFigures'

const props = defineProps<{ doc: Bench, part: Component }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const make = computed(() => props.part.make!)
const figures = computed(() => (kitchen.core ? partFigures(props.part, props.doc, kitchen.core) : []))
/** What is as usual is not kept. */
function put(part: Partial<PartMake>) {
  const kept = Object.entries({ ...make.value, ...part }).filter(([, v]) => v !== undefined && v !== false)
  const next = Object.fromEntries(kept) as unknown as PartMake
  const components = props.doc.components.map(c => (c.id === props.part.id ? { ...c, make: next } : c))
  ws.replace(resizeParts({ ...props.doc, components }, kitchen.core!))
  ws.endGesture()
}
const isShell = computed(() => make.value.kind === 'blindShell')
const mayBeSealed = computed(() => props.part.role === 'crust' && !isMeringue(make.value.kind))
const isWhites = computed(() => isMeringue(make.value.kind))
const oven = computed(() => partFacts(make.value.kind).oven)
const isBaked = computed(() => oven.value !== null && make.value.kind !== 'meringueCold')
</script>

<template>
  <div class="part-figures" :data-part-figures="make.kind">
    <ul v-if="figures.length">
      <li v-for="f in figures" :key="f.code" :data-part-figure="f.code">{{ partFigureWords(f, fmt) }}</li>
    </ul>
    <div class="how">
      <QuantityField
        v-if="isShell" field="components.*.make.restS" kind="minutes" show-label :label="$say('partFigures.rested')"
        :model-value="make.restS ?? USUAL_REST_S" @update:model-value="v => put({ restS: v })"
      />
      <QuantityField
        v-if="isBaked" field="components.*.make.bakedS" kind="minutes" show-label :label="$say('partFigures.bakedFor')"
        :model-value="make.bakedS ?? 60 * oven!.minutes"
        @update:model-value="v => put({ bakedS: v === 60 * oven!.minutes ? undefined : v })"
      />
      <label v-if="isShell">
        <input type="checkbox" :checked="!make.unweighted" @change="put({ unweighted: !make.unweighted })">
        {{ $say('partFigures.weighted') }}
      </label>
      <label v-if="mayBeSealed">
        <input type="checkbox" :checked="make.sealed ?? false" @change="put({ sealed: !make.sealed })">
        {{ $say('partFigures.sealed') }}
      </label>
      <label v-if="isWhites">
        <input type="checkbox" :checked="make.withAcid ?? false" @change="put({ withAcid: !make.withAcid })">
        {{ $say('partFigures.acid') }}
      </label>
    </div>
  </div>
</template>

<style scoped>
ul { list-style: none; margin: 0.4rem 0; padding: 0; display: grid; gap: 0.25rem; }
li { padding-left: 0.8rem; border-left: 3px solid var(--hairline); }
.how { display: flex; flex-wrap: wrap; gap: 0.2rem 1.4rem; align-items: end; }
.how label { display: inline-flex; gap: 0.5rem; align-items: center; min-height: 44px; }
[type="checkbox"] { width: 22px; height: 22px; accent-color: var(--ink); }
.how > :not(label) { width: 8rem; }
</style>
