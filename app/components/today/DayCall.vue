<script setup lang="ts">
/** A call before each step that needs hands: heard, shown, notified; the screen stays on. */
import type { DayPlan } from '#core/schedule/plan'
import { parseISO } from 'date-fns'
import { stepName } from '~/words/today'
import { say } from '~/words/say'

const props = defineProps<{
  plan: DayPlan
  done: readonly string[]
  nowMs: number
  nameOf: (dessertId: string) => string
}>()
/** So long before a step. */
const BEFORE_MS = 5 * 60_000
const isOn = ref(false)
const { call } = useCall(() => isOn.value)
const awake = useWakeLock()
const called = new Set<string>()
const due = shallowRef<{ key: string, words: string } | null>(null)
async function toggle() {
  isOn.value = !isOn.value
  if (!isOn.value) {
    due.value = null
    if (awake.isSupported.value) void awake.release().catch(() => {})
    return
  }
  if (awake.isSupported.value) void awake.request('screen').catch(() => {})
  // Where the browser may not notify, it is heard and seen on the page.
  if ('Notification' in window && Notification.permission === 'default') await Notification.requestPermission().catch(() => {})
  look()
}
function look() {
  if (!isOn.value) return
  const next = props.plan.tasks.find((t) => {
    const key = `${t.dessert}/${t.id}/${t.start}`
    const inMs = parseISO(t.start).getTime() - props.nowMs
    return t.attended.length > 0 && inMs <= BEFORE_MS && inMs > -BEFORE_MS && !called.has(key)
      && !props.done.includes(`${t.dessert}/${t.id}`)
  })
  if (!next) return
  called.add(`${next.dessert}/${next.id}/${next.start}`)
  const words = say('today.callFor', {
    who: next.who ?? say('today.anyone'), at: next.start.slice(11, 16), step: stepName(next.name), dessert: props.nameOf(next.dessert),
  })
  due.value = { key: `${next.dessert}/${next.id}`, words }
  call()
  if ('Notification' in window && Notification.permission === 'granted') new Notification(words)
}
watch(() => [props.nowMs, props.plan], look)
</script>

<template>
  <div class="calls no-print">
    <button type="button" class="flat" :aria-pressed="isOn" data-call @click="toggle">
      {{ isOn ? $say('today.callsOn') : $say('today.callsOff') }}
    </button>
    <p v-if="due" class="due" role="alert" data-due>
      {{ due.words }}
      <button type="button" class="underline" @click="due = null">{{ $say('today.heard') }}</button>
    </p>
  </div>
</template>

<style scoped>
.calls { margin: 0.4rem 0; display: flex; flex-wrap: wrap; gap: 0.6rem 1.2rem; align-items: center; }
.due { margin: 0; font-size: 1.35rem; font-weight: 600; color: var(--blood); } .due button { min-height: 44px; font-size: 1rem; }
</style>
