<script setup lang="ts">
/** The cook's own method beside Lumbik's order of work, line by line, with what differs and the way back to reading. */
import type { Bench } from '#core/formula/bench'
import { type Difference, differencesOf, type Side, worksBeside } from '#core/formats/reader/beside'
import { readText } from '#core/formats/reader/read'
import { orderOfWork } from '#core/plan/order'
import type { Assessment } from '#core/pipeline/assessment'
import { emptyDraft, useNewDraft } from '~/composables/useNewDraft'
import { stepWords } from '~/words/cook'
import { sideWords } from '~/words/beside'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const draft = useNewDraft()
/** Read anew only when the text is another, not at each gram. */
const note = computed(() => props.doc.note)
const reading = computed(() => readText(note.value, kitchen.readBy))
/** A note of one's own may name something, too: what was pasted names more than one thing, or says how. */
const isRecipe = computed(() => reading.value.lines.filter(l => l.kind === 'ingredient').length > 1)
const placeName = (id: string) => kitchen.record?.places.find(p => p.id === id)?.name
const order = computed(() => orderOfWork(props.doc, kitchen.core!, props.assessment))
const differences = computed(() => differencesOf(reading.value, props.doc, props.assessment))
const words = (side: Side, d: Difference) => sideWords(d.code, side, fmt)

/** Each step of theirs with Lumbik's that answer it, and what differs. */
const rows = computed(() => {
  const beside = worksBeside(reading.value, order.value)
  return reading.value.lines.flatMap((l, line) => (l.kind === 'step' && !l.leftOut
    ? [{
        line,
        text: l.text,
        here: (beside.get(line) ?? []).map(key => order.value.find(s => s.key === key)!)
          .map(s => ({ key: s.key, ...stepWords(s, fmt, props.doc, placeName) })),
        differs: differences.value.filter(d => d.line === line),
      }]
    : []))
})
const keep = (d: Difference) => ws.change('', draft => d.keep(draft, () => crypto.randomUUID()))
async function readAgain() {
  draft.value = emptyDraft({ text: props.doc.note, name: props.doc.name })
  await navigateTo('/new')
}
</script>

<template>
  <section v-if="rows.length || isRecipe" class="pasted" data-part="pasted">
    <h2 class="section-title">{{ $say('asPasted.asYouWroteIt') }}</h2>
    <div v-if="rows.length" class="heads" aria-hidden="true">
      <span class="field-label">{{ $say('asPasted.yours') }}</span>
      <span class="field-label">{{ $say('asPasted.here') }}</span>
    </div>
    <ol v-if="rows.length">
      <li v-for="r in rows" :key="r.line" :class="{ other: r.differs.length }">
        <p class="theirs">{{ r.text }}</p>
        <div class="here">
          <p v-for="s in r.here" :key="s.key">
            <b>{{ s.title }}</b>
            <span v-if="s.reach" class="num">{{ s.reach }}</span>
          </p>
        </div>
        <p v-for="d in r.differs" :key="d.code + d.yours.ingredientId" class="differs" :data-differs="d.code">
          <span>{{ $say('asPasted.yoursHere', { yours: words(d.yours, d), here: words(d.here, d) }) }}</span>
          <UButton size="sm" variant="outline" color="neutral" :label="$say('asPasted.keepMine')" @click="keep(d)" />
        </p>
      </li>
    </ol>
    <UButton
      class="no-print" size="sm" variant="ghost" color="neutral" :label="$say('asPasted.readItAgain')" @click="readAgain"
    />
  </section>
</template>

<style scoped>
.pasted { border-top: 1px solid var(--ink); margin-top: 1.6rem; padding-top: 0.4rem; max-width: 62rem; }
ol { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--hairline); }
.heads, li { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 0.2rem 1.6rem; }
li { border-bottom: 1px solid var(--hairline); padding: 0.5rem 0 0.5rem 0.7rem; border-left: 3px solid transparent; }
.heads { padding: 0.3rem 0 0.2rem 0.9rem; }
.other { border-left-color: var(--blood); }
p { margin: 0; }
.here p { display: flex; flex-wrap: wrap; gap: 0 0.7rem; }
.here b { font-weight: 600; }
.theirs { color: var(--ink-soft); white-space: pre-line; overflow-wrap: anywhere; }
.differs {
  grid-column: 1 / -1; display: flex; flex-wrap: wrap; gap: 0.4rem 1rem; align-items: center; font-weight: 600;
}
@media (max-width: 760px) {
  .heads { display: none; }
  li { grid-template-columns: minmax(0, 1fr); }
}
</style>
