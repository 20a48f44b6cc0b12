<script setup lang="ts">
/** What a day takes: weighed and squeezed by station, what binds, what to buy, which tins, what is left over. */
import { FRUITS } from '#core/base/ingredients/measures'
import { type Leftover, offersFor } from '#core/ledger/leftovers'
import { cutTo, LEDGER_STATIONS, type LedgerLine } from '#core/ledger/ledger'
import type { EggUse, FormulaList, FormulaRecord } from '../../../shared/schemas/wire'
import { boughtWords, leftName, STATION_NAMES } from '~/words/ledger'
import { fruitName } from '~/words/stock'
import { factorWords } from '~/words/factor'
import { say } from '~/words/say'

const props = defineProps<{ day: LiveDay, date: string, nameOf: (dessertId: string) => string }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const ledger = computed(() => props.day.ledger.value)
const sheet = computed(() => props.day.sheet.value!)
const stations = computed(() => LEDGER_STATIONS.flatMap((station) => {
  const lines = ledger.value?.lines.filter(l => l.station === station) ?? []
  return lines.length > 0 ? [{ station, lines }] : []
}))
/** Eggs from the shell are counted, the rest is weighed. */
const amount = (l: LedgerLine) =>
  l.eggs === null ? fmt.grams(l.needG) : say('ledger.pieces', { n: l.eggs, grams: fmt.grams(l.needG) })
const haveOf = (id: string) => sheet.value.have?.find(h => h.ingredientId === id)?.massG ?? null
function setHave(ingredientId: string, massG: number | null) {
  props.day.change((s) => {
    const others = (s.have ?? []).filter(h => h.ingredientId !== ingredientId)
    s.have = massG === null ? others : [...others, { ingredientId, massG }]
  })
}
/** What the kitchen's lots hold of it and are still good for. */
const inLots = (id: string) => (kitchen.record?.lots ?? [])
  .filter(l => l.ingredientId === id && (l.useBy === null || l.useBy >= props.date))
  .reduce((s, l) => s + (l.massG ?? 0), 0)
function cut(dessertId: string, factor: number) {
  props.day.change((s) => {
    const d = s.desserts.find(x => x.id === dessertId)!
    const { portions, count } = ledger.value!.cost.byDessert.find(c => c.dessertId === dessertId)!
    d.count = cutTo(d.count ?? (d.countOf === 'vessels' ? count : portions), factor)
    d.fixed = {}
  })
}

/* What is left over: kept as a lot, offered to what would use it. */
const takers = shallowRef<{ id: string, name: string, eggs: EggUse }[]>([])
onMounted(async () => {
  const list = await api<FormulaList>('/api/formulas', { query: { eggs: '1' } }).catch(() => null)
  takers.value = (list?.items ?? []).flatMap(i => (i.eggs ? [{ id: i.id, name: i.name, eggs: i.eggs }] : []))
})
/** What a whole batch of a formula weighs, g; asked for once it is offered. */
const batchG = reactive(new Map<string, number>())
async function weigh(id: string) {
  if (batchG.has(id)) return
  batchG.set(id, 0)
  const record = await api<FormulaRecord>(`/api/formulas/${id}`).catch(() => null)
  const lines = record?.document.formula.components.flatMap(c => c.lines) ?? []
  batchG.set(id, lines.reduce((s, x) => s + x.massG, 0))
}
watch([ledger, takers], () => {
  for (const l of ledger.value?.leftovers ?? []) for (const o of offers(l)) void weigh(o.id)
})
const offerWords = (o: { id: string, name: string, factor: number }) => {
  const grams = batchG.get(o.id) ?? 0
  const what = { factor: factorWords(o.factor), name: o.name }
  return grams > 0 ? say('ledger.offerOf', { ...what, grams: fmt.grams(o.factor * grams) }) : say('ledger.offer', what)
}
const offers = (l: Leftover) => offersFor(l, takers.value.map(t => ({ id: t.id, name: t.name, ...t.eggs }))).slice(0, 2)
const lotName = (l: Leftover) => say('ledger.lotName', { what: leftName(l.ingredientId), day: fmt.day(props.date) })
const isKept = (l: Leftover) => (kitchen.record?.lots ?? []).some(x => x.name === lotName(l))
async function keep(l: Leftover) {
  await kitchen.saveLot({
    id: crypto.randomUUID(), name: lotName(l), ingredientId: l.ingredientId, acidPercent: null, pH: null, brix: null,
    fatPercent: null, acidLnSigma: null, massG: Math.round(l.massG), method: { kind: 'entered' }, useBy: l.useBy,
  }, null)
}
const fruitOf = (id: string) => fruitName(FRUITS.find(f => f.id === id)!)
</script>

