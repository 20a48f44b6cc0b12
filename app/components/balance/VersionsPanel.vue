<script setup lang="ts">
/**
 * Versions and variants: every state is kept; name one, go back to one, compare two or three, and see what made
 * the difference.
 */
import { fillingOf, type Bench } from '#core/formula/bench'
import type { Assessment } from '#core/pipeline/assessment'
import { summarise, type Summary } from '#core/pipeline/summary'
import { batchCost } from '#core/formula/cost'
import type { Explained } from '#core/solve/compare'
import { COMPARE_MOST, type Other, type useComparison } from '~/composables/useComparison'
import { TABLE_UI, unseen } from '~/composables/tableStyle'
import { changeWords, differenceWords } from '~/words/balance'
import { heatMeant } from '~/words/cook'
import { BAND_NAMES, SHARPNESS_NAMES, SHORT_VERDICT } from '~/words/names'
import { coldWords, plateWords } from '~/words/stands'
import { say } from '~/words/say'

const props = defineProps<{
  doc: Bench
  assessment: Assessment
  comparison: ReturnType<typeof useComparison>
}>()
const emit = defineEmits<{ variant: [] }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const toast = useToast()
const solver = useSolver()
const { others, docs, keys, compared, failed, list } = props.comparison
const label = ref('')
const all = ref(false)
async function nameIt() {
  const text = label.value.trim()
  if (!text) return
  await ws.send()
  if (ws.saveState !== 'saved') {
    toast.add({ title: say('versionsPanel.notNamedYetTheLastChange'), color: 'error' })
    return
  }
  if (await props.comparison.nameIt(text)) {
    label.value = ''
    toast.add({ title: say('versionsPanel.keptAs', { text }) })
  } else toast.add({ title: say('versionsPanel.notNamedTheServerDoesNot'), color: 'error' })
}
function goBack(o: Other) {
  const found = compared.value.find(c => c.key === o.key)
  if (!found) return
  ws.replace({ ...toPlain(found.doc), name: props.doc.name })
  ws.endGesture()
}
const when = (o: Other) => o.at ? `${fmt.day(o.at)}, ${fmt.time(o.at)}` : say('versionsPanel.aFormulaOfItsOwn')
/** A state by its name, else by what changed with it. */
const NAMED_BY = 2
const nameOf = (o: Other) =>
  o.name ||
  o.changes.slice(0, NAMED_BY).map(d => differenceWords(d, fmt)).join(', ') +
  (o.changes.length > NAMED_BY ? ' …' : '') ||
  say('versionsPanel.keptByItself')
/** What was kept by itself within one hour is one row, until it is opened. */
const opened = ref<string[]>([])
const hourOf = (o: Other) => (o.name || !o.at ? null : o.at.slice(0, 13))
const folded = computed(() => {
  const rows: { o: Other, hour: string | null, more: number }[] = []
  for (const o of others.value) {
    const hour = hourOf(o)
    const last = rows.at(-1)
    if (hour && last?.hour === hour && !opened.value.includes(hour) && !keys.value.includes(o.key)) last.more++
    else rows.push({ o, hour, more: 0 })
  }
  return rows
})
/** Named ones and formulas always; of the rest the last few hours, unless all are wanted. */
const shown = computed(() => {
  let rest = 0
  return folded.value.filter(({ o }) => o.name || keys.value.includes(o.key) || all.value || rest++ < 4)
})
watch(() => ws.savedAt, () => void props.comparison.refresh())

/* Each state that is seen carries its cut face: its document is fetched, its face worked out, once. */
const seen = computed(() => [...new Set([...shown.value.map(({ o }) => o), ...compared.value])])
watch(seen, (list) => { for (const o of list) void props.comparison.load(o) }, { immediate: true })
const { faces, working } = useFaces(
  () => Object.fromEntries(seen.value.flatMap(o => (docs.value[o.key] ? [[o.key, docs.value[o.key]!]] : []))),
  () => kitchen.core,
)

