<script setup lang="ts">
/** The layers of a dessert: one more, another order, another name, or one less. */
import type { Bench } from '#core/formula/bench'
import { type Component, type ComponentRole, isComputed, type School, SCHOOLS } from '#core/formula/document'
import { movedLevel, POURED_ROLES, withComponent, withoutComponent } from '#core/formula/layers'
import { schoolOf } from '#core/formula/schools'
import { ROLE_NAMES } from '~/words/layers'
import { FAMILY_NAMES, SCHOOL_NAMES } from '~/words/names'

const props = defineProps<{ doc: Bench }>()
const ws = useWorkspaceStore()
const more = reactive<{ role: ComponentRole, school: School }>({ role: 'cream', school: 'setCream' })
const levels = computed(() =>
  ws.planned!.formula.assembly.layers.filter(l => l.form === 'fill').map(l => l.componentId),
)
/** What is made, the topmost first. */
const made = computed(() => ws.planned!.formula.components.filter(isComputed)
  .toSorted((a, b) => levels.value.indexOf(b.id) - levels.value.indexOf(a.id)))
function canMove(c: Component, by: 1 | -1): boolean {
  const at = levels.value.indexOf(c.id)
  return at >= 0 && at + by >= 0 && at + by < levels.value.length
}
function put(next: Parameters<typeof ws.replaceAll>[0]) {
  ws.replaceAll(next)
  ws.endGesture()
}
/** One more layer of its own, empty: Balance takes its lines. */
async function add() {
  const wanted = { ...more, name: ROLE_NAMES[more.role] }
  const { planned, id } = withComponent(ws.planned!, wanted, () => crypto.randomUUID())
  put(planned)
  ws.turnTo(id)
  await navigateTo(`/formula/${ws.id}/balance`)
}
function takeOut(c: Component) {
  put(withoutComponent(ws.planned!, c.id))
  if (props.doc.componentId === c.id) ws.turnTo('')
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
          <option v-for="s in SCHOOLS" :key="s" :value="s">
            {{ FAMILY_NAMES[schoolOf(s).family].name }}: {{ SCHOOL_NAMES[s].name.toLowerCase() }}
          </option>
        </select>
      </div>
      <UButton :label="$say('layersPanel.addTheLayer')" @click="add" />
    </div>
  </section>
</template>

<style scoped>
.made { list-style: none; padding: 0; margin: 0 0 0.8rem; border-top: 1px solid var(--ink); max-width: 44rem; }
.made li {
  display: flex; flex-wrap: wrap; align-items: center; gap: 0 0.6rem; border-bottom: 1px solid var(--hairline);
}
.name { flex: 1 1 12rem; min-height: 44px; background: transparent; border: 0; font-weight: 600; }
.fields { display: flex; flex-wrap: wrap; gap: 0.9rem 1.4rem; align-items: end; margin: 0.6rem 0; }
</style>
