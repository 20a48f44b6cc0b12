<script setup lang="ts">
/** The kitchen: units and words, eggs, fridges, tins, ovens and pans, altitude, food code. Saved as it is changed. */
import { PLACE_KINDS, type PlaceKind } from '#core/physics/thermal/places'
import type { KitchenPlace } from '#core/kitchen/kitchen'
import { USUAL_AIR_C } from '#core/physics/thermal/places'
import { EGG_GRADES, type EggGrade } from '#core/base/ingredients/measures'
import type { CupSystem } from '#core/base/units'
import { boilingPoint } from '#core/physics/thermal/steam'
import type { KitchenRecord, KitchenSettings } from '../../shared/kitchen'
import { CUP_NAMES, FOOD_CODES, PLACE_NAMES } from '~/words/names'
import { say } from '~/words/say'

useHead({ title: 'Kitchen · Lumbik' })
const kitchen = useKitchenStore()
const fmt = useFormat()
const record = computed(() => kitchen.record!)
const settings = computed(() => record.value.settings)
/** What was changed, so that it can be taken back, the last first; what is sent together is one. */
const done = shallowRef<{ before: KitchenRecord, after: KitchenRecord }[]>([])
const last = computed(() => done.value.at(-1))
/** Shows at once, is kept in this browser at once, and goes to the server after a moment. */
function change(next: KitchenRecord) {
  const isOne = kitchen.entry?.state === 'waiting' && last.value
  const before = isOne ? last.value!.before : record.value
  kitchen.change(next)
  done.value = [...(isOne ? done.value.slice(0, -1) : done.value), { before, after: record.value }]
}
function undo() {
  const back = last.value
  done.value = done.value.slice(0, -1)
  if (back) kitchen.takeBack(back.before, back.after)
}
useUndoKeys(undo)
const state = computed(() =>
  !kitchen.entry
    ? kitchen.savedAt
      ? 'saved'
      : 'idle'
    : kitchen.entry.state === 'waiting' || kitchen.entry.state === 'sending'
      ? 'saving'
      : kitchen.entry.state,
)
const set = (part: Partial<KitchenSettings>) => change({ ...record.value, settings: { ...settings.value, ...part } })
const place = (id: string, part: Partial<KitchenPlace>) =>
  change({ ...record.value, places: record.value.places.map(p => (p.id === id ? { ...p, ...part } : p)) })
const add = () =>
  change({
    ...record.value,
    places: [
      ...record.value.places,
      { id: crypto.randomUUID(), name: say('kitchen.newFridge'), kind: 'domesticFridge', airTempC: 4 },
    ],
  })
const remove = (id: string) => change({ ...record.value, places: record.value.places.filter(p => p.id !== id) })
/* Prices: what has one, and a way to give another ingredient one. */
const priced = computed(() => Object.keys(settings.value.prices).sort((a, b) => fmt.name(a).localeCompare(fmt.name(b))))
const { options } = useIngredients()
const unpriced = computed(() => options.value.filter(i => settings.value.prices[i.id] === undefined))
const price = (id: string, perKg: number) => set({ prices: { ...settings.value.prices, [id]: perKg } })
const unprice = (id: string) =>
  set({ prices: Object.fromEntries(Object.entries(settings.value.prices).filter(([k]) => k !== id)) })
const pricing = ref('')
function addPrice() {
  if (pricing.value) price(pricing.value, 0)
  pricing.value = ''
}
const COLD: PlaceKind[] = PLACE_KINDS.filter(k => k !== 'bench' && k !== 'iceBath')
const choices = <T extends string>(list: readonly (readonly [T, string])[]) => list
</script>

