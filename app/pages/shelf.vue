<script setup lang="ts">
/** The formulas, each with its cut face, band, sharpness and last change: fetched page by page, drawn as far as they are seen. */
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { formatDistanceToNow, parseISO } from 'date-fns'
import type { ComponentPublicInstance } from 'vue'
import { importFormula } from '~/composables/formulaFile'
import { BAND_NAMES, FAMILY_NAMES, SCHOOL_NAMES, SHARPNESS_NAMES, SHORT_VERDICT } from '~/words/names'
import { SCHOOLS, type School } from '#core/formula/document'
import { schoolOf } from '#core/formula/schools'
import type { FormulaListItem, FormulaRecord } from '../../shared/schemas/wire'

useHead({ title: 'Shelf · Lumbik' })
const toast = useToast()
const outbox = useOutboxStore()
const { pascals } = useFormat()
const shelf = useShelf()
const { items, failed, total, fresh } = shelf
const importError = ref<string | null>(null)
const renaming = ref<string | null>(null)
const newName = ref('')
await shelf.load()

/* Rows: measured as they are drawn. First what is seen, then enough around it that keys and fingers never meet an edge. */
const ROW_PX = 96
const FIRST = 1
const AROUND = 20
const around = ref(FIRST)
onMounted(() => requestAnimationFrame(() => setTimeout(() => { around.value = AROUND })))
const list = useTemplateRef<HTMLElement>('list')
const offset = ref(0)
watchEffect(() => { offset.value = list.value?.offsetTop ?? 0 }, { flush: 'post' })
const rows = useWindowVirtualizer(computed(() => ({
  count: items.value?.length ?? 0, estimateSize: () => ROW_PX, overscan: around.value, scrollMargin: offset.value, getItemKey: (i: number) => items.value![i]!.id,
})))
const shown = computed(() => rows.value.getVirtualItems().flatMap(row => items.value?.[row.index] ? [{ row, item: items.value[row.index]! }] : []))
const measure = (el: Element | ComponentPublicInstance | null) => { if (el) rows.value.measureElement(el as Element) }
watch(shown, (seen) => { if ((seen.at(-1)?.row.index ?? 0) >= (items.value?.length ?? 0) - 10) void shelf.more() })

const oops = (what: string) => toast.add({ title: `${what} did not work: the server does not answer.`, description: 'Nothing was changed. Try again.', color: 'error' })

