<script setup lang="ts">
/** An ingredient of the kitchen's own, from its package: what the label says per 100 g, and what else is known. */
import { InputError } from '#core/base/errors'
import {
  EMPTY_LABEL, type Label, LABEL_KINDS, LABEL_TELLS, type LabelFigure, labelOf, type LabelTell, OWN_NAME_MOST,
  ownId, ownRow,
} from '#core/base/ingredients/label'
import { ALLERGENS, type Allergen } from '#core/base/ingredients/types'
import { SYSTEM_ML } from '#core/base/units'
import { BANDS, bandOf } from '#core/physics/set/bands'
import { ALLERGEN_NAMES, BAND_NAMES, LABEL_FIGURE_NAMES, LABEL_KIND_NAMES, TELL_NAMES } from '~/words/names'
import { documentProblemWords } from '~/words/problems'

const props = defineProps<{ name?: string, editing?: string | null }>()
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ take: [id: string] }>()
const ingredients = useIngredients()
const kitchen = useKitchenStore()
const fmt = useFormat()
const label = ref<Label>({ ...EMPTY_LABEL })
const price = ref(0)
const wrong = ref('')
watch(open, (is) => {
  if (!is) return
  label.value = (props.editing ? labelOf(props.editing) : null) ?? { ...EMPTY_LABEL, name: props.name?.trim() ?? '' }
  price.value = kitchen.record?.settings.prices[props.editing ?? ''] ?? 0
  wrong.value = ''
}, { immediate: true })
const SPOON_ML = SYSTEM_ML.metric.tablespoon
const NUTRITION: readonly LabelFigure[] = ['fat', 'carbs', 'sugars', 'fibre', 'protein', 'salt']
const set = (part: Partial<Label>) => { label.value = { ...label.value, ...part } }
const some = (k: LabelFigure, v: number) => set({ [k]: v > 0 ? v : null })
function toggle(a: Allergen) {
  const had = label.value.allergens
  set({ allergens: had.includes(a) ? had.filter(x => x !== a) : [...had, a] })
}
function tell(t: LabelTell) {
  const had = label.value.tells
  set({ tells: had.includes(t) ? had.filter(x => x !== t) : [...had, t] })
}
/* A filling in a jar flows, is spooned or mounds: how firm goes by the edge it has just passed. */
const FILLINGS = BANDS.filter(b => ['coats', 'spoonable', 'mounds', 'slicesSoftly'].includes(b.id))
const setBand = computed(() => (label.value.set === null ? '' : bandOf(label.value.set)))
const setAs = (id: string) => set({ set: FILLINGS.find(b => b.id === id)?.fromPa ?? null })
/** What the label leaves is water: told, since a figure that was forgotten shows there first. */
const water = computed(() => {
  try {
    return ownRow(ownId({ ...label.value, name: label.value.name || 'x' }))?.per100g.water ?? null
  } catch {
    return null
  }
})
function take() {
  try {
    const id = ownId(label.value)
    ingredients.keep(id, price.value > 0 ? price.value : null, props.editing ?? null)
    open.value = false
    emit('take', id)
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    wrong.value = documentProblemWords({ path: error.path, code: error.code, params: error.params })
  }
}
</script>