/** A state side by side with others; its summary is undefined until it is worked out, null where it cannot be. */
interface Column { name: string, doc: Bench, summary: Summary | null | undefined, cost: number }
const columns = computed<Column[]>(() =>
  [
    { name: say('versionsPanel.now'), doc: props.doc, summary: summarise(props.doc, props.assessment) },
    ...compared.value.map(c => ({ name: nameOf(c), doc: c.doc, summary: faces.value[c.key] })),
  ].map(c => ({ ...c, cost: batchCost(c.doc, kitchen.core!).batch })),
)
/** One row a line that any of them has, then the figures. */
const rows = computed(() => {
  const ids = [
    ...new Set(
      columns.value.flatMap(c =>
        fillingOf(c.doc)
          .lines.filter(l => l.massG > 0)
          .map(l => l.ingredientId),
      ),
    ),
  ]
  const total = (d: Bench) => fillingOf(d).lines.reduce((s, l) => s + l.massG, 0)
  const mass = (d: Bench, id: string) =>
    fillingOf(d)
      .lines.filter(l => l.ingredientId === id)
      .reduce((s, l) => s + l.massG, 0)
  const row = (what: string, cell: (c: Column) => string) => ({
    what,
    ...Object.fromEntries(columns.value.map((c, i) => [`c${i}`, cell(c)])),
  })
  const of = (f: (s: NonNullable<Column['summary']>) => string) => (c: Column) =>
    c.summary ? f(c.summary) : c.summary === null ? say('versionsPanel.cannotBeComputed') : '…'
  return [
    ...ids.map(id =>
      row(fmt.name(id), c =>
        mass(c.doc, id) > 0 ? `${fmt.grams(mass(c.doc, id))}, ${fmt.percent(mass(c.doc, id) / total(c.doc), 1)}` : '—',
      ),
    ),
    row(say('versionsPanel.inAll'), c => fmt.grams(total(c.doc))),
    row(say('versionsPanel.targetAndHold'), c => heatMeant(c.doc.heat, fmt)),
    row(
      say('versionsPanel.onThePlate'),
      of(s => `${SHORT_VERDICT[s.code]}: ${plateWords(s.piece, fmt)}`),
    ),
    row(
      say('versionsPanel.fromTheFridge'),
      of(s => `${BAND_NAMES[s.band]}, ${coldWords(s.piece, fmt)}`),
    ),
    row(
      say('versionsPanel.sharpness'),
      of(s => `${SHARPNESS_NAMES[s.sharpness]}, pH ${fmt.fixed(s.pH, 2)}`),
    ),
    row(say('versionsPanel.costOfTheBatch'), c => fmt.money(c.cost)),
  ]
})
const heads = computed(() => [
  { accessorKey: 'what', header: unseen(say('labelPanel.what')) },
  ...columns.value.map((c, i) => ({ accessorKey: `c${i}`, header: c.name })),
])

const explained = shallowRef<{ name: string, value: Explained }[]>([])
watch([() => props.doc, compared], async () => {
  const out: { name: string, value: Explained }[] = []
  for (const c of compared.value) {
    const outcome = await solver.run<'explain'>({ kind: 'explain', from: c.doc, to: props.doc, kitchen: kitchen.core! })
    if (!outcome) return
    if ('value' in outcome) out.push({ name: nameOf(c), value: outcome.value })
  }
  explained.value = out
}, { immediate: true })
const part = (share: number, whole: number) => Math.abs(whole) < 0.005 ? '' : `${fmt.fixed(100 * share / whole)} %`
</script>

