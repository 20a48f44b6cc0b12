<script setup lang="ts">
/** What a mix is heated with: burner, microwave, pouch, and the pan it is in. */
import { type Bench, panOf } from '#core/formula/bench'
import { BURST, fullHeatW } from '#core/physics/heat/pot'
import { POUCH_M } from '#core/physics/heat/pouch'

const props = defineProps<{ doc: Bench }>()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const method = computed(() => props.doc.heat.method)
const heat = (part: Partial<Bench['heat']>, gesture: string) =>
  ws.change(gesture, (d) => {
    Object.assign(d.heat, part)
  })
const record = computed(() => kitchen.record)
const pan = computed(() => panOf(props.doc, kitchen.core!))
const burner = computed(() => record.value?.burners.find(b => b.id === props.doc.heat.burnerId) ?? null)
const fullW = computed(() => burner.value ? fullHeatW(burner.value) : 0)
const burners = computed(
  () => record.value?.burners.filter(b => (b.kind === 'microwave') === (method.value === 'microwave')) ?? [],
)
function takeBurner(id: string) {
  const b = record.value?.burners.find(x => x.id === id)
  heat({ burnerId: b?.id ?? null, ...(b && method.value === 'microwave' ? { burnerW: b.ratedW } : {}) }, '')
}
function takePan(id: string) {
  const p = record.value?.pans.find(x => x.id === id)
  heat({ pan: p ? { panId: p.id, diameterM: p.diameterM, heightM: p.heightM, tareG: p.tareG } : null }, '')
}
/** The weight of the empty pan is asked once: it stays with the kitchen's pan. */
const weighing = ref<number | null>(null)
function weigh() {
  const id = props.doc.heat.pan?.panId
  const tareG = weighing.value
  weighing.value = null
  if (!record.value || !id || tareG === null || tareG < 20) return
  kitchen.change({ ...record.value, pans: record.value.pans.map(p => p.id === id ? { ...p, tareG } : p) })
}
</script>

<template>
  <div v-if="(method === 'direct' || method === 'microwave') && burners.length">
    <label class="field-label" for="burner-own">
      {{ method === 'microwave' ? $say('cookPlan.whichMicrowave') : $say('cookPlan.whichBurner') }}
    </label>
    <select
      id="burner-own" class="native" :value="burner?.id ?? ''"
      @change="takeBurner(($event.target as HTMLSelectElement).value)"
    >
      <option value="">{{ $say('cookPlan.any') }}</option>
      <option v-for="b in burners" :key="b.id" :value="b.id">{{ b.name }}</option>
    </select>
  </div>
  <QuantityField
    v-if="burner && method === 'direct'" kind="percent" show-label :label="$say('cookPlan.turnedTo')" :step="5"
    :model-value="100 * doc.heat.burnerW / fullW" :min="1" :max="100"
    @update:model-value="v => heat({ burnerW: Math.max(50, Math.round(v / 100 * fullW)) }, 'burner')"
    @done="ws.endGesture()"
  />
  <QuantityField
    v-if="method === 'direct' || method === 'microwave'" field="heat.burnerW" kind="power" show-label
    :label="method === 'microwave' ? $say('cookPlan.microwaveRated') : $say('cookPlan.heatIntoThePan')"
    :model-value="doc.heat.burnerW" @update:model-value="v => heat({ burnerW: v }, 'burner')"
    @done="ws.endGesture()"
  />
  <div v-if="method === 'direct' || method === 'waterBath'" class="wide">
    <label class="field-label" for="pan-own">
      {{ method === 'waterBath' ? $say('cookPlan.bowlOrPan') : $say('cookPlan.pan2') }}
    </label>
    <select
      id="pan-own" class="native" :value="doc.heat.pan?.panId ?? ''"
      @change="takePan(($event.target as HTMLSelectElement).value)"
    >
      <option value="">{{ $say('cookPlan.asSuitsTheMix') }}</option>
      <option v-for="p in record?.pans ?? []" :key="p.id" :value="p.id">{{ p.name }}</option>
    </select>
  </div>
  <QuantityField
    v-if="doc.heat.pan?.panId" field="heat.pan.tareG" kind="mass" show-label
    :label="$say('cookPlan.itWeighsEmpty')" :blank="$say('cookPlan.notWeighed')"
    :model-value="weighing ?? pan?.tareG ?? 0" @update:model-value="v => weighing = v" @done="weigh"
  />
  <QuantityField
    v-if="method === 'microwave'" field="heat.burstS" kind="seconds" show-label
    :label="$say('cookPlan.burstsOf')" :model-value="doc.heat.burstS ?? BURST.onS"
    @update:model-value="v => heat({ burstS: v }, 'burst')" @done="ws.endGesture()"
  />
  <QuantityField
    v-if="method === 'waterBath'" field="heat.stirEveryS" kind="minutes" show-label
    :label="$say('cookPlan.stirredEvery')" :blank="$say('cookPlan.allTheWhile')" :model-value="doc.heat.stirEveryS ?? 0"
    @update:model-value="v => heat({ stirEveryS: v > 0 ? v : undefined }, 'stir')" @done="ws.endGesture()"
  />
  <QuantityField
    v-if="method === 'sousVide'" field="heat.pouchM" kind="length" show-label
    :label="$say('cookPlan.pouchThick')" :model-value="doc.heat.pouchM ?? POUCH_M"
    @update:model-value="v => heat({ pouchM: v }, 'pouch')" @done="ws.endGesture()"
  />
</template>

<style scoped>
.wide { grid-column: 1 / -1; }
</style>
