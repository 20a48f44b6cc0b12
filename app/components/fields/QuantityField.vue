<script setup lang="ts">
/**
 * A number with its unit: typed (sums and other units too: "150+20", "2 cups", "3 eggs"), stepped with the arrow keys
 * (Shift for five times), or dragged sideways by its unit. What cannot be is said below and not taken; the last good
 * value stays in force.
 */
import { celsiusToFahrenheit, CUP_SYSTEMS, type CupSystem, fahrenheitToCelsius } from '#core/base/units'
import { FIELDS, type FieldPath } from '#core/base/fields'
import { readQuantity, type QuantityKind } from '#core/base/typed'
import { CUP_NAMES } from '~/words/names'
import { say } from '~/words/say'
import { kitchenDocument } from '../../../shared/kitchen'

const KINDS = {
  mass: { unit: 'g', factor: 1, digits: 1, step: 5 },
  length: { unit: 'mm', factor: 1000, digits: 1, step: 1 },
  temperature: { unit: '°C', factor: 1, digits: 1, step: 1 },
  seconds: { unit: 's', factor: 1, digits: 0, step: 5 },
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
  /** Which number of the documents it is: limits, step and decimals come from the one table of fields. */
  field?: FieldPath
  /** Shown and edited as a multiple: 100 for a share in per cent, 1e6 for m³ in ml. */
  per?: number
  min?: number
  max?: number
  step?: number
  /** The label stands above; otherwise it is for readers of the screen only. */
  showLabel?: boolean
  big?: boolean
  unitText?: string
  /** What is weighed: cups, spoons and eggs become grams of it. */
  ingredientId?: string
  /** What stands in an empty field that means nothing yet: zero is shown so. */
  blank?: string
}>(), { showLabel: false, big: false, per: 1 })
const emit = defineEmits<{ 'update:modelValue': [value: number], 'done': [] }>()

const kitchen = useKitchenStore()
const { fahrenheit } = useFormat()
const spec = computed(() => KINDS[props.kind])
/** Limits: those said here, else the field's. A field that may be left blank takes nothing, too. */
const limits = computed(() => {
  const of = props.field && FIELDS[props.field]
  return {
    min: props.min ?? (of && props.blank === undefined ? of.min * props.per : 0),
    max: props.max ?? (of ? of.max * props.per : 1e6),
  }
})
/** What one step of the arrow keys is, as it is shown, and how many decimals are: the field's where it names one. */
const shownPer = computed(() => props.per * spec.value.factor)
const stepShown = computed(() =>
  props.step ?? (props.field ? FIELDS[props.field].step * shownPer.value : spec.value.step))
const digits = computed(() => {
  const ofTen = Math.log10(shownPer.value)
  if (!props.field || props.kind === 'count' || !Number.isInteger(ofTen)) return spec.value.digits
  return Math.max(0, FIELDS[props.field].decimals - ofTen)
})
const isF = computed(() => props.kind === 'temperature' && fahrenheit.value)
const unit = computed(() => props.unitText ?? (isF.value ? '°F' : spec.value.unit))
const toShown = (v: number) => isF.value ? celsiusToFahrenheit(v) : v * spec.value.factor
const fromShown = (s: number) => isF.value ? fahrenheitToCelsius(s) : s / spec.value.factor
/** Grams stand as a kitchen weighs them: tenths only of what is light. */
const HEAVY_G = 20
const digitsOf = (v: number) =>
  props.kind === 'mass' && Math.abs(v) >= HEAVY_G ? 0 : digits.value
const plain = (v: number) => String(Number(toShown(v).toFixed(digitsOf(v))))
const show = (v: number) => props.blank && v === 0 ? '' : plain(v)

const text = ref(show(props.modelValue))
const error = ref('')
const editing = ref(false)
watch([() => props.modelValue, isF], () => {
  if (!editing.value || error.value === '') {
    const shown = Number(text.value.replace(',', '.'))
    if (
      !editing.value ||
      Math.abs(fromShown(shown) - props.modelValue) >
      1e-9 * Math.max(1, Math.abs(props.modelValue)) + 5e-4 / spec.value.factor
    )
      text.value = show(props.modelValue)
  }
})
const limit = (v: number) => `${plain(v)}${unit.value ? ` ${unit.value}` : ''}`

