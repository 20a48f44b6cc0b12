<script setup lang="ts">
/** A new formula: paste it as you have it, see how each piece is read, and it goes on the bench in grams. */
import { vesselsThatHold } from '#core/plan/holds'
import { suggestTarget } from '#core/solve/target'
import { type Bench, benchOf, putBack } from '#core/formula/bench'
import { COMPONENT_ROLES, type ComponentRole, FAMILIES, type Family, type Line, type School } from '#core/formula/document'
import { familyOf } from '#core/formula/families'
import { schoolOf } from '#core/formula/schools'
import { suggestFamily, suggestSchool } from '#core/formula/suggest'
import { defaultUse } from '#core/formula/create'
import { onBench } from '#core/formats/reader/bench'
import { kindOf } from '#core/formats/reader/kind'
import { type LintFix, takeFix } from '#core/formats/reader/lint'
import type { Answers, Entry, Habits } from '#core/formats/reader/reading'
import { VueDraggable } from 'vue-draggable-plus'
import { emptyDraft, type NewDraft, useNewDraft } from '~/composables/useNewDraft'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { CONDITION_NAMES, FAMILY_NAMES, SCHOOL_NAMES } from '~/words/names'
import { documentProblemWords } from '~/words/problems'
import { assumptionWords, COUNTRY_NAMES, habitWords, methodWords } from '~/words/reading'
import { directionOf } from '~/words/direction'
import type { FormulaRecord } from '../../shared/schemas/wire'
import { say } from '~/words/say'

useHead({ title: say('new.newFormulaLumbik') })
const kitchen = useKitchenStore()
const fmt = useFormat()
const draft = useNewDraft()
/** What a formula's note holds, characters. */
const NOTE_MOST = 4000
const error = ref('')
const busy = ref(false)
const history = useUndo<Pick<NewDraft, 'text' | 'answers'>>()
const USUAL_ROLES: readonly ComponentRole[] = ['filling', 'crust', 'topping', 'insert']
const EXAMPLE = say('new.n112CupsCasterSugar')

const { looked, settled, done, much } = useReader(
  () => draft.value.text, () => draft.value.answers, () => kitchen.readBy,
)
const reading = computed(() => looked.value?.reading ?? null)
const lines = computed<Entry[]>(() => reading.value?.lines ?? [])
const lints = computed(() => looked.value?.lints ?? [])

/** Text or answers anew, as one step of undo; typing in the text is one gesture. */
function put(next: Partial<Pick<NewDraft, 'text' | 'answers'>>, gesture = '') {
  const { text, answers } = draft.value
  history.note(toPlain({ text, answers }), gesture)
  draft.value = { ...draft.value, ...next }
}
function step(to: typeof history.back) {
  const { text, answers } = draft.value
  const next = to(toPlain({ text, answers }))
  if (next) draft.value = { ...draft.value, ...next }
}
useUndoKeys(() => step(history.back), () => step(history.forward))
const textChanged = (text: string) => put({ text }, 'typing')
const answersWith = (part: Partial<Answers>): Answers => ({ ...draft.value.answers, ...part })
function answer(entry: Entry, value: string | number) {
  const { shared } = entry.question!
  const { shared: all = {}, lines: own = {} } = draft.value.answers
  put({
    answers: shared
      ? answersWith({ shared: { ...all, [shared]: value } })
      : answersWith({ lines: { ...own, [entry.text]: [own[entry.text] ?? [], value].flat() } }),
  })
}
const without = (list: readonly string[] | undefined, text: string) => (list ?? []).filter(x => x !== text)
function leave(e: Entry) {
  const { leftOut, takenIn } = draft.value.answers
  const part = takenIn?.includes(e.text)
    ? { takenIn: without(takenIn, e.text) }
    : { leftOut: [...(leftOut ?? []), e.text] }
  put({ answers: answersWith(part) })
}
function take(e: Entry) {
  const { leftOut, takenIn } = draft.value.answers
  put({
    answers: e.leftOut
      ? answersWith({ leftOut: without(leftOut, e.text) })
      : answersWith({ takenIn: [...(takenIn ?? []), e.text] }),
  })
}
const move = (e: Entry, role: ComponentRole) =>
  put({ answers: answersWith({ roles: { ...draft.value.answers.roles, [e.text]: role } }) })
/** Roles a line may be dropped on: the usual ones, and those the text has. */
const targets = computed(() =>
  COMPONENT_ROLES.filter(r => USUAL_ROLES.includes(r) || lines.value.some(l => l.component?.role === r)))
const isDragging = ref(false)
const readAs = (country: Habits['country']) =>
  put({ answers: answersWith({ shared: { ...draft.value.answers.shared, country } }) })
