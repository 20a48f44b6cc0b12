<script setup lang="ts">
/** "Make it": what is made, from which lots, with which instruments; then the batch begins. */
import { benchOf, putBack } from '#core/formula/bench'
import { fillingOf, type Bench } from '#core/formula/bench'
import { lotStrength } from '#core/kitchen/kitchen'
import { AILMENTS, type Ailment } from '#core/plant/instruments'
import { group, say } from '~/words/say'

const props = defineProps<{ doc: Bench }>()
const open = defineModel<boolean>('open', { required: true })
const kitchen = useKitchenStore()
const outbox = useOutboxStore()
const fmt = useFormat()

const parts = computed(() => props.doc.components.filter(c => c.process))
const part = ref(props.doc.componentId)
const bench = computed(() => benchOf(putBack(props.doc), part.value))
/** Lines of which the kitchen has lots. */
const choices = computed(() => fillingOf(bench.value).lines.flatMap((line) => {
  const lots = (kitchen.record?.lots ?? []).filter(l => l.ingredientId === line.ingredientId)
  return lots.length > 0 ? [{ line, lots }] : []
}))
const lots = ref<Record<string, string>>({})
watch(choices, (list) => {
  for (const { line } of list)
    lots.value[line.id] ??= line.strength?.kind === 'lot' ? line.strength.lotId : ''
}, { immediate: true })

const instruments = ref<'own' | 'simulated'>('own')
const stove = ref<'asIs' | 'hot' | 'weak'>('asIs')
const STOVE = { asIs: undefined, hot: { burnerFactor: 1.5 }, weak: { burnerFactor: 0.7 } }
const PROBES = group<Record<'sound' | Ailment, string>>('batch.PROBES')
const probe = ref<'sound' | Ailment>('sound')
const wrong = ref('')
const going = ref(false)

/** The formula as it is made: with the lots that were chosen. */
function asMade() {
  const b = bench.value
  const lines = fillingOf(b).lines.map((line) => {
    const lot = kitchen.record?.lots.find(l => l.id === lots.value[line.id])
    if (lot) return { ...line, strength: lotStrength(lot) }
    return line.strength?.kind === 'lot' && lots.value[line.id] === '' ? { ...line, strength: { kind: 'typical' as const } } : line
  })
  return putBack({ ...b, components: b.components.map(c => (c.id === part.value ? { ...c, lines } : c)) })
}
const route = useRoute()
async function start() {
  going.value = true
  wrong.value = ''
  const formulaId = String((route.params as { id: string }).id)
  const id = crypto.randomUUID()
  try {
    await outbox.flush('formula', formulaId)
    await api('/api/batches', {
      method: 'POST',
      body: {
        id, formulaId, componentId: part.value, document: toPlain(asMade()),
        simulated: instruments.value === 'simulated',
        ...(instruments.value === 'simulated' && STOVE[stove.value] ? { truth: STOVE[stove.value] } : {}),
        ...(instruments.value === 'simulated' && probe.value !== 'sound' ? { probe: probe.value } : {}),
      },
    })
    open.value = false
    await navigateTo(`/batch/${id}/cook`)
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    wrong.value = say('batch.notStarted', { code: error.problem.code })
  } finally {
    going.value = false
  }
}
</script>

<template>
  <UModal
    v-model:open="open" :title="$say('batch.makeTitle', { name: doc.name })" :description="$say('batch.makeWhat')"
  >
    <template #body>
      <div v-if="parts.length > 1" class="ask">
        <label class="field-label" for="make-part">{{ $say('batch.whichPart') }}</label>
        <select id="make-part" v-model="part" class="native">
          <option v-for="c in parts" :key="c.id" :value="c.id">{{ c.name || doc.name }}</option>
        </select>
      </div>
      <div v-for="{ line, lots: own } in choices" :key="line.id" class="ask">
        <label class="field-label" :for="`make-${line.id}`">
          {{ $say('batch.lotFor', { name: fmt.name(line.ingredientId) }) }}
        </label>
        <select :id="`make-${line.id}`" v-model="lots[line.id]" class="native">
          <option value="">{{ $say('batch.noLot') }}</option>
          <option v-for="l in own" :key="l.id" :value="l.id">
            {{ l.name }}{{ l.acidPercent === null ? '' : `, ${fmt.fixed(l.acidPercent, 1)} %` }}
          </option>
        </select>
      </div>
      <fieldset class="ask">
        <legend class="field-label">{{ $say('batch.withWhat') }}</legend>
        <label class="pick">
          <input v-model="instruments" type="radio" value="own"> {{ $say('batch.byHand') }}
        </label>
        <label class="pick">
          <input v-model="instruments" type="radio" value="simulated"> {{ $say('batch.demonstration') }}
        </label>
      </fieldset>
      <fieldset v-if="instruments === 'simulated'" class="ask">
        <legend class="field-label">{{ $say('batch.stoveRuns') }}</legend>
        <label class="pick"><input v-model="stove" type="radio" value="asIs"> {{ $say('batch.stoveAsIs') }}</label>
        <label class="pick"><input v-model="stove" type="radio" value="hot"> {{ $say('batch.stoveHot') }}</label>
        <label class="pick"><input v-model="stove" type="radio" value="weak"> {{ $say('batch.stoveWeak') }}</label>
      </fieldset>
      <div v-if="instruments === 'simulated'" class="ask">
        <label class="field-label" for="make-probe">{{ $say('batch.probeIs') }}</label>
        <select id="make-probe" v-model="probe" class="native">
          <option v-for="a in ['sound', ...AILMENTS] as const" :key="a" :value="a">{{ PROBES[a] }}</option>
        </select>
      </div>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    </template>
    <template #footer>
      <UButton size="lg" :label="$say('batch.start')" :loading="going" :disabled="going" @click="start" />
    </template>
  </UModal>
</template>

<style scoped>
.ask { border: 0; padding: 0; margin: 0 0 0.9rem; }
.pick { display: flex; gap: 0.6rem; align-items: center; min-height: 44px; }
.pick input { width: 22px; height: 22px; accent-color: var(--ink); }
</style>