const READ: Partial<Record<keyof typeof KINDS, QuantityKind>> = {
  mass: 'mass',
  length: 'length',
  temperature: 'temperature',
  minutes: 'time',
  hours: 'time',
}
/** What was typed, in SI; a leading minus stands for itself. */
function read(raw: string, cups: CupSystem | null = kitchen.record?.settings.cups ?? null) {
  return readQuantity(raw, {
    kind: READ[props.kind] ?? 'plain',
    ...(props.ingredientId ? { ingredientId: props.ingredientId } : {}),
    cups,
    eggGrade: kitchen.record?.settings.eggGrade ?? 'euL',
    bare: 1 / spec.value.factor,
    fahrenheit: isF.value,
  })
}
/** What stood here before this edit: it counts again where the edit cannot be taken. */
let before = props.modelValue
let sent = false
function takeBack() {
  if (sent) emit('update:modelValue', before)
  sent = false
}
/** "2 cups", and nobody knows whose: asked on the spot. */
const asking = ref('')
const remember = ref(false)
function answer(cups: CupSystem) {
  const got = read(asking.value, cups)
  asking.value = ''
  error.value = ''
  if ('value' in got) {
    take(got.value)
    text.value = show(got.value)
  }
  const { record } = kitchen
  if (remember.value && record) kitchen.change({ ...kitchenDocument(record), settings: { ...record.settings, cups } })
  emit('done')
}
function onFocus(event: FocusEvent) {
  editing.value = true
  before = props.modelValue
  sent = false
  ;(event.target as HTMLInputElement).select()
}
/** A sum or another unit is being written: what it comes to, shown below. */
const sum = ref('')
/** Not wrong yet: an open sum, or the beginning of a unit. */
const unfinished = (raw: string) =>
  /[+*/-]\s*$/.test(raw) ||
  /\d\s*(?:c|cu|cup|t|ts|tb|tbs|tab|table\w*|tea\w*|e|eg|egg|y|yo|yol|yolk|w|wh|whi|whit|white|s|st|sti|stic|f|fl|l|lb|o|k|m|i|in|p|pi|pin)$/i.test(
    raw,
  )
function take(v: number) {
  const eps = 1e-9 * Math.max(1, Math.abs(v))
  if (v < limits.value.min - eps || v > limits.value.max + eps) {
    error.value = say('quantityField.betweenAnd', {
      label: props.label,
      min: limit(limits.value.min),
      max: limit(limits.value.max),
    })
    return
  }
  error.value = ''
  sent = true
  emit('update:modelValue', props.kind === 'count' ? Math.round(v) : v)
}
function onInput(event: Event) {
  text.value = (event.target as HTMLInputElement).value
  sum.value = ''
  asking.value = ''
  if (props.blank && text.value.trim() === '') {
    take(0)
    return
  }
  const got = read(text.value)
  if ('problem' in got) {
    if (got.problem !== 'whoseCups' && got.problem !== 'noDensity' && unfinished(text.value)) return
    takeBack()
    if (got.problem === 'whoseCups') asking.value = text.value
    error.value = `${props.label}: ${
      {
        notANumber:
          text.value.trim() === ''
            ? say('quantityField.aNumberIsNeeded')
            : say('quantityField.isNotANumber', { text: text.value }),
        wrongUnit: say('quantityField.isNotANumberIn', {
          text: text.value,
          field: unit.value || say('quantityField.thisField'),
        }),
        whoseCups: say('quantityField.whoseSayItOnceUnderKitchen', { unit: got.unit }),
        noDensity: say('quantityField.whatAOfThisWeighsIs', { unit: got.unit }),
      }[got.problem]
    }`
    return
  }
  if (!/^[\d.,\s]*$/.test(text.value)) sum.value = `= ${limit(got.value)}`
  take(got.value)
}
function onKey(event: KeyboardEvent) {
  if (event.key === 'Enter') {
    (event.target as HTMLInputElement).blur()
    return
  }
  if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
  event.preventDefault()
  const typed = read(text.value)
  stepBy(
    (event.shiftKey ? 5 : 1) * (event.key === 'ArrowUp' ? 1 : -1),
    'value' in typed ? toShown(typed.value) : toShown(props.modelValue),
  )
}
/** So many steps from a shown value. */
function stepBy(steps: number, base: number) {
  const step = stepShown.value * steps
  const low = toShown(limits.value.min)
  const high = toShown(limits.value.max)
  const next = Math.min(high, Math.max(low, Number((base + step).toFixed(digits.value))))
  text.value = String(next)
  sum.value = ''
  take(fromShown(next))
}
/** Dragging the unit sideways: a step every few pixels, as the arrow keys would take it. */
const SCRUB_PX = 6
let scrub: { x: number, base: number, steps: number } | null = null
function onScrubStart(event: PointerEvent) {
  scrub = { x: event.clientX, base: toShown(props.modelValue), steps: 0 }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  event.preventDefault()
}
function onScrub(event: PointerEvent) {
  if (!scrub) return
  const steps = Math.trunc((event.clientX - scrub.x) / SCRUB_PX)
  if (steps === scrub.steps) return
  scrub.steps = steps
  stepBy(steps * (event.shiftKey ? 5 : 1), scrub.base)
}
function onScrubEnd() {
  if (scrub && scrub.steps !== 0) emit('done')
  scrub = null
}
function onBlur() {
  editing.value = false
  if (asking.value) return
  // "3 tbs" is no amount: what stood here stays.
  if ('problem' in read(text.value) && !(props.blank && text.value.trim() === '')) takeBack()
  text.value = show(props.modelValue)
  error.value = ''
  sum.value = ''
  emit('done')
}
const fieldId = useId()
</script>

