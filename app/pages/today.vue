<script setup lang="ts">
/** Today: the whole day on one sheet, planned backwards from each service. */
import { addDays, format, parseISO } from 'date-fns'
import { isDate } from '../../shared/schemas/shape'
import { calendarOf, movedIn, planCsv } from '~/composables/dayCalendar'
import { saveFile } from '~/composables/formulaFile'
import { shelfNames } from '~/composables/shelfNames'
import type { DayPlan } from '#core/schedule/plan'
import { leastSure } from '#core/schedule/chance'
import { KIND_NAMES, longWords, type Names, stepName } from '~/words/today'
import { say } from '~/words/say'

useHead({ title: say('today.title') })
const fmt = useFormat()
const route = useRoute()
const asked = route.query.date
const iso = (d: Date) => format(d, 'yyyy-MM-dd')
const date = ref(typeof asked === 'string' && isDate(asked) ? asked : iso(new Date()))
watch(date, d => void navigateTo({ query: { date: d } }, { replace: true }))
const day = useDay(date)
const shelf = shallowRef<{ id: string, name: string }[]>([])
const loadShelf = async () => { shelf.value = await shelfNames() }
await Promise.all([day.load(), loadShelf()])

const { sheet, plan } = day
const { batches } = useDayBatches(day, date)
const nowMs = ref(Date.now())
useIntervalFn(() => { nowMs.value = Date.now() }, 30_000)
const view = ref<'day' | 'ledger'>('day')
const chosen = ref<string | null>(null)
const task = computed(() => plan.value?.tasks.find(t => `${t.dessert}/${t.id}` === chosen.value) ?? null)
const dessertName = (id: string) => sheet.value?.desserts.find(d => d.id === id)?.name ?? id
const equipmentName = (id: string) => {
  const e = sheet.value?.equipment.find(x => x.id === id)
  return e ? e.name || KIND_NAMES[e.kind] : id
}
const names: Names = {
  dessert: dessertName,
  equipment: equipmentName,
  task: (key) => {
    const [d, ...rest] = key.split('/')
    const step = sheet.value?.desserts.find(x => x.id === d)
    const found = step && day.stepsOf(step)?.find(s => (s.id ?? s.name) === rest.join('/'))
    return found ? say('today.stepOf', { step: stepName(found.name), dessert: dessertName(d!) }) : dessertName(d!)
  },
}
const warmOf = (t: DayPlan['tasks'][number]) => {
  const d = sheet.value?.desserts.find(x => x.id === t.dessert)
  return (d && day.stepsOf(d)?.find(s => (s.id ?? s.name) === t.id)?.warm) ?? null
}
/** What threatens a dessert most, in words. */
function threat(id: string): string | null {
  const d = sheet.value?.desserts.find(x => x.id === id)
  const worst = leastSure((d && day.stepsOf(d)) ?? [])
  return worst && say('today.leastSure', { step: stepName(worst.step.name), minutes: longWords(worst.overMin) })
}
const chances = computed(() => Object.entries(plan.value?.chanceOnTime ?? {})
  .map(([id, p]) => ({
    id, name: dessertName(id), p, at: sheet.value?.desserts.find(d => d.id === id)?.serveAt ?? '', least: threat(id),
  }))
  .sort((a, b) => a.at.localeCompare(b.at)))
const done = computed(() => sheet.value?.desserts.flatMap(d => d.done.map(s => `${d.id}/${s}`)) ?? [])

/** To the second: a minute cut off would lay a held step over the one before it. */
const local = (ms: number) => format(new Date(ms), 'yyyy-MM-dd\'T\'HH:mm:ss')
/** Puts a step at a time, and holds it there. */
function pin(key: string, startMs: number, began = false, isDone = false) {
  const t = plan.value?.tasks.find(x => `${x.dessert}/${x.id}` === key)
  if (!t) return
  day.change((s) => {
    const d = s.desserts.find(x => x.id === t.dessert)!
    d.fixed[t.id] = { start: local(startMs), who: t.who, began }
    if (isDone && !d.done.includes(t.id)) d.done.push(t.id)
  })
}
const startOf = (key: string) => parseISO(plan.value!.tasks.find(t => `${t.dessert}/${t.id}` === key)!.start).getTime()
const move = (key: string, minutes: number) => {
  chosen.value = key
  pin(key, startOf(key) + 60_000 * minutes)
}
const isPinned = computed(() => task.value !== null
  && sheet.value?.desserts.find(d => d.id === task.value!.dessert)?.fixed[task.value.id] !== undefined)
