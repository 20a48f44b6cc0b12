<script setup lang="ts">
/** What can be made of what is there, by when, with what can be used: the shelf's formulas that fit, and why not. */
import { addMinutes, differenceInCalendarDays, format, parseISO } from 'date-fns'
import { benchOf, type Planned } from '#core/formula/bench'
import type { School } from '#core/formula/document'
import { wishIn } from '#core/formats/wish'
import type { CanMake } from '#core/schedule/canMake'
import { goodLots, sorted, withLots } from '#core/schedule/stocked'
import { DIET_NAMES, refusalWords } from '~/words/canMake'
import { SCHOOL_NAMES } from '~/words/names'
import { KIND_NAMES, longWords } from '~/words/today'
import { say } from '~/words/say'
import type { FormulaList, FormulaRecord } from '../../../shared/schemas/wire'

interface Found { id: string, name: string, school: School, can: CanMake }
/** So many formulas are looked through at most, and fetched at a time. */
const MOST = 200
const AT_ONCE = 6
/** A service is set to a full so many minutes. */
const STEP_MIN = 5

const fmt = useFormat()
const kitchen = useKitchenStore()
const solver = useSolver()
const text = useKeptByTab('lumbik:can-make', '')
const isWithLots = ref(true)
const begunAt = ref(new Date())
const clock = () => format(begunAt.value, 'HH:mm')
const today = () => format(begunAt.value, 'yyyy-MM-dd')
const lots = computed(() => goodLots(kitchen.core?.lots ?? [], today()))
const stock = computed(() => {
  const house = kitchen.core ? { ...kitchen.core, cups: null } : {}
  return withLots(wishIn(text.value, clock(), house), isWithLots.value ? lots.value : [], today())
})
const wish = computed(() => stock.value.wish)
const readAs = computed(() => [
  ...wish.value.have.map(h => `${fmt.name(h.ingredientId)} ${fmt.grams(h.massG)}${
    h.thaw ? ` (${h.thaw.fromG > 0
      ? say('canMake.frozen', { g: fmt.grams(h.massG - h.thaw.fromG) }) : say('canMake.allFrozen')})` : ''}`),
  ...wish.value.without.map(w => (w.until === null
    ? say('canMake.noSuch', { what: KIND_NAMES[w.kind] })
    : say('canMake.notBefore', { what: KIND_NAMES[w.kind], at: w.until }))),
  ...wish.value.free.map(d => say('canMake.free', { what: DIET_NAMES[d] })),
  ...(wish.value.count === null ? [] : [say('canMake.forSoMany', { n: wish.value.count })]),
  ...(wish.value.serveAt === null ? [] : [say('canMake.by', { at: wish.value.serveAt })]),
])
const answered = shallowRef<Found[] | null>(null)
const failed = ref(false)
const more = ref(0)
const state = ref<'idle' | 'fetching' | 'working'>('idle')
const found = computed(() => sorted(answered.value ?? [], wish.value, stock.value.due))
const fits = computed(() => found.value.fits)
const others = computed(() => found.value.others)
let asked = 0

/** The shelf's formulas, as many as are looked through; how many more there are. */
async function fetchAll(of: number): Promise<{ id: string, planned: Planned }[]> {
  const items: FormulaList['items'] = []
  for (let after: string | null = ''; after !== null && items.length < MOST;) {
    const page: FormulaList = await api<FormulaList>('/api/formulas', { query: after ? { after } : {} })
    items.push(...page.items.filter(i => i.readable))
    if (page.total !== null) more.value = Math.max(0, page.total - MOST)
    after = page.next
  }
  const out: { id: string, planned: Planned }[] = []
  for (let i = 0; i < Math.min(MOST, items.length) && of === asked; i += AT_ONCE) {
    const some = await Promise.all(items.slice(i, Math.min(MOST, i + AT_ONCE))
      .map(x => api<FormulaRecord>(`/api/formulas/${x.id}`)))
    out.push(...some.map(r => ({ id: r.id, planned: r.document })))
  }
  return out
}
async function look() {
  const of = ++asked
  begunAt.value = new Date()
  failed.value = false
  state.value = 'fetching'
  try {
    const all = await fetchAll(of)
    if (of !== asked || !kitchen.core) return
    state.value = 'working'
    const said = await solver.run({
      kind: 'canMake', formulas: all.map(a => a.planned), kitchen: kitchen.core, wish: wish.value, now: clock(),
    })
    if (of !== asked || !said || 'problem' in said) return
    answered.value = all.map(({ id, planned }, i) => {
      const { name, school } = benchOf(planned)
      return { id, name, school, can: said.value[i]! }
    })
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    failed.value = true
  } finally {
    if (of === asked) state.value = 'idle'
  }
}
function stop() {
  asked++
  solver.cancel()
  state.value = 'idle'
}
const grams = (list: readonly { ingredientId: string, massG: number }[]) =>
  list.map(x => `${fmt.name(x.ingredientId)} ${fmt.grams(x.massG)}`).join(', ')
const left = (c: CanMake) =>
  grams(c.uses.filter(u => u.leftG >= 1).map(u => ({ ingredientId: u.ingredientId, massG: u.leftG })))
