<script setup lang="ts">
/** The day along its hours: a lane for each pair of hands and each machine; dark where hands are at it. */
import { parseISO } from 'date-fns'
import type { Warm } from '#core/schedule/coldLoad'
import type { DayPlan } from '#core/schedule/plan'
import { fridgeCourse, ovenCourse, type Points } from '~/composables/dayCourses'
import type { DaySheet } from '../../../shared/day'
import { longWords, stepName } from '~/words/today'
import { say } from '~/words/say'

type Task = DayPlan['tasks'][number]
const props = defineProps<{
  date: string
  plan: DayPlan
  sheet: DaySheet
  chosen: string | null
  nowMs: number
  /** The heat a step brings into the cold. */
  warmOf: (t: DayPlan['tasks'][number]) => Warm | null
}>()
const kitchen = useKitchenStore()
const emit = defineEmits<{ choose: [key: string], move: [key: string, minutes: number] }>()
const fmt = useFormat()
const keyOf = (t: Task) => `${t.dessert}/${t.id}`
const minutesOf = (iso: string) => parseISO(iso).getTime() / 60_000
const nameOf = (id: string) => props.sheet.desserts.find(d => d.id === id)?.name ?? id
const isFixed = (t: Task) => props.sheet.desserts.find(d => d.id === t.dessert)?.fixed[t.id] !== undefined

/* Whole hours around everything; at arm's length an hour is at least so wide, px. */
const from = computed(() => Math.floor(Math.min(...props.plan.tasks.map(t => minutesOf(t.start))) / 60) * 60)
const to = computed(() => Math.ceil((Math.max(...props.plan.tasks.map(t => minutesOf(t.end))) + 1) / 60) * 60)
const hours = computed(() => Array.from({ length: (to.value - from.value) / 60 + 1 }, (_, i) => from.value + 60 * i))
const hourPx = computed(() => Math.max(64, Math.min(150, 1060 / Math.max(1, hours.value.length - 1))))
const hourWords = (m: number) => `${String(new Date(m * 60_000).getHours()).padStart(2, '0')}:00`
const x = (m: number) => `${((m - from.value) / 60) * hourPx.value}px`
const width = (a: number, b: number) => `${Math.max(6, ((b - a) / 60) * hourPx.value - 2)}px`
/* What was made the evening before lies to the left: the day itself is what is looked at first. */
const box = ref<HTMLElement | null>(null)
const firstOfDay = computed(() => props.plan.tasks.find(t => t.start.startsWith(props.date))?.start ?? null)
watch([box, () => props.date, from], () => {
  if (box.value && firstOfDay.value)
    box.value.scrollLeft = Math.max(0, ((minutesOf(firstOfDay.value) - from.value) / 60) * hourPx.value - 40)
}, { flush: 'post' })
const nowM = computed(() => props.nowMs / 60_000)

const ROW_PX = 48
interface Bar { key: string, task: Task, start: number, end: number, attended: number, row: number }
interface Course { points: Points, words: string }
interface Lane { id: string, name: string, bars: Bar[], rows: number, course?: Course | null }
/** Bars of a lane in as few rows as do not overlap. */
function rowed(id: string, name: string, tasks: readonly Task[], span: (t: Task) => readonly [string, string]): Lane {
  const ends: number[] = []
  const bars = tasks.map((task): Bar => {
    const [start, end] = [minutesOf(span(task)[0]), minutesOf(span(task)[1])]
    let row = ends.findIndex(e => e <= start + 1e-6)
    if (row < 0) row = ends.push(0) - 1
    ends[row] = end
    const attended = task.attended[0] ? minutesOf(task.attended[0][1]) : start
    return { key: keyOf(task), task, start, end, attended: Math.min(end, attended), row }
  })
  return { id, name, bars, rows: Math.max(1, ends.length) }
}
/** An oven's temperature, a fridge's air. */
function courseOf(e: DaySheet['equipment'][number], own: readonly Task[]): Course | null {
  if (e.kind === 'oven') {
    const points = ovenCourse(e, own)
    return points && { points, words: say('today.ovenCourse', { most: fmt.temp(Math.max(...points.map(p => p[1]))) }) }
  }
  const place = kitchen.core?.places.find(p => p.id === e.id)
  const course = place && fridgeCourse(place, kitchen.core!.roomTempC, own, props.warmOf)
  if (!course) return null
  const slower = course.slower.map(s => say('today.slowedBy', { dessert: nameOf(s.dessert), minutes: longWords(s.minutes) }))
  const words = [say('today.fridgeCourse', { most: fmt.temp(course.mostC, 1), watts: Math.round(course.mostW) }), ...slower]
  return { points: course.points, words: words.join(' ') }
}
const lanes = computed<Lane[]>(() => {
  const { tasks } = props.plan
  const manned = tasks.filter(t => t.attended.length > 0)
  const hands = [...new Set([...props.sheet.hands.map(h => h.name), ...manned.flatMap(t => t.who ?? [])])]
  const people = hands.map(who => rowed(`hand ${who}`, who, manned.filter(t => t.who === who), t => t.attended[0]!))
  const anyone = manned.filter(t => t.who === null)
  const machines = props.sheet.equipment.map((e) => {
    const own = tasks.filter(t => t.uses.some(u => u.id === e.id))
    return { ...rowed(e.id, e.name || say('today.mixer'), own, t => [t.start, t.end]), course: courseOf(e, own) }
  })
  const alone = tasks.filter(t => t.uses.length === 0 && t.attended.length === 0)
  return [
    ...people,
    ...(anyone.length > 0 ? [rowed('anyone', say('today.anyone'), anyone, t => t.attended[0]!)] : []),
    ...machines.filter(l => l.bars.length > 0),
    ...(alone.length > 0 ? [rowed('alone', say('today.alone'), alone, t => [t.start, t.end])] : []),
  ]
})
function label(lane: Lane, { task }: Bar): string {
  const tempC = task.uses.find(u => u.id === lane.id)?.tempC ?? null
  return `${stepName(task.name)}${tempC === null ? '' : ` ${fmt.temp(tempC)}`}: ${nameOf(task.dessert)}`
}
const attendedShare = (b: Bar) => `${(100 * (b.attended - b.start)) / Math.max(1e-6, b.end - b.start)}%`

