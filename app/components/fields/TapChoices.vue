<script setup lang="ts" generic="T extends string | boolean">
/** Words to tap with a wet thumb: one of them, or several; tapped again it is taken back. */
const props = defineProps<{ label: string, options: readonly (readonly [T, string])[], many?: boolean }>()
/** What is chosen; of one, at most one. */
const chosen = defineModel<readonly T[]>({ required: true })
const id = useId()
function tap(value: T) {
  const has = chosen.value.includes(value)
  const rest = props.many ? chosen.value.filter(v => v !== value) : []
  chosen.value = has ? rest : [...rest, value]
}
</script>

<template>
  <div class="taps" role="group" :aria-labelledby="id">
    <span :id="id" class="label"><slot>{{ label }}</slot></span>
    <button
      v-for="[value, word] in options" :key="String(value)" type="button" :aria-pressed="chosen.includes(value)"
      @click="tap(value)"
    >
      {{ word }}
    </button>
  </div>
</template>

<style scoped>
.taps { display: flex; flex-wrap: wrap; gap: 0.5rem; }
.label { width: 100%; font-family: var(--font-display); font-size: 1.35rem; }
button { min-height: 52px; padding: 0 1rem; border: 1px solid #848879; font-size: 1.1rem; cursor: pointer; }
button[aria-pressed="true"] { background: var(--citron-soft); border: 2px solid var(--ink); font-weight: 600; }
button[aria-pressed="true"]::before { content: "✓ "; }
</style>
