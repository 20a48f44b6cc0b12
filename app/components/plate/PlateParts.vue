<script setup lang="ts">
/** The parts of a dessert, from the top down: how much, how sharp, sweet and rich, how each stands. */
import type { PlatePart } from '#core/plate/part'
import { type Plate, richOf } from '#core/plate/plate'
import { LEAD_WORDS, partName, standsWords } from '~/words/plate'
import { say } from '~/words/say'

const props = defineProps<{ plate: Plate }>()
const emit = defineEmits<{ open: [id: string] }>()
const fmt = useFormat()
const rows = computed(() => [
  ...props.plate.parts.filter(p => p.form !== 'beside').toReversed(), ...props.plate.parts.filter(p => p.form === 'beside'),
])
const TASTES = [['sour', say('plate.sharp')], ['sweet', say('plate.sweet')], ['rich', say('plate.rich')]] as const
const tasteOf = (t: PlatePart['taste'], key: 'sour' | 'sweet' | 'rich') => (key === 'rich' ? richOf(t.fatPercent) : t[key])
</script>

<template>
  <table class="parts num">
    <thead>
      <tr>
        <th scope="col">{{ $say('plate.part') }}</th>
        <th scope="col">{{ $say('plate.thick') }}</th>
        <th scope="col">{{ $say('plate.inAll') }}</th>
        <th scope="col">{{ $say('plate.aPortion') }}</th>
        <th v-for="[key, name] in TASTES" :key="key" scope="col">{{ name }}</th>
        <th scope="col">{{ $say('plate.stands') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="p in rows" :key="p.id" :data-part-row="partName(p)">
        <th scope="row">
          <button v-if="p.code !== null || p.problem" type="button" class="underline" @click="emit('open', p.id)">{{ partName(p) }}</button>
          <template v-else>{{ partName(p) }}</template>
        </th>
        <td>{{ p.form === 'beside' ? $say('layers.besideTheVessel') : fmt.mm(p.thickM) }}</td>
        <td>{{ fmt.grams(p.massG) }}</td>
        <td>{{ fmt.grams(p.portionG) }}</td>
        <td v-for="[key, name] in TASTES" :key="key" :data-label="name">
          <i class="bar"><i :style="{ width: `${10 * tasteOf(p.taste, key)}%` }" /></i> {{ tasteOf(p.taste, key).toFixed(1) }}
        </td>
        <td :class="{ blood: p.problem !== null || p.lost.plate > 0.05 }">{{ standsWords(p, fmt) }}</td>
      </tr>
      <tr class="sum">
        <th scope="row">{{ $say('plate.spoonful') }}</th>
        <td /><td />
        <td data-fact="portion">{{ fmt.grams(plate.portionG) }}</td>
        <td v-for="[key, name] in TASTES" :key="key" :data-label="name">
          <i class="bar"><i :style="{ width: `${10 * tasteOf(plate.spoonful, key)}%` }" /></i>
          {{ tasteOf(plate.spoonful, key).toFixed(1) }}
        </td>
        <td>{{ LEAD_WORDS[plate.spoonful.leads] }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.parts { width: 100%; border-collapse: collapse; }
th, td { text-align: left; padding: 0.45rem 0.7rem 0.45rem 0; border-bottom: 1px solid var(--hairline); vertical-align: middle; }
thead th { border-bottom: 1.5px solid var(--ink); font-weight: 600; font-size: 0.95rem; }
tbody th { font-weight: 600; overflow-wrap: anywhere; } tbody th button { min-height: 44px; text-align: left; font-weight: 600; }
.bar { display: inline-block; width: 3.2rem; height: 0.6rem; border: 1px solid var(--ink); margin-right: 0.3rem; }
.bar i { display: block; height: 100%; background: var(--citron); }
.sum th, .sum td { border-top: 1.5px solid var(--ink); }
.blood { color: var(--blood); font-weight: 600; }
@media (max-width: 900px) {
  thead { display: none; }
  tr { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); padding: 0.4rem 0; border-bottom: 1px solid var(--hairline); }
  th, td { border: 0; padding: 0.15rem 0.4rem 0.15rem 0; } tbody th { grid-column: 1 / -1; }
  td:last-child { grid-column: 1 / -1; }
  td[data-label]::before { content: attr(data-label) " "; color: var(--ink-soft); font-size: 0.9rem; display: block; }
  td:empty { display: none; }
}
</style>
