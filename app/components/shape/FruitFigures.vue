<script setup lang="ts">
/** What fruit comes to that is a formula of its own: yield, sugar, how it runs, what it lets go. */
import type { Bench } from '#core/formula/bench'
import type { Assessment } from '#core/pipeline/assessment'
import { figuresAlone } from '#core/plate/partFigures'
import { partFigureWords } from '~/words/partFigures'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const figures = computed(() => figuresAlone(props.doc, props.assessment))
</script>

<template>
  <section v-if="figures.length" data-fruit-figures>
    <h2 class="section-title">{{ $say('partFigures.comesTo') }}</h2>
    <ul>
      <li v-for="f in figures" :key="f.code" :data-part-figure="f.code">{{ partFigureWords(f, fmt) }}</li>
    </ul>
  </section>
</template>

<style scoped>
ul { margin: 0 0 1rem; padding-left: 1.1rem; list-style: disc; }
li { padding: 0.15rem 0; }
</style>
