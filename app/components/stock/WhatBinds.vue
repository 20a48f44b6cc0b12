<script setup lang="ts">
/**
 * What binds: with so much of each, how much can be made, what stops it, what is left, and what using all would
 * take.
 */
import { fillingOf, type Bench } from '#core/formula/bench'
import { eggCount } from '#core/base/ingredients/measures'
import { binding, bindLines, scaleToBinding, toUseAll, useAllOf } from '#core/plan/binding'
import { RIGHT, TABLE_UI } from '~/composables/tableStyle'
import { eggWords, leftoverWords } from '~/words/stock'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const lines = computed(() => fillingOf(props.doc).lines.filter(l => l.massG > 0))
const have = (lineId: string) => props.doc.stock.have.find(h => h.lineId === lineId)?.massG ?? null
const bind = computed(() => bindLines(lines.value, props.doc.stock.have))
const result = computed(() => binding(bind.value))
const rows = computed(() =>
  lines.value.map((line, i) => ({
    line,
    bound: result.value.lines[i]!,
    have: have(line.id),
    stops: result.value.limits.includes(line.id),
  })),
)
const COLUMNS = [
  { id: 'name', header: 'line' },
  { id: 'batch', header: say('whatBinds.oneBatch'), meta: RIGHT },
  { id: 'have', header: 'I have' },
  { id: 'allows', header: say('whatBinds.enoughFor'), meta: RIGHT },
  { id: 'uses', header: 'uses', meta: RIGHT },
  { id: 'left', header: 'left', meta: RIGHT },
]
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
function tell(lineId: string, massG: number) {
  setHave(lineId, massG)
  nextTick(() => document.querySelector<HTMLInputElement>(`[data-have="${lineId}"] input`)?.focus())
}
const all = (lineId: string) =>
  useAllOf(props.doc, bind.value, lineId, kitchen.record?.settings.eggGrade ?? 'euL')
/** Shells in all, and the whites or yolks that are then over. */
function eggsOf(lineId: string): string {
  const eggs = all(lineId)?.eggs
  if (!eggs || eggs.eggs === 0) return ''
  const { whites, yolks } = eggs.surplus
  const over = whites > 0 ? eggWords('white', whites) : yolks > 0 ? eggWords('yolk', yolks) : ''
  return over
    ? say('whatBinds.eggsInAllAndOver', { eggs: eggWords('whole', eggs.eggs), over })
    : say('whatBinds.eggsInAll', { eggs: eggWords('whole', eggs.eggs) })
}
function useItAll(lineId: string) {
  const next = all(lineId)
  if (!next) return
  ws.replace(next.doc)
  ws.endGesture()
}
function scale() {
  ws.replace(scaleToBinding(props.doc, result.value))
  ws.endGesture()
}
/** Eggs beside grams. */
const about = (lineId: string, g: number) => {
  const n = eggCount(idOf(lineId), g, kitchen.record?.settings.eggGrade ?? 'euL')
  return n === null ? '' : say('whatBinds.aboutOfThem', { count: fmt.fixed(Math.ceil(n - 0.05)) })
}
</script>

