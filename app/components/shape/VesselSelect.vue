<script setup lang="ts">
/** Which vessel: the kitchen's own, or one by the size it is sold under. */
import type { Vessel } from '#core/physics/geometry/cavity'
import { NOMINAL_VESSELS } from '#core/physics/geometry/nominal'
import { say } from '~/words/say'

defineProps<{
  label: string
  /** Kitchen vessel, nominal id, or empty for a size of its own. */ value: string
  own?: string
}>()
const emit = defineEmits<{ pick: [vessel: Vessel, vesselId: string | null, key: string], own: [] }>()
const kitchen = useKitchenStore()
const fieldId = useId()
const MARKETS = [['metric', say('vesselSelect.metricSizes')], ['us', say('vesselSelect.uSSizes')]] as const
function onPick(key: string) {
  const mine = kitchen.record?.vessels.find(v => v.id === key)
  const nominal = NOMINAL_VESSELS.find(n => n.id === key)
  if (mine) emit('pick', mine, mine.id, key)
  else if (nominal) emit('pick', nominal.vessel, null, key)
  else emit('own')
}
</script>

<template>
  <div>
    <label class="field-label" :for="fieldId">{{ label }}</label>
    <select :id="fieldId" class="native" :value="value" @change="onPick(($event.target as HTMLSelectElement).value)">
      <option value="" :disabled="own === undefined">{{ own ?? $say('vesselSelect.chooseATinOrDish') }}</option>
      <optgroup v-if="kitchen.record?.vessels.length" :label="$say('vesselSelect.theKitchenSOwn')">
        <option v-for="v in kitchen.record.vessels" :key="v.id" :value="v.id">{{ v.name }}</option>
      </optgroup>
      <optgroup v-for="[market, title] in MARKETS" :key="market" :label="title">
        <option v-for="n in NOMINAL_VESSELS.filter(x => x.market === market)" :key="n.id" :value="n.id">
          {{ n.name }}
        </option>
      </optgroup>
    </select>
  </div>
</template>
