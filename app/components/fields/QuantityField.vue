<script setup lang="ts">
/**
 * A number with its unit: typed, or stepped with the arrow keys (Shift for five times). What cannot be is said below
 * and not taken; the last good value stays in force.
 */
import { celsiusToFahrenheit, fahrenheitToCelsius } from '#core/units/measures'

const KINDS = {
  mass: { unit: 'g', factor: 1, digits: 1, step: 5 },
  length: { unit: 'mm', factor: 1000, digits: 1, step: 1 },
  temperature: { unit: '°C', factor: 1, digits: 1, step: 1 },
  minutes: { unit: 'min', factor: 1 / 60, digits: 1, step: 1 },
  hours: { unit: 'h', factor: 1 / 3600, digits: 2, step: 0.5 },
  percent: { unit: '%', factor: 1, digits: 2, step: 0.1 },
  count: { unit: '', factor: 1, digits: 0, step: 1 },
  power: { unit: 'W', factor: 1, digits: 0, step: 50 },
  metres: { unit: 'm', factor: 1, digits: 0, step: 50 },
} as const

const props = withDefaults(defineProps<{
  modelValue: number
  kind: keyof typeof KINDS
  label: string
  min?: number
  max?: number
  step?: number
  /** The label stands above; otherwise it is for readers of the screen only. */
  showLabel?: boolean
  big?: boolean
  unitText?: string
}>(), { min: 0, max: 1e6, showLabel: false, big: false })
const emit = defineEmits<{ 'update:modelValue': [value: number], 'done': [] }>()

const { fahrenheit } = useFormat()
const spec = computed(() => KINDS[props.kind])
const isF = computed(() => props.kind === 'temperature' && fahrenheit.value)
const unit = computed(() => props.unitText ?? (isF.value ? '°F' : spec.value.unit))
const toShown = (v: number) => isF.value ? celsiusToFahrenheit(v) : v * spec.value.factor
const fromShown = (s: number) => isF.value ? fahrenheitToCelsius(s) : s / spec.value.factor
const show = (v: number) => String(Number(toShown(v).toFixed(spec.value.digits)))

const text = ref(show(props.modelValue))
const error = ref('')
const editing = ref(false)
watch([() => props.modelValue, isF], () => {
  if (!editing.value || error.value === '') {
    const shown = Number(text.value.replace(',', '.'))
    if (!editing.value || Math.abs(fromShown(shown) - props.modelValue) > 1e-9 * Math.max(1, Math.abs(props.modelValue)) + 5e-4 / spec.value.factor) text.value = show(props.modelValue)
  }
})
const limit = (v: number) => `${show(v)}${unit.value ? ` ${unit.value}` : ''}`

/** A number as a cook may type it, or null. */
function parse(raw: string): number | null {
  const clean = raw.trim().replace(',', '.').replace(/\s*(g|mm|cm|min|h|%|w|m|°?c|°?f)$/i, '')
  return /^-?\d+(\.\d+)?$|^-?\.\d+$/.test(clean) ? Number(clean) : null
}
function take(value: number) {
  const v = fromShown(value)
  const eps = 1e-9 * Math.max(1, Math.abs(v))
  if (v < props.min - eps || v > props.max + eps) {
    error.value = `${props.label}: between ${limit(props.min)} and ${limit(props.max)}`
    return
  }
  error.value = ''
  emit('update:modelValue', props.kind === 'count' ? Math.round(v) : v)
}
function onInput(event: Event) {
  text.value = (event.target as HTMLInputElement).value
  const value = parse(text.value)
  if (value === null) {
    error.value = text.value.trim() === '' ? `${props.label}: a number is needed` : `${props.label}: “${text.value}” is not a number`
    return
  }
  take(value)
}
function onKey(event: KeyboardEvent) {
  if (event.key === 'Enter') {
    (event.target as HTMLInputElement).blur()
    return
  }
  if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
  event.preventDefault()
  const base = parse(text.value) ?? toShown(props.modelValue)
  const step = (props.step ?? spec.value.step) * (event.shiftKey ? 5 : 1) * (event.key === 'ArrowUp' ? 1 : -1)
  const low = toShown(props.min)
  const high = toShown(props.max)
  const next = Math.min(high, Math.max(low, Number((base + step).toFixed(spec.value.digits))))
  text.value = String(next)
  take(next)
}
function onBlur() {
  editing.value = false
  text.value = show(props.modelValue)
  error.value = ''
  emit('done')
}
const fieldId = useId()
</script>

<template>
  <div class="quantity" :class="{ big, wrong: error }">
    <label :for="fieldId" :class="showLabel ? 'field-label' : 'sr'">{{ label }}</label>
    <span class="box">
      <input :id="fieldId" :value="text" inputmode="decimal" autocomplete="off" :aria-invalid="error ? true : undefined" :aria-describedby="error ? `${fieldId}-e` : undefined"
             role="spinbutton" :aria-valuenow="Number(show(modelValue))" :aria-valuetext="`${show(modelValue)} ${unit}`" @focus="editing = true; ($event.target as HTMLInputElement).select()" @input="onInput" @keydown="onKey" @blur="onBlur">
      <span v-if="unit" class="unit" aria-hidden="true">{{ unit }}</span>
    </span>
    <span v-if="error" :id="`${fieldId}-e`" class="error" role="alert">{{ error }}</span>
  </div>
</template>

<style scoped>
.quantity { position: relative; min-width: 0; }
.box { display: inline-flex; align-items: baseline; width: 100%; border-bottom: 1px solid #8f9385; min-height: 44px; }
.box:focus-within { background: var(--citron-soft); border-color: var(--ink); box-shadow: inset 0 -2px 0 var(--ink); }
input { width: 100%; min-width: 0; background: transparent; border: 0; text-align: right; padding: 0 0.15rem; min-height: 43px; font-variant-numeric: tabular-nums; outline: none; }
.unit { color: var(--ink-soft); padding-right: 0.2rem; font-size: 0.92rem; }
.big input { font-size: 1.35rem; font-weight: 600; }
.wrong .box { border-color: var(--blood); box-shadow: inset 0 -2px 0 var(--blood); }
.error { position: absolute; z-index: 20; right: 0; top: 100%; background: var(--ui-bg-elevated); color: var(--blood); border: 1px solid var(--blood); padding: 0.3rem 0.6rem; font-size: 0.9rem; width: max-content; max-width: min(18rem, 80vw); }
</style>
