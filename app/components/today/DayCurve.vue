<script setup lang="ts">
/** A course under a lane: an oven's temperature or a fridge's air along the day, with its highest in words. */
const props = defineProps<{
  points: readonly (readonly [minute: number, value: number])[]
  fromMin: number
  toMin: number
  hourPx: number
  words: string
}>()
const TALL = 38
const range = computed(() => {
  const values = props.points.map(p => p[1])
  const [least, most] = [Math.min(...values), Math.max(...values)]
  return { least, span: Math.max(1e-6, most - least) }
})
const x = (m: number) => ((m - props.fromMin) / 60) * props.hourPx
const y = (v: number) => TALL - 4 - ((v - range.value.least) / range.value.span) * (TALL - 10)
const path = computed(() => `M${props.points.map(([m, v]) => `${x(m).toFixed(1)} ${y(v).toFixed(1)}`).join('L')}`)
const width = computed(() => x(props.toMin))
</script>

<template>
  <div class="curve">
    <svg :width="width" :height="TALL" role="img" :aria-label="words"><path :d="path" /></svg>
    <span>{{ words }}</span>
  </div>
</template>

<style scoped>
svg { display: block; }
path { fill: none; stroke: var(--blood); stroke-width: 1.75; stroke-linejoin: round; }
span {
  position: sticky; left: 9rem; display: inline-block; font-size: 0.9rem; color: var(--ink-soft); padding: 0 0.3rem 0.2rem 0;
}
</style>
