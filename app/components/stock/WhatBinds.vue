<script setup lang="ts">
/** What binds: with so much of each, how much can be made, what stops it, what is left, and what using all would take. */
import { fillingOf, type FormulaDocument } from '#core/formula/document'
import { scaleFormula } from '#core/formula/create'
import { eggCount } from '#core/ingredients/measures'
import { binding, bindLines, toUseAll } from '#core/stock/binding'
import { leftoverWords } from '~/words/stock'

const props = defineProps<{ doc: FormulaDocument }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const lines = computed(() => fillingOf(props.doc).lines.filter(l => l.massG > 0))
const have = (lineId: string) => props.doc.stock.have.find(h => h.lineId === lineId)?.massG ?? null
const bind = computed(() => bindLines(lines.value, props.doc.stock.have))
const result = computed(() => binding(bind.value))
const name = (lineId: string) => fmt.name(lines.value.find(l => l.id === lineId)?.ingredientId ?? '').toLowerCase()
const idOf = (lineId: string) => lines.value.find(l => l.id === lineId)!.ingredientId
const limits = computed(() => result.value.limits.map(name).join(' and '))
/** What is left of things there were limits on, the most first. */
const left = computed(() => result.value.lines.filter(l => (l.leftG ?? 0) > 1).sort((a, b) => b.leftG! - a.leftG!))
const useAll = computed(() => left.value.flatMap((l) => {
  const all = toUseAll(bind.value, l.lineId)
  return all ? [{ ...l, ...all }] : []
}))
function setHave(lineId: string, massG: number | null) {
  ws.change(`have-${lineId}`, (d) => {
    d.stock.have = d.stock.have.filter(h => h.lineId !== lineId)
    if (massG !== null) d.stock.have.push({ lineId, massG })
  })
}
function say(lineId: string, massG: number) {
  setHave(lineId, massG)
  nextTick(() => document.querySelector<HTMLInputElement>(`[data-have="${lineId}"] input`)?.focus())
}
function scale() {
  const factor = result.value.factor
  if (!factor) return
  const next = scaleFormula(props.doc, factor)
  for (const b of result.value.lines) {
    const l = fillingOf(next).lines.find(x => x.id === b.lineId)
    if (l && b.pieces !== null) l.massG = Math.round(b.useG * 10) / 10
  }
  ws.replace(next)
  ws.endGesture()
}
/** Eggs beside grams. */
const about = (lineId: string, g: number) => {
  const n = eggCount(idOf(lineId), g, kitchen.record?.settings.eggGrade ?? 'euL')
  return n === null ? '' : `, about ${fmt.fixed(Math.ceil(n - 0.05))} of them`
}
</script>

