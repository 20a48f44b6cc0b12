<script setup lang="ts">
/** A figure that somebody may have measured, or not: empty until it is typed, and nothing stands in it by itself. */
import { say } from '~/words/say'

const props = defineProps<{
  modelValue: number | null
  label: string
  unit: string
  /** As it is typed. */
  min: number
  max: number
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()
const id = useId()
const shown = (v: number | null) => (v === null ? '' : String(Number(v.toFixed(3))))
const text = ref(shown(props.modelValue))
const wrong = ref('')
watch(() => props.modelValue, (v) => { if (read(text.value) !== v) text.value = shown(v) })
const read = (raw: string): number | null => (raw.trim() === '' ? null : Number(raw.trim().replace(',', '.').replace('−', '-')))
/** What cannot be is said and not taken; the last good value counts. */
function onInput() {
  const value = read(text.value)
  const isFine = value === null || (Number.isFinite(value) && value >= props.min && value <= props.max)
  wrong.value = isFine ? '' : say('figureField.between', { min: props.min, max: props.max, unit: props.unit })
  if (isFine) emit('update:modelValue', value)
}
</script>

<template>
  <span class="figure">
    <label :for="id" class="field-label">{{ label }}</label>
    <span class="box">
      <input
        :id="id" v-model="text" class="native num" inputmode="decimal" autocomplete="off" maxlength="12"
        :aria-invalid="wrong ? 'true' : undefined" :aria-describedby="wrong ? `${id}-w` : undefined" @input="onInput"
      >
      <span class="soft">{{ unit }}</span>
    </span>
    <span v-if="wrong" :id="`${id}-w`" class="wrong" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.figure { display: block; }
.box { display: flex; gap: 0.4rem; align-items: baseline; }
.native { width: 7rem; text-align: right; font-size: 1.15rem; }
</style>
