<script setup lang="ts">
/** Ovens with what their dial is wrong by, burners by their rating, pans with the weight they have empty. */
import { BURNER_KINDS, type KitchenBurner, type KitchenOven, type KitchenPan } from '#core/kitchen/kitchen'
import { EFFICIENCY, panHoldsM3 } from '#core/physics/heat/pot'

interface Lists { ovens: KitchenOven[], burners: KitchenBurner[], pans: KitchenPan[] }
defineProps<Lists>()
const emit = defineEmits<{ change: [part: Partial<Lists>] }>()
const fmt = useFormat()
const KINDS = { gas: 'gas', ceramic: 'ceramic', induction: 'induction', microwave: 'microwave' } as const
const edit = <T extends { id: string }>(list: readonly T[], id: string, part: Partial<T>): T[] =>
  list.map(x => (x.id === id ? { ...x, ...part } : x))
const without = <T extends { id: string }>(list: readonly T[], id: string): T[] => list.filter(x => x.id !== id)
const id = () => crypto.randomUUID()
</script>

<template>
  <section data-kitchen-part="ovens">
    <h2 class="section-title">{{ $say('kitchenHeat.ovens') }}</h2>
    <ul>
      <li v-for="o in ovens" :key="o.id">
        <div class="named">
          <label class="field-label" :for="`on-${o.id}`">{{ $say('kitchenHeat.name') }}</label>
          <NameField
            :id="`on-${o.id}`" class="native" maxlength="80" :model-value="o.name"
            @update:model-value="name => emit('change', { ovens: edit(ovens, o.id, { name }) })"
          />
        </div>
        <QuantityField
          field="heat.oven.offsetK" kind="count" :unit-text="$say('kitchenHeat.cOverDial')" show-label
          :label="$say('kitchenHeat.itsAirLies')" :model-value="o.offsetK"
          @update:model-value="v => emit('change', { ovens: edit(ovens, o.id, { offsetK: v }) })"
        />
        <label class="tick">
          <input
            type="checkbox" :checked="o.fan"
            @change="emit('change', { ovens: edit(ovens, o.id, { fan: ($event.target as HTMLInputElement).checked }) })"
          >
          {{ $say('kitchenHeat.hasAFan') }}
        </label>
        <TakeOut :id="o.id" :name="o.name" @take="emit('change', { ovens: without(ovens, o.id) })" />
      </li>
    </ul>
    <UButton
      variant="outline" color="neutral" size="sm" :label="$say('kitchenHeat.addAnOven')"
      @click="emit('change', { ovens: [...ovens, { id: id(), name: $say('kitchenHeat.newOven'), fan: false, offsetK: 0 }] })"
    />
    <p class="soft small">{{ $say('kitchenHeat.hangAThermometerInTheMiddle') }}</p>
  </section>
  <section data-kitchen-part="burners">
    <h2 class="section-title">{{ $say('kitchenHeat.burners') }}</h2>
    <ul>
      <li v-for="b in burners" :key="b.id">
        <div class="named">
          <label class="field-label" :for="`bn-${b.id}`">{{ $say('kitchenHeat.name') }}</label>
          <NameField
            :id="`bn-${b.id}`" class="native" maxlength="80" :model-value="b.name"
            @update:model-value="name => emit('change', { burners: edit(burners, b.id, { name }) })"
          />
        </div>
        <div>
          <label class="field-label" :for="`bk-${b.id}`">{{ $say('kitchenHeat.kind') }}</label>
          <select
            :id="`bk-${b.id}`" class="native" :value="b.kind"
            @change="
              emit('change',
                   { burners: edit(burners, b.id,
                                   { kind: ($event.target as HTMLSelectElement).value as KitchenBurner['kind'] }) })
            "
          >
            <option v-for="k in BURNER_KINDS" :key="k" :value="k">{{ KINDS[k] }}</option>
          </select>
        </div>
        <QuantityField
          field="kitchen.burners.*.ratedW" kind="power" show-label :label="$say('kitchenHeat.rated')"
          :model-value="b.ratedW"
          @update:model-value="v => emit('change', { burners: edit(burners, b.id, { ratedW: v }) })"
        />
        <TakeOut :id="b.id" :name="b.name" @take="emit('change', { burners: without(burners, b.id) })" />
      </li>
    </ul>
    <UButton
      variant="outline" color="neutral" size="sm" :label="$say('kitchenHeat.addABurner')"
      @click="
        emit('change',
             { burners: [...burners, { id: id(), name: $say('kitchenHeat.newBurner'), kind: 'induction', ratedW: 2000 }] })
      "
    />
    <p class="soft small">
      {{
        $say('kitchenHeat.ofTheRatingThereReachesThe',
             { gas: fmt.percent(EFFICIENCY.gas),
               ceramic: fmt.percent(EFFICIENCY.ceramic),
               induction: fmt.percent(EFFICIENCY.induction) })
      }}
    </p>
  </section>
  <section data-kitchen-part="pans">
    <h2 class="section-title">{{ $say('kitchenHeat.pansAndBowlsForTheStove') }}</h2>
    <ul>
      <li v-for="p in pans" :key="p.id">
        <div class="named">
          <label class="field-label" :for="`pp-${p.id}`">{{ $say('kitchenHeat.name') }}</label>
          <NameField
            :id="`pp-${p.id}`" class="native" maxlength="80" :model-value="p.name"
            @update:model-value="name => emit('change', { pans: edit(pans, p.id, { name }) })"
          />
        </div>
        <QuantityField
          field="heat.pan.diameterM" kind="length" show-label :label="$say('kitchenHeat.width')" :step="5"
          :model-value="p.diameterM"
          @update:model-value="v => emit('change', { pans: edit(pans, p.id, { diameterM: v }) })"
        />
        <QuantityField
          field="heat.pan.heightM" kind="length" show-label :label="$say('kitchenHeat.height')" :step="5"
          :model-value="p.heightM" @update:model-value="v => emit('change', { pans: edit(pans, p.id, { heightM: v }) })"
        />
        <QuantityField
          field="heat.pan.tareG" kind="mass" show-label :label="$say('kitchenHeat.weighsEmpty')"
          :blank="$say('kitchenHeat.notWeighed')" :model-value="p.tareG ?? 0"
          @update:model-value="v => emit('change', { pans: edit(pans, p.id, { tareG: v >= 20 ? v : null }) })"
        />
        <span class="soft small holds">{{ $say('kitchenHeat.holds', { p1: fmt.litres(panHoldsM3(p)) }) }}</span>
        <TakeOut :id="p.id" :name="p.name" @take="emit('change', { pans: without(pans, p.id) })" />
      </li>
    </ul>
    <UButton
      variant="outline" color="neutral" size="sm" :label="$say('kitchenHeat.addAPan')"
      @click="
        emit('change',
             { pans: [...pans,
                      { id: id(), name: $say('kitchenHeat.newPan'), diameterM: 0.2, heightM: 0.12, tareG: null }] })
      "
    />
  </section>
</template>

<style scoped>
section { border-top: 1px solid var(--ink); padding-top: 0.7rem; grid-column: 1 / -1; }
ul { list-style: none; margin: 0 0 0.7rem; padding: 0; }
li {
  display: flex; flex-wrap: wrap; gap: 0.5rem 1rem; align-items: end; padding: 0.3rem 0 0.5rem;
  border-bottom: 1px solid var(--hairline);
}
.named { flex: 1 1 12rem; } li > .quantity { width: 9rem; }
.tick { display: inline-flex; align-items: center; gap: 0.5rem; min-height: 44px; }
.tick input { width: 22px; height: 22px; accent-color: var(--ink); }
.holds { align-self: center; min-width: 6rem; }
p { margin: 0.4rem 0 0; }
</style>
