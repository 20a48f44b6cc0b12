<script setup lang="ts">
/** The filling's lines with grams to type or step; add with `/`, take out with undo behind it. */
import type { Assessment } from '#core/assessment'
import { fillingOf, type FormulaDocument } from '#core/formula/document'
import { renewSteps } from '#core/formula/create'
import { INGREDIENTS } from '#core/ingredients'
import { EGG_GRADES, eggCount } from '#core/ingredients/measures'

const props = defineProps<{ doc: FormulaDocument, assessment: Assessment | null }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const lines = computed(() => fillingOf(props.doc).lines)
const total = computed(() => lines.value.reduce((s, l) => s + l.massG, 0))
const adding = ref('')
const addError = ref('')

/** Eggs beside the grams, in the kitchen's own grade. */
function eggs(ingredientId: string, massG: number): string {
  const grade = kitchen.record?.settings.eggGrade ?? 'euL'
  const count = eggCount(ingredientId, massG, grade)
  return count === null ? '' : `about ${fmt.fixed(count, 1)} of ${EGG_GRADES[grade].label}`
}
const note = (line: { ingredientId: string, massG: number, sourceText: string }) => eggs(line.ingredientId, line.massG) || line.sourceText
function setMass(lineId: string, massG: number) {
  ws.change(`mass-${lineId}`, (d) => {
    const l = fillingOf(d).lines.find(x => x.id === lineId)
    if (l) l.massG = Math.round(massG * 10) / 10
  })
}
function remove(lineId: string) {
  ws.change('', (d) => {
    const f = fillingOf(d)
    f.lines = f.lines.filter(l => l.id !== lineId)
    for (const s of f.steps) if ('lineIds' in s) s.lineIds = s.lineIds.filter(x => x !== lineId)
  })
}
const options = computed(() => INGREDIENTS.map(i => ({ id: i.id, name: fmt.name(i.id) })))
function add() {
  const wanted = adding.value.trim().toLowerCase()
  if (!wanted) return
  const found = options.value.find(o => o.name.toLowerCase() === wanted) ?? INGREDIENTS.find(i => i.aliases.includes(wanted)) ?? options.value.find(o => o.name.toLowerCase().startsWith(wanted))
  if (!found) {
    addError.value = `“${adding.value}” is not among the ingredients. Pick one from the list.`
    return
  }
  const lineId = crypto.randomUUID()
  ws.change('', (d) => {
    const f = fillingOf(d)
    f.lines.push({ id: lineId, ingredientId: found.id, massG: 0, sourceText: '', assumption: '' })
    f.steps = renewSteps(d.school, f.lines, f.steps, () => crypto.randomUUID())
  })
  adding.value = ''
  addError.value = ''
  nextTick(() => document.querySelector<HTMLInputElement>(`[data-line="${lineId}"] input`)?.focus())
}
</script>

<template>
  <div class="table-wrap">
    <table class="lines">
      <thead><tr><th scope="col">Line</th><th scope="col" class="r">share</th><th scope="col" class="r w">grams</th><th scope="col"><span class="sr">take out</span></th></tr></thead>
      <tbody>
        <tr v-for="l in lines" :key="l.id" :data-line="l.id" :data-ingredient="l.ingredientId">
          <th scope="row">{{ fmt.name(l.ingredientId) }}<span v-if="note(l)" class="note">{{ note(l) }}</span></th>
          <td class="r num">{{ total > 0 ? fmt.percent(l.massG / total, 1) : '—' }}</td>
          <td class="r"><QuantityField kind="mass" big :label="`Grams of ${fmt.name(l.ingredientId)}`" :model-value="l.massG" :max="100000" @update:model-value="v => setMass(l.id, v)" @done="ws.endGesture()" /></td>
          <td><UButton variant="ghost" color="neutral" size="sm" icon="i-lucide-x" :aria-label="`Take out ${fmt.name(l.ingredientId)}`" @click="remove(l.id)" /></td>
        </tr>
      </tbody>
      <tfoot><tr><th scope="row">In all</th><td /><td class="r num total">{{ fmt.fixed(total) }} g</td><td /></tr></tfoot>
    </table>
    <form class="add" @submit.prevent="add">
      <label class="sr" for="add-line">Add a line</label>
      <input id="add-line" v-model="adding" class="native" list="ingredients" placeholder="Add a line  /" autocomplete="off" :aria-describedby="addError ? 'add-error' : undefined">
      <datalist id="ingredients"><option v-for="o in options" :key="o.id" :value="o.name" /></datalist>
      <UButton type="submit" variant="outline" color="neutral" size="sm" label="Add" />
    </form>
    <p v-if="addError" id="add-error" class="wrong" role="alert">{{ addError }}</p>
  </div>
</template>

<style scoped>
.lines { width: 100%; border-collapse: collapse; }
thead th { font-weight: 400; color: var(--ink-soft); font-size: 0.9rem; text-align: left; border-bottom: 1px solid var(--ink); padding: 0.1rem 0; }
tbody th { font-weight: 600; text-align: left; line-height: 1.2; padding: 0.15rem 0; }
tbody tr { border-bottom: 1px solid var(--hairline); }
tbody tr:focus-within { background: var(--citron-soft); }
.note { display: block; font-weight: 400; color: var(--ink-soft); font-size: 0.9rem; }
th.r, td.r { text-align: right; white-space: nowrap; }
.w { width: 7.6rem; }
td { padding: 0.15rem 0 0.15rem 0.8rem; }
tfoot th { text-align: left; font-weight: 400; color: var(--ink-soft); padding-top: 0.5rem; }
tfoot .total { font-weight: 600; padding: 0.5rem 0.25rem 0 0; }
.add { display: flex; gap: 0.6rem; margin-top: 0.5rem; }
.add input { flex: 1; }
.wrong { color: var(--blood); font-size: 0.92rem; margin: 0.3rem 0 0; }
</style>
