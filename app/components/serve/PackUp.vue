<script setup lang="ts">
/** A finished filling put up in packs, cold or frozen: it becomes stock, and a part of other desserts. */
import { formatISO } from 'date-fns'
import { InputError } from '#core/base/errors'
import type { Bench } from '#core/formula/bench'
import type { Lot } from '#core/kitchen/kitchen'
import { bandOf, corrected } from '#core/physics/set/bands'
import type { ThawSign } from '#core/physics/set/thawed'
import { work } from '#core/pipeline/assess'
import { placed } from '#core/pipeline/stack'
import { packUp, type PackRefusal } from '#core/plan/packUp'
import { BAND_NAMES } from '~/words/names'
import { fieldWords } from '~/words/problems'
import { group, say } from '~/words/say'
import { packWords } from '~/words/stock'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const ingredients = useIngredients()
const toast = useToast()
const REFUSED = group<Record<PackRefusal, string>>('packUp.REFUSED')
const SIGNS = group<Record<ThawSign, string>>('packUp.SIGNS')
/** A cup of curd. */
const CUP_G = 250
const packG = useKeptByTab('lumbik:pack-g', CUP_G)
const isFrozen = useKeptByTab('lumbik:pack-frozen', true)
const busy = ref(false)
const wrong = ref('')
const worked = computed(() => (kitchen.core ? work(placed(props.doc, kitchen.core), kitchen.core) : null))
const today = () => formatISO(new Date(), { representation: 'date' })
/** What it comes to; null where its label cannot be. */
const p = computed(() => {
  if (!worked.value) return null
  try {
    return packUp(worked.value, { packG: packG.value, frozen: isFrozen.value, name: props.doc.name, madeOn: today() })
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return null
  }
})
const firm = (pa: number) => {
  const density = worked.value!.assessment.shape.density
  return `${BAND_NAMES[bandOf(corrected(pa, density))]}, ${fmt.pascals(pa)}`
}
async function add() {
  if (!p.value || p.value.refused || p.value.packs < 1 || busy.value) return
  const { ingredientId, packs, useBy, costPerKg } = p.value
  const lot: Lot = {
    id: crypto.randomUUID(), name: say('packUp.lotName', { name: props.doc.name.slice(0, 60) }), ingredientId,
    acidPercent: null, pH: null, brix: null, fatPercent: null, acidLnSigma: null, massG: packs * packG.value,
    method: { kind: 'packed', packG: packG.value, frozen: isFrozen.value }, useBy,
  }
  busy.value = true
  wrong.value = ''
  const price = costPerKg === null ? null : Math.round(100 * costPerKg) / 100
  if (ingredients.mayKeep.value) ingredients.keep(ingredientId, price)
  const problem = await kitchen.saveLot(lot, null)
  busy.value = false
  if (problem) wrong.value = say('strengthBench.notSaved', { path: fieldWords(problem.path) })
  else toast.add({ title: say('packUp.added', { packs: packWords(packs, fmt), name: lot.name }) })
}
</script>

<template>
  <section v-if="p" data-part="pack-up" :data-refused="p.refused ?? ''">
    <h2 class="section-title">{{ $say('packUp.title') }}</h2>
    <p class="soft">{{ $say('packUp.how') }}</p>
    <p v-if="p.refused" class="wrong" role="status">{{ REFUSED[p.refused] }}</p>
    <template v-else>
      <div class="fields">
        <QuantityField
          v-model="packG" field="method.packG" kind="mass" show-label :label="$say('packUp.each')" :step="10"
        />
        <div>
          <span class="field-label">{{ $say('packUp.kept') }}</span>
          <div class="choices" role="group" :aria-label="$say('packUp.kept')">
            <button type="button" :aria-pressed="!isFrozen" @click="isFrozen = false">{{ $say('packUp.cold') }}</button>
            <button type="button" :aria-pressed="isFrozen" @click="isFrozen = true">{{ $say('packUp.frozen') }}</button>
          </div>
        </div>
      </div>
      <p class="lead num" data-packs>
        {{ $say('packUp.gives', { packs: packWords(p.packs, fmt), each: fmt.grams(p.packG) }) }}
        <span v-if="p.overG >= 1" class="soft">{{ $say('packUp.over', { g: fmt.grams(p.overG) }) }}</span>
      </p>
      <p class="num" data-out-of-pack>
        {{ isFrozen ? $say('packUp.thawed', { from: firm(p.setPa), to: firm(p.outPa) })
          : $say('packUp.stirred', { from: firm(p.setPa), to: firm(p.outPa) }) }}
        <template v-for="s in p.signs" :key="s"> {{ SIGNS[s] }}</template>
      </p>
      <p v-if="p.thaw" class="num">
        {{ $say('packUp.thaws', { fridge: fmt.duration(p.thaw.fridge), water: fmt.duration(p.thaw.water) }) }}
      </p>
      <p v-if="p.useBy" class="num">{{ $say('packUp.useBy', { day: fmt.day(p.useBy) }) }}</p>
      <div class="acts">
        <UButton :label="$say('packUp.add')" :disabled="busy || p.packs < 1" @click="add" />
        <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
      </div>
      <p class="small">{{ $say('packUp.caution') }}</p>
    </template>
  </section>
</template>

<style scoped>
section { border-top: 1px solid var(--ink); padding-top: 0.7rem; margin-top: 1.2rem; }
.fields { display: flex; flex-wrap: wrap; gap: 0.9rem 1.6rem; align-items: end; margin: 0.5rem 0; }
p { margin: 0.4rem 0; }
.lead { font-weight: 600; font-size: 1.15rem; }
.acts { display: flex; flex-wrap: wrap; gap: 0.8rem; align-items: center; margin: 0.6rem 0; }
.wrong { color: var(--blood); }
</style>