function fix(f: LintFix) {
  if (f.kind === 'goTo') {
    document.querySelector<HTMLElement>(`[data-line-index="${f.line}"] :is(input, button, select)`)?.focus()
    return
  }
  put(takeFix(draft.value.text, draft.value.answers, f))
}

const open = computed(() => lines.value.filter(l => l.question))
/** A question about the whole text is asked once, at its first line. */
const firstAsked = computed(() => {
  const seen = new Set<string>()
  return new Set(open.value.filter((l) => {
    const key = l.question!.shared ?? `line ${l.span[0]}`
    if (seen.has(key)) return false
    seen.add(key)
    return true
  }))
})
const sureLines = computed(() => lines.value.filter(l => l.kind === 'ingredient' && !l.leftOut && !l.question))
const byRole = computed(() => {
  const out: Partial<Record<ComponentRole, Line[]>> = {}
  let n = 0
  for (const l of sureLines.value)
    for (const i of l.items) {
      if (!i.ingredientId || i.massG === null) continue
      const piece = i.piece && i.count && ['egg', 'yolk', 'white', 'can', 'leaf'].includes(i.piece)
        ? { piece: { kind: i.piece as 'egg', eachG: i.massG / i.count } }
        : {}
      ;(out[l.component?.role ?? 'filling'] ??= []).push({
        id: `l${++n}`, ingredientId: i.ingredientId, massG: i.massG, sourceText: l.text.slice(0, 200),
        assumption: l.assumptions.map(a => assumptionWords(a, fmt)).join(', ').slice(0, 200), ...piece,
      })
    }
  return out
})
const built = computed(() => byRole.value.filling ?? [])
/** The text as it was written stays with the formula. */
const note = computed(() => draft.value.text.trim().slice(0, NOTE_MOST))
const total = computed(() => Object.values(byRole.value).flat().reduce((s, l) => s + l.massG, 0))
const isFruit = computed(() => built.value.length > 0
  && (draft.value.family ?? suggestFamily(built.value)) === 'fruit')
/** As the cook said, else as the method has it; fruit goes over or beside something. */
const chosenUse = computed(() => {
  const byMethod = isFruit.value ? 'over' : reading.value?.method?.use
  return draft.value.use ?? (byMethod ? defaultUse(byMethod) : null)
})
const use = computed(() => chosenUse.value?.kind ?? null)
const likely = computed(() => reading.value && kindOf(sureLines.value, reading.value, use.value))
const likelyFamily = computed<Family>(() => likely.value?.family ?? 'curd')
const family = computed<Family>(() => draft.value.family ?? likelyFamily.value)
const suggested = computed<School>(() =>
  likely.value?.school && likelyFamily.value === family.value
    ? likely.value.school
    : suggestSchool(built.value, family.value, use.value))
/** A way of making chosen for another kind of dessert does not carry over. */
const school = computed<School>(() =>
  draft.value.school && schoolOf(draft.value.school).family === family.value ? draft.value.school : suggested.value,
)
const missing = computed(
  () =>
    [
      built.value.length === 0 && say('new.linesWithAmounts'),
      !chosenUse.value && say('new.whatItMustDoOnThe'),
      built.value.length > 0 &&
      familyOf(family.value).eggSets &&
      !built.value.some(l => findIngredient(l.ingredientId)?.group === 'egg') &&
      open.value.length === 0 &&
      say('new.someEggNothingElseHereSets'),
    ].filter(Boolean) as string[],
)

/** In vessels that hold it; what cannot be computed is told on the bench. */
function held(bench: Bench): Bench {
  try {
    return vesselsThatHold(bench, kitchen.core!)
  } catch {
    return bench
  }
}
async function create() {
  if (missing.value.length || !chosenUse.value || busy.value || !settled.value || !reading.value) return
  busy.value = true
  error.value = ''
  const { id } = draft.value
  const name =
    draft.value.name.trim() ||
    (reading.value.name ?? '').slice(0, 120) ||
    `A new ${FAMILY_NAMES[family.value].name.toLowerCase()}`
  const bloom = sureLines.value.flatMap(l => l.items).find(i => i.bloom)?.bloom ?? null
  const planned = onBench(
    reading.value, { name, note: note.value, school: school.value, use: chosenUse.value, lines: byRole.value, bloom },
    kitchen.core!, () => crypto.randomUUID(),
  )
  const made = benchOf(planned)
  // Where the text names no tin, one that holds it.
  const bench = reading.value.vessel ? made : held(made)
  if (reading.value.peakC === null) bench.heat.targetTempC = suggestTarget(bench, kitchen.core!)
  try {
    await api<FormulaRecord>('/api/formulas', {
      method: 'POST',
      body: { id, mutationId: crypto.randomUUID(), document: putBack(bench), label: say('new.asPasted') },
    })
    draft.value = emptyDraft()
    await navigateTo(`/formula/${id}/balance`)
  } catch (e) {
    const { away: later, status, problem } = e as ApiError
    // An id that is in the bin already was made before, and deleted: the next try is another formula.
    if (status === 410) draft.value = { ...draft.value, id: crypto.randomUUID() }
    error.value = later
      ? say('new.theServerDoesNotAnswerWhat')
      : status === 410
        ? say('new.itWasMadeBeforeAndDeleted')
        : documentProblemWords(problem)
  } finally {
    busy.value = false
  }
}
const COUNTRIES = ['us', 'gb', 'au', 'metric'] as const
const settledMark = computed(() => (much.value ? 'too-long' : settled.value ? 'settled' : 'working'))
</script>