<template>
  <main class="kitchen" :data-kitchen-save="state">
    <header>
      <h1>{{ $say('kitchen.kitchen') }}</h1>
      <NuxtLink to="/bin" class="underline to-bin">{{ $say('kitchen.whatWasTakenOut') }}</NuxtLink>
      <p class="soft" role="status">
        {{
          { idle: '',
            saving: $say('kitchen.saving'),
            saved: $say('kitchen.saved'),
            unsent: $say('kitchen.notSentYetKeptInThis'),
            conflict: $say('kitchen.changedElsewhere'),
            refused: $say('kitchen.notSaved'),
            deleted: '' }[state]
        }}
        <button v-if="last && (state === 'saved' || state === 'unsent')" type="button" class="underline" @click="undo">
          {{ $say('kitchen.undo') }}
        </button>
      </p>
    </header>
    <div class="grid">
      <section>
        <h2 class="section-title">{{ $say('kitchen.wordsAndUnits') }}</h2>
        <label class="field-label" for="k-name">{{ $say('kitchen.nameOfTheKitchen') }}</label>
        <NameField
          id="k-name" class="native" maxlength="120" :model-value="record.name"
          @update:model-value="v => change({ ...record, name: v })"
        />
        <div class="pair">
          <span class="field-label">{{ $say('kitchen.kitchenWords') }}</span>
          <div class="choices" role="group" :aria-label="$say('kitchen.kitchenWords')">
            <button
              v-for="[k, n] in choices([['gb', 'British'], ['us', 'American']])" :key="k" type="button"
              :aria-pressed="settings.vocabulary === k" @click="set({ vocabulary: k })"
            >
              {{ n }}
            </button>
          </div>
          <span class="field-label">{{ $say('kitchen.degrees') }}</span>
          <div class="choices" role="group" :aria-label="$say('kitchen.degrees')">
            <button
              v-for="[k, n] in choices([['C', '°C'], ['F', '°F']])" :key="k" type="button"
              :aria-pressed="settings.temperatureUnit === k" @click="set({ temperatureUnit: k })"
            >
              {{ n }}
            </button>
          </div>
        </div>
        <label class="field-label" for="k-cups">{{ $say('kitchen.cupsAndSpoonsInRecipesYou') }}</label>
        <select
          id="k-cups" class="native" :value="settings.cups ?? ''"
          @change="set({ cups: (($event.target as HTMLSelectElement).value || null) as CupSystem | null })"
        >
          <option value="">{{ $say('kitchen.askEachTime') }}</option>
          <option v-for="(n, k) in CUP_NAMES" :key="k" :value="k">{{ n }}</option>
        </select>
        <p class="soft small">{{ $say('kitchen.massesAreInGramsThroughoutWhat') }}</p>
      </section>
      <section>
        <h2 class="section-title">{{ $say('kitchen.eggsAndPlace') }}</h2>
        <label class="field-label" for="k-egg">{{ $say('kitchen.eggGrade') }}</label>
        <select
          id="k-egg" class="native" :value="settings.eggGrade"
          @change="set({ eggGrade: ($event.target as HTMLSelectElement).value as EggGrade })"
        >
          <option v-for="(g, k) in EGG_GRADES" :key="k" :value="k">
            {{ $say('kitchen.gEggGYolkGWhite', { label: g.label, wholeG: g.wholeG, yolkG: g.yolkG, whiteG: g.whiteG }) }}
          </option>
        </select>
        <div class="two">
          <QuantityField
            kind="metres" show-label :label="$say('kitchen.altitude')" field="kitchen.altitudeM"
            :model-value="settings.altitudeM" @update:model-value="v => set({ altitudeM: v })"
          />
          <QuantityField
            kind="temperature" show-label :label="$say('kitchen.kitchenAsWarmAs')" field="kitchen.roomTempC"
            :model-value="settings.roomTempC" @update:model-value="v => set({ roomTempC: v })"
          />
        </div>
        <p class="soft small">
          {{ $say('kitchen.waterBoilsHereAt', { altitudeM: fmt.temp(boilingPoint(settings.altitudeM), 1) }) }}
        </p>
      </section>
      <section>
        <h2 class="section-title">{{ $say('kitchen.foodSafety') }}</h2>
        <label class="field-label" for="k-code">{{ $say('kitchen.limitsToJudgeBy') }}</label>
        <select
          id="k-code" class="native" :value="settings.foodCode"
          @change="set({ foodCode: ($event.target as HTMLSelectElement).value as 'us' | 'uk' })"
        >
          <option v-for="(n, k) in FOOD_CODES" :key="k" :value="k">{{ n }}</option>
        </select>
        <p class="small limits">{{ $say('kitchen.lumbikSLimitsAreRememberedFrom') }}</p>
      </section>
      <section class="wide">
        <h2 class="section-title">{{ $say('kitchen.fridgesAndOtherColdPlaces') }}</h2>
        <p v-if="record.places.length === 0" class="soft">{{ $say('kitchen.noColdPlaceYetAddThe') }}</p>
        <ul class="places">
          <li v-for="p in record.places" :key="p.id">
            <div>
              <label class="field-label" :for="`pn-${p.id}`">{{ $say('kitchen.name') }}</label>
              <NameField
                :id="`pn-${p.id}`" class="native" maxlength="80" :model-value="p.name"
                @update:model-value="v => place(p.id, { name: v })"
              />
            </div>
            <div>
              <label class="field-label" :for="`pk-${p.id}`">{{ $say('kitchen.kind') }}</label>
              <select
                :id="`pk-${p.id}`" class="native" :value="p.kind"
                @change="
                  place(p.id,
                        { kind: ($event.target as HTMLSelectElement).value as PlaceKind,
                          airTempC: USUAL_AIR_C[($event.target as HTMLSelectElement).value as PlaceKind] })
                "
              >
                <option v-for="k in COLD" :key="k" :value="k">{{ PLACE_NAMES[k] }}</option>
              </select>
            </div>
            <QuantityField
              kind="temperature" show-label :step="0.5" :label="$say('kitchen.airInIt')" field="chill.*.place.airTempC"
              :model-value="p.airTempC" @update:model-value="v => place(p.id, { airTempC: v })"
            />
            <TakeOut :id="p.id" :name="p.name" @take="remove(p.id)" />
          </li>
        </ul>
        <UButton variant="outline" color="neutral" size="sm" :label="$say('kitchen.addAPlace')" @click="add" />
      </section>
      <OwnIngredients />
      <OwnRules :rules="settings" @change="set" />
      <section class="wide">
        <h2 class="section-title">{{ $say('kitchen.pricesAKilogram') }}</h2>
        <div class="currency">
          <label class="field-label" for="k-currency">{{ $say('kitchen.currencySign') }}</label>
          <NameField
            id="k-currency" class="native" maxlength="4" :model-value="settings.currency"
            @update:model-value="v => set({ currency: v })"
          />
        </div>
        <p v-if="priced.length === 0" class="soft">{{ $say('kitchen.noPricesYetWithThemBalance') }}</p>
        <ul class="prices">
          <li v-for="id in priced" :key="id" :data-price="id">
            <QuantityField
              kind="percent" show-label :unit-text="`${settings.currency}/kg`" :label="fmt.name(id)"
              :model-value="settings.prices[id]!" :max="100000" @update:model-value="v => price(id, v)"
            />
            <UButton
              variant="ghost" color="neutral" icon="i-lucide-x"
              :aria-label="$say('kitchen.noPriceFor', { id: fmt.name(id) })" @click="unprice(id)"
            />
          </li>
        </ul>
        <form class="add-price" @submit.prevent="addPrice">
          <label class="sr" for="k-price">{{ $say('kitchen.giveAPriceTo') }}</label>
          <select id="k-price" v-model="pricing" class="native">
            <option value="" disabled>{{ $say('kitchen.giveAPriceTo') }}</option>
            <option v-for="i in unpriced" :key="i.id" :value="i.id">{{ i.name }}</option>
          </select>
          <UButton
            type="submit" variant="outline" color="neutral" size="sm" :label="$say('kitchen.add')" :disabled="!pricing"
          />
        </form>
      </section>
      <KitchenVessels :vessels="record.vessels" @change="vessels => change({ ...record, vessels })" />
      <KitchenHeat
        :ovens="record.ovens" :burners="record.burners" :pans="record.pans"
        @change="part => change({ ...record, ...part })"
      />
      <section class="wide">
        <h2 class="section-title">{{ $say('kitchen.lotsOfJuice') }}</h2>
        <p v-if="record.lots.length === 0" class="soft">{{ $say('kitchen.noneYetLotsOfKnownStrength') }}</p>
        <dl class="own">
          <template v-for="l in record.lots" :key="l.id">
            <dt>{{ l.name }}</dt>
            <dd>
              {{ fmt.name(l.ingredientId).toLowerCase() }},
              {{ l.acidPercent === null ? '' : $say('kitchen.acidAsCitric', { acidPercent: fmt.fixed(l.acidPercent, 1) }) }}
            </dd>
          </template>
        </dl>
      </section>
    </div>
  </main>
