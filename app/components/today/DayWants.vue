<script setup lang="ts">
/** What is wanted, by when, by whom, on what: desserts (typed, or pasted in a line), hands, what is out of order. */
import { meantBy, stepsIn, wantedIn } from '#core/schedule/pasted'
import type { EquipmentKind } from '#core/schedule/day'
import { equipmentOf, STANDS_MIN } from '../../../shared/day'
import { KIND_NAMES, longWords } from '~/words/today'
import { say } from '~/words/say'

const props = defineProps<{
  day: LiveDay
  shelf: readonly { id: string, name: string }[]
  /** Of the sheet, ISO. */
  date: string
  /** Batches that are being made, by dessert. */
  batches: ReadonlyMap<string, string>
}>()
const kitchen = useKitchenStore()
const sheet = computed(() => props.day.sheet.value!)
const text = ref('')
/** Served when nothing was said. */
const USUAL = '19:00'
/** What two induction rings on one plug get together, W (common practice; the sheet has it changed). */
const USUAL_SHARED_W = 3500
/** A break begins and ends then when only one of the two was said. */
const USUAL_BREAK = { from: '12:00', to: '12:30' }
/** What was read that is not on the shelf. */
const unknown = ref<string[]>([])
function take() {
  const wanted = wantedIn(text.value)
  const names = props.shelf.map(f => f.name)
  unknown.value = []
  props.day.change((s) => {
    for (const w of wanted) {
      const i = meantBy(w.name, names)
      if (i === null) {
        unknown.value.push(w.name)
        continue
      }
      s.desserts.push({
        id: crypto.randomUUID().slice(0, 8), name: names[i]!, formulaId: props.shelf[i]!.id, count: w.count,
        ...(w.countOf ? { countOf: w.countOf } : {}),
        serveAt: w.serveAt ?? USUAL, keepMinutes: STANDS_MIN, steps: null, fixed: {}, done: [],
      })
    }
    begin(s)
  })
  if (unknown.value.length === 0) text.value = ''
}
/* What was found on the shelf to be made of what there is comes here as it was asked for. */
const toPlan = useToPlan()
watch(() => [props.day.sheet.value, kitchen.record, toPlan.value] as const, ([s, k, p]) => {
  if (!s || !k || p?.date !== props.date) return
  toPlan.value = null
  props.day.change((d) => {
    d.desserts.push({
      id: crypto.randomUUID().slice(0, 8), name: p.name, formulaId: p.formulaId, count: p.count, serveAt: p.serveAt,
      keepMinutes: STANDS_MIN, earliest: p.earliest, steps: null, fixed: {}, done: [],
    })
    begin(d)
    for (const w of p.without)
      for (const e of d.equipment.filter(x => x.kind === w.kind)) {
        if (w.freeFrom === null) e.isOut = true
        else e.freeFrom = w.freeFrom
      }
  })
}, { immediate: true })
/** A sheet with desserts has the kitchen's equipment, and somebody to make them. */
function begin(s: typeof sheet.value) {
  if (s.equipment.length === 0 && kitchen.record) s.equipment = equipmentOf(kitchen.record)
  if (s.hands.length === 0) s.hands.push({ name: say('today.cook', { n: 1 }), from: '07:00', to: '21:00' })
}
/* A dessert of the cook's own steps. */
const own = reactive({ name: '', steps: '', serveAt: USUAL })
const ownSteps = computed(() => stepsIn(own.steps))
function addOwn() {
  props.day.change((s) => {
    s.desserts.push({
      id: crypto.randomUUID().slice(0, 8), name: own.name.trim(), formulaId: null, count: null, serveAt: own.serveAt,
      keepMinutes: STANDS_MIN, steps: ownSteps.value, fixed: {}, done: [],
    })
    begin(s)
  })
  Object.assign(own, { name: '', steps: '' })
}
const value = (e: Event) => (e.target as HTMLInputElement).value
const setHand = (i: number, key: 'name' | 'from' | 'to', e: Event) => props.day.change((s) => {
  const h = s.hands[i]!
  h[key] = value(e).trim() || h[key]
})
/** What a thing takes at once, how fast an oven changes; empty: no limit, at once. */
const positive = (e: Event) => (Number(value(e)) > 0 ? Number(value(e)) : null)
const setThing = (i: number, key: 'capacity' | 'heatKPerMin' | 'coolKPerMin', e: Event) => props.day.change((s) => {
  s.equipment[i]![key] = positive(e)
})
/* Tins of the day's desserts, and bowls: none is a limit until somebody says how many there are. */
const COUNTED: readonly EquipmentKind[] = ['tin', 'bowl']
const counted = computed(() => [
  ...(props.day.ledger.value?.tins ?? []).flatMap(({ vesselId, name }) =>
    (vesselId && name ? [{ id: vesselId, kind: 'tin' as const, name }] : [])),
  { id: 'bowls', kind: 'bowl' as const, name: KIND_NAMES.bowl },
])
const countOf = (id: string) => sheet.value.equipment.find(e => e.id === id)?.capacity ?? ''
const setCount = (thing: (typeof counted.value)[number], e: Event) => props.day.change((s) => {
  const n = positive(e)
  s.equipment = s.equipment.filter(x => x.id !== thing.id)
  if (n) s.equipment.push({ ...thing, capacity: n, heatKPerMin: null, coolKPerMin: null, isOut: false })
})
/* Rings: the widest pan, and the supply that several share. */
const setPan = (i: number, e: Event) => props.day.change((s) => {
  const cm = positive(e)
  s.equipment[i]!.panM = cm && cm / 100
})
/** From when it can be had on this day; empty: always. */
const setFree = (i: number, e: Event) => props.day.change((s) => {
  const at = value(e)
  if (at) s.equipment[i]!.freeFrom = `${props.date}T${at}`
  else delete s.equipment[i]!.freeFrom
})
const setShared = (i: number, e: Event) => props.day.change((s) => {
  s.equipment[i]!.isShared = (e.target as HTMLInputElement).checked
  s.sharedW ??= USUAL_SHARED_W
})
const setSupply = (e: Event) => props.day.change((s) => { s.sharedW = positive(e) })
/** A break, or none where either end is empty. */
const setPause = (i: number, key: 'from' | 'to', e: Event) => props.day.change((s) => {
  const h = s.hands[i]!
  const pause = { from: h.pause?.from ?? USUAL_BREAK.from, to: h.pause?.to ?? USUAL_BREAK.to, [key]: value(e) }
  if (pause.from && pause.to) h.pause = pause
  else delete h.pause
})
const addHand = () => props.day.change((s) => {
  let n = s.hands.length + 1
  while (s.hands.some(h => h.name === say('today.cook', { n }))) n++
  s.hands.push({ name: say('today.cook', { n }), from: '07:00', to: '21:00' })
})
</script>