/** The day of one person, or everybody's. */
function calendar(who: string | null) {
  if (!plan.value) return
  const text = calendarOf(date.value, plan.value, who, t => `${dessertName(t.dessert)}: ${stepName(t.name)}`)
  const name = [say('today.fileName', { date: date.value }), who].filter(Boolean).join(' ')
  saveFile(name, 'ics', text, 'text/calendar')
}
const table = () => saveFile(
  say('today.fileName', { date: date.value }), 'csv', planCsv(plan.value!, dessertName, stepName, equipmentName), 'text/csv')
/** What came back from a calendar: how many steps were moved there, or that it is none. */
const returned = ref('')
async function takeBack(event: Event) {
  const input = event.target as HTMLInputElement
  const text = await input.files?.[0]?.text()
  input.value = ''
  if (text === undefined || !plan.value) return
  try {
    const moved = movedIn(text, date.value, plan.value)
    returned.value = moved.length > 0 ? say('today.movedThere', { n: moved.length }) : say('today.nothingMoved')
    if (moved.length === 0) return
    const owner = new Map(plan.value.tasks.map(t => [`${t.dessert}/${t.id}`, t]))
    day.change((s) => {
      for (const m of moved) {
        const t = owner.get(m.key)!
        s.desserts.find(d => d.id === t.dessert)!.fixed[t.id] = { start: local(m.startMs), who: t.who, began: false }
      }
    })
  } catch {
    returned.value = say('today.noCalendar')
  }
}
/** The sheet of a week ago, with its pins let go. */
async function copyLastWeek() {
  const last = iso(addDays(parseISO(date.value), -7))
  const there = await api<{ sheet: NonNullable<typeof sheet.value> }>(`/api/days/${last}`).catch(() => null)
  if (there) day.change((s) => {
    Object.assign(s, there.sheet, { desserts: there.sheet.desserts.map(d => ({ ...d, fixed: {}, done: [] })) })
  })
}
const print = () => window.print()
</script>

