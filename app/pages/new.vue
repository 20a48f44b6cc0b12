<script setup lang="ts">
/** A new formula: paste it as you have it, say what it must do, and it goes on the bench in grams. */
import { createFormula } from '#core/formula/create'
import { suggestTarget } from '#core/solve/target'
import { putBack } from '#core/formula/bench'
import { FAMILIES, type Family, type Line, type School } from '#core/formula/document'
import type { Use } from '#core/physics/set/bands'
import { familyOf } from '#core/formula/families'
import { schoolOf } from '#core/formula/schools'
import { suggestFamily, suggestSchool } from '#core/formula/suggest'
import { takeFix, type Lint, type LintFix } from '#core/formats/lint'
import type { Answers, Question, ReadLine } from '#core/formats/readText'
import { INGREDIENTS } from '#core/base/ingredients/table'
import { EGG_GRADES, type EggGrade } from '#core/base/ingredients/measures'
import { LEAVES } from '#core/physics/set/gelatin'
import { CONDITION_NAMES, CUP_NAMES, FAMILY_NAMES, SCHOOL_NAMES } from '~/words/names'
import { fixWords, lintWords } from '~/words/lint'
import { documentProblemWords } from '~/words/problems'
import { basisWords, questionWords } from '~/words/reading'
import type { FormulaRecord } from '../../shared/schemas/wire'
import { say } from '~/words/say'

useHead({ title: say('new.newFormulaLumbik') })
const kitchen = useKitchenStore()
const fmt = useFormat()
const DRAFT = 'lumbik:new'
interface Draft {
  text: string
  answers: Answers
  name: string
  use: Use | null
  family: Family | null
  school: School | null
  /** Its formula's, so that one sent twice is one. */ id: string
}
const empty = (): Draft => ({
  text: '',
  answers: {},
  name: '',
  use: null,
  family: null,
  school: null,
  id: crypto.randomUUID(),
})
// What was begun survives a reload.
const draft = useKept<Draft>(DRAFT, empty(), { mergeDefaults: true })
const error = ref('')
const busy = ref(false)

const EXAMPLE = say('new.n112CupsCasterSugar')
const answers = computed<Answers>(() => ({
  ...draft.value.answers,
  cups: draft.value.answers.cups ?? kitchen.record?.settings.cups ?? undefined,
}))
const { reading, settled, done, much } = useReader(() => draft.value.text, () => answers.value)
const lines = computed<ReadLine[]>(() => reading.value.lines)
const recipe = computed(() => reading.value.recipe)
const lints = computed<Lint[]>(() => reading.value.lints)
function fix(f: LintFix) {
  if (f.kind === 'answerLine') {
    document.querySelector<HTMLElement>(`[data-line-index="${f.index}"] input`)?.focus()
    return
  }
  const next = takeFix(draft.value.text, draft.value.answers, f)
  if (next.text !== draft.value.text) textChanged(next.text)
  draft.value = {
    ...draft.value,
    answers: {
      ...draft.value.answers,
      ...(f.kind === 'cups' || f.kind === 'leafGrade' || f.kind === 'can' || f.kind === 'eggGrade' ? next.answers : {}),
    },
  }
}
const open = computed(() => lines.value.filter(l => l.question))
/** A question about the whole text is asked once, at its first line. */
const sharedKey = (q: Question, l: ReadLine) =>
  q.kind === 'cups'
    ? 'cups'
    : q.kind === 'eggGrade'
      ? `egg-${q.word}`
      : q.kind === 'leafGrade'
        ? 'leaf'
        : q.kind === 'can'
          ? `can-${l.items[0]?.ingredientId}`
          : null
