<script setup lang="ts">
/** The layers of a dessert: one more, another order, another name or thickness, or one less. */
import type { Bench } from '#core/formula/bench'
import {
  BUILT, type Component, type ComponentRole, isComputed, PART_KINDS, type PartKind, type School, SCHOOLS,
} from '#core/formula/document'
import {
  movedLevel, POURED_ROLES, readyFillings, withComponent, withLaid, withoutComponent, withReady, withThickness,
  withWeight,
} from '#core/formula/layers'
import { fruitKind, standsAlone } from '#core/formula/fruit'
import { partFacts } from '#core/formula/parts'
import { schoolOf } from '#core/formula/schools'
import { PART_NAMES } from '~/words/cook'
import { ROLE_NAMES } from '~/words/layers'
import { BUILT_NAMES } from '~/words/plate'
import { FAMILY_NAMES, SCHOOL_NAMES } from '~/words/names'

const props = defineProps<{ doc: Bench }>()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const fmt = useFormat()
const more = reactive<{ role: ComponentRole, school: School }>({ role: 'cream', school: 'setCream' })
const LAID_IN = PART_KINDS.filter(k => ['level', 'beside'].includes(partFacts(k).role) && k !== 'readyFilling')
const laidIn = ref<PartKind>('spongeLayer')
const newId = () => crypto.randomUUID()
const putAlone = useAlone()
/** Ways of making that are poured as a layer; fruit is laid in. */
const POURED = SCHOOLS.filter(s => fruitKind(s) === null)
const fills = computed(() => ws.planned!.formula.assembly.layers.filter(l => l.form === 'fill'))
const levels = computed(() => fills.value.map(l => l.componentId))
/** What is made or laid in, the topmost first; crust and topping have their own place. */
const isBeside = (c: Component) => c.make !== undefined && partFacts(c.make.kind).role === 'beside'
const made = computed(() => ws.planned!.formula.components
  .filter(c => isComputed(c) || levels.value.includes(c.id) || isBeside(c))
  .toSorted((a, b) => levels.value.indexOf(b.id) - levels.value.indexOf(a.id)))
const thickOf = (c: Component) => {
  const layer = fills.value.find(l => l.componentId === c.id)
  return layer && 'given' in layer.thicknessM ? layer.thicknessM.given : null
}
/** As it is on the bench: with the lots of this occasion. */
const onBench = (c: Component) => props.doc.components.find(x => x.id === c.id) ?? c
const weightOf = (c: Component) => c.lines.reduce((s, l) => s + l.massG, 0)
function canMove(c: Component, by: 1 | -1): boolean {
  const at = levels.value.indexOf(c.id)
  return at >= 0 && at + by >= 0 && at + by < levels.value.length
}
function put(next: Parameters<typeof ws.replaceAll>[0], gesture = '') {
  ws.replaceAll(next, gesture)
  if (!gesture) ws.endGesture()
}
/** One more layer of its own, empty: Balance takes its lines. */
async function add() {
  const { planned, id } = withComponent(ws.planned!, { ...more, name: ROLE_NAMES[more.role] }, newId)
  put(planned)
  ws.turnTo(id)
  await navigateTo(`/formula/${ws.id}/balance`)
}
const layIn = () =>
  put(withLaid(ws.planned!, kitchen.core!, laidIn.value, PART_NAMES[laidIn.value].name, newId).planned)
/* Fillings in packs, in the kitchen's stock, and bought ones it has a label of. */
const packs = computed(() => (kitchen.core ? readyFillings(kitchen.core) : []))
const packAt = ref(0)
const pack = computed(() => packs.value[packAt.value] ?? packs.value[0])
const layPack = () => put(withReady(ws.planned!, kitchen.core!, pack.value!, newId).planned)
const thicker = (id: string, m: number) => put(withThickness(ws.planned!, kitchen.core!, id, m), `thick-${id}`)
const heavier = (id: string, g: number) => put(withWeight(ws.planned!, kitchen.core!, id, g), `weight-${id}`)
/** From thickness to weight, as it is now; from weight to the kind's usual thickness. */
const turnMeasure = (c: Component) => put(thickOf(c) === null
  ? withThickness(ws.planned!, kitchen.core!, c.id, partFacts(c.make!.kind).thicknessM)
  : withWeight(ws.planned!, kitchen.core!, c.id, weightOf(c)))
function takeOut(c: Component) {
  put(withoutComponent(ws.planned!, c.id))
  if (props.doc.componentId === c.id) ws.turnTo('')
}
/** How the parts become one; level upon level is what is not said. */
function setBuilt(event: Event) {
  const built = BUILT.find(b => b === (event.target as HTMLSelectElement).value)
  const { formula } = ws.planned!
  const { built: _was, ...assembly } = formula.assembly
  put({ ...ws.planned!, formula: { ...formula, assembly: built ? { ...assembly, built } : assembly } })
}
const rename = (id: string, name: string) =>
  ws.change(`layer-name-${id}`, d => Object.assign(d.components.find(c => c.id === id)!, { name }))
</script>

