<script setup lang="ts">
/** The fruit ledger: how many, what each is taken for, what it should give, what is short and what to buy. */
import { fillingOf, type Bench } from '#core/formula/bench'
import { FRUIT_PARTS, type FruitEntry, type FruitPart } from '#core/formula/occasion'
import { FIELDS } from '#core/base/fields'
import { scaleFormula, weighLine } from '#core/formula/edits'
import { FRUITS } from '#core/base/ingredients/measures'
import { countByWeight, fruitOf, ledger, withCount, withTake, yieldsOf } from '#core/plan/fruit'
import { kitchenDocument } from '../../../shared/kitchen'
import { RIGHT, TABLE_UI, unseen } from '~/composables/tableStyle'
import { fruitName, PART_NAMES } from '~/words/stock'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const entries = computed(() =>
  props.doc.stock.fruit.map(entry => ({
    entry, fruit: fruitOf(entry.fruitId)!, yields: yieldsOf(entry, kitchen.core?.ownJuiceG),
  })),
)
const rows = computed(() => ledger(props.doc, kitchen.core?.lots, kitchen.core?.ownJuiceG))
const COLUMNS = [
  { id: 'name', header: 'line' },
  { id: 'needs', header: 'needs', meta: RIGHT },
  { id: 'gives', header: say('fruitLedger.theFruitGives') },
  { id: 'buy', header: say('fruitLedger.toBuy') },
  { id: 'acts', header: unseen(say('labelPanel.whatCanBeDone')) },
]
const adding = ref('')
/** Fruit whose juice the formula has comes first. */
const options = computed(() => {
  const wanted = new Set(fillingOf(props.doc).lines.map(l => l.ingredientId))
  return [...FRUITS].sort((a, b) => Number(wanted.has(b.juiceId)) - Number(wanted.has(a.juiceId)))
})
function change(id: string, gesture: string, edit: (e: FruitEntry) => FruitEntry) {
  ws.change(`fruit-${id}-${gesture}`, (d) => { d.stock.fruit = d.stock.fruit.map(e => e.id === id ? edit(e) : e) })
}
function add() {
  if (!adding.value) return
  const fruitId = adding.value
  const need = rows.value.flatMap(r => r.buy.filter(b => b.fruitId === fruitId)).map(b => b.likely)
  const count = Math.max(1, ...need)
  ws.change('', (d) => {
    d.stock.fruit.push({
      id: crypto.randomUUID(),
      fruitId,
      count,
      weightG: null,
      take: { juice: count, zest: 0, peel: 0, segments: 0 },
      measuredJuiceG: null,
    })
  })
  adding.value = ''
}
function setLine(lineId: string, massG: number) {
  ws.change('', (d) => {
    const f = fillingOf(d)
    f.lines = weighLine(f.lines, lineId, massG)
  })
}
function scaleTo(lineId: string, needG: number, massG: number) {
  ws.replace(scaleFormula(props.doc, massG / needG))
  ws.endGesture()
  setLine(lineId, massG)
}
const range = (y: { g: number, lowG: number, highG: number }) =>
  y.highG - y.lowG < 0.5 ? fmt.grams(y.g) : `${fmt.grams(y.g)} (${fmt.fixed(y.lowG)}–${fmt.fixed(y.highG)})`
/** The kitchen's own rule for the juice of one: kept with the kitchen, for every formula; none: the table's. */
const ownJuice = (fruitId: string) => kitchen.record?.settings.ownJuiceG?.[fruitId] ?? 0
function setOwnJuice(fruitId: string, g: number) {
  const { record } = kitchen
  if (!record) return
  const { [fruitId]: _, ...rest } = record.settings.ownJuiceG ?? {}
  const ownJuiceG = g >= FIELDS['kitchen.ownJuiceG.*'].min ? { ...rest, [fruitId]: g } : rest
  kitchen.change({ ...kitchenDocument(record), settings: { ...record.settings, ownJuiceG } })
}
/** How many of the part may still be taken, beside what its rival takes. */
const free = (e: FruitEntry, part: FruitPart) =>
  e.count - e.take[{ juice: 'segments', segments: 'juice', zest: 'peel', peel: 'zest' }[part] as FruitPart]
</script>

