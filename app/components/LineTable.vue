<script setup lang="ts">
/**
 * The filling's lines with grams to type, step or drag; shares on a named basis; pins for what must stay; order by
 * dragging the handle or with Alt and the arrow keys. Add with `/`, take out with undo behind it.
 */
import type { Assessment } from '#core/pipeline/assessment'
import { fillingOf, type Bench } from '#core/formula/bench'
import { weighLine } from '#core/formula/edits'
import { renewSteps } from '#core/formula/steps'
import { basisG, ratiosOf, type PercentBasis } from '#core/formula/percent'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { EGG_GRADES, eggCount } from '#core/base/ingredients/measures'
import { VueDraggable } from 'vue-draggable-plus'
import { besideGrams } from '#core/base/ingredients/beside'
import { basisOfWords, RATIO_WORDS } from '~/words/balance'
import { besideWords } from '~/words/stock'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment | null }>()
const emit = defineEmits<{ swap: [lineId: string] }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const lines = computed(() => fillingOf(props.doc).lines)
const total = computed(() => lines.value.reduce((s, l) => s + l.massG, 0))
const adding = ref('')
const addError = ref('')

/* Shares on a basis that is always written. */
const bases = useKeptByTab<Record<string, string>>('lumbik:basis', {})
const basis = computed<PercentBasis>(() => {
  const [kind, lineId] = (bases.value[ws.id] ?? 'whole').split(':')
  if (kind === 'line' && lines.value.some(l => l.id === lineId)) return { kind: 'line', lineId: lineId! }
  if (kind === 'lines')
    return { kind, lineIds: (lineId ?? '').split(',').filter(id => lines.value.some(l => l.id === id)) }
  return kind === 'dairy' || kind === 'water' || kind === 'creamSugar' ? { kind } : { kind: 'whole' }
})
const basisKey = computed(() => keyOf(basis.value))
const inBasis = (lineId: string) => basis.value.kind === 'lines' && basis.value.lineIds.includes(lineId)
function toggleInBasis(lineId: string) {
  if (basis.value.kind !== 'lines') return
  const ids = basis.value.lineIds
  const next = ids.includes(lineId) ? ids.filter(id => id !== lineId) : [...ids, lineId]
  bases.value = { ...bases.value, [ws.id]: `lines:${next.join(',')}` }
}
const basisOptions = computed<PercentBasis[]>(() => [
  { kind: 'whole' },
  ...(lines.value.some(l => findIngredient(l.ingredientId)?.group === 'dairy' && l.massG > 0)
    ? [{ kind: 'dairy' as const }, { kind: 'creamSugar' as const }]
    : []),
  { kind: 'water' },
  ...lines.value.filter(l => l.massG > 0).map(l => ({ kind: 'line' as const, lineId: l.id })),
  { kind: 'lines', lineIds: basis.value.kind === 'lines' ? basis.value.lineIds : [] },
])
const keyOf = (b: PercentBasis) =>
  b.kind === 'line' ? `line:${b.lineId}` : b.kind === 'lines' ? `lines:${b.lineIds.join(',')}` : b.kind
const hundred = computed(() => total.value > 0 && kitchen.core ? basisG(props.doc, kitchen.core, basis.value) : 0)
const ratios = computed(() => total.value > 0 && kitchen.core ? ratiosOf(props.doc, kitchen.core) : [])
const ratioWords = (v: number) =>
  v >= 1 ? `${fmt.fixed(v, v < 10 ? 2 : 0)} : 1` : `1 : ${fmt.fixed(1 / v, 1 / v < 10 ? 2 : 0)}`

/** Eggs beside the grams, in the kitchen's own grade. */
function eggs(ingredientId: string, massG: number): string {
  const grade = kitchen.record?.settings.eggGrade ?? 'euL'
  const count = eggCount(ingredientId, massG, grade)
  return count === null ? '' : say('lineTable.aboutOf', { count: fmt.fixed(count, 1), label: EGG_GRADES[grade].label })
}
/** Cups and spoons, where the kitchen has said whose; eggs are counted instead. */
function inCups(ingredientId: string, massG: number): string {
  const system = kitchen.record?.settings.cups
  const counted = eggCount(ingredientId, massG, 'euL') !== null
  const beside = system && !counted ? besideGrams(ingredientId, massG, system) : null
  return beside ? besideWords(beside) : ''
}
const note = (line: (typeof lines.value)[number]) =>
  line.piece
    ? say('lineTable.sOfGKeptWhole', {
        eachG: fmt.fixed(line.massG / line.piece.eachG, Math.abs((line.massG / line.piece.eachG) % 1) < 0.02 ? 0 : 1),
        kind: line.piece.kind,
        eachG2: fmt.fixed(line.piece.eachG, line.piece.eachG < 100 ? 1 : 0),
      })
    : [eggs(line.ingredientId, line.massG) || line.sourceText, inCups(line.ingredientId, line.massG)]
        .filter(Boolean).join('; ')