/** One act at a time: a double press counts once. */
const acting = ref(false)
async function act(what: string, work: () => Promise<void>) {
  if (acting.value) return
  acting.value = true
  try {
    await work()
  } catch {
    oops(what)
  } finally {
    acting.value = false
  }
}
const duplicate = (item: FormulaListItem) => act('Duplicating', async () => {
  const { document } = await api<FormulaRecord>(`/api/formulas/${item.id}`)
  await api('/api/formulas', { method: 'POST', body: { id: crypto.randomUUID(), mutationId: crypto.randomUUID(), document: named(document, `${document.formula.name}, copy`), label: 'copy', parentFormulaId: item.id } })
  await shelf.load()
})
const remove = (item: FormulaListItem) => act('Deleting', async () => {
  await api(`/api/formulas/${item.id}`, { method: 'DELETE' })
  shelf.without(item.id)
  toast.add({ title: `“${item.name}” is in the bin for 30 days.`, duration: 15000, actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void restore(item) }] })
})
const restore = (item: FormulaListItem) => act('Bringing it back', async () => {
  await api('/api/bin/restore', { method: 'POST', body: { kind: 'formula', id: item.id } })
  await shelf.load()
})
function startRename(item: FormulaListItem) {
  renaming.value = item.id
  newName.value = item.name
  nextTick(() => document.querySelector<HTMLInputElement>('#rename')?.select())
}
async function rename(item: FormulaListItem) {
  if (renaming.value !== item.id) return
  renaming.value = null
  const name = newName.value.trim()
  if (!name || name === item.name) return
  await act('Renaming', async () => {
    await api(`/api/formulas/${item.id}`, { method: 'PATCH', body: { name } })
    await shelf.load()
  })
}
const tools: [string, (item: FormulaListItem) => unknown][] = [['Rename', startRename], ['Duplicate', duplicate], ['Delete', remove]]
const toolsOf = (item: FormulaListItem) => item.readable ? tools : tools.slice(2)
const file = useTemplateRef<HTMLInputElement>('file')
async function onFile(event: Event) {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  importError.value = null
  const result = await importFormula(chosen)
  if ('error' in result) importError.value = result.error
  else await navigateTo(`/formula/${result.id}/balance`)
}
const off = (item: FormulaListItem) => !item.readable || (item.summary !== null && (item.summary.code !== 'good' || !item.summary.safe))
function verdictWords(item: FormulaListItem): string {
  if (!item.readable) return 'cannot be read'
  if (item.summary === null) return item.stale ? 'being worked out …' : 'not complete yet'
  return item.summary.code === 'good' && !item.summary.safe ? 'cools too slowly' : SHORT_VERDICT[item.summary.code]
}
const waitsOf = (item: FormulaListItem) => outbox.entryOf('formula', item.id) !== null
function whatItIs(item: FormulaListItem): string {
  if (!SCHOOLS.includes(item.school as School)) return 'what is stored of it is damaged'
  const name = SCHOOL_NAMES[item.school as School].name
  return `${FAMILY_NAMES[schoolOf(item.school as School).family].name}, ${name.charAt(0).toLowerCase()}${name.slice(1)}`
}
const changed = (item: FormulaListItem) => item.demo && item.version === 1 ? 'as it came' : `changed ${formatDistanceToNow(parseISO(item.updatedAt), { addSuffix: true })}`
</script>

<template>
  <main class="shelf" :data-settled="items ? 'true' : 'false'" :data-fresh="fresh ? 'true' : 'false'">
    <header>
      <h1>Shelf</h1>
      <input v-model="shelf.search.value" type="search" class="native find no-print" placeholder="Find a formula" aria-label="Find a formula" maxlength="120">
      <div class="acts no-print">
        <UButton to="/new" label="New formula" />
        <UButton variant="outline" color="neutral" label="Import a file" @click="file?.click()" />
        <UButton variant="ghost" color="neutral" to="/bin" label="Bin" />
        <input ref="file" type="file" accept="application/json,.json" class="sr" aria-label="Formula file to import" tabindex="-1" @change="onFile">
      </div>
    </header>
    <p v-if="importError" class="import-error" role="alert"><b>Not imported.</b> {{ importError }}</p>
    <p v-if="failed" class="import-error" role="alert">The shelf cannot be read: the server does not answer. It is asked again every moment. <button class="underline" type="button" @click="shelf.load()">Try now</button></p>
    <div v-if="items && items.length === 0 && shelf.found.value" class="empty">
      <p>No formula is called “{{ shelf.found.value }}”. <button type="button" class="underline" @click="shelf.search.value = ''">Show all</button></p>
    </div>
    <div v-else-if="items && items.length === 0" class="empty">
      <h2>Nothing on the shelf yet</h2>
      <p>Paste a recipe as you have it, cups and all, and see whether it will set. <NuxtLink to="/new" class="underline">Make the first formula</NuxtLink>.</p>
    </div>
    <template v-else-if="items">
      <p v-if="total !== null && (total > items.length || shelf.found.value)" class="soft small count" role="status">{{ total }} {{ total === 1 ? 'formula' : 'formulas' }}{{ shelf.found.value ? ` called “${shelf.found.value}”` : '' }}</p>
      <ul ref="list" class="rows" :style="{ height: `${rows.getTotalSize()}px` }">
        <li v-for="{ row, item } in shown" :key="item.id" :ref="measure" class="row" :data-index="row.index" :data-formula="item.id" :data-stale="item.stale ? 'true' : 'false'" :style="{ transform: `translateY(${row.start - offset}px)` }">
          <NuxtLink :to="`/formula/${item.id}/balance`" class="face" tabindex="-1" aria-hidden="true">
            <CutFace v-if="item.summary" :piece="item.summary.piece" :grainy="item.summary.code === 'grainy'" small label="" />
          </NuxtLink>
          <div class="what">
            <input v-if="renaming === item.id" id="rename" v-model="newName" class="native title" maxlength="120" aria-label="New name" @keydown.enter="rename(item)" @keydown.esc="renaming = null" @blur="rename(item)">
            <NuxtLink v-else :to="`/formula/${item.id}/balance`" class="title">{{ item.name }}</NuxtLink>
            <span class="soft small">{{ whatItIs(item) }}; {{ changed(item) }}</span>
            <span v-if="waitsOf(item)" class="small unsent" data-unsent>not sent yet: kept in this browser</span>
          </div>
          <div class="verdict" :class="{ stale: item.stale }">
            <b :class="{ off: off(item) }">{{ verdictWords(item) }}</b>
            <span v-if="item.summary" class="soft small">{{ item.stale ? 'being worked out again …' : `${BAND_NAMES[item.summary.band]}, ${SHARPNESS_NAMES[item.summary.sharpness]}` }}</span>
            <span v-else-if="!item.readable" class="soft small">kept as it is; the rest of the shelf is not touched by it</span>
          </div>
          <div class="figures num">
            <template v-if="item.summary">{{ pascals(item.summary.coldPa) }} <span class="soft small">fridge</span><br>{{ pascals(item.summary.platePa) }} <span class="soft small">plate</span></template>
          </div>
          <div class="tools no-print">
            <UButton v-for="[word, go] in toolsOf(item)" :key="word" variant="ghost" color="neutral" size="sm" :label="word" :aria-label="`${word} ${item.name}`" @click="go(item)" />
          </div>
        </li>
      </ul>
      <p v-if="shelf.loadingMore.value" class="soft small" role="status">Fetching more …</p>
      <p class="legend soft small">Each section is drawn to scale: left from the fridge, right on the plate after its time on the table.</p>
    </template>
  </main>