<template>
  <section class="fruit">
    <h2 class="section-title">{{ $say('fruitLedger.fruitOnTheBench') }}</h2>
    <ul v-if="entries.length" class="entries">
      <li v-for="{ entry: e, fruit, yields } in entries" :key="e.id" :data-fruit="e.fruitId">
        <div class="top">
          <b>{{ fruitName(fruit) }}</b>
          <QuantityField
            field="stock.fruit.*.count" kind="count" show-label :label="$say('fruitLedger.howMany')"
            :model-value="e.count" @update:model-value="v => change(e.id, 'count', x => withCount(x, v))"
            @done="ws.endGesture()"
          />
          <QuantityField
            field="stock.fruit.*.weightG" kind="mass" show-label :label="$say('fruitLedger.weighedInAll')"
            :blank="$say('fruitLedger.notWeighed')" :model-value="e.weightG ?? 0"
            @update:model-value="v => change(e.id, 'weight', x => ({ ...x, weightG: v > 0 ? v : null }))"
            @done="ws.endGesture()"
          />
          <QuantityField
            field="stock.fruit.*.measuredJuiceG" kind="mass" show-label :label="$say('fruitLedger.juiceAsItCame')"
            :blank="$say('fruitLedger.notYet')" :model-value="e.measuredJuiceG ?? 0"
            @update:model-value="v => change(e.id, 'juice', x => ({ ...x, measuredJuiceG: v > 0 ? v : null }))"
            @done="ws.endGesture()"
          />
          <QuantityField
            field="kitchen.ownJuiceG.*" kind="mass" show-label :label="$say('fruitLedger.juiceOfOneHere')"
            :blank="$say('fruitLedger.asTheTable', { g: fmt.fixed(fruit.juiceG) })" :model-value="ownJuice(e.fruitId)"
            @update:model-value="v => setOwnJuice(e.fruitId, v)"
          />
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-x"
            :aria-label="$say('fruitLedger.takeOut', { fruit: fruitName(fruit) })"
            @click="ws.change('', d => { d.stock.fruit = d.stock.fruit.filter(x => x.id !== e.id) })"
          />
        </div>
        <p
          v-if="e.weightG !== null && Math.abs(countByWeight(e.fruitId, e.weightG) / Math.max(1, e.count) - 1) > 0.25"
          class="small by-weight"
        >
          {{
            $say('fruitLedger.isAboutOfTheUsualSize',
                 { weightG: fmt.grams(e.weightG), weightG2: countByWeight(e.fruitId, e.weightG) })
          }}
          <button
            type="button" class="underline"
            @click="ws.endGesture(); change(e.id, 'by-weight', x => withCount(x, countByWeight(x.fruitId, x.weightG!)))"
          >
            {{ $say('fruitLedger.countThemSo') }}
          </button>
        </p>
        <dl class="parts">
          <div v-for="part in FRUIT_PARTS" :key="part" :data-part="part">
            <dt>{{ $say('fruitLedger.of', { part: PART_NAMES[part] }) }}</dt>
            <dd>
              <QuantityField
                kind="count"
                :label="$say('fruitLedger.fromHowMany', { part: PART_NAMES[part], fruit: fruitName(fruit) })"
                :model-value="e.take[part]" :max="e.count"
                @update:model-value="v => change(e.id, part, x => withTake(x, part, v))" @done="ws.endGesture()"
              />
            </dd>
            <dd class="gives num">
              {{
                e.take[part] > 0
                  ? range(yields[part])
                  : free(e, part) > 0
                    ? $say('fruitLedger.leftToTake', { part: free(e, part) })
                    : $say('fruitLedger.noneLeft')
              }}
              <span v-if="part === 'juice' && ownJuice(e.fruitId) > 0" class="soft small" data-own-rule>
                {{
                  $say('fruitLedger.byYourOwnRule',
                       { own: fmt.grams(ownJuice(e.fruitId)), table: fmt.grams(fruit.juiceG) })
                }}
              </span>
              <span v-if="part === 'juice' && e.measuredJuiceG !== null" class="soft small">
                {{ $say('fruitLedger.measured') }}
              </span>
            </dd>
          </div>
        </dl>
      </li>
    </ul>
    <p v-else class="soft">{{ $say('fruitLedger.noFruitEnteredYetAddWhat') }}</p>
    <form class="add" @submit.prevent="add">
      <label class="sr" for="add-fruit">{{ $say('fruitLedger.addFruit') }}</label>
      <select id="add-fruit" v-model="adding" class="native">
        <option value="" disabled>{{ $say('fruitLedger.addFruit') }}</option>
        <option v-for="f in options" :key="f.id" :value="f.id">{{ fruitName(f) }}</option>
      </select>
      <UButton
        type="submit" variant="outline" color="neutral" size="sm" :label="$say('fruitLedger.add')" :disabled="!adding"
      />
    </form>
    <p class="soft small">{{ $say('fruitLedger.zestOrPeelFirstThenJuice') }}</p>
    <h2 class="section-title needs">{{ $say('fruitLedger.whatTheFormulaNeedsOfIt') }}</h2>
    <UTable v-if="rows.length" :data="rows" :columns="COLUMNS" :ui="TABLE_UI" class="stack">
      <template #name-cell="{ row: { original: r } }"><b>{{ fmt.name(r.ingredientId) }}</b></template>
      <template #needs-cell="{ row: { original: r } }">{{ fmt.grams(r.needG) }}</template>
      <template #gives-cell="{ row: { original: r } }">
        <span :data-ledger="r.ingredientId">
          {{ r.gives ? range(r.gives) : $say('fruitLedger.nothingYet') }}
          <span v-if="r.measured" class="soft small">{{ $say('fruitLedger.measured') }}</span>
          <span v-if="r.lot" class="soft small lot">
            {{
              r.lot.massG === null
                ? $say('fruitLedger.ofTheLot', { name: r.lot.name })
                : $say('fruitLedger.inHandOfTheLot', { name: r.lot.name, massG: fmt.grams(r.lot.massG) })
            }}
          </span>
          <b v-if="r.shortG > 0.5" class="short"> {{ $say('fruitLedger.short', { shortG: fmt.grams(r.shortG) }) }}</b>
        </span>
      </template>
      <template #buy-cell="{ row: { original: r } }">
        <template v-if="r.shortG > 0.5">
          <span v-for="b in r.buy.slice(0, 2)" :key="b.fruitId" class="buy">
            <b class="num">{{ b.likely }}</b> {{ fruitName(b.fruitId) }}
            <span class="soft small">{{ $say('fruitLedger.toBeSure', { sure: b.sure }) }}</span>
          </span>
        </template>
        <span v-else>{{ $say('fruitLedger.enough') }}</span>
      </template>
      <template #acts-cell="{ row: { original: r } }">
        <span v-if="r.gives && Math.abs(r.gives.g / r.needG - 1) > 0.005" class="acts">
          <UButton
            size="sm" variant="outline" color="neutral"
            :label="$say('fruitLedger.lineTo', { gives: fmt.grams(r.gives.g) })" @click="setLine(r.lineId, r.gives.g)"
          />
          <UButton
            size="sm" variant="outline" color="neutral" :label="$say('fruitLedger.scaleAll')"
            @click="scaleTo(r.lineId, r.needG, r.gives.g)"
          />
        </span>
      </template>
    </UTable>
    <p v-else class="soft">{{ $say('fruitLedger.noLineOfThisFormulaComes') }}</p>
  </section>