const ready = (c: CanMake) => addMinutes(begunAt.value, Math.ceil(c.minutes / STEP_MIN) * STEP_MIN)
const isToday = (d: Date) => differenceInCalendarDays(d, begunAt.value) === 0
/* To the sheet of the day it is served on; what cannot be used goes with it. */
const toPlan = useToPlan()
async function plan(f: Found) {
  const iso = (d: Date) => format(d, 'yyyy-MM-dd')
  const now = begunAt.value
  const on = iso(now)
  const at = wish.value.serveAt === null ? ready(f.can) : parseISO(`${on}T${wish.value.serveAt}`)
  const served = at < now ? addMinutes(at, 24 * 60) : at
  toPlan.value = {
    date: iso(served), formulaId: f.id, name: f.name, count: f.can.portions, serveAt: format(served, 'HH:mm'),
    earliest: format(now, 'yyyy-MM-dd\'T\'HH:mm'),
    without: wish.value.without.map(w => ({ kind: w.kind, freeFrom: w.until && `${on}T${w.until}` })),
  }
  await navigateTo(`/today?date=${iso(served)}`)
}
</script>

<template>
  <section class="can no-print" :data-can-make="state === 'idle' && answered ? 'settled' : state">
    <form @submit.prevent="look">
      <label class="field-label" for="can-text">{{ $say('canMake.ask') }}</label>
      <textarea
        id="can-text" v-model="text" class="native" rows="2" maxlength="2000" :placeholder="$say('canMake.example')" dir="auto"
      />
      <UButton type="submit" :label="$say('canMake.look')" :disabled="state !== 'idle'" />
    </form>
    <label v-if="lots.length" class="check">
      <input v-model="isWithLots" type="checkbox"> {{ $say('canMake.lots', { names: lots.map(l => l.name).join(', ') }) }}
    </label>
    <p v-if="readAs.length" class="read" data-read-as>{{ $say('canMake.readAs', { list: readAs.join('; ') }) }}</p>
    <p v-if="wish.unread.length" class="wrong" role="alert">{{ $say('canMake.unread', { list: wish.unread.join(', ') }) }}</p>
    <p v-if="state !== 'idle'" role="status">
      {{ $say('canMake.looking', { percent: Math.round(100 * solver.done.value) }) }}
      <button type="button" class="underline tall" @click="stop">{{ $say('canMake.stop') }}</button>
    </p>
    <p v-if="failed" class="wrong" role="alert">{{ $say('shelf.theShelfCannotBeReadThe') }}</p>
    <template v-if="answered && state === 'idle'">
      <p v-if="fits.length === 0"><b>{{ $say('canMake.nothing') }}</b></p>
      <ol class="fits">
        <li v-for="f in fits" :key="f.id" :data-can="f.name">
          <h3>
            <NuxtLink :to="`/formula/${f.id}/balance`" dir="auto">{{ f.name }}</NuxtLink>
            <span class="num">{{ $say('canMake.portions', { n: f.can.portions, factor: fmt.fixed(f.can.factor, 2) }) }}</span>
          </h3>
          <p class="num">
            {{
              isToday(ready(f.can))
                ? $say('canMake.readyAt', { at: format(ready(f.can), 'HH:mm') })
                : $say('canMake.readyOn', { day: fmt.day(format(ready(f.can), 'yyyy-MM-dd')), at: format(ready(f.can), 'HH:mm') })
            }}
            <span v-if="f.can.thawMin > 0">{{ $say('canMake.thaws', { takes: longWords(f.can.thawMin) }) }}</span>{{ ' ' }}
            <b v-if="f.can.school !== f.school">{{ $say('canMake.otherWay', { way: SCHOOL_NAMES[f.can.school].name }) }}</b>
          </p>
          <p class="soft small num">
            {{ left(f.can) ? $say('canMake.left', { list: left(f.can) }) : wish.have.length ? $say('canMake.allUsed') : '' }}
            {{ f.can.buys.length ? $say('canMake.buys', { list: grams(f.can.buys) }) : '' }}
          </p>
          <UButton variant="outline" color="neutral" size="sm" :label="$say('canMake.plan')" @click="plan(f)" />
        </li>
      </ol>
      <details v-if="others.length" class="others">
        <summary>{{ $say('canMake.others', { n: others.length }) }}</summary>
        <ul>
          <li v-for="f in others" :key="f.id" :data-cannot="f.name">
            <b dir="auto">{{ f.name }}</b>: {{ f.can.refusals.map(r => refusalWords(r, fmt)).join('; ') }}
          </li>
        </ul>
      </details>
      <p v-if="more > 0" class="soft small">{{ $say('canMake.more', { most: MOST, more }) }}</p>
    </template>
  </section>
</template>

<style scoped>
.can { border-top: 1.5px solid var(--ink); border-bottom: 1px solid var(--hairline); padding: 0.8rem 0 1rem; margin-bottom: 1rem; }
form { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0.2rem 1rem; align-items: end; }
form label { grid-column: 1 / -1; }
textarea { width: 100%; resize: vertical; }
p { margin: 0.4rem 0 0; }
.read { font-weight: 600; }
.wrong { color: var(--blood); }
.check { display: flex; gap: 0.5rem; align-items: center; min-height: 44px; }
.check input { width: 22px; height: 22px; accent-color: var(--ink); flex: none; }
.tall { min-height: 44px; }
.fits { list-style: none; padding: 0; margin: 0.6rem 0 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(20rem, 1fr)); gap: 0 2rem; }
.fits li { border-top: 1px solid var(--hairline); padding: 0.6rem 0 0.8rem; display: grid; gap: 0.2rem; justify-items: start; align-content: start; }
.fits p { margin: 0; }
h3 { font-size: 1.2rem; margin: 0; display: flex; flex-wrap: wrap; gap: 0 0.8rem; align-items: baseline; }
h3 span { font-family: var(--font-body, inherit); font-size: 1rem; font-weight: 600; }
summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; font-weight: 600; }
.others ul { margin: 0; padding-left: 1.1rem; display: grid; gap: 0.3rem; }
@media (max-width: 760px) { form { grid-template-columns: minmax(0, 1fr); } .fits { grid-template-columns: minmax(0, 1fr); } }
</style>
