<script setup lang="ts">
/** Lots of known strength: a card for how it was found, and bringing a lot to a wanted strength. */
import { InputError } from '#core/base/errors'
import { fillingOf, type Bench } from '#core/formula/bench'
import { lotStrength, type Lot } from '#core/kitchen/kitchen'
import { hasTrait, findIngredient } from '#core/base/ingredients/ingredients'
import { labelOf } from '#core/base/ingredients/label'
import type { Ingredient } from '#core/base/ingredients/types'
import { thawPackS } from '#core/plan/thaw'
import { carriesFat, figuresOf, LOT_METHODS, toStrength, type LotMethod } from '#core/kitchen/strength'
import { TABLE_UI, unseen } from '~/composables/tableStyle'
import { METHOD_WORDS, packWords } from '~/words/stock'
import type { LotRecord } from '../../../shared/kitchen'
import { fieldWords } from '~/words/problems'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const toast = useToast()
const lots = computed(() => kitchen.record?.lots ?? [])
const lines = computed(() => fillingOf(props.doc).lines)
const { options: all } = useIngredients()
/** What can be a lot: juices, purées, wines, creams, whites, fillings in packs; the formula's own first. */
const options = computed(() => {
  const here = new Set(lines.value.map(l => l.ingredientId))
  const rows = all.value.flatMap(o => findIngredient(o.id) ?? [])
  const isStock = (i: Ingredient) => hasTrait(i.id, 'white') || labelOf(i.id)?.set != null
  return rows.filter(i => (i.group === 'juice' && i.acid) || carriesFat(i) || isStock(i)).sort(
    (a, b) => Number(here.has(b.id)) - Number(here.has(a.id)),
  )
})
const blank = (ingredientId: string): Lot => ({
  id: crypto.randomUUID(),
  name: '',
  ingredientId,
  acidPercent: null,
  pH: null,
  brix: null,
  fatPercent: null,
  acidLnSigma: null,
  massG: null,
  method: startOf('titration'),
  useBy: null,
})
function startOf(kind: LotMethod['kind']): LotMethod {
  switch (kind) {
    case 'titration':
      return { kind, sampleG: 1.5, mlNaOH: 12, molarity: 0.1, endPH: 8.2 }
    case 'refractometer':
      return { kind, readingBrix: 8 }
    case 'pH':
      return { kind, by: 'meter', pH: 2.4 }
    case 'taste':
      return {
        kind,
        knownName: say('strengthBench.typicalLemonJuice'),
        knownAcidPercent: 5.5,
        knownWaterMl: 0,
        waterMl: 0,
      }
    case 'blend':
      return { kind, parts: [] }
    case 'packed':
      return { kind, packG: 250, frozen: true }
    case 'entered':
      return { kind }
  }
}
/** The card being written survives leaving the station and a reload. */
const card = useKept<Lot | null>('lumbik:lot-card', null, {
  serializer: { read: v => JSON.parse(v) as Lot | null, write: v => JSON.stringify(v) },
})
/** What the lot was when its card was opened: what somebody else changes meanwhile is merged with that. */
const base = useKept<LotRecord | null>('lumbik:lot-card-base', null, {
  serializer: { read: v => JSON.parse(v) as LotRecord | null, write: v => JSON.stringify(v) },
})
function editLot(lot: LotRecord) {
  base.value = toPlain(lot)
  card.value = toPlain(lot)
}
const row = computed(() => card.value ? findIngredient(card.value.ingredientId) ?? null : null)
/** Ways its strength is found; what is no juice is entered, or put up in packs. */
const methods = computed(() => LOT_METHODS.filter(m =>
  (isJuice.value ? m !== 'blend' || card.value!.method.kind === 'blend' : m === 'entered' || m === 'packed')))
