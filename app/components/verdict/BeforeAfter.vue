<script setup lang="ts">
/** The piece on the plate as it is now and as a proposal would make it, small and to one scale. */
import type { Moves } from '#core/solve/outcome'
import { SHORT_VERDICT } from '~/words/names'

defineProps<{ moves: Moves }>()
</script>

<template>
  <span class="pair">
    <CutFace
      :piece="moves.before.piece" small only="plate" :grainy="moves.before.code === 'grainy'"
      :label="$say('beforeAfter.now', { verdict: SHORT_VERDICT[moves.before.code] })"
    />
    <span aria-hidden="true">→</span>
    <CutFace
      :piece="moves.after.piece" small only="plate" :grainy="moves.after.code === 'grainy'"
      :label="$say('beforeAfter.then', { verdict: SHORT_VERDICT[moves.after.code] })"
    />
  </span>
</template>

<style scoped>
.pair { display: inline-grid; grid-template-columns: 64px auto 64px; gap: 0.3rem; align-items: center; flex: none; }
</style>