function setMass(lineId: string, massG: number) {
  ws.change(`mass-${lineId}`, (d) => {
    const f = fillingOf(d)
    f.lines = weighLine(f.lines, lineId, massG)
  })
}
function togglePin(lineId: string) {
  ws.change('', (d) => {
    const l = fillingOf(d).lines.find(x => x.id === lineId)
    if (!l) return
    if (l.pinned) delete l.pinned
    else l.pinned = true
  })
}
/** The order of the lines is the cook's; steps name lines by id and do not care. */
function reorder(next: { id: string }[]) {
  ws.change('', (d) => {
    const f = fillingOf(d)
    f.lines = next.flatMap(n => f.lines.filter(l => l.id === n.id))
  })
}
function move(lineId: string, by: number) {
  const ids = lines.value.map(l => ({ id: l.id }))
  const i = ids.findIndex(x => x.id === lineId)
  const j = i + by
  if (j < 0 || j >= ids.length) return
  const [moved] = ids.splice(i, 1)
  ids.splice(j, 0, moved!)
  reorder(ids)
  nextTick(() => document.querySelector<HTMLElement>(`[data-line="${lineId}"] .handle`)?.focus())
}
/** L pins the line one is in, also from its number field; Alt and the arrow keys move it. */
function onKey(event: KeyboardEvent, lineId: string) {
  if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
    event.preventDefault()
    event.stopPropagation()
    move(lineId, event.key === 'ArrowUp' ? -1 : 1)
  } else if (event.key.toLowerCase() === 'l' && !event.ctrlKey && !event.metaKey && !event.altKey) {
    const field = event.target as HTMLInputElement
    // "2 l" is two litres; a bare L in an untouched field pins.
    if (field.matches('input') && !(field.selectionStart === 0 && field.selectionEnd === field.value.length)) return
    event.preventDefault()
    togglePin(lineId)
  }
}
function remove(lineId: string) {
  ws.change('', (d) => {
    const f = fillingOf(d)
    f.lines = f.lines.filter(l => l.id !== lineId)
    d.stock.have = d.stock.have.filter(h => h.lineId !== lineId)
    for (const s of f.steps) if ('lineIds' in s) s.lineIds = s.lineIds.filter(x => x !== lineId)
  })
}
const { options, named, mayKeep } = useIngredients()
const isLabelOpen = ref(false)
function add() {
  if (!adding.value.trim()) return
  const found = named(adding.value)
  if (found) addLine(found)
  else addError.value = say('lineTable.isNotAmongTheIngredientsPick', { adding: adding.value })
}
function addLine(ingredientId: string) {
  const lineId = crypto.randomUUID()
  ws.change('', (d) => {
    const f = fillingOf(d)
    f.lines.push({ id: lineId, ingredientId, massG: 0, sourceText: '', assumption: '' })
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
      <thead>
        <tr>
          <th scope="col" class="grip"><span class="sr">{{ $say('lineTable.order') }}</span></th>
          <th scope="col">{{ $say('lineTable.line') }}</th>
          <th scope="col" class="r share">{{ basisOfWords(basis, doc, fmt) }}</th>
          <th scope="col" class="r w">{{ $say('lineTable.grams') }}</th>
          <th scope="col"><span class="sr">{{ $say('lineTable.pinSwapTakeOut') }}</span></th>
        </tr>
      </thead>
      <VueDraggable tag="tbody" :model-value="lines" handle=".handle" :animation="120" @update:model-value="reorder">
        <tr
          v-for="l in lines" :key="l.id" :data-line="l.id" :data-ingredient="l.ingredientId"
          :class="{ pinned: l.pinned }" @keydown="onKey($event, l.id)"
        >
          <td class="grip">
            <button
              type="button" class="handle"
              :aria-label="$say('lineTable.moveDragOrAltWithThe', { ingredientId: fmt.name(l.ingredientId) })"
            >
              <UIcon name="i-lucide-grip-vertical" />
            </button>
          </td>
          <th scope="row">{{ fmt.name(l.ingredientId) }}<span v-if="note(l)" class="note">{{ note(l) }}</span><ZestFields :doc="doc" :line="l" /></th>
          <td class="r num part">
            {{ hundred > 0 ? `${fmt.fixed(100 * l.massG / hundred, 1)}${basis.kind === 'line' ? '' : ' %'}` : '—' }}
          </td>
          <td class="r mass">
            <QuantityField
              field="components.*.lines.*.massG" kind="mass" big :ingredient-id="l.ingredientId"
              :label="$say('lineTable.gramsOf', { ingredientId: fmt.name(l.ingredientId) })" :model-value="l.massG"
              @update:model-value="v => setMass(l.id, v)" @done="ws.endGesture()"
            />
          </td>
          <td class="acts">
            <button
              type="button" class="act" :aria-pressed="l.pinned ? 'true' : 'false'"
              :aria-label="$say('lineTable.pinItStaysWhenTheFormula', { ingredientId: fmt.name(l.ingredientId) })"
              :title="l.pinned ? $say('lineTable.pinnedStays') : $say('lineTable.pin')" @click="togglePin(l.id)"
            >
              <UIcon :name="l.pinned ? 'i-lucide-lock' : 'i-lucide-lock-open'" />
            </button>
            <button
              type="button" class="act"
              :aria-label="$say('lineTable.somethingElseFor', { ingredientId: fmt.name(l.ingredientId) })"
              :title="$say('lineTable.somethingElse')" @click="emit('swap', l.id)"
            >
              <UIcon name="i-lucide-arrow-left-right" />
            </button>
            <button
              type="button" class="act"
              :aria-label="$say('lineTable.takeOut', { ingredientId: fmt.name(l.ingredientId) })"
              :title="$say('lineTable.takeOut2')" @click="remove(l.id)"
            >
              <UIcon name="i-lucide-x" />
            </button>
          </td>
        </tr>
      </VueDraggable>
      <tfoot>
        <tr>
          <td />
          <th scope="row">{{ $say('lineTable.inAll') }}</th>
          <td />
          <td class="r num total">{{ fmt.fixed(total) }} g</td>
          <td />
        </tr>
      </tfoot>
    </table>
    <form class="add" @submit.prevent="add">
      <label class="sr" for="add-line">{{ $say('lineTable.addALine') }}</label>
      <input
        id="add-line" v-model="adding" class="native" list="ingredients" :placeholder="$say('lineTable.addALine2')"
        autocomplete="off" :aria-describedby="addError ? 'add-error' : undefined"
      >
      <datalist id="ingredients"><option v-for="o in options" :key="o.id" :value="o.name" /></datalist>
      <UButton type="submit" variant="outline" color="neutral" size="sm" :label="$say('lineTable.add')" />
    </form>
    <p v-if="addError" id="add-error" class="wrong" role="alert">
      {{ addError }}
      <button v-if="mayKeep" type="button" class="underline tall" @click="isLabelOpen = true">
        {{ $say('ownLabel.addIt', { name: adding.trim() }) }}
      </button>
    </p>
    <LabelDialog v-model:open="isLabelOpen" :name="adding" @take="addLine" />
    <p class="basis">
      <label for="basis">{{ $say('lineTable.sharesAre') }}</label>
      <select
        id="basis" class="native" :value="basisKey"
        @change="bases = { ...bases, [ws.id]: ($event.target as HTMLSelectElement).value }"
      >
        <option v-for="b in basisOptions" :key="keyOf(b)" :value="keyOf(b)">{{ basisOfWords(b, doc, fmt) }}</option>
      </select>
      <span class="soft small">{{ hundred > 0 ? `100 = ${fmt.grams(hundred)}` : '' }}</span>
    </p>
    <fieldset v-if="basis.kind === 'lines'" class="chosen">
      <legend class="sr">{{ $say('lineTable.linesThatCount') }}</legend>
      <label v-for="l in lines" :key="l.id">
        <input type="checkbox" :checked="inBasis(l.id)" @change="toggleInBasis(l.id)"> {{ fmt.name(l.ingredientId) }}
      </label>
    </fieldset>
    <dl v-if="ratios.length" class="ratios" :aria-label="$say('lineTable.ratiosByWeight')">
      <div v-for="r in ratios" :key="r.id" :data-ratio="r.id">
        <dt>{{ RATIO_WORDS[r.id] }}</dt>
        <dd class="num">{{ ratioWords(r.value) }}</dd>
      </div>
    </dl>
  </div>
</template>

<style scoped>
.lines { width: 100%; border-collapse: collapse; }
thead th {
  font-weight: 400; color: var(--ink-soft); font-size: 0.9rem; text-align: left; border-bottom: 1px solid var(--ink);
  padding: 0.1rem 0;
}
tbody th { font-weight: 600; text-align: left; line-height: 1.2; padding: 0.15rem 0; }
tbody tr { border-bottom: 1px solid var(--hairline); }
tbody tr:focus-within { background: var(--citron-soft); }
.pinned th { box-shadow: inset 3px 0 0 var(--ink); padding-left: 0.5rem; }
.grip { width: 26px; padding: 0; }
.handle {
  min-width: 26px; min-height: 44px; color: var(--ink-soft); cursor: grab; touch-action: none; display: grid;
  place-items: center;
}
.note { display: block; font-weight: 400; color: var(--ink-soft); font-size: 0.9rem; }
th.r, td.r { text-align: right; white-space: nowrap; }
thead th.share { white-space: normal; }
.share { width: 4.4rem; white-space: normal !important; line-height: 1.15; }
.basis { display: flex; align-items: center; gap: 0.6rem; margin: 0.5rem 0 0; }
.basis label { color: var(--ink-soft); }
.basis select { width: auto; max-width: 12rem; }
.chosen { display: flex; flex-wrap: wrap; gap: 0 1rem; border: 0; padding: 0; margin: 0.3rem 0; }
.chosen label { display: inline-flex; gap: 0.4rem; align-items: center; min-height: 44px; }
.chosen input { width: 22px; height: 22px; accent-color: var(--ink); }
.w { width: 6.6rem; }
td { padding: 0.15rem 0 0.15rem 0.5rem; }
.acts { white-space: nowrap; width: 1%; }
.act {
  min-width: 34px; min-height: 44px; color: var(--ink-soft); cursor: pointer; display: inline-grid; place-items: center;
}
.act:hover { color: var(--ink); } .act[aria-pressed="true"] { color: var(--ink); background: var(--citron-soft); }
tfoot th { text-align: left; font-weight: 400; color: var(--ink-soft); padding-top: 0.5rem; }
tfoot td { padding-top: 0.5rem; } tfoot .total { font-weight: 600; padding-right: 0.25rem; }
.add { display: flex; gap: 0.6rem; margin-top: 0.5rem; }
.add input { flex: 1; min-width: 0; }
.wrong { color: var(--blood); font-size: 0.92rem; margin: 0.3rem 0 0; }
.tall { min-height: 44px; color: var(--ink); }
.ratios { display: flex; flex-wrap: wrap; gap: 0.2rem 1.6rem; margin: 0.7rem 0 0; }
.ratios dt { color: var(--ink-soft); font-size: 0.9rem; } .ratios dd { margin: 0; font-weight: 600; }
@media (pointer: coarse) { .act { min-width: 44px; } .handle { min-width: 44px; } }
/* On a phone a line is two: its name and grams, then its share and what can be done with it. */
@media (max-width: 480px) {
  .lines, .lines :deep(tbody), tfoot { display: block; }
  thead { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
  tbody tr, tfoot tr {
    display: grid; grid-template-columns: 44px minmax(0, 1fr) auto; align-items: center;
    grid-template-areas: "name name mass" "grip share acts";
  }
  tbody th { grid-area: name; } tbody .mass { grid-area: mass; width: 7rem; }
  tbody .grip { grid-area: grip; width: 44px; }
  tbody .part { grid-area: share; text-align: left; } tbody .acts { grid-area: acts; width: auto; }
  tfoot tr { grid-template-areas: "name name mass"; } tfoot th { grid-area: name; } tfoot .total { grid-area: mass; }
  tfoot td:empty { display: none; }
}
</style>
