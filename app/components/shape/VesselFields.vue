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
  <QuantityField
    field="assembly.vessel.lengthM" kind="length" show-label
    :label="rectangle ? $say('vesselFields.length') : $say('vesselFields.widthAtTheRim')" :step="5"
    :model-value="vessel.lengthM"
    @update:model-value="v => emit('change', { lengthM: v, ...(rectangle ? {} : { widthM: v }) }, 'vessel-length')"
    @done="emit('done')"
  />
  <QuantityField
    v-if="rectangle" field="assembly.vessel.widthM" kind="length" show-label :label="$say('vesselFields.width')"
    :step="5" :model-value="vessel.widthM" @update:model-value="v => emit('change', { widthM: v }, 'vessel-width')"
    @done="emit('done')"
  />
  <QuantityField
    field="assembly.vessel.heightM" kind="length" show-label :label="$say('vesselFields.height')"
    :model-value="vessel.heightM" @update:model-value="v => emit('change', { heightM: v }, 'vessel-height')"
    @done="emit('done')"
  />
  <QuantityField
    v-if="!ROUND_BELOW.includes(vessel.kind)" field="assembly.vessel.taper" :per="100" kind="percent" show-label
    :label="$say('vesselFields.baseOfTheRim')" :step="1" :model-value="vessel.taper * 100"
    @update:model-value="v => emit('change', { taper: v / 100 }, 'vessel-taper')" @done="emit('done')"
  />
  <QuantityField
    field="assembly.vessel.heldM3" :per="1000000" kind="count" :unit-text="$say('vesselFields.ml')" show-label
    :label="$say('vesselFields.holdsByWater')" :blank="$say('vesselFields.byItsSize')" :step="5"
    :model-value="Math.round((vessel.heldM3 ?? 0) * 1e6)"
    @update:model-value="v => emit('change', { heldM3: v > 0 ? v / 1e6 : null }, 'vessel-held')" @done="emit('done')"
  />
  <div>
    <label class="field-label" :for="materialId">{{ $say('vesselFields.madeOf') }}</label>
    <select
      :id="materialId" class="native" :value="vessel.material"
      @change="emit('change', { material: ($event.target as HTMLSelectElement).value as Vessel['material'] }, '')"
    >
      <option v-for="m in MATERIALS" :key="m" :value="m">{{ MATERIAL_NAMES[m] }}</option>
    </select>
  </div>
</template>
