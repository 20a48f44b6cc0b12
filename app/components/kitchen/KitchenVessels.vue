<script setup lang="ts">
/** The kitchen's own tins and dishes, drawn to one scale, by their inside measures or the water they hold. */
import { VESSEL_KINDS, type Vessel, type VesselKind } from '#core/physics/geometry/cavity'
import type { KitchenVessel } from '#core/kitchen/kitchen'
import { cavityOf, cavityVolume } from '#core/physics/geometry/cavity'
import { typicalVessel } from '#core/physics/geometry/nominal'
import { VESSEL_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ vessels: KitchenVessel[] }>()
const emit = defineEmits<{ change: [vessels: KitchenVessel[]] }>()
const fmt = useFormat()
const open = ref<string | null>(null)
const set = (id: string, part: Partial<KitchenVessel>) =>
  emit(
    'change',
    props.vessels.map(v => (v.id === id ? { ...v, ...part } : v)),
  )
const EMPTY = {
  vesselId: null,
  count: 1,
  portions: 1,
  crustM: 0,
  crustForm: 'shell' as const,
  toppingM: 0,
  insertM3: 0,
  tiltDeg: 0,
}
const assemblyOf = (vessel: Vessel) => ({ ...EMPTY, vessel })
/** Width of a drawing, so that all share one scale. */
const widest = computed(() => Math.max(...props.vessels.map(v => v.lengthM), 0.1))
function add(vessel: Vessel, name: string) {
  const { kind, material, lengthM, widthM, heightM, taper, heldM3 } = vessel
  const made = { id: crypto.randomUUID(), name, kind, material, lengthM, widthM, heightM, taper, heldM3 }
  emit('change', [...props.vessels, made])
  open.value = made.id
}
const sizes = (v: KitchenVessel) =>
  say('kitchenVessels.highHolds', {
    lengthM: v.kind === 'rectangle' ? `${fmt.cm(v.lengthM)} × ${fmt.cm(v.widthM)}` : fmt.cm(v.lengthM),
    heightM: fmt.cm(v.heightM),
    material: v.material,
    p4: fmt.litres(cavityVolume(cavityOf(v))),
    water: v.heldM3 === null ? '' : say('kitchenVessels.byWater'),
  })
</script>

<template>
  <section class="wide" data-kitchen-part="vessels">
    <h2 class="section-title">{{ $say('kitchenVessels.tinsAndDishes') }}</h2>
    <p v-if="vessels.length === 0" class="soft">{{ $say('kitchenVessels.noneOfItsOwnYetAdd') }}</p>
    <ul class="tins">
      <li v-for="v in vessels" :key="v.id">
        <div class="pic" :style="{ width: `${Math.max(14, 100 * v.lengthM / widest)}px` }">
          <VesselDrawing :vessel="v" :assembly="assemblyOf(v)" :depth-m="0" :label="v.name" />
        </div>
        <div class="is"><b>{{ v.name }}</b><br><span class="soft small">{{ sizes(v) }}</span></div>
        <span class="acts">
          <UButton
            size="sm" variant="outline" color="neutral"
            :label="open === v.id ? $say('kitchenVessels.done') : $say('kitchenVessels.change')"
            :aria-label="`${open === v.id ? $say('kitchenVessels.doneWith') : $say('kitchenVessels.change')} ${v.name}`"
            @click="open = open === v.id ? null : v.id"
          />
          <TakeOut :id="v.id" :name="v.name" @take="emit('change', vessels.filter(x => x.id !== v.id))" />
        </span>
        <div v-if="open === v.id" class="fields">
          <div class="named">
            <label class="field-label" :for="`vn-${v.id}`">{{ $say('kitchenVessels.name') }}</label>
            <NameField
              :id="`vn-${v.id}`" class="native" maxlength="80" :model-value="v.name"
              @update:model-value="name => set(v.id, { name })"
            />
          </div>
          <div>
            <label class="field-label" :for="`vk-${v.id}`">{{ $say('kitchenVessels.kind') }}</label>
            <select
              :id="`vk-${v.id}`" class="native" :value="v.kind"
              @change="set(v.id, { kind: ($event.target as HTMLSelectElement).value as VesselKind })"
            >
              <option v-for="k in VESSEL_KINDS" :key="k" :value="k">{{ VESSEL_NAMES[k] }}</option>
            </select>
          </div>
          <VesselFields :vessel="v" @change="part => set(v.id, part)" />
        </div>
      </li>
    </ul>
    <div class="adding">
      <VesselSelect :label="$say('kitchenVessels.addOneLike')" value="" @pick="(v) => add(v, 'New tin or dish')" />
      <UButton
        variant="outline" color="neutral" size="sm" :label="$say('kitchenVessels.addARoundTin')"
        @click="add(typicalVessel('round'), 'New tin')"
      />
    </div>
  </section>
</template>

<style scoped>
section { border-top: 1px solid var(--ink); padding-top: 0.7rem; grid-column: 1 / -1; }
.tins {
  list-style: none; margin: 0 0 0.7rem; padding: 0; display: grid;
  grid-template-columns: repeat(auto-fill, minmax(27rem, 1fr)); gap: 0 2.5rem;
}
.tins li {
  display: grid; grid-template-columns: 104px minmax(0, 1fr) auto; gap: 0.4rem 1rem; align-items: center;
  border-bottom: 1px solid var(--hairline); padding: 0.5rem 0;
}
.acts { display: flex; align-items: center; }
.fields {
  grid-column: 1 / -1; display: grid; grid-template-columns: repeat(auto-fill, minmax(8rem, 1fr)); gap: 0.8rem;
  align-items: end; padding-bottom: 0.5rem;
}
.named { grid-column: span 2; }
.adding { display: flex; gap: 1rem; align-items: end; flex-wrap: wrap; max-width: 34rem; }
.adding > :first-child { flex: 1 1 14rem; }
@media (max-width: 760px) { .tins { grid-template-columns: minmax(0, 1fr); } }
</style>