<template>
  <section
    class="versions" :data-compared="compared.length" :data-faces="working ? 'working' : Object.keys(faces).length" :data-explained="solver.running.value ? 'working' : 'settled'"
  >
    <form class="name" @submit.prevent="nameIt">
      <label class="sr" for="version-name">{{ $say('versionsPanel.nameOfThisVersion') }}</label>
      <input
        id="version-name" v-model="label" class="native" maxlength="120"
        :placeholder="$say('versionsPanel.nameThisVersion')"
      >
      <UButton
        type="submit" variant="outline" color="neutral" size="sm" :label="$say('versionsPanel.keepIt')"
        :disabled="!label.trim()"
      />
      <UButton
        variant="outline" color="neutral" size="sm" :label="$say('versionsPanel.makeAVariant')" @click="emit('variant')"
      />
    </form>
    <p v-if="failed" class="soft" role="status">{{ $say('versionsPanel.theServerDoesNotAnswerVersions') }}</p>
    <ul v-if="shown.length" class="list">
      <li v-for="{ o, hour, more } in shown" :key="o.key" :data-version="o.name || 'unnamed'">
        <span class="face">
          <CutFace
            v-if="faces[o.key]" :piece="faces[o.key]!.piece" small only="plate" :grainy="faces[o.key]!.code === 'grainy'"
            :label="SHORT_VERDICT[faces[o.key]!.code]"
          />
        </span>
        <span class="what">
          <b dir="auto">{{ nameOf(o) }}</b> <span class="soft small">{{ when(o) }}</span>
          <button v-if="more > 0" type="button" class="underline more" @click="opened = [...opened, hour!]">
            {{ $say('versionsPanel.moreInThisHour', { more }) }}
          </button>
        </span>
        <span class="acts">
          <UButton
            size="sm" variant="outline" color="neutral"
            :label="keys.includes(o.key) ? $say('versionsPanel.compared') : $say('versionsPanel.compare')"
            :aria-pressed="keys.includes(o.key) ? 'true' : 'false'" @click="comparison.toggle(o)"
          />
          <UButton
            v-if="keys.includes(o.key) && o.kind === 'version'" size="sm" variant="ghost" color="neutral"
            :label="$say('versionsPanel.goBackToIt')" @click="goBack(o)"
          />
          <NuxtLink v-if="o.kind === 'formula'" class="underline open" :to="`/formula/${o.id}/balance`">
            {{ $say('versionsPanel.open') }}
          </NuxtLink>
        </span>
      </li>
    </ul>
    <p v-else class="soft">{{ $say('versionsPanel.everyChangeIsKeptFromHere') }}</p>
    <UButton
      v-if="!all && folded.length > shown.length" size="sm" variant="ghost" color="neutral"
      :label="
        list?.next
          ? $say('versionsPanel.moreKeptStates')
          : $say('versionsPanel.allKeptStates', { others: others.length })
      "
      @click="all = true"
    />
    <UButton
      v-else-if="list?.next" size="sm" variant="ghost" color="neutral" :label="$say('versionsPanel.earlierStates')"
      @click="comparison.earlier()"
    />
    <template v-if="compared.length">
      <p v-if="keys.length >= COMPARE_MOST" class="soft small">
        {{ $say('versionsPanel.upToBesideTheFormulaAnother', { COMPAREMOST: COMPARE_MOST }) }}
      </p>
      <div class="faces">
        <figure v-for="(c, i) in columns" :key="i">
          <CutFace
            v-if="c.summary" :piece="c.summary.piece" small :label="`${c.name}: ${SHORT_VERDICT[c.summary.code]}`"
          />
          <figcaption>
            <b>{{ c.name }}</b> <span class="soft">{{ c.summary ? SHORT_VERDICT[c.summary.code] : '' }}</span>
          </figcaption>
        </figure>
      </div>
      <div class="wide"><UTable :data="rows" :columns="heads" :ui="TABLE_UI" /></div>
      <div v-for="e in explained" :key="e.name" class="why" data-explain>
        <h2>{{ $say('versionsPanel.whyNowDiffersFrom', { name: e.name }) }}</h2>
        <p>
          {{
            $say('versionsPanel.firmnessSournessAgainstIt',
                 { lnFirmness: changeWords(Math.exp(e.value.lnFirmness), fmt),
                   lnSharpness: changeWords(Math.exp(e.value.lnSharpness), fmt) })
          }}
        </p>
        <ul>
          <li v-for="(s, k) in e.value.shares" :key="k">
            <span>{{ differenceWords(s.difference, fmt) }}</span>
            <span class="num">
              {{ $say('versionsPanel.firm', { lnFirmness: changeWords(Math.exp(s.lnFirmness), fmt) }) }}
              <span class="soft">{{ part(s.lnFirmness, e.value.lnFirmness) }}</span>
            </span>
            <span class="num">
              {{ $say('versionsPanel.sour', { lnSharpness: changeWords(Math.exp(s.lnSharpness), fmt) }) }}
              <span class="soft">{{ part(s.lnSharpness, e.value.lnSharpness) }}</span>
            </span>
          </li>
        </ul>
        <p v-if="e.value.shares.length === 0" class="soft">{{ $say('versionsPanel.nothingThatCountsDiffers') }}</p>
      </div>
      <p v-if="solver.running.value" class="soft" role="status">
        {{ $say('versionsPanel.takingTheDifferenceApart', { done: fmt.percent(solver.done.value) }) }}
      </p>
    </template>
  </section>
</template>

<style scoped>
.name { display: flex; flex-wrap: wrap; gap: 0.5rem; } .name input { flex: 1; min-width: 7rem; }
.list { list-style: none; margin: 0.5rem 0; padding: 0; border-top: 1px solid var(--ink); }
.list li {
  display: grid; grid-template-columns: 64px minmax(0, 1fr) auto; gap: 0.3rem 0.8rem; align-items: center;
  border-bottom: 1px solid var(--hairline); padding: 0.3rem 0;
}
.more { min-height: 44px; margin-left: 0.6rem; cursor: pointer; }
.face { min-height: 30px; }
.acts { display: flex; flex-wrap: wrap; justify-content: end; gap: 0.4rem; align-items: center; }
.open { min-height: 44px; display: inline-flex; align-items: center; }
.faces { display: grid; grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr)); gap: 0.8rem; margin: 0.8rem 0; }
figure { margin: 0; }
figcaption { font-size: 0.92rem; }
.wide { overflow-x: auto; }
.why { border-top: 1px solid var(--hairline); padding-top: 0.5rem; }
.why h2 { font-size: 1.05rem; margin: 0; }
.why p { margin: 0.1rem 0 0.3rem; }
.why ul { list-style: none; margin: 0; padding: 0; }
.why li {
  display: grid; grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr) minmax(0, 1fr); gap: 0.6rem; padding: 0.15rem 0;
  font-size: 0.94rem;
}
</style>
