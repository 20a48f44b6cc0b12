<script setup lang="ts">
/** The formulas, each with its cut face, band, sharpness and last change. */
import { formatDistanceToNow, parseISO } from 'date-fns'
import { importFormula } from '~/composables/formulaFile'
import { BAND_NAMES, FAMILY_NAMES, SCHOOL_NAMES, SHARPNESS_NAMES, SHORT_VERDICT } from '~/words/names'
import { schoolOf } from '#core/families/schools'
import type { School } from '#core/formula/document'
import type { FormulaList, FormulaListItem, FormulaRecord } from '../../shared/schemas/wire'

useHead({ title: 'Shelf · Lumbik' })
const toast = useToast()
const { pascals } = useFormat()
const items = shallowRef<FormulaListItem[] | null>(null)
const failed = ref(false)
const importError = ref<string | null>(null)
const renaming = ref<string | null>(null)
const newName = ref('')

async function load() {
  try {
    items.value = (await $fetch<FormulaList>('/api/formulas')).items
    failed.value = false
  } catch {
    failed.value = true
  }
}
await load()

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
  const { document } = await $fetch<FormulaRecord>(`/api/formulas/${item.id}`)
  await $fetch('/api/formulas', { method: 'POST', body: { id: crypto.randomUUID(), mutationId: crypto.randomUUID(), document: { ...document, name: `${document.name}, copy`.slice(0, 120) }, label: 'copy', parentFormulaId: item.id } })
  await load()
})
const remove = (item: FormulaListItem) => act('Deleting', async () => {
  await $fetch(`/api/formulas/${item.id}`, { method: 'DELETE' })
  items.value = items.value!.filter(i => i.id !== item.id)
  toast.add({ title: `“${item.name}” is off the shelf.`, duration: 15000, actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void restore(item) }] })
})
const restore = (item: FormulaListItem) => act('Bringing it back', async () => {
  await $fetch(`/api/formulas/${item.id}/restore`, { method: 'POST' })
  await load()
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
    await $fetch(`/api/formulas/${item.id}`, { method: 'PATCH', body: { name } })
    await load()
  })
}
const tools: [string, (item: FormulaListItem) => unknown][] = [['Rename', startRename], ['Duplicate', duplicate], ['Delete', remove]]
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
const off = (item: FormulaListItem) => item.summary !== null && (item.summary.code !== 'good' || !item.summary.safe)
const verdictWords = (item: FormulaListItem) => item.summary === null ? 'not complete yet' : item.summary.code === 'good' && !item.summary.safe ? 'cools too slowly' : SHORT_VERDICT[item.summary.code]
</script>

<template>
  <main class="shelf" :data-settled="items ? 'true' : 'false'">
    <header>
      <h1>Shelf</h1>
      <div class="acts no-print">
        <UButton to="/new" label="New formula" />
        <UButton variant="outline" color="neutral" label="Import a file" @click="file?.click()" />
        <input ref="file" type="file" accept="application/json,.json" class="sr" aria-label="Formula file to import" tabindex="-1" @change="onFile">
      </div>
    </header>
    <p v-if="importError" class="import-error" role="alert"><b>Not imported.</b> {{ importError }}</p>
    <p v-if="failed" class="import-error" role="alert">The shelf cannot be read: the server does not answer. <button class="underline" type="button" @click="load">Try again</button></p>
    <div v-else-if="items && items.length === 0" class="empty">
      <h2>Nothing on the shelf yet</h2>
      <p>Paste a recipe as you have it, cups and all, and see whether it will set. <NuxtLink to="/new" class="underline">Make the first formula</NuxtLink>.</p>
    </div>
    <ul v-else-if="items" class="rows">
      <li v-for="item in items" :key="item.id" class="row">
        <NuxtLink :to="`/formula/${item.id}/balance`" class="face" tabindex="-1" aria-hidden="true">
          <CutFace v-if="item.summary" :piece="item.summary.piece" :grainy="item.summary.code === 'grainy'" small label="" />
        </NuxtLink>
        <div class="what">
          <input v-if="renaming === item.id" id="rename" v-model="newName" class="native title" maxlength="120" aria-label="New name" @keydown.enter="rename(item)" @keydown.esc="renaming = null" @blur="rename(item)">
          <NuxtLink v-else :to="`/formula/${item.id}/balance`" class="title">{{ item.name }}</NuxtLink>
          <span class="soft small">{{ FAMILY_NAMES[schoolOf(item.school as School).family].name }}, {{ SCHOOL_NAMES[item.school as School].name.charAt(0).toLowerCase() + SCHOOL_NAMES[item.school as School].name.slice(1) }}; {{ item.demo && item.version === 1 ? 'as it came' : `changed ${formatDistanceToNow(parseISO(item.updatedAt), { addSuffix: true })}` }}</span>
        </div>
        <div class="verdict">
          <b :class="{ off: off(item) }">{{ verdictWords(item) }}</b>
          <span v-if="item.summary" class="soft small">{{ BAND_NAMES[item.summary.band] }}, {{ SHARPNESS_NAMES[item.summary.sharpness] }}</span>
        </div>
        <div class="figures num">
          <template v-if="item.summary">{{ pascals(item.summary.coldPa) }} <span class="soft small">fridge</span><br>{{ pascals(item.summary.platePa) }} <span class="soft small">plate</span></template>
        </div>
        <div class="tools no-print">
          <UButton v-for="[word, go] in tools" :key="word" variant="ghost" color="neutral" size="sm" :label="word" :aria-label="`${word} ${item.name}`" @click="go(item)" />
        </div>
      </li>
    </ul>
    <p v-if="items && items.length" class="legend soft small">Each section is drawn to scale: left from the fridge, right on the plate after its time on the table.</p>
  </main>
</template>

<style scoped>
.shelf { padding: 1.5rem 1.75rem 3rem; max-width: 1180px; margin: 0 auto; }
header { display: flex; justify-content: space-between; align-items: flex-end; gap: 1rem; margin-bottom: 1rem; flex-wrap: wrap; }
h1 { font-size: 2rem; }
.acts { display: flex; gap: 0.6rem; }
.rows { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--ink); }
.row { display: grid; grid-template-columns: 230px minmax(0, 1.6fr) minmax(0, 1fr) 7.6rem auto; gap: 1rem; align-items: center; border-bottom: 1px solid var(--hairline); padding: 0.7rem 0; }
.row:hover { background: #fffdf7; }
.title { font-family: var(--font-display); font-size: 1.2rem; display: block; line-height: 1.2; }
a.title:hover { text-decoration: underline; text-underline-offset: 3px; }

.tools { display: flex; }
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
