<script setup lang="ts">
/** A part of another formula taken into this dessert: copied, with where it came from. */
import { withCopied } from '#core/formula/copied'
import type { FormulaRecord } from '../../../shared/schemas/wire'
import { shelfNames } from '~/composables/shelfNames'
import { ROLE_NAMES } from '~/words/layers'

const ws = useWorkspaceStore()
const names = shallowRef<{ id: string, name: string }[]>([])
const record = shallowRef<FormulaRecord | null>(null)
const componentId = ref('')
const failed = ref(false)
/** The shelf is asked for once the list is wanted. */
async function ask() {
  if (names.value.length === 0) names.value = (await shelfNames()).filter(f => f.id !== ws.id)
}
async function choose(event: Event) {
  const id = (event.target as HTMLSelectElement).value
  failed.value = false
  record.value = id ? await api<FormulaRecord>(`/api/formulas/${id}`).catch(() => null) : null
  failed.value = id !== '' && record.value === null
  componentId.value = record.value?.document.formula.components[0]?.id ?? ''
}
function take() {
  const { id: formulaId, version, document } = record.value!
  const from = { formulaId, version, componentId: componentId.value }
  ws.replaceAll(withCopied(ws.planned!, document, from, () => crypto.randomUUID()).planned)
  ws.endGesture()
}
</script>

<template>
  <div class="fields">
    <div>
      <label class="field-label" for="from-shelf">{{ $say('plate.fromShelf') }}</label>
      <select id="from-shelf" class="native" @focus="ask" @pointerdown="ask" @change="choose">
        <option value="">{{ $say('plate.chooseFormula') }}</option>
        <option v-for="f in names" :key="f.id" :value="f.id">{{ f.name }}</option>
      </select>
    </div>
    <div v-if="record && record.document.formula.components.length > 1">
      <label class="field-label" for="from-part">{{ $say('plate.part') }}</label>
      <select id="from-part" v-model="componentId" class="native">
        <option v-for="c in record.document.formula.components" :key="c.id" :value="c.id">{{ c.name || ROLE_NAMES[c.role] }}</option>
      </select>
    </div>
    <UButton v-if="record" :label="$say('plate.takeIt')" data-take-part @click="take" />
    <p v-if="failed" class="wrong" role="alert">{{ $say('new.theServerDoesNotAnswerWhat') }}</p>
  </div>
</template>

<style scoped>
.fields { display: flex; flex-wrap: wrap; gap: 0.9rem 1.4rem; align-items: end; margin: 0.6rem 0; }
</style>