<template>
  <section class="wants no-print">
    <form class="paste" @submit.prevent="take">
      <label class="field-label" for="day-text">{{ $say('today.paste') }}</label>
      <textarea id="day-text" v-model="text" class="native" rows="2" maxlength="2000" :placeholder="$say('today.example')" dir="auto" />
      <button type="submit" class="press" :disabled="text.trim() === ''">{{ $say('today.take') }}</button>
    </form>
    <p v-if="unknown.length" class="wrong" role="alert">{{ $say('today.unknown', { names: unknown.join(', ') }) }}</p>
    <details>
      <summary>{{ $say('today.ownSteps') }}</summary>
      <form class="own" @submit.prevent="addOwn">
        <label>{{ $say('today.ownName') }} <input v-model="own.name" class="native" maxlength="120" required data-own-name dir="auto"></label>
        <label>{{ $say('today.servedAt') }} <input v-model="own.serveAt" class="native num" type="time" required></label>
        <label class="wide">{{ $say('today.ownLine') }}
          <textarea v-model="own.steps" class="native" rows="2" maxlength="2000" :placeholder="$say('today.ownExample')" data-own-steps dir="auto" />
        </label>
        <p v-if="ownSteps.length" class="soft wide">
          {{ ownSteps.map(s => `${s.name} ${longWords(s.minutes)}${s.attended ? '' : ` (${$say('today.alone').toLowerCase()})`}`).join(' → ') }}
        </p>
        <button type="submit" class="flat" :disabled="!own.name.trim() || ownSteps.length === 0" data-own-add>{{ $say('today.ownAdd') }}</button>
      </form>
    </details>
    <ul v-if="sheet.desserts.length" class="rows">
      <DessertRow v-for="d in sheet.desserts" :key="d.id" :day="day" :dessert="d" :batch-id="batches.get(d.id) ?? null" />
    </ul>
    <details v-if="sheet.desserts.length">
      <summary>{{ $say('today.handsAndThings', { n: sheet.hands.length }) }}</summary>
      <ul class="desserts">
        <li v-for="(h, i) in sheet.hands" :key="i" :data-hand="h.name">
          <input class="native name" :value="h.name" :aria-label="$say('today.name')" maxlength="60" dir="auto" @change="e => setHand(i, 'name', e)">
          <label>{{ $say('today.from') }}
            <input class="native num" type="time" :value="h.from" @change="e => setHand(i, 'from', e)"></label>
          <label>{{ $say('today.until') }}
            <input class="native num" type="time" :value="h.to" @change="e => setHand(i, 'to', e)"></label>
          <label>{{ $say('today.pause') }}
            <input
              class="native num" type="time" :value="h.pause?.from ?? ''" :aria-label="`${$say('today.pause')} ${$say('today.from')} ${h.name}`"
              @change="e => setPause(i, 'from', e)"
            >
            <input
              class="native num" type="time" :value="h.pause?.to ?? ''" :aria-label="`${$say('today.pause')} ${$say('today.until')} ${h.name}`"
              @change="e => setPause(i, 'to', e)"
            >
          </label>
          <button
            type="button" class="underline" :aria-label="`${$say('today.goes')} ${h.name}`"
            @click="day.change(s => { s.hands.splice(i, 1) })"
          >
            {{ $say('today.goes') }}
          </button>
        </li>
      </ul>
      <button type="button" class="flat" @click="addHand">{{ $say('today.addHand') }}</button>
      <fieldset class="things">
        <legend class="field-label">{{ $say('today.things') }}</legend>
        <label v-for="(e, i) in sheet.equipment" v-show="!COUNTED.includes(e.kind)" :key="e.id">
          <input type="checkbox" :checked="!e.isOut" @change="day.change(s => { s.equipment[i]!.isOut = !e.isOut })">
          {{ e.name || KIND_NAMES[e.kind] }}
        </label>
      </fieldset>
      <ul class="desserts sizes">
        <li v-for="(e, i) in sheet.equipment" v-show="!COUNTED.includes(e.kind)" :key="e.id" :data-thing="e.name || KIND_NAMES[e.kind]">
          <span>{{ e.name || KIND_NAMES[e.kind] }}</span>
          <label>{{ $say('today.holds') }}
            <input class="native num" type="number" min="1" max="1000" :value="e.capacity ?? ''" @change="x => setThing(i, 'capacity', x)">
          </label>
          <label>{{ $say('today.freeFrom') }}
            <input class="native num" type="time" :value="e.freeFrom?.slice(11, 16) ?? ''" data-free-from @change="x => setFree(i, x)">
          </label>
          <template v-if="e.kind === 'oven'">
            <label>{{ $say('today.heats') }}
              <input class="native num" type="number" min="0.1" max="100" step="0.1" :value="e.heatKPerMin ?? ''" @change="x => setThing(i, 'heatKPerMin', x)">
            </label>
            <label>{{ $say('today.cools') }}
              <input class="native num" type="number" min="0.1" max="100" step="0.1" :value="e.coolKPerMin ?? ''" @change="x => setThing(i, 'coolKPerMin', x)">
            </label>
          </template>
          <template v-else-if="e.kind === 'ring'">
            <label>{{ $say('today.pansUpTo') }}
              <input
                class="native num" type="number" min="5" max="100" :value="e.panM ? Math.round(100 * e.panM) : ''" data-pan
                @change="x => setPan(i, x)"
              >
            </label>
            <label><input type="checkbox" :checked="e.isShared ?? false" data-shared @change="x => setShared(i, x)"> {{ $say('today.sharesSupply') }}</label>
          </template>
        </li>
      </ul>
      <ul class="desserts sizes">
        <li v-for="t in counted" :key="t.id" :data-counted="t.name">
          <span>{{ t.name }}</span>
          <label>{{ $say('today.tinsThere') }}
            <input class="native num" type="number" min="1" max="1000" :value="countOf(t.id)" @change="x => setCount(t, x)">
          </label>
        </li>
      </ul>
      <label v-if="sheet.equipment.some(e => e.isShared)">{{ $say('today.sharedW') }}
        <input class="native num" type="number" min="100" max="50000" step="100" :value="sheet.sharedW ?? ''" data-supply @change="setSupply">
      </label>
      <p class="soft small">{{ $say('today.thingsPractice') }}</p>
    </details>
  </section>
