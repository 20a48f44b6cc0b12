<script setup lang="ts">
/** What the dessert must do on the plate. */
import { USE_KINDS, type Use, type UseKind } from '#core/physics/set/bands'
import { defaultUse } from '#core/formula/create'
import { USE_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ /** null until one is picked */ use: Use | null }>()
const emit = defineEmits<{ change: [use: Use] }>()
const set = (part: Partial<Use>) => props.use && emit('change', { ...props.use, ...part })
/** The table and the guests are the same whatever is served. */
const stays = ({ tableTempC, tableTimeS, guestsAtRisk }: Use) =>
  ({ tableTempC, tableTimeS, ...(guestsAtRisk ? { guestsAtRisk } : {}) })
/** A new kind brings its own size; the table stays as it was. */
const pick = (kind: UseKind) =>
  emit('change', {
    ...defaultUse(kind),
    ...(props.use ? stays(props.use) : {}),
  })
const HEIGHT: Record<UseKind, string> = {
  spooned: say('useForm.heightOfTheSpoonful'),
  glass: say('useForm.depthInTheGlass'),
  piped: say('useForm.heightOfTheDot'),
  cut: say('useForm.heightOfTheSlice'),
  turnedOut: say('useForm.heightOfThePiece'),
  over: say('useForm.depthOnThePlate'),
}
</script>

<template>
  <div class="use-form">
    <div v-radios class="kinds" role="radiogroup" :aria-label="$say('useForm.use')">
      <button
        v-for="k in USE_KINDS" :key="k" type="button" role="radio" :aria-checked="use?.kind === k" @click="pick(k)"
      >
        <b>{{ USE_NAMES[k].name }}</b>
        <span>{{ USE_NAMES[k].how }}</span>
      </button>
    </div>
    <div v-if="use" class="fields">
      <QuantityField
        field="use.pieceHeightM" kind="length" show-label :label="HEIGHT[use.kind]" :model-value="use.pieceHeightM"
        @update:model-value="v => set({ pieceHeightM: v })"
      />
      <QuantityField
        field="use.pieceWidthM" kind="length" show-label :label="$say('useForm.widthOfThePiece')" :step="5"
        :model-value="use.pieceWidthM" @update:model-value="v => set({ pieceWidthM: v })"
      />
      <QuantityField
        field="use.tableTempC" kind="temperature" show-label :label="$say('useForm.warmthOfTheTable')"
        :model-value="use.tableTempC" @update:model-value="v => set({ tableTempC: v })"
      />
      <QuantityField
        field="use.tableTimeS" kind="minutes" show-label :label="$say('useForm.timeOnTheTable')" :step="5"
        :model-value="use.tableTimeS" @update:model-value="v => set({ tableTimeS: v })"
      />
    </div>
    <label v-if="use" class="check">
      <input
        type="checkbox" :checked="use.guestsAtRisk ?? false"
        @change="set({ guestsAtRisk: ($event.target as HTMLInputElement).checked || undefined })"
      >
      {{ $say('useForm.guestsAtRisk') }}
    </label>
  </div>
</template>

<style scoped>
.kinds {
  display: grid; grid-template-columns: repeat(5, minmax(0, 1fr)); gap: 0; border-top: 1px solid var(--hairline);
  margin-bottom: 1.1rem;
}
.kinds button {
  text-align: left; padding: 0.6rem 0.7rem; min-height: 64px; border-bottom: 1px solid var(--hairline); cursor: pointer;
  border-left: 4px solid transparent;
}
.kinds button[aria-checked="true"] { border-left-color: var(--citron); background: var(--citron-soft); }
.kinds b { display: block; font-weight: 600; }
.kinds span { font-size: 0.9rem; color: var(--ink-soft); }
.fields { display: grid; grid-template-columns: repeat(auto-fit, minmax(9.5rem, 1fr)); gap: 1rem; }
@container (max-width: 640px) { .kinds { grid-template-columns: repeat(2, minmax(0, 1fr)); } }
.check { display: flex; gap: 0.6rem; align-items: center; min-height: 44px; margin-top: 0.6rem; }
.check input { width: 20px; height: 20px; }
.use-form { container-type: inline-size; }
</style>