function onKey(event: KeyboardEvent, key: string) {
  const by = event.key === 'ArrowLeft' ? -5 : event.key === 'ArrowRight' ? 5 : 0
  if (by === 0) return
  event.preventDefault()
  emit('move', key, event.shiftKey ? 6 * by : by)
}
/* A bar is dragged along its lane; let go, it is put there. */
let drag: { key: string, x: number } | null = null
function down(event: PointerEvent, key: string) {
  drag = { key, x: event.clientX }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function up(event: PointerEvent) {
  if (!drag) return
  const { key, x: startX } = drag
  drag = null
  const minutes = Math.round(((event.clientX - startX) / hourPx.value) * 12) * 5
  if (minutes !== 0) emit('move', key, minutes)
}
</script>

<template>
  <div ref="box" class="scroll" role="group" :aria-label="$say('today.picture')" tabindex="0">
    <div class="day" :style="{ width: `calc(9rem + ${((to - from) / 60) * hourPx}px)` }">
      <div class="hours num">
        <span v-for="h in hours" :key="h" :style="{ left: x(h) }">{{ hourWords(h) }}</span>
      </div>
      <div v-for="lane in lanes" :key="lane.id" class="lane">
        <span class="who" dir="auto">{{ lane.name }}</span>
        <div class="along">
          <div class="track" :style="{ height: `${lane.rows * ROW_PX}px`, backgroundSize: `${hourPx}px 100%` }">
            <button
              v-for="b in lane.bars" :key="b.key" type="button" class="bar"
              :class="{ chosen: b.key === chosen, pinned: isFixed(b.task), dark: b.attended >= b.end - 1e-6 }"
              :data-task="b.key" :title="label(lane, b)" :aria-label="label(lane, b)" :aria-pressed="b.key === chosen"
              :style="{ left: x(b.start), width: width(b.start, b.end), top: `${b.row * ROW_PX}px` }"
              @click="emit('choose', b.key)" @keydown="e => onKey(e, b.key)" @pointerdown="e => down(e, b.key)"
              @pointerup="up" @pointercancel="drag = null"
            >
              <i v-if="b.attended > b.start" class="hands" :style="{ width: attendedShare(b) }" />
              <span v-if="(b.end - b.start) * hourPx > 60 * 44">{{ label(lane, b) }}</span>
            </button>
          </div>
          <DayCurve
            v-if="lane.course" :points="lane.course.points" :from-min="from" :to-min="to" :hour-px="hourPx"
            :words="lane.course.words" :data-course="lane.id"
          />
        </div>
      </div>
      <i v-if="nowM > from && nowM < to" class="now" :style="{ left: `calc(9rem + ${x(nowM)})` }">
        <span>{{ $say('today.now') }}</span>
      </i>
    </div>
  </div>
</template>

<style scoped>
.scroll { overflow-x: auto; border-top: 1.5px solid var(--ink); border-bottom: 1.5px solid var(--ink); }
.day { position: relative; min-width: 100%; padding-bottom: 0.4rem; }
.hours { position: relative; height: 1.9rem; margin-left: 9rem; font-size: 0.95rem; color: var(--ink-soft); }
.hours span { position: absolute; top: 0.3rem; }
.lane { display: flex; border-top: 1px solid var(--hairline); align-items: stretch; }
.who {
  width: 9rem; flex: none; padding: 0.6rem 0.6rem 0.4rem 0; font-weight: 600; position: sticky; left: 0; z-index: 3;
  background: var(--paper); overflow-wrap: anywhere; line-height: 1.15;
}
.along { flex: 1; min-width: 0; }
.track { position: relative; background-image: linear-gradient(to right, var(--hairline) 1px, transparent 1px); }
.bar {
  position: absolute; height: 44px; margin-top: 2px; border: 1px solid var(--ink); background: var(--citron-soft);
  text-align: left; overflow: hidden; cursor: pointer; padding: 0; touch-action: pan-y;
}
.bar span {
  position: relative; display: block; padding: 0 0.35rem; font-size: 0.9rem; line-height: 1.15; max-height: 2.3em;
  overflow: hidden; color: var(--ink); width: fit-content; background: var(--citron-soft);
}
.bar.dark span { color: var(--paper); background: transparent; }
.bar .hands { position: absolute; inset: 0 auto 0 0; background: var(--ink); }
.bar.chosen { outline: 3px solid var(--citron-deep); outline-offset: 1px; z-index: 2; }
.bar.pinned { border: 2px dashed var(--blood); }
.now { position: absolute; top: 0; bottom: 0; border-left: 2px solid var(--blood); pointer-events: none; z-index: 2; }
.now span {
  position: absolute; top: 0; left: 2px; padding: 0 0.25rem; background: var(--paper); color: var(--blood); font-weight: 600; font-style: normal;
}
@media print { .scroll { overflow: visible; } }
</style>