const isJuice = computed(() => !!row.value?.acid && row.value.group === 'juice')
const begin = () => {
  card.value = blank(
    lines.value.find(l => findIngredient(l.ingredientId)?.group === 'juice')?.ingredientId ?? options.value[0]!.id,
  )
}
const figures = computed(() => {
  if (!card.value || !row.value) return null
  try {
    return { ...figuresOf(row.value, card.value.method), problem: '' }
  } catch (e) {
    if (e instanceof InputError)
      return {
        acidPercent: null,
        acidLnSigma: null,
        pH: null,
        brix: null,
        fatPercent: null,
        problem:
          e.code === 'outOfReach'
            ? say('strengthBench.noJuiceOfThisKindHas')
            : say('strengthBench.cannotBe', {
                path: fieldWords(e.path),
                that: e.code === 'tooSmall' ? say('strengthBench.soSmall') : say('strengthBench.that'),
              }),
      }
    throw e
  }
})
const acid = computed(() => figures.value?.acidPercent ?? card.value?.acidPercent ?? null)
function edit(part: Partial<Lot>) {
  if (card.value) card.value = { ...card.value, ...part }
}
function editMethod(part: Record<string, unknown>) {
  if (card.value) edit({ method: { ...card.value.method, ...part } as LotMethod })
}
const busy = ref(false)
const refused = ref('')
async function save(use: boolean) {
  if (!card.value || busy.value) return
  const found = figures.value
    ? Object.fromEntries(Object.entries(figures.value).filter(([k, v]) => k !== 'problem' && v !== null))
    : {}
  const lot = {
    ...card.value,
    ...found,
    name: card.value.name.trim() || `${fmt.name(card.value.ingredientId)}, ${fmt.day(new Date().toISOString())}`,
  } as Lot
  busy.value = true
  refused.value = ''
  const problem = await kitchen.saveLot(toPlain(lot), base.value?.id === lot.id ? toPlain(base.value) : null)
  busy.value = false
  if (problem) {
    refused.value = say('strengthBench.notSaved', { path: fieldWords(problem.path) })
    return
  }
  card.value = null
  base.value = null
  if (use) useLot(lot)
  else toast.add({ title: say('strengthBench.lotSaved', { name: lot.name }) })
}
/** Lines of this formula that take the lot. */
const takers = (lot: Lot) => lines.value.filter(l => l.ingredientId === lot.ingredientId)
function useLot(lot: Lot) {
  const ids = takers(lot).map(l => l.id)
  ws.change('', (d) => { for (const l of fillingOf(d).lines) if (ids.includes(l.id)) l.strength = lotStrength(lot) })
  toast.add({
    title: ids.length
      ? say('strengthBench.theFormulaFollows', { name: lot.name })
      : say('strengthBench.lotSavedNoLineOfThis', { name: lot.name }),
  })
}
const used = (lot: Lot) => takers(lot).some(l => l.strength?.kind === 'lot' && l.strength.lotId === lot.id)
async function remove(lot: Lot) {
  if (await kitchen.removeLot(lot.id))
    toast.add({
      title: say('strengthBench.isPutAway', { name: lot.name }),
      actions: [
        {
          label: say('strengthBench.undo'),
          onClick: () => {
            void kitchen.reviveLot(lot.id)
          },
        },
      ],
    })
  else toast.add({ title: say('strengthBench.wasNotPutAwayTheServer', { name: lot.name }), color: 'error' })
}
/** "6 packs of 250 g, frozen: thaw 5 h in the fridge" */
function packedWords({ ingredientId, massG }: Lot, { packG, frozen }: LotMethod & { kind: 'packed' }): string {
  const packs = say('packUp.gives', { packs: packWords((massG ?? packG) / packG, fmt), each: fmt.grams(packG) })
  return frozen
    ? say('strengthBench.packsFrozen', { packs, time: fmt.duration(thawPackS(ingredientId, packG).fridge) }) : packs
}
const figureWords = (l: Lot) =>
  [
    l.acidPercent !== null &&
    `${fmt.fixed(l.acidPercent, 1)} % acid${l.acidLnSigma ? ` ± ${fmt.percent(l.acidLnSigma)}` : ''}`,
    l.pH !== null && `pH ${fmt.fixed(l.pH, 2)}`,
    l.brix !== null && `${fmt.fixed(l.brix, 1)} °Bx`,
    l.fatPercent !== null && `${fmt.fixed(l.fatPercent, 1)} % fat`,
    l.massG !== null && fmt.grams(l.massG),
    l.method.kind === 'packed' && packedWords(l, l.method),
  ]
    .filter(Boolean)
    .join(', ') || say('strengthBench.nothingMeasured')
const columns = [
  { accessorKey: 'name', header: say('strengthBench.lot') },
  { accessorKey: 'figures', header: say('strengthBench.strengthAsCitric') },
  { accessorKey: 'method', header: say('strengthBench.foundBy') },
  { id: 'acts', header: unseen(say('labelPanel.whatCanBeDone')) },
]
const data = computed(() =>
  lots.value.map(l => ({
    lot: l,
    name: l.name,
    figures: figureWords(l),
    method: METHOD_WORDS[l.method.kind].name.toLowerCase(),
  })),
)