</template>

<style scoped>
.kitchen { padding: 1.5rem 1.75rem 3rem; max-width: 1180px; margin: 0 auto; }
header { display: flex; gap: 1.5rem; align-items: baseline; }
h1 { font-size: 2rem; margin-bottom: 1rem; }
.to-bin { order: 2; margin-left: auto; min-height: 44px; display: inline-flex; align-items: center; }
.grid { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 1.8rem 2.2rem; }
section { border-top: 1px solid var(--ink); padding-top: 0.7rem; }
.wide { grid-column: 1 / -1; }
.pair { margin: 0.8rem 0; display: grid; gap: 0.2rem; }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 1rem; margin: 0.8rem 0; }
.limits { margin-top: 0.8rem; }
.places { list-style: none; margin: 0 0 0.7rem; padding: 0; }
.places li {
  display: grid; grid-template-columns: minmax(0, 2fr) minmax(0, 1.4fr) 9rem auto; gap: 1rem; align-items: end;
  padding: 0.3rem 0 0.5rem; border-bottom: 1px solid var(--hairline);
}
.prices {
  list-style: none; margin: 0 0 0.7rem; padding: 0; display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr)); gap: 0.4rem 1.5rem;
}
.prices li { display: flex; align-items: end; gap: 0.2rem; } .prices li > :first-child { flex: 1; }
.currency { max-width: 8rem; margin-bottom: 0.6rem; } .add-price { display: flex; gap: 0.6rem; max-width: 24rem; }
.own { display: grid; grid-template-columns: minmax(0, 18rem) 1fr; gap: 0.4rem 1.5rem; margin: 0; }
.own dd { margin: 0; color: var(--ink-soft); }
.bad { color: var(--blood); }
@media (max-width: 1000px) { .grid { grid-template-columns: minmax(0, 1fr); } }
@media (max-width: 760px) {
  .kitchen { padding: 1rem; }
  .places li { grid-template-columns: 1fr auto; }
  .own { grid-template-columns: 1fr; gap: 0; }
  .own dd { margin-bottom: 0.5rem; }
}
</style>