<template>
  <UModal v-model:open="open" :title="$say('ownLabel.title')" :description="$say('ownLabel.how')" :ui="{ content: 'max-w-2xl', header: 'shrink-0' }">
    <template #body>
      <form id="label-form" class="label" @submit.prevent="take">
        <div class="two">
          <div>
            <label class="field-label" for="l-name">{{ $say('ownLabel.name') }}</label>
            <input
              id="l-name" class="native" :maxlength="OWN_NAME_MOST" :value="label.name"
              @input="set({ name: ($event.target as HTMLInputElement).value })"
            >
          </div>
          <div>
            <label class="field-label" for="l-kind">{{ $say('ownLabel.kind') }}</label>
            <select
              id="l-kind" class="native" :value="label.kind"
              @change="set({ kind: ($event.target as HTMLSelectElement).value as Label['kind'] })"
            >
              <option v-for="k in LABEL_KINDS" :key="k" :value="k">{{ LABEL_KIND_NAMES[k] }}</option>
            </select>
          </div>
        </div>
        <fieldset>
          <legend>{{ $say('ownLabel.per100') }}</legend>
          <QuantityField
            v-for="k in NUTRITION" :key="k" :field="`label.${k}`" kind="percent" unit-text="g" show-label
            :label="LABEL_FIGURE_NAMES[k]" :model-value="label[k] ?? 0" @update:model-value="v => set({ [k]: v })"
          />
        </fieldset>
        <p class="soft small" data-label-water>
          {{ water === null ? '' : $say('ownLabel.water', { g: fmt.fixed(water, 1) }) }}
        </p>
        <fieldset>
          <legend>{{ $say('ownLabel.ifKnown') }}</legend>
          <QuantityField
            field="label.acid" kind="percent" show-label :label="LABEL_FIGURE_NAMES.acid" :blank="$say('ownLabel.notKnown')"
            :model-value="label.acid ?? 0" @update:model-value="v => some('acid', v)"
          />
          <QuantityField
            field="label.pH" kind="percent" unit-text="pH" show-label :label="LABEL_FIGURE_NAMES.pH"
            :blank="$say('ownLabel.notKnown')" :model-value="label.pH ?? 0" @update:model-value="v => some('pH', v)"
          />
          <QuantityField
            field="label.alcohol" kind="percent" show-label :label="LABEL_FIGURE_NAMES.alcohol" :blank="$say('ownLabel.none')"
            :model-value="label.alcohol ?? 0" @update:model-value="v => some('alcohol', v)"
          />
          <QuantityField
            field="label.density" kind="mass" :per="SPOON_ML" show-label :label="LABEL_FIGURE_NAMES.density"
            :blank="$say('ownLabel.notWeighed')" :model-value="(label.density ?? 0) * SPOON_ML"
            @update:model-value="v => some('density', v / SPOON_ML)"
          />
          <QuantityField
            field="label.pack" kind="mass" show-label :label="LABEL_FIGURE_NAMES.pack" :blank="$say('ownLabel.byWeight')"
            :model-value="label.pack ?? 0" @update:model-value="v => some('pack', v)"
          />
          <div>
            <label class="field-label" for="l-set">{{ LABEL_FIGURE_NAMES.set }}</label>
            <select id="l-set" class="native" :value="setBand" @change="setAs(($event.target as HTMLSelectElement).value)">
              <option value="">{{ $say('ownLabel.noFilling') }}</option>
              <option v-for="b in FILLINGS" :key="b.id" :value="b.id">{{ BAND_NAMES[b.id] }}</option>
            </select>
          </div>
          <QuantityField
            kind="percent" :unit-text="`${kitchen.record?.settings.currency ?? ''}/kg`" show-label :max="100000"
            :label="$say('ownLabel.price')" :blank="$say('ownLabel.noPrice')" :model-value="price"
            @update:model-value="v => { price = v }"
          />
        </fieldset>
        <fieldset class="allergens">
          <legend>{{ $say('ownLabel.allergens') }}</legend>
          <label v-for="a in ALLERGENS" :key="a">
            <input type="checkbox" :checked="label.allergens.includes(a)" @change="toggle(a)"> {{ ALLERGEN_NAMES[a] }}
          </label>
        </fieldset>
        <fieldset class="allergens">
          <legend>{{ $say('ownLabel.tells') }}</legend>
          <label v-for="t in LABEL_TELLS" :key="t">
            <input type="checkbox" :checked="label.tells.includes(t)" @change="tell(t)"> {{ TELL_NAMES[t] }}
          </label>
        </fieldset>
        <p class="soft small">{{ $say('ownLabel.supposed') }}</p>
        <p class="small">{{ $say('ownLabel.caution') }}</p>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      </form>
    </template>
    <template #footer>
      <UButton type="submit" form="label-form" :label="$say('ownLabel.keep')" />
      <UButton variant="ghost" color="neutral" :label="$say('ownLabel.cancel')" @click="open = false" />
    </template>
  </UModal>
</template>

<style scoped>
.label { display: grid; gap: 0.9rem; }
.two { display: grid; grid-template-columns: repeat(auto-fit, minmax(min(100%, 14rem), 1fr)); gap: 0.8rem; }
fieldset {
  border: 0; padding: 0; margin: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr)); gap: 0.6rem;
  align-items: end;
}
legend { font-weight: 600; margin-bottom: 0.3rem; }
.allergens label { display: inline-flex; gap: 0.4rem; align-items: center; min-height: 44px; }
.allergens input { width: 22px; height: 22px; accent-color: var(--ink); }
.wrong { color: var(--blood); }
p { margin: 0; }
</style>