<template>
  <main class="new">
    <h1>{{ $say('new.newFormula') }}</h1>
    <div class="cols">
      <section class="pasting">
        <h2 class="section-title">{{ $say('new.pasteItAsYouHaveIt') }}</h2>
        <label class="sr" for="paste">{{ $say('new.formulaTextOneIngredientALine') }}</label>
        <textarea
          id="paste" class="paste" :dir="directionOf(draft.text)" :value="draft.text" :rows="draft.text ? 7 : 9"
          spellcheck="false" :placeholder="EXAMPLE" @input="textChanged(($event.target as HTMLTextAreaElement).value)"
          @blur="history.endGesture()"
        />
        <p class="soft small">
          {{ $say('new.ingredientsOneALineThenThe') }}
          <button v-if="!draft.text" type="button" class="underline" @click="textChanged(EXAMPLE)">
            {{ $say('new.tryTheExample') }}
          </button>
        </p>
      </section>
      <section class="pasting">
        <div class="name-field">
          <label class="field-label" for="new-name">{{ $say('new.name') }}</label>
          <input
            id="new-name" v-model="draft.name" class="native" maxlength="120"
            :placeholder="reading?.name || $say('new.aNew', { name: FAMILY_NAMES[family].name.toLowerCase() })"
          >
        </div>
        <div v-if="reading?.habits.matters" class="habits" :data-country="reading.habits.country">
          <label for="country">{{ habitWords(reading.habits, fmt) }}</label>
          <select
            id="country" class="native" :value="reading.habits.country"
            @change="readAs(($event.target as HTMLSelectElement).value as Habits['country'])"
          >
            <option v-for="c in COUNTRIES" :key="c" :value="c">{{ COUNTRY_NAMES[c] }}</option>
          </select>
        </div>
        <p v-if="reading && methodWords(reading, fmt)" class="stated" data-stated>{{ methodWords(reading, fmt) }}</p>
        <ReadLints :lints="lints" :lines="lines" @fix="fix" />
      </section>
    </div>
    <NewDesserts v-if="!draft.text" />
    <section
      aria-live="polite" class="reading" :data-questions="firstAsked.size" :data-reading="settledMark"
    >
      <h2 class="section-title">
        {{ $say('new.asRead') }}
        <span v-if="total > 0" class="soft small">{{ $say('new.inAll', { total: fmt.grams(total) }) }}</span>
        <span v-if="firstAsked.size" class="still">{{ $say('new.stillOpen', { n: firstAsked.size }) }}</span>
        <span class="tools">
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-undo-2" :disabled="!history.canUndo.value"
            :aria-label="$say('workspace.undo')" @click="step(history.back)"
          />
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-redo-2" :disabled="!history.canRedo.value"
            :aria-label="$say('workspace.redo')" @click="step(history.forward)"
          />
        </span>
      </h2>
      <p v-if="much" class="bad" role="alert">
        {{
          $say('new.thisTextHasUpToAre',
               { GB: much.count.toLocaleString('en-GB'), much: much.of, GB2: much.most.toLocaleString('en-GB') })
        }}
      </p>
      <p v-else-if="!settled && lines.length === 0" class="soft" role="status">
        {{ $say('new.reading', { done: fmt.percent(done) }) }}
      </p>
      <p v-else-if="lines.length === 0" class="soft">{{ $say('new.theLinesAppearHereInGrams') }}</p>
      <VueDraggable
        v-if="lines.length" tag="ul" class="rows" :model-value="lines" handle=".grip" :sort="false"
        :group="{ name: 'read', pull: 'clone', put: false }" :force-fallback="true" :animation="0"
        @start="isDragging = true" @end="isDragging = false"
      >
        <ReadRow
          v-for="(l, k) in lines" :key="`${l.span[0]} ${l.text}`" :entry="l" :index="k" :asked="firstAsked.has(l)"
          @answer="v => answer(l, v)" @leave="leave(l)" @take="take(l)" @move="r => move(l, r)"
        />
      </VueDraggable>
      <RoleTargets v-show="isDragging" :roles="targets" @drop="(i, r) => lines[i] && move(lines[i], r)" />
    </section>
    <section class="use">
      <h2 class="section-title">{{ $say('new.whatMustItDoOnThe') }}</h2>
      <UseForm :use="chosenUse" @change="u => draft.use = u" />
      <p v-if="chosenUse && !draft.use" class="soft small" data-use="by-method">{{ $say('new.byItsMethod') }}</p>
    </section>
    <section>
      <h2 class="section-title">{{ $say('new.whatIsIt') }}</h2>
      <div v-radios class="schools kinds" role="radiogroup" :aria-label="$say('new.kindOfDessert')">
        <button
          v-for="f in FAMILIES" :key="f" type="button" role="radio" :aria-checked="family === f" :data-family="f"
          @click="draft.family = f"
        >
          <b>{{ FAMILY_NAMES[f].name }}</b>
          <span>{{ FAMILY_NAMES[f].what }}</span>
          <em v-if="f === likelyFamily && built.length">{{ $say('new.byItsLines') }}</em>
        </button>
      </div>
      <h2 class="section-title ways">{{ $say('new.wayOfMaking') }}</h2>
      <div v-radios class="schools" role="radiogroup" :aria-label="$say('new.wayOfMaking')">
        <button
          v-for="s in familyOf(family).schools" :key="s" type="button" role="radio" :aria-checked="school === s"
          @click="draft.school = s"
        >
          <b>{{ SCHOOL_NAMES[s].name }}</b>
          <span>
            {{ $say('new.forWhen', { how: SCHOOL_NAMES[s].how, decides: CONDITION_NAMES[schoolOf(s).decides] }) }}
          </span>
          <em v-if="s === suggested && built.length">{{ $say('new.suitsTheseLines') }}</em>
        </button>
      </div>
    </section>
    <div class="finish">
      <UButton
        :label="busy
          ? $say('new.puttingItOnTheBench')
          : open.length ? $say('new.putItOnTheBenchOpen', { n: open.length }) : $say('new.putItOnTheBench')"
        :disabled="missing.length > 0 || busy" @click="create"
      />
      <span v-if="missing.length" class="soft" role="status">
        {{ $say('new.stillToCome', { missing: missing.join(', ') }) }}
      </span>
      <span v-if="error" class="bad" role="alert">{{ error }}</span>
    </div>
  </main>
