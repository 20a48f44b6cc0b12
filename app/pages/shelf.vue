<script setup lang="ts">
/**
 * The formulas, each with its cut face, band, sharpness and last change: fetched page by page, drawn as far as
 * they are seen.
 */
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { formatDistanceToNow, parseISO } from 'date-fns'
import type { ComponentPublicInstance } from 'vue'
import { importFormula } from '~/composables/formulaFile'
import { BAND_NAMES, FAMILY_NAMES, SCHOOL_NAMES, SHARPNESS_NAMES } from '~/words/names'
import { FAMILIES, SCHOOLS, type School } from '#core/formula/document'
import { schoolOf } from '#core/formula/schools'
import { isShaped } from '#core/physics/set/bands'
import type { FormulaListItem, FormulaRecord } from '../../shared/schemas/wire'
import { coldWords, plateWords } from '~/words/stands'
import { shortVerdict } from '~/words/verdict'
import { say } from '~/words/say'

useHead({ title: 'Shelf · Lumbik' })
const toast = useToast()
const outbox = useOutboxStore()
const fmt = useFormat()
const shelf = useShelf()
const { items, failed, total, fresh } = shelf
const importError = ref<string | null>(null)
/** What can I make? */
const asksWhat = ref(false)
const renaming = ref<string | null>(null)
const newName = ref('')
await shelf.load()

/**
 * Rows: measured as they are drawn. First what is seen, then enough around it that keys and fingers never meet
 * an edge.
 */
const ROW_PX = 96
const FIRST = 1
const AROUND = 20
const around = ref(FIRST)
onMounted(() => requestAnimationFrame(() => setTimeout(() => { around.value = AROUND })))
const list = useTemplateRef<HTMLElement>('list')
const offset = ref(0)
watchEffect(() => { offset.value = list.value?.offsetTop ?? 0 }, { flush: 'post' })
const rows = useWindowVirtualizer(
  computed(() => ({
    count: items.value?.length ?? 0,
    estimateSize: () => ROW_PX,
    overscan: around.value,
    scrollMargin: offset.value,
    getItemKey: (i: number) => items.value![i]!.id,
  })),
)
const shown = computed(() =>
  rows.value
    .getVirtualItems()
    .flatMap(row => (items.value?.[row.index] ? [{ row, item: items.value[row.index]! }] : [])),
)
const measure = (el: Element | ComponentPublicInstance | null) => { if (el) rows.value.measureElement(el as Element) }
watch(shown, (seen) => { if ((seen.at(-1)?.row.index ?? 0) >= (items.value?.length ?? 0) - 10) void shelf.more() })

function showAll() {
  shelf.search.value = ''
  shelf.family.value = ''
}
const oops = (what: string) =>
  toast.add({
    title: say('shelf.didNotWorkTheServerDoes', { what }),
    description: say('shelf.nothingWasChangedTryAgain'),
    color: 'error',
  })

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
const duplicate = (item: FormulaListItem) =>
  act(say('shelf.duplicating'), async () => {
    const { document } = await api<FormulaRecord>(`/api/formulas/${item.id}`)
    await api('/api/formulas', {
      method: 'POST',
      body: {
        id: crypto.randomUUID(),
        mutationId: crypto.randomUUID(),
        document: named(document, `${document.formula.name}, copy`),
        label: 'copy',
        parentFormulaId: item.id,
      },
    })
    await shelf.load()
  })
const remove = (item: FormulaListItem) =>
  act(say('shelf.deleting'), async () => {
    await api(`/api/formulas/${item.id}`, { method: 'DELETE' })
    shelf.without(item.id)
    toast.add({
      title: say('shelf.isInTheBinFor30', { name: item.name }),
      duration: 15000,
      actions: [{ label: say('shelf.undo'), color: 'neutral', variant: 'outline', onClick: () => void restore(item) }],
    })
  })
