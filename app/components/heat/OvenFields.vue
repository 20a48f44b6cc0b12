<script setup lang="ts">
/** The oven: its air, fan, water and steam, how many stand in it, and when it is done. */
import type { Bench } from '#core/formula/bench'
import { given } from '#core/formula/document'
import type { Assessment } from '#core/pipeline/assessment'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const h = computed(() => props.assessment.heat)
const record = computed(() => kitchen.record)
const ovenTime = computed(() => given(props.doc.heat.oven.timeS))
const oven = (part: Partial<Bench['heat']['oven']>, gesture: string) =>
  ws.change(gesture, (d) => {
    Object.assign(d.heat.oven, part)
  })
function takeOven(id: string) {
  const o = record.value?.ovens.find(x => x.id === id)
  oven({ ovenId: o?.id ?? null, offsetK: o?.offsetK ?? 0 }, '')
}
</script>

<template>
  <QuantityField
    field="heat.oven.airTempC" kind="temperature" show-label big :label="$say('cookPlan.ovenAt')" :step="5"
    :model-value="doc.heat.oven.airTempC" @update:model-value="v => oven({ airTempC: v }, 'oven')"
    @done="ws.endGesture()"
  />
  <div>
    <label class="field-label" for="oven-until">{{ $say('cookPlan.doneBy') }}</label>
    <select
      id="oven-until" class="native" :value="ovenTime === null ? 'target' : 'time'"
      @change="
        oven({ timeS: ($event.target as HTMLSelectElement).value === 'time'
               ? { given: Math.round(h.endS / 60) * 60 }
               : { simulated: true } },
             '')
      "
    >
      <option value="target">{{ $say('cookPlan.itsMiddle') }}</option>
      <option value="time">{{ $say('cookPlan.aSetTime') }}</option>
    </select>
  </div>
  <QuantityField
    v-if="ovenTime !== null" field="heat.oven.timeS" kind="minutes" show-label big
    :label="$say('cookPlan.timeInIt')" :model-value="ovenTime"
    @update:model-value="v => oven({ timeS: { given: v } }, 'oven-time')" @done="ws.endGesture()"
  />
  <label class="tick">
    <input
      type="checkbox" :checked="doc.heat.oven.fan"
      @change="oven({ fan: ($event.target as HTMLInputElement).checked }, '')"
    >
    {{ $say('cookPlan.fan') }}
  </label>
  <label class="tick">
    <input
      type="checkbox" :checked="doc.heat.oven.bath"
      @change="oven({ bath: ($event.target as HTMLInputElement).checked }, '')"
    >
    {{ $say('cookPlan.waterBath') }}
  </label>
  <QuantityField
    field="heat.oven.steam" kind="percent" show-label :label="$say('cookPlan.steamInTheAir')"
    :per="100" :model-value="100 * (doc.heat.oven.steam ?? 0)"
    @update:model-value="v => oven({ steam: v / 100 }, 'steam')"
    @done="ws.endGesture()"
  />
  <QuantityField
    v-if="doc.assembly.count > 1" field="heat.oven.atOnce" kind="count" show-label
    :label="$say('cookPlan.inItAtOnce')" :model-value="h.oven?.atOnce ?? doc.assembly.count"
    @update:model-value="v => oven({ atOnce: Math.round(v) }, 'at-once')" @done="ws.endGesture()"
  />
  <div v-if="record?.ovens.length">
    <label class="field-label" for="oven-own">{{ $say('cookPlan.whichOven') }}</label>
    <select
      id="oven-own" class="native" :value="doc.heat.oven.ovenId ?? ''"
      @change="takeOven(($event.target as HTMLSelectElement).value)"
    >
      <option value="">{{ $say('cookPlan.anyDialTrue') }}</option>
      <option v-for="o in record.ovens" :key="o.id" :value="o.id">{{ o.name }}</option>
    </select>
  </div>
</template>

<style scoped>
.tick { display: inline-flex; align-items: center; gap: 0.5rem; min-height: 44px; align-self: end; }
.tick input { width: 22px; height: 22px; accent-color: var(--ink); }
</style>