</template>

<style scoped>
.new { padding: 1.5rem 1.75rem 3rem; max-width: 1180px; margin: 0 auto; }
h1 { font-size: 2rem; margin-bottom: 1rem; }
section { margin-bottom: 1.6rem; }
.cols { display: grid; grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr); gap: 2.5rem; }
.pasting { align-self: start; margin-bottom: 0.6rem; }
.paste {
  width: 100%; background: #fffdf7; border: 1px solid #848879; padding: 0.7rem 0.8rem; line-height: 1.6;
  resize: vertical;
}
.paste::placeholder { color: #6c7263; }
.habits { display: flex; gap: 0.8rem; align-items: center; margin-top: 0.9rem; }
.habits select { width: auto; }
.rows { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--hairline); }
.still { color: var(--blood); font-weight: 600; font-size: 1rem; }
.reading h2 { display: flex; align-items: center; gap: 0.8rem; }
.tools { margin-left: auto; }
.stated { margin: 0.7rem 0 0; }
.ways { margin-top: 1.2rem; }
.kinds { grid-template-columns: repeat(auto-fit, minmax(12.5rem, 1fr)) !important; gap: 0.2rem 1rem !important; }
.schools {
  display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 1.2rem; border-top: 1px solid var(--hairline);
}
.schools button {
  text-align: left; padding: 0.7rem; border-left: 4px solid transparent; cursor: pointer; min-height: 44px;
}
.schools button[aria-checked="true"] { border-left-color: var(--citron); background: var(--citron-soft); }
.schools b { display: block; }
.schools span { color: var(--ink-soft); font-size: 0.92rem; }
.schools em { display: block; font-style: normal; font-size: 0.9rem; font-weight: 600; margin-top: 0.2rem; }
.finish {
  display: flex; gap: 1rem; align-items: center; flex-wrap: wrap; border-top: 1px solid var(--ink); padding-top: 1rem;
}
.bad { color: var(--blood); }
@media (max-width: 760px) {
  .new { padding: 1rem; }
  .cols, .schools { grid-template-columns: minmax(0, 1fr); gap: 1rem; }
}
</style>
