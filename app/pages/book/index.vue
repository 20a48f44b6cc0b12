<script setup lang="ts">
/** The Book: batches made, measured and tasted; found by name, outcome, lot; plotted across. */
import { FAULTS } from '#core/book/outcome'
import type { BatchItem, BookPage } from '../../../shared/book'
import { bookCsv } from '~/composables/bookFiles'
import { saveFile } from '~/composables/formulaFile'
import { besideName, FAULT_NAMES, figureWords } from '~/words/batch'
import { say } from '~/words/say'

useHead({ title: say('book.title') })
const fmt = useFormat()
const kitchen = useKitchenStore()
const door = useDoorStore()
const route = useRoute()
const items = shallowRef<BatchItem[] | null>(null)
const next = ref<string | null>(null)
const total = ref<number | null>(null)
const failed = ref(false)
const search = ref('')
const fault = ref('')
const lot = ref(typeof route.query.lot === 'string' ? route.query.lot : '')
const by = ref('')
const cooks = shallowRef<{ id: string, name: string }[]>([])
const formula = ref(typeof route.query.formula === 'string' ? route.query.formula : '')
let asked = 0
/** A page of what is asked for. */
const pageAfter = (after: string | null) => api<BookPage>('/api/batches', {
  query: Object.fromEntries(Object.entries({
    search: search.value.trim(), fault: fault.value, lot: lot.value, formula: formula.value, by: by.value,
    after: after ?? '',
  }).filter(([, v]) => v !== '')),
})
async function load(more = false) {
  const mine = ++asked
  try {
    const page = await pageAfter(more ? next.value : null)
    if (mine !== asked) return
    items.value = more ? [...(items.value ?? []), ...page.items] : page.items
    next.value = page.next
    if (!more) total.value = page.total
    cooks.value = page.cooks ?? cooks.value
    failed.value = false
  } catch {
    if (mine === asked) failed.value = true
  }
}
await Promise.all([load(), kitchen.record ? null : kitchen.load()])
const soon = useDebounceFn(() => load(), 1000)
const heard = onNote(({ kind }) => { if (kind === 'batch') void soon() })
onScopeDispose(heard.off)
watchDebounced(search, () => load(), { debounce: 250 })
watch([fault, lot, formula, by], () => load())
function showAll() {
  search.value = fault.value = lot.value = formula.value = by.value = ''
}
const isFiltered = computed(() =>
  search.value.trim() !== '' || [fault, lot, formula, by].some(r => r.value !== ''))
/* What is worked out a moment later is fetched again, until it is there. */
const waits = computed(() => items.value?.some(i => i.isDone && i.shown === null) ?? false)
useIntervalFn(() => { if (waits.value) void load() }, 2000)

const outcomeWords = (i: BatchItem) => !i.isDone ? say('book.stillGoing')
  : i.faults.length > 0 ? i.faults.map(f => FAULT_NAMES[f as keyof typeof FAULT_NAMES]).join(', ')
    : i.shown?.asMeant === true ? say('book.asMeant') : i.shown?.asMeant === false ? say('book.notAsMeant') : say('book.unknown')
const isBad = (i: BatchItem) => i.faults.length > 0 || i.shown?.asMeant === false
/** The figure a cook looks at first: the ring, a spoonful, a load; else the time on the heat. */
const firstFigure = (i: BatchItem) =>
  i.shown?.beside.find(b => ['ring', 'spread', 'load'].includes(b.id)) ?? i.shown?.beside.find(b => b.id === 'heatMin') ?? null