<template>
  <section class="binds">
    <h2 class="section-title">{{ $say('whatBinds.iHaveThisMuchHowMuch') }}</h2>
    <UTable
      :data="rows" :columns="COLUMNS" :meta="{ class: { tr: row => row.original.stops ? 'stops' : '' } }" :ui="TABLE_UI"
      class="stack"
    >
      <template #name-cell="{ row: { original: r } }">
        <b>{{ fmt.name(r.line.ingredientId) }}</b>
        <span v-if="r.line.piece" class="soft small whole">
          {{
            $say('whatBinds.wholeSOfG',
                 { kind: r.line.piece.kind, eachG: fmt.fixed(r.line.piece.eachG, r.line.piece.eachG < 100 ? 1 : 0) })
          }}
        </span>
        <span v-if="r.line.pinned" class="soft small whole">{{ $say('whatBinds.pinnedNoMoreThanTheFormula') }}</span>
      </template>
      <template #batch-cell="{ row: { original: r } }">{{ fmt.grams(r.line.massG) }}</template>
      <template #have-cell="{ row: { original: r } }">
        <span class="limit" :data-have="r.line.id">
          <template v-if="r.have !== null">
            <QuantityField
              kind="mass" :ingredient-id="r.line.ingredientId"
              :label="$say('whatBinds.howMuchThereIs', { ingredientId: fmt.name(r.line.ingredientId) })"
              :model-value="r.have" :max="1000000" @update:model-value="v => setHave(r.line.id, v)"
              @done="ws.endGesture()"
            />
            <UButton
              variant="ghost" color="neutral" size="sm" icon="i-lucide-x"
              :aria-label="$say('whatBinds.plentyOf', { ingredientId: fmt.name(r.line.ingredientId) })"
              @click="ws.endGesture(); setHave(r.line.id, null)"
            />
          </template>
          <button
            v-else type="button" class="plenty"
            :aria-label="$say('whatBinds.sayHowMuchThereIs', { ingredientId: fmt.name(r.line.ingredientId) })"
            @click="tell(r.line.id, r.line.massG)"
          >
            <span class="soft">{{ $say('whatBinds.plenty') }}</span> <span class="underline">{{ $say('whatBinds.sayHowMuch') }}</span>
          </button>
        </span>
      </template>
      <template #allows-cell="{ row: { original: r } }">
        {{ r.bound.allows === null ? '' : `× ${fmt.fixed(r.bound.allows, 2)}` }}<span v-if="r.stops" class="stop-word">{{ $say('whatBinds.stopsIt') }}</span>
      </template>
      <template #uses-cell="{ row: { original: r } }">
        {{ result.factor === null ? '' : fmt.grams(r.bound.useG) }}<span v-if="result.factor !== null && r.bound.pieces !== null" class="soft small whole">
          {{ r.bound.pieces }} {{ r.line.piece!.kind }}s</span>
      </template>
      <template #left-cell="{ row: { original: r } }">
        {{ r.bound.leftG === null ? '' : r.bound.leftG < 0.5 ? $say('whatBinds.none') : fmt.grams(r.bound.leftG) }}
      </template>
    </UTable>
    <div class="verdict" data-answer="binds" aria-live="polite">
      <p v-if="result.factor === null" class="soft">{{ $say('whatBinds.sayHowMuchThereIsOf') }}</p>
      <template v-else>
        <p class="answer">
          <b class="display">× {{ fmt.fixed(result.factor, 2) }}</b> <span>
            {{ $say('whatBinds.inAll', { lines: fmt.grams(result.lines.reduce((s, l) => s + l.useG, 0)) }) }}
            <b>{{ limits.charAt(0).toUpperCase() + limits.slice(1) }}</b>
            {{
              $say('whatBinds.it',
                   { stops: result.limits.length > 1 ? $say('whatBinds.stop') : $say('whatBinds.stops') })
            }}<template v-if="result.wholeOf">
              {{ $say('whatBinds.wholePiecesOfMakeItA', { wholeOf: name(result.wholeOf) }) }}
            </template>.</span>
        </p>
        <UButton
          v-if="result.factor > 0" :label="$say('whatBinds.scaleTheFormulaToThis')"
          :disabled="Math.abs(result.factor - 1) < 0.002" @click="scale"
        />
        <ul v-if="left.length" class="left">
          <li v-for="u in useAll" :key="u.lineId" :data-left="idOf(u.lineId)">
            <b>{{ fmt.grams(u.leftG!) }} {{ name(u.lineId) }}</b>
            {{
              $say('whatBinds.leftToUseAllOfIt',
                   { lineId: leftoverWords(idOf(u.lineId)), factor: fmt.fixed(u.factor, 2) })
            }}<template v-if="u.more.length">
              {{ $say('whatBinds.whichTakes') }}
              <template v-for="(m, k) in u.more" :key="m.lineId">
                {{ k > 0 ? ` ${$say('whatBinds.and')} ` : '' }}<b>{{ $say('whatBinds.more', { massG: fmt.grams(m.massG), lineId: name(m.lineId) }) }}</b>{{ m.pieces !== null ? ` (${m.pieces})` : about(m.lineId, m.massG) }}
              </template>
            </template>.
            <span v-if="eggsOf(u.lineId)" data-eggs-in-all>{{ eggsOf(u.lineId) }}</span>
            <UButton
              size="sm" variant="outline" color="neutral" :label="$say('whatBinds.useItAll')"
              :aria-label="$say('whatBinds.useAllOf', { name: name(u.lineId) })" @click="useItAll(u.lineId)"
            />
          </li>
        </ul>
      </template>
    </div>
  </section>
</template>

<style scoped>
:deep(.stops) { background: var(--citron-soft); }
.whole { display: block; font-weight: 400; }
.stop-word { display: block; color: var(--blood); font-weight: 600; font-size: 0.9rem; }
.limit { display: flex; align-items: center; max-width: 13rem; }
.plenty { min-height: 44px; cursor: pointer; text-align: left; }
.verdict { margin-top: 0.8rem; }
.answer b.display { font-size: 1.9rem; margin-right: 0.6rem; }
.left { margin: 0.8rem 0 0; padding-left: 1.1rem; list-style: disc; }
.left li { margin-bottom: 0.3rem; }
</style>