<template>
  <section v-if="ledger && ledger.lines.length" class="ledger" data-ledger>
    <div v-if="ledger.binds" class="binds" role="status" data-binds>
      <p>
        <b>{{ $say('ledger.binds', { what: fmt.name(ledger.binds.ingredientId), share: fmt.percent(ledger.binds.allows) }) }}</b>
        {{ $say('ledger.oneGives') }}
      </p>
      <p class="presses no-print">
        <template v-for="c in ledger.binds.cuts" :key="c.dessertId">
          <button v-if="c.factor > 0" type="button" class="flat" :data-cut="nameOf(c.dessertId)" @click="cut(c.dessertId, c.factor)">
            {{ $say('ledger.cut', { name: nameOf(c.dessertId), factor: factorWords(c.factor) }) }}
          </button>
        </template>
      </p>
    </div>
    <div class="stations">
      <article v-for="{ station, lines } in stations" :key="station" :data-station="station">
        <h3>{{ STATION_NAMES[station] }}</h3>
        <ul v-if="station === 'squeeze'" class="fruit">
          <li v-for="f in ledger.fruit" :key="f.fruitId" :data-fruit="f.fruitId">
            <b>{{ f.count }} × {{ fruitOf(f.fruitId) }}</b>
            <span class="soft">
              {{ f.asks === 'zest' ? $say('ledger.forZest', { zest: fmt.grams(f.zestG) }) : $say('ledger.forJuice', { juice: fmt.grams(f.juiceG) }) }}
              <template v-if="f.zestG > 0"> {{ $say('ledger.zestFirst') }}</template>
            </span>
          </li>
        </ul>
        <p v-if="station === 'crack'" class="fruit" data-eggs>
          <b>{{ $say('ledger.eggs', { n: ledger.eggs.shells }) }}</b>
          <span v-if="ledger.eggs.haveShells !== null" class="soft">{{ $say('ledger.eggsThere', { n: ledger.eggs.haveShells }) }}</span>
        </p>
        <table>
          <tbody>
            <tr v-for="l in lines" :key="l.ingredientId" :data-line="l.ingredientId" :class="{ blood: l.shortG > 0 }">
              <th scope="row">
                {{ fmt.name(l.ingredientId) }}
                <span class="soft small">{{ l.by.map(b => `${nameOf(b.dessertId)} ${fmt.grams(b.massG)}`).join('; ') }}</span>
              </th>
              <td class="num amount">{{ amount(l) }}</td>
              <td class="have no-print">
                <QuantityField
                  kind="mass" :label="$say('ledger.haveOf', { name: fmt.name(l.ingredientId) })" :model-value="haveOf(l.ingredientId) ?? 0"
                  :ingredient-id="l.ingredientId" :blank="$say('ledger.notSaid')" :max="1000000"
                  @update:model-value="v => setHave(l.ingredientId, v > 0 ? v : null)"
                />
                <button
                  v-if="inLots(l.ingredientId) > 0 && haveOf(l.ingredientId) === null" type="button" class="underline small"
                  @click="setHave(l.ingredientId, inLots(l.ingredientId))"
                >
                  {{ $say('ledger.inLots', { grams: fmt.grams(inLots(l.ingredientId)) }) }}
                </button>
                <span v-if="l.shortG > 0" class="small">{{ $say('ledger.short', { grams: fmt.grams(l.shortG) }) }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </article>
    </div>
    <div class="stations">
      <article data-shopping>
        <h3>{{ $say('ledger.shopping') }}</h3>
        <ul><li v-for="s in ledger.shopping" :key="s.id">{{ boughtWords(s, fmt) }}</li></ul>
        <p v-if="ledger.shopping.length === 0" class="soft">{{ $say('ledger.nothingToBuy') }}</p>
      </article>
      <article data-tins>
        <h3>{{ $say('ledger.tins') }}</h3>
        <ul>
          <li v-for="(t, i) in ledger.tins" :key="i">
            {{ t.count }} × {{ t.name ?? $say('ledger.tinOf', { size: fmt.cm(t.lengthM) }) }}
            <span class="soft small">{{ t.dessertIds.map(nameOf).join(', ') }}</span>
          </li>
        </ul>
      </article>
      <article data-cost>
        <h3>{{ $say('ledger.cost', { total: fmt.money(ledger.cost.total) }) }}</h3>
        <ul>
          <li v-for="c in ledger.cost.byDessert" :key="c.dessertId">
            {{ nameOf(c.dessertId) }}: {{ fmt.money(c.cost) }}, {{ $say('ledger.aCover', { cost: fmt.money(c.cost / c.portions) }) }}
          </li>
        </ul>
        <p v-if="ledger.cost.missing.length" class="soft small">
          {{ $say('ledger.unpriced', { names: ledger.cost.missing.map(fmt.name).join(', ') }) }}
        </p>
      </article>
      <article data-left>
        <h3>{{ $say('ledger.left') }}</h3>
        <ul class="left">
          <li v-for="l in ledger.leftovers" :key="l.ingredientId" :data-leftover="l.ingredientId">
            <b>{{ l.count !== null ? `${l.count} ${leftName(l.ingredientId)}` : leftName(l.ingredientId) }}, {{ fmt.grams(l.massG) }}</b>
            {{ l.basis === 'code' ? $say('ledger.goodByCode', { day: fmt.day(l.useBy) }) : $say('ledger.goodByPractice', { day: fmt.day(l.useBy) }) }}
            <template v-if="l.freezerDays !== null"> {{ $say('ledger.orFreeze', { days: l.freezerDays }) }}</template>
            <template v-for="o in offers(l)" :key="o.id">
              <br><NuxtLink class="underline offer" :to="`/formula/${o.id}/stock`">{{ offerWords(o) }}</NuxtLink>
            </template>
            <span class="no-print">
              <button v-if="!isKept(l)" type="button" class="flat" data-keep @click="keep(l)">{{ $say('ledger.keepLot') }}</button>
              <span v-else class="soft">{{ $say('ledger.isLot') }}</span>
            </span>
          </li>
        </ul>
        <p v-if="ledger.leftovers.length === 0" class="soft">{{ $say('ledger.nothingLeft') }}</p>
        <p class="soft small">{{ $say('ledger.caution') }}</p>
      </article>
    </div>
  </section>
</template>

<style scoped>
.stations { display: grid; grid-template-columns: repeat(auto-fill, minmax(min(27rem, 100%), 1fr)); gap: 0 2.5rem; align-items: start; }
article { border-top: 1.5px solid var(--ink); padding-top: 0.5rem; margin-top: 1.1rem; }
h3 { font-size: 1.25rem; margin: 0 0 0.3rem; }
table { border-collapse: collapse; width: 100%; }
th, td { text-align: left; padding: 0.35rem 0.6rem 0.35rem 0; border-bottom: 1px solid var(--hairline); vertical-align: top; }
th { font-weight: 600; } th span { display: block; font-weight: 400; }
.amount { white-space: nowrap; font-weight: 600; text-align: right; } .have { width: 8.5rem; }
ul { list-style: none; margin: 0; padding: 0; } li { padding: 0.3rem 0; border-bottom: 1px solid var(--hairline); }
.fruit { margin: 0 0 0.3rem; } .fruit b { font-size: 1.15rem; margin-right: 0.6rem; }
.offer { min-height: 32px; display: inline-block; }
.binds { border-left: 4px solid var(--blood); padding: 0.5rem 0.9rem; margin-top: 1rem; } .binds p { margin: 0 0 0.4rem; }
.presses { display: flex; flex-wrap: wrap; gap: 0.6rem; }
.blood .amount, .blood .have { color: var(--blood); }
@media print { .stations { grid-template-columns: 1fr 1fr; } article { break-inside: avoid; } }
</style>
