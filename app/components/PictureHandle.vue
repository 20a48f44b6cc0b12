<script setup lang="ts">
/**
 * A point of a picture that can be taken hold of: by finger or mouse along one axis, by arrow keys in steps (Shift five
 * of them), with its value spoken. Only the point takes the finger; around it the page scrolls.
 */
const props = withDefaults(defineProps<{
  label: string
  value: number
  min: number
  max: number
  step: number
  /** The value in words, with its unit. */ text: string
  /** Where it lies in the picture, as CSS lengths from its left and top. */ left: string
  top: string
  axis?: 'x' | 'y'
  /** What a pixel to the right, or upwards, is worth. */ perPx: number
  /** Its value is written beside it. */ tag?: boolean
}>(), { axis: 'y', tag: false })
const emit = defineEmits<{ change: [value: number], done: [] }>()

const held = ref<{ at: number, value: number, perPx: number } | null>(null)
/** Whole steps, within what is possible; a step's own rounding error is not handed on. */
function put(value: number) {
  const steps = Math.round(value / props.step) * props.step
  const next = Number(Math.min(props.max, Math.max(props.min, steps)).toPrecision(12))
  if (next !== props.value) emit('change', next)
}
const along = (e: PointerEvent) => (props.axis === 'x' ? e.clientX : -e.clientY)
function take(e: PointerEvent) {
  ;(e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)
  // The picture may be drawn to another scale while it changes: what a pixel is worth stays that of the beginning.
  held.value = { at: along(e), value: props.value, perPx: props.perPx }
}
function move(e: PointerEvent) {
  if (held.value) put(held.value.value + (along(e) - held.value.at) * held.value.perPx)
}
function drop() {
  if (!held.value) return
  held.value = null
  emit('done')
}
const KEYS: Record<string, number> = {
  ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10,
}
function onKey(e: KeyboardEvent) {
  const by = KEYS[e.key]
  if (by !== undefined) put(props.value + by * props.step * (e.shiftKey ? 5 : 1))
  else if (e.key === 'Home') put(props.min)
  else if (e.key === 'End') put(props.max)
  else return
  e.preventDefault()
  e.stopPropagation()
  emit('done')
}
</script>

<template>
  <div
    class="handle" :class="[axis, { held }]" role="slider" tabindex="0" :aria-label="label" :aria-valuemin="min"
    :aria-valuemax="max" :aria-valuenow="value" :aria-valuetext="text"
    :aria-orientation="axis === 'x' ? 'horizontal' : 'vertical'" :style="{ left, top }" @pointerdown="take" @pointermove="move" @pointerup="drop" @pointercancel="drop"
    @keydown="onKey"
  >
    <i aria-hidden="true" /><span v-if="tag || held" class="tag">{{ text }}</span>
  </div>
</template>

<style scoped>
.handle {
  position: absolute; width: 44px; height: 44px; margin: -22px 0 0 -22px; touch-action: none; cursor: ns-resize;
  display: grid; place-items: center; z-index: 2;
}
.handle.x { cursor: ew-resize; }
i {
  display: block; width: 18px; height: 18px; border-radius: 50%; background: var(--citron);
  border: 2px solid var(--ink);
}
.handle::before, .handle::after {
  content: ""; position: absolute; left: 50%; width: 0; height: 0; margin-left: -4px; border: 4px solid transparent;
}
.handle::before { top: 3px; border-bottom-color: var(--ink); border-top: 0; }
.handle::after { bottom: 3px; border-top-color: var(--ink); border-bottom: 0; }
.handle.x::before {
  left: 3px; top: 50%; margin: -4px 0 0; border: 4px solid transparent; border-right-color: var(--ink);
  border-left: 0;
}
.handle.x::after {
  left: auto; right: 3px; top: 50%; bottom: auto; margin: -4px 0 0; border: 4px solid transparent;
  border-left-color: var(--ink); border-right: 0;
}
.handle.held i, .handle:focus-visible i { box-shadow: 0 0 0 4px var(--citron-soft); }
.tag {
  position: absolute; left: 38px; top: 8px; white-space: nowrap; font-size: 0.9rem; font-weight: 600;
  background: var(--paper); padding: 0 0.3rem; pointer-events: none;
}
</style>
