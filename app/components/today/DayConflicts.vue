<script setup lang="ts">
/** What stands in the way of the day, and ways out of it: each a press where the sheet can be changed by one. */
import { addMinutes, format, parseISO } from 'date-fns'
import { EQUIPMENT_KINDS } from '#core/schedule/day'
import type { Conflict, WayOut } from '#core/schedule/explain'
import { bakedFor } from '#core/schedule/stepParts'
import type { DaySheet } from '../../../shared/day'
import { conflictWords, KIND_NAMES, type Names, wayWords } from '~/words/today'
import { say } from '~/words/say'

const props = defineProps<{ conflicts: readonly Conflict[], names: Names, day: LiveDay }>()
const two = (n: number) => String(n).padStart(2, '0')
const local = (iso: string, byMin: number) => format(addMinutes(parseISO(iso), byMin), 'yyyy-MM-dd\'T\'HH:mm:ss')
/** A time of day moved by minutes, within its day. */
function moved(at: string, minutes: number): string {
  const [h, m] = at.split(':').map(Number) as [number, number]
  const to = Math.max(0, Math.min(24 * 60 - 1, h * 60 + m + minutes))
  return `${two(Math.floor(to / 60))}:${two(to % 60)}`
}
/** Another of a thing, or the first of its kind. */
function oneMore(s: DaySheet, id: string, kind: string) {
  const like = s.equipment.find(e => e.id === id)
  const ofKind = EQUIPMENT_KINDS.find(k => k === kind)
  const plain = ofKind && { kind: ofKind, name: KIND_NAMES[ofKind], capacity: 1, heatKPerMin: null, coolKPerMin: null }
  const made = like ?? plain
  if (!made) return
  const name = say('today.second', { name: made.name || KIND_NAMES[made.kind] })
  s.equipment.push({ ...made, name, id: crypto.randomUUID(), isOut: false })
}
/** A step held where it is planned, or so many minutes from there. */
function hold(s: DaySheet, key: string, byMin = 0) {
  const t = props.day.plan.value?.tasks.find(x => `${x.dessert}/${x.id}` === key)
  if (!t) return
  const d = s.desserts.find(x => x.id === t.dessert)!
  d.fixed[t.id] = { start: local(t.start, byMin), who: byMin === 0 ? t.who : null, began: false }
}
/** Both at one temperature: a formula's time follows, that of a cook's own step is estimated; null: neither can. */
function atOne(tempC: number, tasks: readonly string[]): ((s: DaySheet) => void) | null {
  const own = tasks.map(key => props.day.plan.value?.tasks.find(t => `${t.dessert}/${t.id}` === key))
  const isFree = (t: (typeof own)[number]) => t !== undefined
    && (t.name === 'bake' || props.day.sheet.value!.desserts.find(d => d.id === t.dessert)?.steps != null)
  if (!own.every(isFree)) return null
  return (s) => {
    for (const t of own) {
      const d = s.desserts.find(x => x.id === t!.dessert)!
      d.fixed = {}
      if (!d.steps) d.ovenC = tempC
      const step = d.steps?.find(x => (x.id ?? x.name) === t!.id)
      for (const u of step?.uses ?? []) {
        if (u.tempC == null) continue
        const minutes = bakedFor(step!.minutes, u.tempC, tempC)
        if (minutes !== null) Object.assign(step!, { minutes, minutesSlow: null })
        u.tempC = tempC
      }
    }
  }
}
/** What a way changes in the sheet; null: it is for the cook to do. */
function pressOf(w: WayOut, of: Conflict): ((s: DaySheet) => void) | null {
  const minutes = Number(w.params.minutes ?? 0)
  const dessert = (s: DaySheet) => s.desserts.find(d => d.id === w.params.dessert)!
  switch (w.code) {
    case 'serveLater': return (s) => { dessert(s).serveAt = moved(dessert(s).serveAt, minutes) }
    case 'thisFirst': return (s) => { for (const key of [w.params.first, w.params.second]) hold(s, String(key)) }
    case 'eveningBefore': return s => hold(s, String(w.params.first), -minutes)
    case 'oneTemperature': return atOne(Number(w.params.tempC), of.tasks)
    case 'secondOven':
    case 'oneMore': return s => oneMore(s, String(w.params.id), '')
    case 'addEquipment': return s => oneMore(s, '', String(w.params.kind))
    case 'longerShift': return (s) => { for (const h of s.hands) h.to = moved(h.to, minutes) }
    case 'keepLonger': return (s) => { dessert(s).keepMinutes = (dessert(s).keepMinutes ?? 0) + minutes }
    case 'leaveOut': return (s) => { s.desserts = s.desserts.filter(d => d.id !== w.params.dessert) }
    case 'beginShiftEarlier': return (s) => { for (const h of s.hands) h.from = moved(h.from, -minutes) }
    case 'oneMoreHand': return (s) => { s.hands.push({ ...s.hands[0]!, name: say('today.cook', { n: s.hands.length + 1 }) }) }
    default: return null
  }
}
</script>

<template>
  <ul v-if="conflicts.length" class="conflicts no-print">
    <li v-for="(c, i) in conflicts" :key="i" :data-conflict="c.code">
      <p>{{ conflictWords(c, names) }}</p>
      <span class="ways">
        <template v-for="(w, k) in c.ways" :key="k">
          <button
            v-if="w.code === 'letGo'" type="button" class="flat" data-way="letGo" @click="props.day.letGo(String(w.params.first))"
          >
            {{ wayWords(w, names) }}
          </button>
          <button
            v-else-if="pressOf(w, c)" type="button" class="flat" :data-way="w.code"
            @click="props.day.change(pressOf(w, c)!)"
          >
            {{ wayWords(w, names) }}
          </button>
          <span v-else class="soft">{{ wayWords(w, names) }}</span>
        </template>
      </span>
    </li>
  </ul>
</template>

<style scoped>
.conflicts { list-style: none; padding: 0; margin: 0.8rem 0; }
li { border-left: 4px solid var(--blood); padding: 0.3rem 0 0.3rem 0.8rem; margin-bottom: 0.6rem; }
p { margin: 0 0 0.3rem; font-size: 1.1rem; font-weight: 600; }
.ways { display: flex; flex-wrap: wrap; gap: 0.5rem 1rem; align-items: center; }
</style>