const restore = (item: FormulaListItem) => act(say('shelf.bringingItBack'), async () => {
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
  await act(say('shelf.renaming'), async () => {
    await api(`/api/formulas/${item.id}`, { method: 'PATCH', body: { name } })
    await shelf.load()
  })
}
const tools: [string, (item: FormulaListItem) => unknown][] = [
  [say('shelf.rename'), startRename],
  [say('shelf.duplicate'), duplicate],
  [say('shelf.delete'), remove],
]
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
const off = (item: FormulaListItem) =>
  !item.readable || (item.summary !== null && (item.summary.code !== 'good' || !item.summary.safe))
function verdictWords(item: FormulaListItem): string {
  if (!item.readable) return say('shelf.cannotBeRead')
  if (item.summary === null) return item.stale ? say('shelf.beingWorkedOut') : say('shelf.notCompleteYet')
  return shortVerdict(item.summary.code, item.summary.safe)
}
const waitsOf = (item: FormulaListItem) => outbox.entryOf('formula', item.id) !== null
function whatItIs(item: FormulaListItem): string {
  if (!SCHOOLS.includes(item.school as School)) return say('shelf.whatIsStoredOfItIs')
  const name = SCHOOL_NAMES[item.school as School].name
  return `${FAMILY_NAMES[schoolOf(item.school as School).family].name}, ${name.charAt(0).toLowerCase()}${name.slice(1)}`
}
const changed = (item: FormulaListItem) =>
  item.demo && item.version === 1
    ? say('shelf.asItCame')
    : `changed ${formatDistanceToNow(parseISO(item.updatedAt), { addSuffix: true })}`
</script>

<template>
  <main class="shelf" :data-settled="items ? 'true' : 'false'" :data-fresh="fresh ? 'true' : 'false'">
    <header>
      <h1>{{ $say('shelf.shelf') }}</h1>
      <input
        v-model="shelf.search.value" type="search" class="native find no-print"
        :placeholder="$say('shelf.findAFormula')" :aria-label="$say('shelf.findAFormula')" maxlength="120"
      >
      <div class="acts no-print">
        <UButton to="/new" :label="$say('shelf.newFormula')" />
        <UButton
          variant="outline" color="neutral" :label="$say('canMake.title')" :aria-expanded="asksWhat" @click="asksWhat = !asksWhat"
        />
        <UButton variant="outline" color="neutral" :label="$say('shelf.importAFile')" @click="file?.click()" />
        <UButton variant="ghost" color="neutral" to="/bin" :label="$say('shelf.bin')" />
        <input
          ref="file" type="file" accept="application/json,.json" class="sr"
          :aria-label="$say('shelf.formulaFileToImport')" tabindex="-1" @change="onFile"
        >
      </div>
    </header>
    <CanMake v-if="asksWhat" />
    <div v-if="items" class="sieve no-print">
      <label class="sr" for="shelf-kind">{{ $say('shelf.kindOfDessert') }}</label>
      <select id="shelf-kind" v-model="shelf.family.value" class="native">
        <option value="">{{ $say('shelf.everyKind') }}</option>
        <option v-for="f in FAMILIES" :key="f" :value="f">{{ FAMILY_NAMES[f].name }}</option>
      </select>
      <label class="check">
        <input v-model="shelf.troubleFirst.value" type="checkbox"> {{ $say('shelf.troubleFirst') }}
      </label>
    </div>
    <p v-if="importError" class="import-error" role="alert"><b>{{ $say('shelf.notImported') }}</b> {{ importError }}</p>
    <p v-if="failed" class="import-error" role="alert">
      {{ $say('shelf.theShelfCannotBeReadThe') }}
      <button class="underline" type="button" @click="shelf.load()">{{ $say('shelf.tryNow') }}</button>
    </p>
    <div v-if="items && items.length === 0 && (shelf.found.value || shelf.family.value)" class="empty">
      <p>
        {{
          shelf.found.value
            ? $say('shelf.noFormulaIsCalled', { found: shelf.found.value })
            : $say('shelf.noneOfThisKind')
        }}
        <button type="button" class="underline" @click="showAll">{{ $say('shelf.showAll') }}</button>
      </p>
    </div>
    <div v-else-if="items && items.length === 0" class="empty">
      <h2>{{ $say('shelf.nothingOnTheShelfYet') }}</h2>
      <p>
        {{ $say('shelf.pasteARecipeAsYouHave') }}
        <NuxtLink to="/new" class="underline">{{ $say('shelf.makeTheFirstFormula') }}</NuxtLink>.
      </p>
    </div>
    <template v-else-if="items">
      <p v-if="total !== null && (total > items.length || shelf.found.value)" class="soft small count" role="status">
        {{ total }}
        {{ total === 1 ? $say('shelf.formula') : $say('shelf.formulas') }}{{ shelf.found.value ? ` ${$say('shelf.called', { found: shelf.found.value })}` : '' }}
      </p>
      <ul ref="list" class="rows" :style="{ height: `${rows.getTotalSize()}px` }">
        <li
          v-for="{ row, item } in shown" :key="item.id" :ref="measure" class="row" :data-index="row.index"
          :data-formula="item.id" :data-stale="item.stale ? 'true' : 'false'"
          :style="{ transform: `translateY(${row.start - offset}px)` }"
        >
          <NuxtLink :to="`/formula/${item.id}/balance`" class="face" tabindex="-1" aria-hidden="true">
            <CutFace
              v-if="item.summary" :piece="item.summary.piece" :grainy="item.summary.code === 'grainy'" small label=""
            />
          </NuxtLink>
          <div class="what">
            <input
              v-if="renaming === item.id" id="rename" v-model="newName" class="native title" maxlength="120"
              :aria-label="$say('shelf.newName')" @keydown.enter="rename(item)" @keydown.esc="renaming = null"
              @blur="rename(item)"
            >
            <NuxtLink v-else :to="`/formula/${item.id}/balance`" class="title" dir="auto">{{ item.name }}</NuxtLink>
            <span class="soft small">{{ whatItIs(item) }}; {{ changed(item) }}</span>
            <span v-if="waitsOf(item)" class="small unsent" data-unsent>{{ $say('shelf.notSentYetKeptInThis') }}</span>
          </div>
          <div class="verdict" :class="{ stale: item.stale }">
            <b :class="{ off: off(item) }">{{ verdictWords(item) }}</b>
            <span v-if="item.summary" class="soft small">
              {{
                item.stale
                  ? $say('shelf.beingWorkedOutAgain')
                  : `${BAND_NAMES[item.summary.band]}, ${SHARPNESS_NAMES[item.summary.sharpness]}`
              }}
            </span>
            <span v-else-if="!item.readable" class="soft small">{{ $say('shelf.keptAsItIsTheRest') }}</span>
          </div>
          <div class="figures num">
            <template v-if="item.summary && !item.stale">
              {{ coldWords(item.summary.piece, fmt) }}<br>
              {{ isShaped(item.summary.piece.use) ? plateWords(item.summary.piece, fmt) : '' }}
            </template>
          </div>
          <div class="tools no-print">
            <UButton
              v-for="[word, go] in toolsOf(item)" :key="word" variant="ghost" color="neutral" size="sm" :label="word"
              :aria-label="`${word} ${item.name}`" @click="go(item)"
            />
          </div>
        </li>
      </ul>
      <p v-if="shelf.loadingMore.value" class="soft small" role="status">{{ $say('shelf.fetchingMore') }}</p>
      <p class="legend soft small">{{ $say('shelf.eachSectionIsDrawnToScale') }}</p>
    </template>
  </main>
</template>

<style scoped>
.shelf { padding: 1.5rem 1.75rem 3rem; max-width: 1180px; margin: 0 auto; }
header {
  display: flex; justify-content: space-between; align-items: flex-end; gap: 1rem; margin-bottom: 1rem; flex-wrap: wrap;
}
h1 { font-size: 2rem; }
.acts { display: flex; flex-wrap: wrap; gap: 0.6rem; }
.find { flex: 1 1 12rem; max-width: 22rem; margin-left: auto; }
.find::placeholder { color: #6c7263; }
.sieve { display: flex; flex-wrap: wrap; gap: 0.4rem 1.4rem; align-items: center; margin-bottom: 0.6rem; }
.sieve select { width: auto; max-width: 100%; }
.check { display: inline-flex; gap: 0.5rem; align-items: center; min-height: 44px; }
.check input { width: 22px; height: 22px; accent-color: var(--ink); }
.count { margin: 0 0 0.3rem; }
.rows { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--ink); position: relative; }
.row {
  display: grid; grid-template-columns: 230px minmax(0, 1.6fr) minmax(0, 1fr) 8.8rem auto; gap: 1rem;
  align-items: center; border-bottom: 1px solid var(--hairline); padding: 0.7rem 0; position: absolute; top: 0; left: 0;
  right: 0;
}
.row:hover { background: #fffdf7; }
.title {
  overflow-wrap: anywhere; font-family: var(--font-display); font-size: 1.2rem; display: block; line-height: 1.2;
}
a.title:hover { text-decoration: underline; text-underline-offset: 3px; }
.unsent { display: block; color: var(--blood); font-weight: 600; }
.figures { white-space: nowrap; }
.stale { opacity: 0.6; }
.tools { display: flex; justify-content: flex-end; }
.verdict b { display: block; font-weight: 600; }
.verdict b.off { color: var(--blood); }
.empty { padding: 3rem 0; }
.import-error { border-left: 3px solid var(--blood); padding: 0.4rem 0 0.4rem 0.8rem; color: var(--blood); }
.legend { margin-top: 1rem; }
@media (max-width: 1180px) {
  .row { grid-template-columns: 190px minmax(0, 1fr) minmax(0, 0.7fr) auto; }
  .figures { display: none; }
}
@media (max-width: 760px) {
  .shelf { padding: 1rem 1rem 2rem; }
  .row { grid-template-columns: 110px minmax(0, 1fr); gap: 0.4rem 0.8rem; }
  .verdict { grid-column: 2; }
  .tools { grid-column: 1 / -1; justify-content: flex-end; }
}
</style>