/* To a wanted strength. */
const fromId = ref('')
const otherId = ref('')
const wanted = ref(5)
const massG = ref(500)
const juices = computed(() => lots.value.filter(l => l.acidPercent !== null))
const from = computed(() => juices.value.find(l => l.id === fromId.value) ?? juices.value[0] ?? null)
const other = computed(() => juices.value.find(l => l.id === otherId.value) ?? null)
watch(from, (l) => { if (l?.massG) massG.value = l.massG }, { immediate: true })
const way = computed(() =>
  from.value ? toStrength(massG.value, from.value.acidPercent!, wanted.value, other.value?.acidPercent ?? null) : null,
)
function blended() {
  const a = from.value
  if (!a || !way.value) return
  const parts = [{ name: a.name, massG: massG.value, acidPercent: a.acidPercent! }]
  if (other.value && way.value.otherG !== null)
    parts.push({ name: other.value.name, massG: way.value.otherG, acidPercent: other.value.acidPercent! })
  else if (way.value.citricG !== null)
    parts.push({ name: say('strengthBench.citricAcid'), massG: way.value.citricG, acidPercent: 100 })
  else if (way.value.waterG !== null) parts.push({ name: 'water', massG: way.value.waterG, acidPercent: 0 })
  card.value = {
    ...blank(a.ingredientId),
    name: say('strengthBench.broughtTo', { name: a.name, wanted: fmt.fixed(wanted.value, 1) }),
    massG: Math.round(parts.reduce((s, p) => s + p.massG, 0)),
    method: { kind: 'blend', parts },
  }
}
</script>