const oneFormula = computed(() => (formula.value && items.value?.length ? items.value[0]!.name : ''))
const lotName = computed(() => kitchen.record?.lots.find(l => l.id === lot.value)?.name ?? '')
/** All of what is asked for, not only what is on the page. */
const isSaving = ref(false)
async function csv() {
  isSaving.value = true
  try {
    const all: BatchItem[] = []
    for (let after: string | null = null; ;) {
      const page: BookPage = await pageAfter(after)
      all.push(...page.items)
      if (!(after = page.next)) break
    }
    saveFile(say('book.book'), 'csv', bookCsv(all), 'text/csv')
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    failed.value = true
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <main class="book" :data-settled="items && !waits ? 'true' : 'false'">
    <header>
      <h1>{{ $say('book.book') }}</h1>
      <input
        v-model="search" type="search" class="native find" :placeholder="$say('book.find')"
        :aria-label="$say('book.find')" maxlength="120"
      >
      <UButton to="/book/learned" :label="$say('book.learned')" />
      <UButton variant="outline" color="neutral" to="/book/instruments" :label="$say('book.instruments')" />
      <UButton variant="outline" color="neutral" :label="$say('book.csv')" :loading="isSaving" @click="csv" />
    </header>
    <div class="sieve">
      <select v-model="fault" class="native" :aria-label="$say('book.everyFault')">
        <option value="">{{ $say('book.everyFault') }}</option>
        <option v-for="f in FAULTS" :key="f" :value="f">{{ FAULT_NAMES[f] }}</option>
      </select>
      <select v-model="lot" class="native" :aria-label="$say('book.everyLot')">
        <option value="">{{ $say('book.everyLot') }}</option>
        <option v-for="l in kitchen.record?.lots ?? []" :key="l.id" :value="l.id">{{ l.name }}</option>
      </select>
      <select v-if="cooks.length > 1" v-model="by" class="native" :aria-label="$say('book.everyCook')">
        <option value="">{{ $say('book.everyCook') }}</option>
        <option v-for="c in cooks" :key="c.id" :value="c.id">{{ c.name }}</option>
      </select>
      <span v-if="total !== null" class="soft num" role="status">{{ total > 1000 ? $say('book.countMore', { n: fmt.fixed(1000) }) : $say('book.count', { n: total }) }}</span>
      <button v-if="isFiltered" type="button" class="underline" @click="showAll">{{ $say('book.showAll') }}</button>
    </div>
    <p v-if="failed" class="wrong" role="alert">
      {{ $say('book.failed') }}
      <button type="button" class="underline" @click="load()">{{ $say('book.tryNow') }}</button>
    </p>
    <p v-if="lotName" class="recall"><b>{{ $say('book.lotUsed', { name: lotName }) }}</b></p>
    <p v-if="items && items.length === 0" class="empty">{{ isFiltered ? $say('book.none') : $say('book.empty') }}</p>
    <template v-else-if="items">
      <ul class="rows">
        <li v-for="i in items" :key="i.id" :data-batch="i.id">
          <div>
            <NuxtLink class="title" :to="i.isDone ? `/batch/${i.id}/out` : `/batch/${i.id}/cook`" dir="auto">
              {{ i.name }}
            </NuxtLink>
            <span class="soft small">
              {{ fmt.day(i.startedAt) }} {{ fmt.clock(i.startedAt) }}, {{ i.by }}<template v-if="i.simulated">,
                {{ $say('batch.simulated') }}</template>
            </span>
          </div>
          <b :class="{ bad: isBad(i) }">{{ outcomeWords(i) }}</b>
          <span class="num">
            <template v-if="firstFigure(i)">
              {{ $say('book.firmness', { word: besideName(firstFigure(i)!.id), measured: figureWords(firstFigure(i)!.measured, firstFigure(i)!.unit, fmt), predicted: figureWords(firstFigure(i)!.predicted, firstFigure(i)!.unit, fmt) }) }}
            </template>
          </span>
          <span class="acts">
            <NuxtLink v-if="isBad(i) && door.may('make')" class="underline" :to="`/batch/${i.id}/why`">{{ $say('book.why') }}</NuxtLink>
            <button
              v-if="formula === ''" type="button" class="underline"
              :aria-label="`${$say('book.only')} ${i.name}`" @click="formula = i.formulaId"
            >
              {{ $say('book.only') }}
            </button>
          </span>
        </li>
      </ul>
      <button v-if="next" type="button" class="underline more" @click="load(true)">{{ $say('book.fetchMore') }}</button>
      <ByVersion v-if="formula !== '' && door.may('make')" :formula-id="formula" :items="items" />
      <BookPlots :items="items" :is-bad="isBad" :of="oneFormula" />
    </template>
  </main>
</template>

<style scoped>
.book { padding: 1.5rem 1.75rem 3rem; max-width: 1180px; margin: 0 auto; }
header { display: flex; flex-wrap: wrap; gap: 0.6rem 1rem; align-items: flex-end; margin-bottom: 0.8rem; }
h1 { font-size: 2rem; }
.find { flex: 1 1 12rem; max-width: 22rem; margin-left: auto; }
.sieve { display: flex; flex-wrap: wrap; gap: 0.4rem 1.4rem; align-items: center; margin-bottom: 0.5rem; }
.sieve select { width: auto; max-width: 100%; }
.rows { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--ink); }
.rows li {
  display: grid; grid-template-columns: minmax(0, 1.5fr) minmax(0, 0.8fr) minmax(0, 1.3fr) 13rem; gap: 0.3rem 1.2rem;
  align-items: center; border-bottom: 1px solid var(--hairline); padding: 0.6rem 0; min-height: 60px;
}
.title { font-family: var(--font-display); font-size: 1.2rem; display: block; overflow-wrap: anywhere; }
.title:hover { text-decoration: underline; text-underline-offset: 3px; }
.bad { color: var(--blood); }
.acts { display: flex; gap: 1rem; justify-content: flex-end; }
.acts > * { min-height: 44px; display: inline-flex; align-items: center; }
.more { min-height: 44px; }
.wrong { color: var(--blood); } .recall { margin: 0.3rem 0; }
.empty { padding: 2.5rem 0; }
@media (max-width: 760px) {
  .book { padding: 1rem 1rem 2rem; }
  .rows li { grid-template-columns: minmax(0, 1fr) auto; }
  .rows li > .num { grid-column: 1 / -1; }
}
</style>