const firstAsked = computed(() => {
  const seen = new Set<string>()
  return new Set(open.value.filter((l) => {
    const key = sharedKey(l.question!, l)
    if (!key) return true
    if (seen.has(key)) return false
    seen.add(key)
    return true
  }).map(l => l.index))
})
const items = computed(() =>
  lines.value
    .filter(l => !l.leftOut && !l.question)
    .flatMap(l => l.items.filter(i => i.ingredientId && i.massG !== null).map(i => ({ line: l, ...i }))),
)
const lineOf = (i: (typeof items.value)[number], n: number): Line => ({
  id: `l${n + 1}`,
  ingredientId: i.ingredientId!,
  massG: i.massG!,
  sourceText: i.line.text,
  assumption: i.basis ? basisWords(i.basis, fmt.name(i.ingredientId!), fmt) : '',
  ...(i.piece ? { piece: i.piece } : {}),
})
const all = computed(() => items.value.map((i, n) => ({ section: i.line.section, line: lineOf(i, n) })))
const built = computed<Line[]>(() => all.value.filter(x => x.section === 'filling').map(x => x.line))
const crust = computed<Line[]>(() => all.value.filter(x => x.section === 'crust').map(x => x.line))
const topping = computed<Line[]>(() => all.value.filter(x => x.section === 'topping').map(x => x.line))
/** What has no place in the document yet, and the method as it was written, stay in the note. */
const note = computed(() =>
  [
    ...(recipe.value.steps.length
      ? [say('new.methodAsWritten'), ...recipe.value.steps.map((s, n) => `${n + 1}. ${s}`)]
      : []),
  ]
    .join('\n')
    .slice(0, 4000),
)
const total = computed(() => built.value.reduce((s, l) => s + l.massG, 0))
const use = computed(() => draft.value.use?.kind ?? null)
const likelyFamily = computed(() => suggestFamily(built.value, use.value))
const family = computed<Family>(() => draft.value.family ?? likelyFamily.value)
const suggested = computed(() => suggestSchool(built.value, family.value, use.value))
/** A way of making chosen for another kind of dessert does not carry over. */
const school = computed<School>(() =>
  draft.value.school && schoolOf(draft.value.school).family === family.value ? draft.value.school : suggested.value,
)
const missing = computed(
  () =>
    [
      built.value.length === 0 && say('new.linesWithAmounts'),
      open.value.length > 0 &&
      `${firstAsked.value.size} ${firstAsked.value.size === 1 ? say('new.answer') : say('new.answers')}`,
      !draft.value.use && say('new.whatItMustDoOnThe'),
      built.value.length > 0 &&
      familyOf(family.value).eggSets &&
      !built.value.some(l => INGREDIENTS.find(i => i.id === l.ingredientId)!.group === 'egg') &&
      open.value.length === 0 &&
      say('new.someEggNothingElseHereSets'),
    ].filter(Boolean) as string[],
)

const answer = (part: Answers) => { draft.value = { ...draft.value, answers: { ...draft.value.answers, ...part } } }
function textChanged(text: string) {
  // Answers about single lines belong to those lines; when the lines move, they are asked again.
  const before = draft.value.text.split('\n').length
  const { cups, eggGrade, can, leafGrade, ...perLine } = draft.value.answers
  const shared = { cups, eggGrade, can, leafGrade }
  draft.value = {
    ...draft.value,
    text,
    answers: text.split('\n').length === before ? { ...shared, ...perLine } : shared,
  }
}
const eggOptions = (options: EggGrade[]) => {
  const own = kitchen.record?.settings.eggGrade
  return own && !options.includes(own) && options.length > 2
    ? [own, ...options]
    : own && options.includes(own)
      ? [own, ...options.filter(o => o !== own)]
      : options
}
const leave = (index: number) => answer({ leftOut: [...(draft.value.answers.leftOut ?? []), index] })
const amounts = reactive<Record<number, number>>({})