<template>
  <section class="strength">
    <h2 class="section-title">
      {{ $say('strengthBench.lotsOfKnownStrength') }}
      <UButton
        v-if="!card" size="sm" variant="outline" color="neutral" :label="$say('strengthBench.aNewLot')" class="ml-3"
        @click="begin"
      />
    </h2>
    <form v-if="card && row" class="card" data-card="lot" @submit.prevent="save(true)">
      <div class="grid">
        <div>
          <label class="field-label" for="lot-what">{{ $say('strengthBench.whatItIs') }}</label>
          <select
            id="lot-what" class="native" :value="card.ingredientId"
            @change="edit({ ingredientId: ($event.target as HTMLSelectElement).value })"
          >
            <option v-for="o in options" :key="o.id" :value="o.id">{{ fmt.name(o.id) }}</option>
          </select>
        </div>
        <div>
          <label class="field-label" for="lot-name">{{ $say('strengthBench.nameOfTheLot') }}</label>
          <input
            id="lot-name" class="native" maxlength="80" :value="card.name"
            :placeholder="$say('strengthBench.benchCrateDate')"
            @input="edit({ name: ($event.target as HTMLInputElement).value })"
          >
        </div>
        <QuantityField
          field="lot.massG" kind="mass" show-label :label="$say('strengthBench.howMuchThereIs')"
          :blank="$say('strengthBench.notWeighed')" :model-value="card.massG ?? 0"
          @update:model-value="v => edit({ massG: v > 0 ? v : null })"
        />
        <div>
          <label class="field-label" for="lot-by">{{ $say('strengthBench.useBy') }}</label>
          <input
            id="lot-by" type="date" class="native" :value="card.useBy ?? ''"
            @change="edit({ useBy: ($event.target as HTMLInputElement).value || null })"
          >
        </div>
      </div>
      <template v-if="isJuice || card.method.kind === 'packed' || hasTrait(card.ingredientId, 'white')">
        <div class="choices" role="group" :aria-label="$say('strengthBench.howItsStrengthIsFound')">
          <button
            v-for="m in methods" :key="m" type="button"
            :aria-pressed="card.method.kind === m" @click="edit({ method: startOf(m) })"
          >
            {{ METHOD_WORDS[m].name }}
          </button>
        </div>
        <div class="grid">
          <template v-if="card.method.kind === 'titration'">
            <QuantityField
              field="method.sampleG" kind="percent" unit-text="g" show-label :label="$say('strengthBench.sample')"
              :model-value="card.method.sampleG" @update:model-value="v => editMethod({ sampleG: v })"
            />
            <QuantityField
              field="method.mlNaOH" kind="percent" :unit-text="$say('strengthBench.ml')" show-label
              :label="$say('strengthBench.naOHUsed')" :model-value="card.method.mlNaOH"
              @update:model-value="v => editMethod({ mlNaOH: v })"
            />
            <QuantityField
              field="method.molarity" kind="percent" :unit-text="$say('strengthBench.molL')" :step="0.01" show-label
              :label="$say('strengthBench.strengthOfNaOH')" :model-value="card.method.molarity"
              @update:model-value="v => editMethod({ molarity: v })"
            />
            <QuantityField
              field="method.endPH" kind="percent" :unit-text="$say('strengthBench.pH')" show-label
              :label="$say('strengthBench.endPoint')" :model-value="card.method.endPH"
              @update:model-value="v => editMethod({ endPH: v })"
            />
          </template>
          <QuantityField
            v-else-if="card.method.kind === 'refractometer'" field="method.readingBrix" kind="percent"
            :unit-text="$say('strengthBench.bx')" show-label :label="$say('strengthBench.reading')"
            :model-value="card.method.readingBrix" @update:model-value="v => editMethod({ readingBrix: v })"
          />
          <template v-else-if="card.method.kind === 'pH'">
            <QuantityField
              field="method.pH" kind="percent" :unit-text="$say('strengthBench.pH')" show-label
              :label="$say('strengthBench.reading')" :step="0.05" :model-value="card.method.pH"
              @update:model-value="v => editMethod({ pH: v })"
            />
            <div>
              <label class="field-label" for="ph-by">{{ $say('strengthBench.by') }}</label>
              <select
                id="ph-by" class="native" :value="card.method.by"
                @change="editMethod({ by: ($event.target as HTMLSelectElement).value })"
              >
                <option value="meter">{{ $say('strengthBench.meterCalibrated') }}</option>
                <option value="paper">{{ $say('strengthBench.paper') }}</option>
              </select>
            </div>
          </template>
          <template v-else-if="card.method.kind === 'taste'">
            <div>
              <label class="field-label" for="known">{{ $say('strengthBench.theKnownOne') }}</label>
              <input
                id="known" class="native" maxlength="80" :value="card.method.knownName"
                @input="editMethod({ knownName: ($event.target as HTMLInputElement).value })"
              >
            </div>
            <QuantityField
              field="method.knownAcidPercent" kind="percent" :unit-text="$say('strengthBench.acid')" show-label
              :label="$say('strengthBench.itsStrength')" :model-value="card.method.knownAcidPercent"
              @update:model-value="v => editMethod({ knownAcidPercent: v })"
            />
            <QuantityField
              field="method.knownWaterMl" kind="percent" :unit-text="$say('strengthBench.ml')" :step="1" show-label
              :label="$say('strengthBench.waterTo10MlOfThe')" :model-value="card.method.knownWaterMl"
              @update:model-value="v => editMethod({ knownWaterMl: v })"
            />
            <QuantityField
              field="method.waterMl" kind="percent" :unit-text="$say('strengthBench.ml')" :step="1" show-label
              :label="$say('strengthBench.waterTo10MlOfMine')" :model-value="card.method.waterMl"
              @update:model-value="v => editMethod({ waterMl: v })"
            />
          </template>
          <p v-else-if="card.method.kind === 'blend'" class="wide">
            {{ card.method.parts.map(p => `${fmt.grams(p.massG)} ${p.name}`).join(' + ') }}
          </p>
          <template v-else-if="card.method.kind === 'packed'">
            <QuantityField
              field="method.packG" kind="mass" show-label :label="$say('packUp.each')" :step="10"
              :model-value="card.method.packG" @update:model-value="v => editMethod({ packG: v })"
            />
            <div>
              <label class="field-label" for="lot-kept">{{ $say('packUp.kept') }}</label>
              <select
                id="lot-kept" class="native" :value="card.method.frozen ? 'frozen' : 'cold'"
                @change="editMethod({ frozen: ($event.target as HTMLSelectElement).value === 'frozen' })"
              >
                <option value="cold">{{ $say('packUp.cold') }}</option>
                <option value="frozen">{{ $say('packUp.frozen') }}</option>
              </select>
            </div>
            <QuantityField
              v-if="isJuice" kind="percent" :unit-text="$say('strengthBench.acid')" show-label
              :label="$say('strengthBench.acidAsCitric')" :model-value="card.acidPercent ?? row.acid!.typical"
              :min="0.05" :max="15" @update:model-value="v => edit({ acidPercent: v })"
            />
          </template>
          <template v-else-if="isJuice">
            <QuantityField
              kind="percent" :unit-text="$say('strengthBench.acid')" show-label
              :label="$say('strengthBench.acidAsCitric')" :model-value="card.acidPercent ?? row.acid!.typical"
              :min="0.05" :max="15" @update:model-value="v => edit({ acidPercent: v })"
            />
            <QuantityField
              kind="percent" :unit-text="$say('strengthBench.pH')" show-label :label="$say('strengthBench.pH')"
              :blank="$say('strengthBench.notKnown')" :model-value="card.pH ?? 0" :max="6"
              @update:model-value="v => edit({ pH: v > 1 ? v : null })"
            />
            <QuantityField
              field="lot.brix" kind="percent" :unit-text="$say('strengthBench.bx')" show-label
              :label="$say('strengthBench.brix')" :blank="$say('strengthBench.notKnown')" :model-value="card.brix ?? 0"
              @update:model-value="v => edit({ brix: v > 0 ? v : null })"
            />
          </template>
        </div>
        <p v-if="card.method.kind === 'taste'" class="soft small">{{ $say('strengthBench.putWaterToTheSharperOf') }}</p>
        <p v-if="card.method.kind === 'refractometer'" class="soft small">
          {{ $say('strengthBench.aRefractometerDoesNotMeasureAcid') }}
          <template v-if="hasTrait(card.ingredientId, 'brixTellsAcid')">
            {{ $say('strengthBench.forLemonAndLimeItGives') }}
          </template>
          <template v-else>{{ $say('strengthBench.onlyTheSolidsOfThisJuice') }}</template>
        </p>
        <p v-if="card.method.kind === 'titration'" class="soft small">
          {{ $say('strengthBench.naOHBurnsSkinAndEyesGoggles') }}
        </p>
        <p v-if="card.method.kind === 'pH' && card.method.by === 'paper'" class="soft small">
          {{ $say('strengthBench.paperIsReadToAbout3') }}
        </p>
      </template>
      <QuantityField
        v-else-if="carriesFat(row)" field="lot.fatPercent" kind="percent" :unit-text="$say('strengthBench.fat')" show-label
        :label="$say('strengthBench.fatFromTheLabel')" class="fat"
        :model-value="card.fatPercent ?? row.per100g.fat ?? 0" @update:model-value="v => edit({ fatPercent: v })"
      />
      <p class="answer" data-answer="strength" aria-live="polite">
        <template v-if="figures?.problem"><b class="bad">{{ figures.problem }}</b></template>
        <template v-else-if="isJuice && acid !== null">
          <b class="display num">{{ fmt.fixed(acid, 1) }} %</b>
          {{ $say('strengthBench.acidAsCitric2') }}<template v-if="figures?.acidLnSigma">, ± {{ fmt.percent(figures.acidLnSigma) }}</template>
          <template v-if="figures?.brix">
            {{ $say('strengthBench.bxOfTrueSolids', { brix: fmt.fixed(figures.brix, 1) }) }}
          </template>{{ $say('strengthBench.typicalFruitHas', { typical: fmt.fixed(row.acid!.typical, 1) }) }}
        </template>
        <template v-else-if="figures?.brix">
          <b class="display num">{{ $say('strengthBench.bx2', { brix: fmt.fixed(figures.brix, 1) }) }}</b>
          {{ $say('strengthBench.ofTrueSolids') }}
        </template>
      </p>
      <div class="acts">
        <UButton
          type="submit"
          :label="takers(card).length ? $say('strengthBench.saveAndUseItHere') : $say('strengthBench.saveTheLot')"
          :disabled="busy || !!figures?.problem"
        />
        <UButton
          v-if="takers(card).length" variant="outline" color="neutral" :label="$say('strengthBench.saveOnly')"
          :disabled="busy || !!figures?.problem" @click="save(false)"
        />
        <UButton variant="ghost" color="neutral" :label="$say('strengthBench.putTheCardAway')" @click="card = null" />
        <span v-if="refused" class="bad" role="alert">{{ refused }}</span>
      </div>
    </form>
    <UTable v-if="lots.length" :data="data" :columns="columns" class="lots stack" :ui="TABLE_UI">
      <template #name-cell="{ row: r }">
        <b>{{ r.original.name }}</b>
        <span class="soft small block">
          {{ fmt.name(r.original.lot.ingredientId) }}<template v-if="r.original.lot.useBy">
            {{ $say('strengthBench.useBy2', { lot: fmt.day(r.original.lot.useBy) }) }}
          </template>
        </span>
      </template>
      <template #acts-cell="{ row: r }">
        <span class="acts" :data-lot="r.original.lot.ingredientId">
          <UButton
            v-if="takers(r.original.lot).length" size="sm" variant="outline" color="neutral"
            :label="used(r.original.lot) ? $say('strengthBench.inUseHere') : $say('strengthBench.useHere')"
            :disabled="used(r.original.lot)" @click="useLot(r.original.lot)"
          />
          <UButton
            size="sm" variant="ghost" color="neutral" :to="`/book?lot=${r.original.lot.id}`"
            :label="$say('strengthBench.usedFor')" :aria-label="$say('book.lotUsed', { name: r.original.name })"
          />
          <UButton
            size="sm" variant="ghost" color="neutral" :label="$say('strengthBench.edit')"
            @click="editLot(r.original.lot)"
          />
          <UButton
            size="sm" variant="ghost" color="neutral" icon="i-lucide-x"
            :aria-label="$say('strengthBench.putAway', { name: r.original.name })" @click="remove(r.original.lot)"
          />
        </span>
      </template>
    </UTable>
    <p v-else-if="!card" class="soft">{{ $say('strengthBench.noLotsYetMeasureAJuice') }}</p>
    <template v-if="from">
      <h2 class="section-title bring">{{ $say('strengthBench.bringItToAStrength') }}</h2>
      <div class="grid">
        <div>
          <label class="field-label" for="from-lot">{{ $say('strengthBench.lot') }}</label>
          <select
            id="from-lot" class="native" :value="from.id" @change="fromId = ($event.target as HTMLSelectElement).value"
          >
            <option v-for="l in juices" :key="l.id" :value="l.id">
              {{ l.name }}, {{ fmt.fixed(l.acidPercent!, 1) }} %
            </option>
          </select>
        </div>
        <QuantityField
          v-model="massG" kind="mass" show-label :label="$say('strengthBench.howMuchOfIt')" :min="1" :max="1000000"
        />
        <QuantityField
          v-model="wanted" kind="percent" :unit-text="$say('strengthBench.acid')" show-label
          :label="$say('strengthBench.wantedStrength')" :min="0.1" :max="15"
        />
        <div>
          <label class="field-label" for="other-lot">{{ $say('strengthBench.blendWith') }}</label>
          <select id="other-lot" v-model="otherId" class="native">
            <option value="">{{ $say('strengthBench.nothingElse') }}</option>
            <option v-for="l in juices.filter(x => x.id !== from!.id)" :key="l.id" :value="l.id">
              {{ l.name }}, {{ fmt.fixed(l.acidPercent!, 1) }} %
            </option>
          </select>
        </div>
      </div>
      <p v-if="way" class="answer" data-answer="to-strength" aria-live="polite">
        <template v-if="way.otherG !== null">
          <b class="num">{{ fmt.grams(way.otherG) }}</b>
          {{ $say('strengthBench.ofTo', { name: other!.name, massG: fmt.grams(massG) }) }}<template v-if="way.citricG !== null || way.waterG !== null">{{ $say('strengthBench.or') }} </template>
        </template>
        <template v-if="way.citricG !== null">
          <b class="num">{{ fmt.fixed(way.citricG, 1) }} g</b> {{ $say('strengthBench.citricAcidStirredIn') }}
        </template>
        <template v-if="way.waterG !== null">
          <b class="num">{{ fmt.grams(way.waterG) }}</b> {{ $say('strengthBench.waterToStretchIt') }}
        </template>
        <template v-if="way.citricG === null && way.waterG === null && way.otherG === null">
          {{ $say('strengthBench.itHasThatStrength') }}
        </template>
        <template v-else>{{ $say('strengthBench.acid2', { wanted: fmt.fixed(wanted, 1) }) }}</template>
        <UButton
          v-if="way.citricG !== null || way.waterG !== null || way.otherG !== null" size="sm" variant="outline"
          color="neutral" :label="$say('strengthBench.makeItALot')" class="ml-3" @click="blended"
        />
      </p>
    </template>
  </section>
</template>

<style scoped>
.card { border: 1px solid var(--ink); padding: 1rem 1.1rem; margin-bottom: 1.2rem; background: #fffdf7; }
.grid {
  display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 0.9rem 1.2rem; margin: 0.4rem 0 0.8rem;
  align-items: end;
}
.wide { grid-column: 1 / -1; }
.fat { max-width: 14rem; }
.answer b.display { font-size: 1.7rem; }
.acts { display: flex; flex-wrap: wrap; gap: 0.4rem 0.6rem; align-items: center; }
.bad { color: var(--blood); }
.bring { margin-top: 1.5rem; }
@media (max-width: 1100px) { .grid { grid-template-columns: repeat(2, minmax(0, 1fr)); } }
</style>