<template>
  <div class="quantity" :class="{ big, wrong: error }">
    <label :for="fieldId" :class="showLabel ? 'field-label' : 'sr'">{{ label }}</label>
    <span class="box">
      <input
        :id="fieldId" :value="text" :placeholder="blank" inputmode="decimal" autocomplete="off"
        :aria-invalid="error ? true : undefined" :aria-describedby="error ? `${fieldId}-e` : undefined"
        role="spinbutton" :aria-valuenow="Number(plain(modelValue))"
        :aria-valuetext="blank && modelValue === 0 ? blank : `${plain(modelValue)} ${unit}`"
        @focus="onFocus" @input="onInput" @keydown="onKey"
        @blur="onBlur"
      >
      <span
        v-if="unit" class="unit" aria-hidden="true" :title="$say('quantityField.dragSidewaysOrUseTheArrow')"
        @pointerdown="onScrubStart" @pointermove="onScrub" @pointerup="onScrubEnd" @pointercancel="onScrubEnd"
      >
        {{ unit }}
      </span>
    </span>
    <span v-if="sum && !error" class="sum">{{ sum }}</span>
    <span v-if="error" :id="`${fieldId}-e`" class="error" role="alert">
      {{ error }}
      <span v-if="asking" class="whose">
        <UButton
          v-for="c in CUP_SYSTEMS" :key="c" size="sm" variant="outline" color="neutral" :label="CUP_NAMES[c]"
          @click="answer(c)"
        />
        <label><input v-model="remember" type="checkbox"> {{ $say('quantityField.rememberForTheKitchen') }}</label>
      </span>
    </span>
  </div>
</template>

<style scoped>
.quantity { position: relative; min-width: 0; }
.box { display: inline-flex; align-items: center; width: 100%; border-bottom: 1px solid #848879; min-height: 44px; }
.box:focus-within { background: var(--citron-soft); border-color: var(--ink); box-shadow: inset 0 -2px 0 var(--ink); }
input {
  width: 100%; min-width: 0; background: transparent; border: 0; text-align: right; padding: 0 0.15rem;
  min-height: 43px; font-variant-numeric: tabular-nums; outline: none;
}
.unit {
  white-space: nowrap; color: var(--ink-soft); padding: 0.7rem 0.25rem 0.7rem 0.1rem; font-size: 0.92rem;
  cursor: ew-resize; touch-action: none; user-select: none;
}
.sum {
  position: absolute; z-index: 19; right: 0; top: 100%; background: var(--ui-bg-elevated);
  border: 1px solid var(--hairline); padding: 0.15rem 0.5rem; font-size: 0.9rem; white-space: nowrap;
}
.whose { display: flex; flex-wrap: wrap; gap: 0.4rem; margin-top: 0.4rem; color: var(--ink); }
.whose label { display: flex; align-items: center; gap: 0.4rem; min-height: 44px; }
.whose input { width: 1.2rem; min-height: 0; height: 1.2rem; }
.big input { font-size: 1.35rem; font-weight: 600; }
.wrong .box { border-color: var(--blood); box-shadow: inset 0 -2px 0 var(--blood); }
.error {
  position: absolute; z-index: 20; right: 0; top: 100%; background: var(--ui-bg-elevated); color: var(--blood);
  border: 1px solid var(--blood); padding: 0.3rem 0.6rem; font-size: 0.9rem; width: max-content;
  max-width: min(18rem, 80vw);
}
</style>