</template>

<style scoped>
.shelf { padding: 1.5rem 1.75rem 3rem; max-width: 1180px; margin: 0 auto; }
header { display: flex; justify-content: space-between; align-items: flex-end; gap: 1rem; margin-bottom: 1rem; flex-wrap: wrap; }
h1 { font-size: 2rem; }
.acts { display: flex; gap: 0.6rem; }
.find { flex: 1 1 12rem; max-width: 22rem; margin-left: auto; }
.find::placeholder { color: #6c7263; }
.count { margin: 0 0 0.3rem; }
.rows { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--ink); position: relative; }
.row { display: grid; grid-template-columns: 230px minmax(0, 1.6fr) minmax(0, 1fr) 7.6rem auto; gap: 1rem; align-items: center; border-bottom: 1px solid var(--hairline); padding: 0.7rem 0; position: absolute; top: 0; left: 0; right: 0; }
.row:hover { background: #fffdf7; }
.title { font-family: var(--font-display); font-size: 1.2rem; display: block; line-height: 1.2; }
a.title:hover { text-decoration: underline; text-underline-offset: 3px; }
.unsent { display: block; color: var(--blood); font-weight: 600; }
.stale { opacity: 0.6; }
.tools { display: flex; justify-content: flex-end; }
.verdict b { display: block; font-weight: 600; }
.verdict b.off { color: var(--blood); }
.empty { padding: 3rem 0; }
.import-error { border-left: 3px solid var(--blood); padding: 0.4rem 0 0.4rem 0.8rem; color: var(--blood); }
.legend { margin-top: 1rem; }
@media (max-width: 1180px) { .row { grid-template-columns: 190px minmax(0, 1fr) minmax(0, 0.7fr) auto; } .figures { display: none; } }
@media (max-width: 760px) {
  .shelf { padding: 1rem 1rem 2rem; }
  .row { grid-template-columns: 110px minmax(0, 1fr); gap: 0.4rem 0.8rem; }
  .verdict { grid-column: 2; }
  .tools { grid-column: 1 / -1; justify-content: flex-end; }
}
</style>