<template>
  <main
    class="today" :data-settled="sheet && day.isPlanned.value ? 'true' : 'false'"
    :data-unsent="day.unsent.value"
  >
    <header class="no-print">
      <h1>{{ $say('today.today') }}</h1>
      <button type="button" class="flat" :aria-label="$say('today.dayBefore')" @click="date = iso(addDays(parseISO(date), -1))">←</button>
      <input v-model="date" type="date" class="native date" :aria-label="$say('today.date')">
      <button type="button" class="flat" :aria-label="$say('today.dayAfter')" @click="date = iso(addDays(parseISO(date), 1))">→</button>
      <OthersHere :id="date" kind="day" />
      <span class="acts">
        <ShareLink kind="day" :target="date" />
        <button type="button" class="underline" :disabled="!day.canUndo.value" @click="day.undo()">{{ $say('today.undo') }}</button>
        <button type="button" class="underline" :disabled="!day.canRedo.value" @click="day.redo()">{{ $say('today.redo') }}</button>
        <template v-if="plan?.feasible">
          <button type="button" class="underline" @click="calendar(null)">{{ $say('today.calendar') }}</button>
          <label class="underline file">{{ $say('today.takeBack') }}
            <input type="file" accept=".ics,text/calendar" class="sr" data-take-back @change="takeBack">
          </label>
          <button type="button" class="underline" @click="table">{{ $say('today.table') }}</button>
        </template>
        <button v-if="plan?.feasible" type="button" class="underline" @click="print">{{ $say('today.print') }}</button>
      </span>
    </header>
    <h2 class="print-only">{{ $say('today.sheetOf', { date: fmt.day(date) }) }}</h2>
    <p v-if="returned" class="soft" role="status" data-returned>{{ returned }}</p>
    <p v-if="day.failed.value" class="wrong" role="alert">
      {{ $say('today.failed') }} <button type="button" class="underline" @click="day.load()">{{ $say('today.tryNow') }}</button>
    </p>
    <div v-if="day.theirs.value" class="wrong" role="alert">
      {{ $say('today.changedElsewhere') }}
      <button type="button" class="flat" @click="day.settle(false)">{{ $say('today.takeTheirs') }}</button>
      <button type="button" class="flat" @click="day.settle(true)">{{ $say('today.keepMine') }}</button>
    </div>
    <template v-if="sheet">
      <DayWants :day="day" :date="date" :shelf="shelf" :batches="batches" />
      <div v-if="sheet.desserts.length === 0" class="empty">
        <p>{{ $say('today.empty') }}</p>
        <button type="button" class="flat" @click="copyLastWeek">{{ $say('today.copyLastWeek') }}</button>
      </div>
      <template v-else>
        <p v-if="day.wrong.value" class="wrong" role="alert">{{ $say('today.wrong', { path: day.wrong.value.path }) }}</p>
        <p class="going soft" role="status">
          {{ day.progress.value < 1 ? $say('today.planning') : plan && !plan.feasible ? $say('today.noPlan') : '' }}
        </p>
        <div class="choices views no-print" role="group" :aria-label="$say('today.title')">
          <button type="button" :aria-pressed="view === 'day'" @click="view = 'day'">{{ $say('ledger.theDay') }}</button>
          <button type="button" :aria-pressed="view === 'ledger'" data-to-ledger @click="view = 'ledger'">{{ $say('ledger.title') }}</button>
        </div>
        <DayMoves :moves="day.moves.value" :names="names" />
        <DayConflicts v-if="plan" :conflicts="plan.conflicts" :names="names" :day="day" />
        <div :class="{ 'print-only': view !== 'ledger' }">
          <DayLedger :day="day" :date="date" :name-of="dessertName" />
        </div>
        <template v-if="view === 'day' && plan?.feasible && plan.tasks.length">
          <ul class="chances num">
            <li v-for="c in chances" :key="c.id" :class="{ bad: c.p < 0.9 }" :data-chance="c.name">
              <b>{{ c.at }}</b> {{ c.name }}: {{ $say('today.chance', { n: Math.min(10, Math.floor(10 * c.p + 1e-9)) }) }}
              <span v-if="c.least" class="soft small">{{ c.least }}</span>
            </li>
          </ul>
          <DayPicture
            :date="date" :plan="plan" :sheet="sheet" :chosen="chosen" :now-ms="nowMs" :warm-of="warmOf"
            @choose="k => { chosen = k === chosen ? null : k }" @move="move"
          />
          <p class="key soft no-print"><i class="dark" /> {{ $say('today.keyHands') }} <i class="light" /> {{ $say('today.keyAlone') }}</p>
          <section v-if="task && chosen" class="one no-print" data-one>
            <h2>{{ names.task(chosen) }}</h2>
            <p class="num">{{ fmt.time(task.start) }}–{{ fmt.time(task.end) }}<template v-if="task.who">, {{ task.who }}</template></p>
            <div class="acts">
              <button type="button" class="flat" data-earlier @click="move(chosen, -10)">{{ $say('today.earlier') }}</button>
              <button type="button" class="flat" data-later @click="move(chosen, 10)">{{ $say('today.later10') }}</button>
              <button v-if="isPinned" type="button" class="flat" data-let-go @click="day.letGo(chosen)">{{ $say('today.letGo') }}</button>
              <button v-else type="button" class="flat" data-pin @click="move(chosen, 0)">{{ $say('today.pin') }}</button>
            </div>
          </section>
          <DayCall :plan="plan" :done="done" :now-ms="nowMs" :name-of="dessertName" />
          <DayLists
            :date="date" :plan="plan" :done="done" :name-of="dessertName" :equipment-of="equipmentName"
            @tick="k => pin(k, startOf(k), true, true)" @late="k => pin(k, nowMs, true)" @calendar="calendar"
          />
        </template>
      </template>
    </template>
  </main>
</template>

<style scoped>
.today { padding: 1.2rem 1.75rem 3rem; max-width: 1280px; margin: 0 auto; }
header { display: flex; flex-wrap: wrap; gap: 0.5rem 0.8rem; align-items: center; margin-bottom: 0.8rem; }
h1 { font-size: 2rem; margin-right: 0.6rem; } h2 { font-size: 1.35rem; margin: 0.6rem 0 0.2rem; }
.date { width: 10.5rem; }
.acts { display: flex; flex-wrap: wrap; gap: 0.5rem 1.1rem; }
header .acts { margin-left: auto; }
.acts button, .file { min-height: 44px; }
.file { display: inline-flex; align-items: center; cursor: pointer; }
.acts button:disabled { color: var(--ink-soft); text-decoration: none; }
.going { min-height: 1.5em; margin: 0.4rem 0; }
.chances { list-style: none; padding: 0; margin: 0 0 0.6rem; display: flex; flex-wrap: wrap; gap: 0.2rem 1.6rem; }
.chances .bad { color: var(--blood); font-weight: 600; }
.key { display: flex; gap: 0.5rem; align-items: center; }
.key i { width: 22px; height: 14px; border: 1px solid var(--ink); } .key .dark { background: var(--ink); }
.key .light { background: var(--citron-soft); margin-left: 1rem; }
.empty { padding: 2rem 0; } .print-only { display: none; } .views { margin-top: 0.6rem; }
.one p { margin: 0 0 0.4rem; }
@media (max-width: 760px) { .today { padding: 1rem; } header .acts { margin-left: 0; } h1 { width: 100%; margin: 0; } }
@media print { .print-only { display: block; } }
</style>