<template>
  <section data-part="layers">
    <h2 class="section-title">{{ $say('layersPanel.layers') }}</h2>
    <ul v-if="made.length > 1" class="made">
      <li v-for="c in made" :key="c.id" :data-made="c.id">
        <NameField
          class="name" :model-value="c.name" :aria-label="$say('layersPanel.nameOf', { name: c.name })" maxlength="120"
          @update:model-value="v => rename(c.id, v)" @done="ws.endGesture()"
        />
        <FromShelf v-if="c.from" :part="c" />
        <template v-if="!isComputed(c)">
          <QuantityField
            v-if="thickOf(c) !== null" class="much" kind="length" :label="$say('plate.thickOf', { name: c.name })"
            :model-value="thickOf(c)!" :min="0.001" :max="0.2" :step="1" @update:model-value="v => thicker(c.id, v)"
            @done="ws.endGesture()"
          />
          <QuantityField
            v-else class="much" kind="mass" :label="$say('plate.weightOf', { name: c.name })" :model-value="weightOf(c)"
            :min="1" :max="100000" @update:model-value="v => heavier(c.id, v)" @done="ws.endGesture()"
          />
          <button
            v-if="c.make && !isBeside(c)" type="button" class="underline by"
            @click="turnMeasure(c)"
          >
            {{ thickOf(c) === null ? $say('plate.byThickness') : $say('plate.byWeight') }}
          </button>
        </template>
        <UButton
          variant="ghost" color="neutral" size="sm" icon="i-lucide-arrow-up"
          :aria-label="$say('layersPanel.up2', { name: c.name })" :label="$say('layersPanel.up')"
          :disabled="!canMove(c, 1)" @click="put(movedLevel(ws.planned!, c.id, 1))"
        />
        <UButton
          variant="ghost" color="neutral" size="sm" icon="i-lucide-arrow-down"
          :aria-label="$say('layersPanel.down2', { name: c.name })" :label="$say('layersPanel.down')"
          :disabled="!canMove(c, -1)" @click="put(movedLevel(ws.planned!, c.id, -1))"
        />
        <UButton
          variant="ghost" color="neutral" size="sm" :aria-label="$say('layersPanel.takeOut', { name: c.name })"
          :label="$say('layersPanel.takeOut2')" @click="takeOut(c)"
        />
        <UButton
          v-if="standsAlone(c)" variant="ghost" color="neutral" size="sm" data-alone
          :label="$say('layersPanel.ontoTheShelf')" @click="putAlone(onBench(c))"
        />
        <PartFigures v-if="c.make" class="wide" :doc="doc" :part="onBench(c)" />
      </li>
    </ul>
    <p class="soft">
      {{ $say('layersPanel.aSecondFillingAnInsertA') }}
    </p>
    <div class="fields">
      <div>
        <label class="field-label" for="more-role">{{ $say('layersPanel.anotherLayer') }}</label>
        <select id="more-role" v-model="more.role" class="native">
          <option v-for="r in POURED_ROLES" :key="r" :value="r">{{ ROLE_NAMES[r] }}</option>
        </select>
      </div>
      <div>
        <label class="field-label" for="more-school">{{ $say('layersPanel.madeAs') }}</label>
        <select id="more-school" v-model="more.school" class="native">
          <option v-for="s in POURED" :key="s" :value="s">
            {{ FAMILY_NAMES[schoolOf(s).family].name }}: {{ SCHOOL_NAMES[s].name.toLowerCase() }}
          </option>
        </select>
      </div>
      <UButton :label="$say('layersPanel.addTheLayer')" @click="add" />
    </div>
    <div class="fields">
      <div>
        <label class="field-label" for="laid-in">{{ $say('plate.addLaid') }}</label>
        <select id="laid-in" v-model="laidIn" class="native">
          <option v-for="k in LAID_IN" :key="k" :value="k">{{ PART_NAMES[k].name }}</option>
        </select>
      </div>
      <UButton :label="$say('plate.addIt')" data-lay-in @click="layIn" />
      <template v-if="pack">
        <div>
          <label class="field-label" for="from-packs">{{ $say('plate.fromPacks') }}</label>
          <select
            id="from-packs" class="native" :value="packAt"
            @change="packAt = Number(($event.target as HTMLSelectElement).value)"
          >
            <option v-for="(p, i) in packs" :key="i" :value="i">
              {{ p.lot?.massG ? `${p.name}, ${fmt.grams(p.lot.massG)}` : p.name }}
            </option>
          </select>
        </div>
        <UButton :label="$say('plate.addPack')" data-lay-pack @click="layPack" />
      </template>
      <div>
        <label class="field-label" for="built-as">{{ $say('plate.builtAs') }}</label>
        <select id="built-as" class="native" :value="ws.planned!.formula.assembly.built ?? 'level'" @change="setBuilt">
          <option v-for="b in ['level', ...BUILT] as const" :key="b" :value="b">{{ BUILT_NAMES[b] }}</option>
        </select>
      </div>
    </div>
    <p v-if="ws.planned!.formula.assembly.built === 'domed'" class="soft">{{ $say('plate.domedOrder') }}</p>
    <TakeFromShelf />
  </section>
</template>

<style scoped>
.made { list-style: none; padding: 0; margin: 0 0 0.8rem; border-top: 1px solid var(--ink); max-width: 60rem; }
.made li {
  display: flex; flex-wrap: wrap; align-items: center; gap: 0 0.6rem; border-bottom: 1px solid var(--hairline);
}
.name { flex: 1 1 12rem; min-height: 44px; background: transparent; border: 0; font-weight: 600; }
.made .wide { flex-basis: 100%; padding-bottom: 0.5rem; }
.much { width: 8rem; } .by { min-height: 44px; }
.fields { display: flex; flex-wrap: wrap; gap: 0.9rem 1.4rem; align-items: end; margin: 0.6rem 0; }
</style>