</template>

<style scoped>
.paste { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0.2rem 1rem; align-items: end; }
.paste label { grid-column: 1 / -1; }
textarea { width: 100%; resize: vertical; }
.rows, .desserts { list-style: none; padding: 0; margin: 0.8rem 0 0; border-top: 1px solid var(--hairline); }
.desserts li {
  display: grid; grid-template-columns: minmax(0, 1fr) auto auto auto auto auto; gap: 0.3rem 1.4rem; align-items: center;
  border-bottom: 1px solid var(--hairline); min-height: 56px;
}
label { display: inline-flex; gap: 0.5rem; align-items: center; }
label .native { width: 5.5rem; } label .native[type="time"] { width: 7rem; }
.name { max-width: 16rem; }
.desserts button { min-height: 44px; }
summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; font-weight: 600; }
.own { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0.6rem 1.4rem; padding: 0.4rem 0; justify-items: start; }
.own label { display: flex; flex-wrap: wrap; width: 100%; } .own .native { width: 100%; } .own .wide { grid-column: 1 / -1; }
.things { border: 0; padding: 0; margin: 0.8rem 0 0; display: flex; flex-wrap: wrap; gap: 0 1.6rem; }
.things legend { width: 100%; }
.things label { min-height: 44px; }
[type="checkbox"] { width: 22px; height: 22px; accent-color: var(--ink); }
@media (max-width: 760px) {
  .paste { grid-template-columns: minmax(0, 1fr); }
  .desserts li { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); padding: 0.5rem 0; }
  .desserts label { flex-wrap: wrap; }
  .name { grid-column: 1 / -1; }
}
</style>