<template>
  <section class="binds">
    <h2 class="section-title">I have this much: how much can I make?</h2>
    <table>
      <thead><tr><th scope="col">line</th><th scope="col" class="r">one batch</th><th scope="col" class="w">I have</th><th scope="col" class="r">enough for</th><th scope="col" class="r">uses</th><th scope="col" class="r">left</th></tr></thead>
      <tbody>
        <tr v-for="(l, i) in lines" :key="l.id" :data-have="l.id" :data-ingredient="l.ingredientId" :class="{ stops: result.limits.includes(l.id) }">
          <th scope="row">{{ fmt.name(l.ingredientId) }}<span v-if="l.piece" class="soft small whole">whole {{ l.piece.kind }}s of {{ fmt.fixed(l.piece.eachG, l.piece.eachG < 100 ? 1 : 0) }} g</span><span v-if="l.pinned" class="soft small whole">pinned: no more than the formula has</span></th>
          <td class="r num">{{ fmt.grams(l.massG) }}</td>
          <td class="w">
            <span v-if="have(l.id) !== null" class="limit"><QuantityField kind="mass" :ingredient-id="l.ingredientId" :label="`How much ${fmt.name(l.ingredientId)} there is`" :model-value="have(l.id)!" :max="1000000" @update:model-value="v => setHave(l.id, v)" @done="ws.endGesture()" /><UButton variant="ghost" color="neutral" size="sm" icon="i-lucide-x" :aria-label="`Plenty of ${fmt.name(l.ingredientId)}`" @click="ws.endGesture(); setHave(l.id, null)" /></span>
            <button v-else type="button" class="plenty" :aria-label="`Say how much ${fmt.name(l.ingredientId)} there is`" @click="say(l.id, l.massG)"><span class="soft">plenty,</span> <span class="underline">say how much</span></button>
          </td>
          <td class="r num">{{ result.lines[i]!.allows === null ? '' : `× ${fmt.fixed(result.lines[i]!.allows!, 2)}` }}<span v-if="result.limits.includes(l.id)" class="stop-word">stops it</span></td>
          <td class="r num">{{ result.factor === null ? '' : fmt.grams(result.lines[i]!.useG) }}<span v-if="result.factor !== null && result.lines[i]!.pieces !== null" class="soft small whole">{{ result.lines[i]!.pieces }} {{ l.piece!.kind }}s</span></td>
          <td class="r num">{{ result.lines[i]!.leftG === null ? '' : result.lines[i]!.leftG! < 0.5 ? 'none' : fmt.grams(result.lines[i]!.leftG!) }}</td>
        </tr>
      </tbody>
    </table>
    <div class="verdict" data-answer="binds" aria-live="polite">
      <p v-if="result.factor === null" class="soft">Say how much there is of whatever is short: grams, “4 cups”, “6 eggs”.</p>
      <template v-else>
        <p class="answer"><b class="display">× {{ fmt.fixed(result.factor, 2) }}</b> <span>{{ fmt.grams(result.lines.reduce((s, l) => s + l.useG, 0)) }} in all. <b>{{ limits.charAt(0).toUpperCase() + limits.slice(1) }}</b> {{ result.limits.length > 1 ? 'stop' : 'stops' }} it<template v-if="result.wholeOf">; whole pieces of {{ name(result.wholeOf) }} make it a little less</template>.</span></p>
        <UButton v-if="result.factor > 0" label="Scale the formula to this" :disabled="Math.abs(result.factor - 1) < 0.002" @click="scale" />
        <ul v-if="left.length" class="left">
          <li v-for="u in useAll" :key="u.lineId" :data-left="idOf(u.lineId)">
            <b>{{ fmt.grams(u.leftG!) }} {{ name(u.lineId) }}</b> left: {{ leftoverWords(idOf(u.lineId)) }}.
            To use all of it: × {{ fmt.fixed(u.factor, 2) }}<template v-if="u.more.length">, which takes <template v-for="(m, k) in u.more" :key="m.lineId">{{ k > 0 ? ' and ' : '' }}<b>{{ fmt.grams(m.massG) }} more {{ name(m.lineId) }}</b>{{ m.pieces !== null ? ` (${m.pieces})` : about(m.lineId, m.massG) }}</template></template>.
          </li>
        </ul>
      </template>
    </div>
  </section>
</template>

<style scoped>
table { width: 100%; border-collapse: collapse; }
thead th { font-weight: 400; color: var(--ink-soft); font-size: 0.9rem; text-align: left; border-bottom: 1px solid var(--ink); padding-right: 0.8rem; }
tbody th { text-align: left; font-weight: 600; padding: 0.35rem 0.8rem 0.35rem 0; }
td { padding: 0.2rem 0.8rem 0.2rem 0; } tbody tr { border-bottom: 1px solid var(--hairline); }
.stops { background: var(--citron-soft); }
.r { text-align: right !important; } .w { width: 13rem; }
.whole { display: block; font-weight: 400; }
.stop-word { display: block; color: var(--blood); font-weight: 600; font-size: 0.9rem; }
.limit { display: flex; align-items: center; }
.plenty { min-height: 44px; cursor: pointer; }
.verdict { margin-top: 0.8rem; }
.answer b.display { font-size: 1.9rem; margin-right: 0.6rem; }
.left { margin: 0.8rem 0 0; padding-left: 1.1rem; list-style: disc; }
.left li { margin-bottom: 0.3rem; }
@media (max-width: 760px) { table, tbody, tr, td, tbody th { display: block; } thead { display: none; } .r { text-align: left !important; } .w { width: auto; } td:empty { display: none; } }
</style>
