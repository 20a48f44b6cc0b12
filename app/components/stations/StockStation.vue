<script setup lang="ts">
/** Take stock: what is on the bench, the fruit, its strength, the eggs, and what runs out first. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { say } from '~/words/say'

defineProps<{ doc: Bench, assessment: Assessment }>()
const VIEWS = [
  ['bench', say('stockStation.onTheBench')],
  ['covers', say('stockStation.howManyFor')],
  ['fruit', say('stockStation.fruit')],
  ['strength', say('stockStation.strength')],
  ['eggs', say('stockStation.eggs')],
  ['binds', say('stockStation.whatBinds')],
] as const
const view = useKeptByTab<(typeof VIEWS)[number][0]>('lumbik:stock-view', 'bench')
</script>

<template>
  <div class="stock">
    <nav class="choices no-print" :aria-label="$say('stockStation.partsOfTheStock')">
      <button v-for="[key, name] in VIEWS" :key="key" type="button" :aria-pressed="view === key" @click="view = key">
        {{ name }}
      </button>
    </nav>
    <BenchTable v-if="view === 'bench'" :doc="doc" :assessment="assessment" />
    <CoversForm v-else-if="view === 'covers'" :doc="doc" :assessment="assessment" />
    <template v-else-if="view === 'fruit'">
      <FruitLedger :doc="doc" />
      <JuiceSources :doc="doc" />
    </template>
    <StrengthBench v-else-if="view === 'strength'" :doc="doc" />
    <EggBench v-else-if="view === 'eggs'" :doc="doc" />
    <WhatBinds v-else :doc="doc" />
  </div>
</template>

<style scoped>
.choices { margin-bottom: 1rem; }
</style>
