<script setup lang="ts">
/** The measures of a vessel: inside, at the rim; or the water it holds. */
import { MATERIALS, type Vessel } from '#core/physics/geometry/cavity'
import { ROUND_BELOW } from '#core/physics/geometry/cavity'
import { MATERIAL_NAMES } from '~/words/names'

const props = defineProps<{ vessel: Vessel }>()
const emit = defineEmits<{ change: [part: Partial<Vessel>, gesture: string], done: [] }>()
const rectangle = computed(() => props.vessel.kind === 'rectangle')
const materialId = useId()
</script>

<template>
  <QuantityField kind="length" show-label :label="rectangle ? 'Length' : 'Width at the rim'" :step="5" :model-value="vessel.lengthM" :min="0.02" :max="1" @update:model-value="v => emit('change', { lengthM: v, ...(rectangle ? {} : { widthM: v }) }, 'vessel-length')" @done="emit('done')" />
  <QuantityField v-if="rectangle" kind="length" show-label label="Width" :step="5" :model-value="vessel.widthM" :min="0.02" :max="1" @update:model-value="v => emit('change', { widthM: v }, 'vessel-width')" @done="emit('done')" />
  <QuantityField kind="length" show-label label="Height" :model-value="vessel.heightM" :min="0.005" :max="0.4" @update:model-value="v => emit('change', { heightM: v }, 'vessel-height')" @done="emit('done')" />
  <QuantityField v-if="!ROUND_BELOW.includes(vessel.kind)" kind="percent" show-label label="Base, of the rim" :step="1" :model-value="vessel.taper * 100" :min="20" :max="100" @update:model-value="v => emit('change', { taper: v / 100 }, 'vessel-taper')" @done="emit('done')" />
  <QuantityField kind="count" unit-text="ml" show-label label="Holds, by water" blank="by its size" :step="5" :model-value="Math.round((vessel.heldM3 ?? 0) * 1e6)" :max="100000" @update:model-value="v => emit('change', { heldM3: v > 0 ? v / 1e6 : null }, 'vessel-held')" @done="emit('done')" />
  <div><label class="field-label" :for="materialId">Made of</label><select :id="materialId" class="native" :value="vessel.material" @change="emit('change', { material: ($event.target as HTMLSelectElement).value as Vessel['material'] }, '')"><option v-for="m in MATERIALS" :key="m" :value="m">{{ MATERIAL_NAMES[m] }}</option></select></div>
</template>
