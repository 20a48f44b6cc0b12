<script setup lang="ts">
/** Flat to sharp: five words in a row, and where this one lies. */
import type { Assessment } from '#core/pipeline/assessment'
import { SHARPNESS, sharpnessPosition } from '#core/physics/matter/taste'
import { AROMA_NAMES, COLOUR_NAMES, SHARPNESS_NAMES } from '~/words/names'

const props = defineProps<{ assessment: Assessment }>()
const fmt = useFormat()
const taste = computed(() => props.assessment.balance.taste)
const position = computed(() => 100 * sharpnessPosition(taste.value.sour, taste.value.centre))
</script>

<template>
  <figure
    class="sharp"
    :aria-label="
      $say('sharpnessRuler.sharpnessOf10',
           { sharpness: SHARPNESS_NAMES[taste.sharpness], sour: fmt.fixed(taste.sour, 1) })
    "
  >
    <h2 class="section-title">
      {{ $say('sharpnessRuler.howItTastes') }}
      <span class="soft small">
        <WhyNumber topic="taste">
          {{ $say('sharpnessRuler.sourSweet', { sour: fmt.fixed(taste.sour, 1), sweet: fmt.fixed(taste.sweet, 1) }) }}
        </WhyNumber>{{ $say('sharpnessRuler.of10') }};
        <b data-aroma>{{ $say('sharpnessRuler.aroma', { aroma: AROMA_NAMES[assessment.balance.aroma.word] }) }}</b>;
        <WhyNumber topic="colour">
          <b data-colour>{{ $say('sharpnessRuler.colour', { colour: COLOUR_NAMES[assessment.balance.colour.word] }) }}</b>
        </WhyNumber>
      </span>
    </h2>
    <div class="row">
      <span v-for="s in SHARPNESS" :key="s" :class="{ on: s === taste.sharpness }">{{ SHARPNESS_NAMES[s] }}</span>
      <i :style="{ left: `${position}%` }" aria-hidden="true" />
    </div>
  </figure>
</template>

<style scoped>
.sharp { margin: 1.2rem 0 0; }
.row {
  display: grid; grid-template-columns: repeat(5, 1fr); position: relative; border-top: 1.5px solid var(--ink);
  padding-top: 0.5rem; margin-top: 0.6rem;
}
.row span {
  text-align: center; color: var(--ink-soft); font-size: 0.94rem; border-left: 1px solid var(--ink);
  margin-top: -0.5rem; padding-top: 0.5rem;
  background: linear-gradient(var(--paper), var(--paper)) no-repeat 0 8px / 100% 100%;
}
.row span:first-child { border-left: 0; }
.row .on { color: var(--ink); font-weight: 600; }
.row i {
  position: absolute; top: -8px; width: 14px; height: 14px; margin-left: -7px; background: var(--citron);
  border: 2px solid var(--ink); border-radius: 50%;
}
</style>
