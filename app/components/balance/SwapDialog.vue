<script setup lang="ts">
/** The swap guard: another ingredient for a line, in amounts that keep something the same, with a plain warning. */
import { fillingOf, type Bench } from '#core/formula/bench'
import { withLineIn } from '#core/formula/edits'
import { GELATIN_GRADES } from '#core/physics/set/gelatin'
import { swapBloom, swapsFor, type Swap } from '#core/solve/swap'
import { changeWords, KEEPS_WORDS, swapWarningWords } from '~/words/balance'
import { AROMA_NAMES, SHARPNESS_NAMES, SHORT_VERDICT } from '~/words/names'

const props = defineProps<{ doc: Bench, lineId: string | null }>()
const emit = defineEmits<{ close: [] }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
const line = computed(() => fillingOf(props.doc).lines.find(l => l.id === props.lineId) ?? null)
const open = computed({ get: () => line.value !== null, set: (v) => { if (!v) emit('close') } })
const to = ref('')
const swap = shallowRef<Swap | null>(null)
const options = computed(() => line.value ? swapsFor(line.value.ingredientId, kitchen.core?.ingredients) : [])
watch(() => props.lineId, () => {
  to.value = ''
  swap.value = null
})
async function choose(id: string) {
  to.value = id
  swap.value = null
  if (!line.value || !id) return
  const outcome = await solver.run<'swap'>({
    kind: 'swap',
    doc: props.doc,
    kitchen: kitchen.core!,
    lineId: line.value.id,
    toId: id,
  })
  if (outcome && 'value' in outcome) swap.value = outcome.value
}
function apply(doc: Bench) {
  ws.replace(toPlain(doc))
  ws.endGesture()
  emit('close')
}
const grades = computed(() =>
  GELATIN_GRADES.filter(g => g.bloom !== props.doc.set.bloom).map(g => ({ ...g, doc: swapBloom(props.doc, g.bloom) })),
)
/** Other components the line may go to. */
const others = computed(() => props.doc.components.filter(c => c.id !== props.doc.componentId))
const moveTo = (id: string) => apply(withLineIn(props.doc, props.lineId!, id, () => crypto.randomUUID()))
const gelatinG = (d: Bench) =>
  fillingOf(d)
    .lines.filter(l => l.ingredientId === 'gelatin')
    .reduce((s, l) => s + l.massG, 0)
</script>

<template>
  <UModal
    v-model:open="open"
    :title="line ? $say('swapDialog.somethingElseFor', { ingredientId: fmt.name(line.ingredientId).toLowerCase() }) : ''"
    :description="line ? $say('swapDialog.ofItAreInTheFormula', { massG: fmt.grams(line.massG) }) : ''"
    :ui="{ content: 'max-w-2xl' }"
  >
    <template #body>
      <div v-if="line" :data-swap="solver.running.value ? 'working' : swap ? 'settled' : 'idle'">
        <div v-if="line.ingredientId === 'gelatin'" class="grades">
          <p>{{ $say('swapDialog.nowOfBloomTheSameSet', { massG: fmt.grams(line.massG), bloom: doc.set.bloom }) }}</p>
          <UButton
            v-for="g in grades" :key="g.name" variant="outline" color="neutral"
            :label="$say('swapDialog.bloomG', { name: g.name, bloom: g.bloom, p3: fmt.fixed(gelatinG(g.doc), 1) })"
            @click="apply(g.doc)"
          />
        </div>
        <template v-if="options.length">
          <label class="field-label" for="swap-to">{{ $say('swapDialog.takeInstead') }}</label>
          <select id="swap-to" class="native" :value="to" @change="choose(($event.target as HTMLSelectElement).value)">
            <option value="" disabled>{{ $say('swapDialog.pickAnIngredient') }}</option>
            <option v-for="id in options" :key="id" :value="id">{{ fmt.name(id) }}</option>
          </select>
        </template>
        <p v-else-if="line.ingredientId !== 'gelatin'" class="soft">
          {{ $say('swapDialog.nothingKnownDoesTheSameWork') }}
        </p>
        <div v-if="others.length" class="goes">
          <span class="field-label">{{ $say('swapDialog.orItGoesTo') }}</span>
          <UButton
            v-for="c in others" :key="c.id" size="sm" variant="outline" color="neutral" :label="c.name"
            :data-goes="c.role" @click="moveTo(c.id)"
          />
        </div>
        <p v-if="solver.running.value" role="status" class="soft">{{ $say('swapDialog.weighingItUp') }}</p>
        <template v-if="swap">
          <p v-for="w in swap.warnings" :key="w.kind" class="warn" role="alert" :data-warning="w.kind">
            {{ swapWarningWords(w, swap.fromId, swap.toId, fmt) }}
          </p>
          <ul class="options">
            <li v-for="o in swap.options" :key="o.keeps" :data-keeps="o.keeps">
              <div class="top">
                <b>{{ KEEPS_WORDS[o.keeps] }}</b>
                <UButton
                  size="sm" variant="outline" color="neutral" :label="$say('swapDialog.swapSo')"
                  :aria-label="$say('swapDialog.swap', { keeps: KEEPS_WORDS[o.keeps] })" @click="apply(o.doc)"
                />
              </div>
              <p>
                {{
                  o.changes.map(c => c.from === 0
                    ? $say('swapDialog.add',
                           { to: fmt.grams(c.to), ingredientId: fmt.name(c.ingredientId).toLowerCase() })
                    : c.fromId === c.ingredientId
                      ? `${fmt.name(c.ingredientId).toLowerCase()} ${fmt.grams(c.from)} → ${fmt.grams(c.to)}`
                      : `${fmt.grams(c.to)} ${fmt.name(c.ingredientId).toLowerCase()}`).join(', ')
                }}
              </p>
              <p class="soft">
                {{
                  $say('swapDialog.firmnessSournessSweetnessFat',
                       { code: SHORT_VERDICT[o.code],
                         sharpness: SHARPNESS_NAMES[o.sharpness],
                         aroma: AROMA_NAMES[o.aroma],
                         set: changeWords(o.ratio.set, fmt),
                         sour: changeWords(o.ratio.sour, fmt),
                         sweet: changeWords(o.ratio.sweet, fmt),
                         fat: changeWords(o.ratio.fat, fmt) })
                }}
              </p>
            </li>
          </ul>
        </template>
      </div>
    </template>
  </UModal>
</template>

<style scoped>
.goes { display: flex; flex-wrap: wrap; gap: 0.4rem; align-items: center; margin-top: 0.8rem; }
.grades { display: grid; gap: 0.4rem; margin-bottom: 1rem; }
.warn {
  border: 1px solid var(--blood); border-left-width: 4px; padding: 0.5rem 0.8rem; margin: 0.7rem 0; background: #fffdf7;
}
.options { list-style: none; margin: 0.6rem 0 0; padding: 0; border-top: 1px solid var(--ink); }
.options li { border-bottom: 1px solid var(--hairline); padding: 0.5rem 0; }
.options p { margin: 0.1rem 0; }
.top { display: flex; justify-content: space-between; align-items: center; }
</style>