async function create() {
  if (missing.value.length || !draft.value.use || busy.value || !settled.value) return
  busy.value = true
  error.value = ''
  const { id } = draft.value
  const name =
    draft.value.name.trim() ||
    recipe.value.name.slice(0, 120) ||
    `A new ${FAMILY_NAMES[family.value].name.toLowerCase()}`
  const bench = createFormula(
    {
      name,
      school: school.value,
      use: draft.value.use,
      lines: built.value,
      crust: crust.value,
      topping: topping.value,
      note: note.value,
    },
    kitchen.core!,
    () => crypto.randomUUID(),
  )
  const bloom = items.value.find(i => i.bloom)?.bloom
  if (bloom) bench.set.bloom = bloom
  bench.heat.targetTempC = suggestTarget(bench, kitchen.core!)
  try {
    await api<FormulaRecord>('/api/formulas', {
      method: 'POST',
      body: { id, mutationId: crypto.randomUUID(), document: putBack(bench), label: say('new.asPasted') },
    })
    draft.value = empty()
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
const ingredientOptions = computed(() => INGREDIENTS.map(i => ({ id: i.id, name: fmt.name(i.id) })))
</script>

<template>
  <main class="new">
    <h1>{{ $say('new.newFormula') }}</h1>
    <div class="cols">
      <section class="pasting" :class="{ still: lints.length === 0 }">
        <h2 class="section-title">{{ $say('new.pasteItAsYouHaveIt') }}</h2>
        <label class="sr" for="paste">{{ $say('new.formulaTextOneIngredientALine') }}</label>
        <textarea
          id="paste" class="paste" :value="draft.text" rows="9" spellcheck="false" :placeholder="EXAMPLE"
          @input="textChanged(($event.target as HTMLTextAreaElement).value)"
        />
        <p class="soft small">
          {{ $say('new.ingredientsOneALineThenThe') }}
          <button v-if="!draft.text" type="button" class="underline" @click="textChanged(EXAMPLE)">
            {{ $say('new.tryTheExample') }}
          </button>
        </p>
        <div class="name-field">
          <label class="field-label" for="new-name">{{ $say('new.name') }}</label>
          <input
            id="new-name" v-model="draft.name" class="native" maxlength="120"
            :placeholder="recipe.name || $say('new.aNew', { name: FAMILY_NAMES[family].name.toLowerCase() })"
          >
        </div>
        <section
          v-if="lints.length" class="lint" :aria-label="$say('new.whatTheTextLeavesOpen')" :data-lints="lints.length"
        >
          <h3>{{ $say('new.worthALook', { lints: lints.length }) }}</h3>
          <div v-for="(x, k) in lints" :key="k" class="found" :data-lint="x.code">
            <b>{{ lintWords(x, fmt).title }}</b> <span class="soft">{{ lintWords(x, fmt).why }}</span>
            <div class="opts">
              <UButton
                v-for="(f, j) in x.fixes" :key="j" size="sm" variant="outline" color="neutral" :label="fixWords(f, fmt)"
                @click="fix(f)"
              />
            </div>
          </div>
        </section>
      </section>
      <section
        aria-live="polite" :data-questions="firstAsked.size"
        :data-reading="much ? 'too-long' : settled ? 'settled' : 'working'"
      >
        <h2 class="section-title">
          {{ $say('new.asRead') }}
          <span v-if="built.length" class="soft small">{{ $say('new.inAll', { total: fmt.grams(total) }) }}</span>
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
        <ul v-if="lines.length" class="read">
          <li
            v-for="l in lines" :key="l.index" :class="{ asks: l.question, out: l.leftOut }" :data-line-index="l.index"
            :data-read="l.question ? l.question.kind : l.heading || l.comment ? 'heading' : l.leftOut ? 'left-out' : 'read'"
          >
            <div class="text">{{ l.text }}</div>
            <template v-if="!l.question && !l.heading && !l.comment && !l.leftOut">
              <div v-for="(i, k) in l.items" :key="k" class="got">
                <b class="num">{{ fmt.grams(i.massG!) }}</b> {{ fmt.name(i.ingredientId!) }}
                <span class="soft small">{{ i.basis ? basisWords(i.basis, fmt.name(i.ingredientId!), fmt) : '' }}</span>
              </div>
            </template>
            <div v-else-if="l.leftOut" class="soft small">
              {{ $say('new.leftOut') }}
              <button
                type="button" class="underline"
                @click="answer({ leftOut: draft.answers.leftOut!.filter(x => x !== l.index) })"
              >
                {{ $say('new.putItBack') }}
              </button>
            </div>
            <div v-else-if="l.question && !firstAsked.has(l.index)" class="soft small">
              {{ $say('new.waitsForTheAnswerAbove') }}
            </div>
            <div v-else-if="l.question" class="ask" role="group" :aria-label="questionWords(l.question)">
              <span class="q">{{ questionWords(l.question) }}</span>
              <div v-if="l.question.kind === 'cups'" class="opts">
                <UButton
                  v-for="o in l.question.options" :key="o" size="sm" variant="outline" color="neutral"
                  :label="CUP_NAMES[o]" @click="answer({ cups: o })"
                />
              </div>
              <div v-else-if="l.question.kind === 'eggGrade'" class="opts">
                <UButton
                  v-for="o in eggOptions(l.question.options)" :key="o" size="sm" variant="outline" color="neutral"
                  :label="$say('new.yolkG', { label: EGG_GRADES[o].label, yolkG: EGG_GRADES[o].yolkG })"
                  @click="answer({ eggGrade: { ...draft.answers.eggGrade, [l.question.word]: o } })"
                />
              </div>
              <div v-else-if="l.question.kind === 'ounce'" class="opts">
                <UButton
                  v-for="o in l.question.options" :key="o" size="sm" variant="outline" color="neutral"
                  :label="o === 'fluid' ? $say('new.fluidOunces') : $say('new.byWeight')"
                  @click="answer({ ounce: { ...draft.answers.ounce, [l.index]: o } })"
                />
              </div>
              <div v-else-if="l.question.kind === 'fruitPart'" class="opts">
                <UButton
                  v-for="o in l.question.options" :key="o" size="sm" variant="outline" color="neutral"
                  :label="o === 'both' ? $say('new.juiceAndZest') : o"
                  @click="answer({ fruitPart: { ...draft.answers.fruitPart, [l.index]: o } })"
                />
              </div>
              <div v-else-if="l.question.kind === 'can'" class="opts">
                <UButton
                  v-for="o in l.question.options" :key="o" size="sm" variant="outline" color="neutral"
                  :label="fmt.grams(o)"
                  @click="answer({ can: { ...draft.answers.can, [l.items[0]!.ingredientId!]: o } })"
                />
              </div>
              <div v-else-if="l.question.kind === 'leafGrade'" class="opts">
                <UButton
                  v-for="o in l.question.options" :key="o" size="sm" variant="outline" color="neutral"
                  :label="`${o}, ${LEAVES[o].leafG} g`" @click="answer({ leafGrade: o })"
                />
              </div>
              <form
                v-else-if="l.question.kind === 'amount'" class="opts"
                @submit.prevent="
                  amounts[l.index]! > 0
                    && answer({ amountG: { ...draft.answers.amountG, [l.index]: amounts[l.index]! } })
                "
              >
                <QuantityField
                  kind="mass" :label="$say('new.gramsFor', { text: l.text })" :model-value="amounts[l.index] ?? 0"
                  :max="100000" class="amount" @update:model-value="v => amounts[l.index] = v"
                />
                <UButton type="submit" size="sm" variant="outline" color="neutral" :label="$say('new.useIt')" />
              </form>
              <div v-else-if="l.question.kind === 'ingredient'" class="opts">
                <label class="sr" :for="`ing-${l.index}`">{{ $say('new.ingredientFor', { text: l.text }) }}</label>
                <select
                  :id="`ing-${l.index}`" class="native pick"
                  @change="
                    answer({ ingredient: { ...draft.answers.ingredient,
                                           [l.index]: ($event.target as HTMLSelectElement).value } })
                  "
                >
                  <option value="" selected disabled>{{ $say('new.pickAnIngredient') }}</option>
                  <option v-for="o in ingredientOptions" :key="o.id" :value="o.id">{{ o.name }}</option>
                </select>
                <UButton
                  v-if="l.question.suggestion" size="sm" variant="outline" color="neutral"
                  :label="$say('new.treatAs', { suggestion: fmt.name(l.question.suggestion).toLowerCase() })"
                  @click="answer({ ingredient: { ...draft.answers.ingredient, [l.index]: l.question.suggestion } })"
                />
              </div>
              <button type="button" class="underline small leave" @click="leave(l.index)">
                {{ $say('new.leaveTheLineOut') }}
              </button>
            </div>
          </li>
        </ul>
      </section>
    </div>
    <section class="use">
      <h2 class="section-title">{{ $say('new.whatMustItDoOnThe') }}</h2>
      <UseForm :use="draft.use" @change="u => draft.use = u" />
    </section>
    <section>
      <h2 class="section-title">{{ $say('new.whatIsIt') }}</h2>
      <div class="schools kinds" role="radiogroup" :aria-label="$say('new.kindOfDessert')">
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
      <div class="schools" role="radiogroup" :aria-label="$say('new.wayOfMaking')">
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
        :label="busy ? $say('new.puttingItOnTheBench') : $say('new.putItOnTheBench')"
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
.cols { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr); gap: 2.5rem; }
.pasting { align-self: start; } .still { position: sticky; top: 1rem; }
.paste {
  width: 100%; background: #fffdf7; border: 1px solid #8f9385; padding: 0.7rem 0.8rem; line-height: 1.6;
  resize: vertical;
}
.lint {
  border: 1px solid var(--ink); border-left-width: 4px; padding: 0.5rem 0.8rem; margin-top: 1.2rem; background: #fffdf7;
}
.lint h3 { font-size: 1.05rem; margin: 0 0 0.2rem; }
.found { border-top: 1px solid var(--hairline); padding: 0.4rem 0; }
.paste::placeholder { color: #6c7263; }
.name-field { margin-top: 0.9rem; }
.read { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--hairline); }
.read li {
  border-bottom: 1px solid var(--hairline); padding: 0.45rem 0 0.45rem 0.7rem; border-left: 3px solid transparent;
}
.read li.asks { border-left-color: var(--blood); }
.read .out .text { text-decoration: line-through; }
.text { font-size: 0.94rem; color: var(--ink-soft); }
.got b { font-weight: 600; }
.q { font-weight: 600; color: var(--blood); }
.opts { display: flex; flex-wrap: wrap; gap: 0.4rem; margin: 0.3rem 0; align-items: center; }
.pick { width: auto; max-width: 16rem; }
.amount { width: 7rem; }
.leave { min-height: 30px; }
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
  .pasting { position: static; }
  .new { padding: 1rem; }
  .cols, .schools { grid-template-columns: minmax(0, 1fr); gap: 1rem; }
}
</style>