</template>

<style scoped>
.entries { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--ink); }
.entries li { border-bottom: 1px solid var(--hairline); padding: 0.6rem 0; }
.top {
  display: grid; grid-template-columns: minmax(7rem, 1.4fr) repeat(4, minmax(0, 7.5rem)) 44px; gap: 0.8rem;
  align-items: end;
}
.top > b { align-self: center; }
.parts { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 1rem; margin: 0.4rem 0 0; }
.parts > div { display: grid; grid-template-columns: auto 4.2rem; align-items: center; gap: 0 0.5rem; }
.parts dt { color: var(--ink-soft); } .parts dd { margin: 0; } .gives { grid-column: 1 / -1; font-size: 0.94rem; }
.by-weight { margin: 0.2rem 0; } .by-weight button { min-height: 44px; cursor: pointer; }
.add { display: flex; gap: 0.6rem; margin: 0.6rem 0; max-width: 24rem; }
.needs { margin-top: 1.4rem; }
.short { color: var(--blood); margin-left: 0.5rem; }
.buy, .lot { display: block; }
.acts { display: flex; flex-wrap: wrap; gap: 0.4rem; }
@media (max-width: 1100px) {
  .parts { grid-template-columns: repeat(2, minmax(0, 1fr)); }
  .top { grid-template-columns: repeat(2, minmax(0, 1fr)); }
  .top > b { grid-column: 1 / -1; }
}
</style>
