<script setup lang="ts">
/** A whole dessert on one plate: drawn, judged, built in order, with what leaks into what. */
import { allergensIn } from '#core/formula/allergens'
import { benchOf, putBack, vesselOf } from '#core/formula/bench'
import { batchCost } from '#core/formula/cost'
import { scaleFormula } from '#core/formula/edits'
import { nutritionOf } from '#core/plan/nutrition'
import { isCrisp } from '#core/plate/nature'
import { ALLERGEN_NAMES } from '~/words/names'
import { buildWords, leakWords, partName, plateVerdict, spareWords } from '~/words/plate'
import { factorDown, factorWords } from '~/words/factor'
import { say } from '~/words/say'

definePageMeta({ key: route => `whole-${String((route.params as { id: string }).id)}` })
const route = useRoute()
const id = computed(() => String((route.params as { id: string }).id))
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const fmt = useFormat()
if (ws.id !== id.value || !ws.planned) await ws.open(id.value)
const { answer, problem, settled } = usePlate(() => ws.planned, () => kitchen.core)
useHead({ title: computed(() => ws.planned ? say('plate.title', { name: ws.planned.formula.name }) : 'Lumbik') })
const plate = computed(() => answer.value?.plate ?? null)
const bench = computed(() => (ws.planned ? benchOf(ws.planned) : null))
const facts = computed(() => {
  if (!answer.value || !bench.value || !kitchen.core) return null
  const { portion } = nutritionOf(bench.value, kitchen.core, answer.value.assessment)
  const cost = batchCost(bench.value, kitchen.core)
  return { portion, cost, allergens: allergensIn(bench.value) }
})
function put(next: Parameters<typeof ws.replaceAll>[0]) {
  ws.replaceAll(next)
  ws.endGesture()
}
const fitIn = () => put(putBack(scaleFormula(bench.value!, factorDown(plate.value!.room.factor))))
/** Brushed with egg, cocoa butter or chocolate, or no more. */
function seal(partId: string) {
  const next = structuredClone(toPlain(ws.planned!))
  const { make } = next.formula.components.find(c => c.id === partId)!
  if (!make) return
  if (make.sealed) delete make.sealed
  else make.sealed = true
  put(next)
}
const sealable = computed(() => (plate.value?.parts ?? []).flatMap((p) => {
  const make = ws.planned!.formula.components.find(c => c.id === p.id)?.make
  return make && isCrisp(p) ? [{ id: p.id, name: partName(p), sealed: make.sealed === true }] : []
}))
async function open(partId: string) {
  ws.turnTo(partId)
  await navigateTo(`/formula/${id.value}/balance`)
}
const print = () => window.print()
</script>

<template>
  <NoFormula v-if="ws.missing" :why="ws.missing" />
  <main
    v-else-if="ws.planned && bench" class="plate" :data-settled="settled ? 'true' : 'false'" :data-save="ws.saveState"
  >
    <header>
      <p class="no-print">
        <NuxtLink class="underline back" :to="`/formula/${id}/balance`">{{ $say('plate.toStations') }}</NuxtLink>
        <span class="tools">
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-undo-2" :disabled="!ws.canUndo"
            :aria-label="$say('workspace.undo')" @click="ws.undo()"
          />
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-redo-2" :disabled="!ws.canRedo"
            :aria-label="$say('workspace.redo')" @click="ws.redo()"
          />
          <NuxtLink class="underline link" :to="`/formula/${id}/shape`">{{ $say('plate.cutPlan') }}</NuxtLink>
          <NuxtLink class="underline link" :to="`/formula/${id}/label`">{{ $say('plate.label') }}</NuxtLink>
          <UButton variant="ghost" color="neutral" size="sm" :label="$say('workspace.print')" @click="print" />
        </span>
      </p>
      <h1>{{ ws.planned.formula.name }}</h1>
    </header>
    <p v-if="problem" class="wrong" role="alert">{{ $say('plate.problem', { path: problem }) }}</p>
    <template v-if="plate && facts">
      <div class="top">
        <PlateDrawing
          :plate="plate" :piece-width-m="bench.use.pieceWidthM" :vessel="vesselOf(bench, kitchen.core!)" :built="bench.assembly.built"
          :is-in-vessel="bench.use.kind === 'glass'"
        />
        <section>
          <p class="verdict" :data-verdict="plate.verdict.code" aria-live="polite">{{ plateVerdict(plate) }}</p>
          <p v-if="plate.room.factor < 1">
            <UButton :label="$say('plate.fitIn', { factor: factorWords(plate.room.factor) })" data-fit @click="fitIn" />
          </p>
          <dl class="facts">
            <div><dt>{{ $say('plate.portions') }}</dt><dd class="num">{{ bench.assembly.portions }} × {{ fmt.grams(plate.portionG) }}</dd></div>
            <div><dt>{{ $say('plate.energy') }}</dt><dd class="num">{{ $say('plate.kJ', { n: Math.round(facts.portion.energyKJ) }) }} <small>{{ $say('plate.kcal', { n: Math.round(facts.portion.energyKcal) }) }}</small></dd></div>
            <div>
              <dt>{{ $say('plate.costs') }}</dt>
              <dd class="num">
                {{ fmt.money(facts.cost.portion) }}
                <small v-if="facts.cost.missing.length">{{ $say('plate.unpriced', { n: facts.cost.missing.length }) }}</small>
              </dd>
            </div>
            <div><dt>{{ $say('plate.allergens') }}</dt><dd>{{ facts.allergens.map(a => ALLERGEN_NAMES[a]).join(', ') || '—' }}</dd></div>
            <div>
              <dt>{{ $say('plate.room') }}</dt>
              <dd class="num">{{ fmt.fixed(plate.room.neededM3 * 1000, 2) }} l <small>{{ $say('plate.of', { holds: fmt.fixed(plate.room.holdsM3 * 1000, 2) }) }}</small></dd>
            </div>
          </dl>
        </section>
      </div>
      <section>
        <h2 class="section-title">{{ $say('plate.inOrder') }}</h2>
        <ol class="build">
          <li v-for="(s, i) in plate.build" :key="i" :data-build="s.code">
            <b>{{ buildWords(s, plate.parts, fmt).what }}</b>
            <span class="num">{{ buildWords(s, plate.parts, fmt).how }}</span>
            <span class="soft">{{ buildWords(s, plate.parts, fmt).why }}</span>
          </li>
        </ol>
      </section>
      <section>
        <h2 class="section-title">{{ $say('plate.parts') }}</h2>
        <PlateParts :plate="plate" @open="open" />
      </section>
      <section>
        <h2 class="section-title">{{ $say('plate.leaks') }}</h2>
        <p v-if="plate.leaks.length === 0" class="soft">{{ $say('plate.noLeaks') }}</p>
        <ul class="leaks">
          <li v-for="l in plate.leaks" :key="`${l.fromId} ${l.intoId}`" :class="{ blood: l.softH !== null && l.softH < l.metH }">
            {{ leakWords(l, plate.parts, fmt) }}
          </li>
          <li v-for="u in plate.spares.uses" :key="u.code">{{ spareWords(u, plate.parts, fmt) }}</li>
          <li v-if="plate.spares.saved > 0">{{ $say('plate.eggsSaved', { n: plate.spares.saved }) }}</li>
        </ul>
        <p class="no-print seals">
          <button v-for="s in sealable" :key="s.id" type="button" class="flat" :aria-pressed="s.sealed" @click="seal(s.id)">
            {{ s.sealed ? $say('plate.unseal', { part: s.name }) : $say('plate.seal', { part: s.name }) }}
          </button>
        </p>
        <p class="soft small">{{ $say('plate.caution') }}</p>
      </section>
      <LayersPanel class="no-print" :doc="bench" />
    </template>
    <p v-else-if="!problem" class="soft">{{ $say('workspace.workingItOut') }}</p>
  </main>
</template>

<style scoped>
.plate { padding: 1rem 1.75rem 3rem; max-width: 1280px; margin: 0 auto; }
header p { display: flex; align-items: center; margin: 0; } .tools { margin-left: auto; display: inline-flex; flex-wrap: wrap; align-items: center; }
.link { min-height: 44px; display: inline-flex; align-items: center; padding: 0 0.6rem; }
.back { min-height: 44px; display: inline-flex; align-items: center; }
h1 { font-size: 1.85rem; margin: 0 0 0.8rem; }
.top { display: grid; grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr); gap: 2rem; align-items: start; }
.verdict { font-family: var(--font-display); font-size: 1.6rem; line-height: 1.25; margin: 0 0 0.8rem; text-wrap: balance; }
section { margin-top: 1.2rem; } .top section { margin-top: 0; }
.build { padding: 0; margin: 0; list-style: none; counter-reset: step; }
.build li {
  display: grid; grid-template-columns: 2.2rem minmax(0, 1.3fr) minmax(0, 1.2fr) minmax(0, 1.4fr); gap: 0.2rem 1rem;
  border-bottom: 1px solid var(--hairline); padding: 0.5rem 0; align-items: baseline; counter-increment: step;
}
.build li::before { content: counter(step); font-family: var(--font-display); font-size: 1.25rem; }
.leaks { padding-left: 1.1rem; list-style: disc; } .leaks li { margin-bottom: 0.25rem; }
.facts { grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr)); }
.seals { display: flex; flex-wrap: wrap; gap: 0.6rem; }
.blood { color: var(--blood); font-weight: 600; }
@media (max-width: 900px) {
  .plate { padding: 0.6rem 1rem 2rem; } .top { grid-template-columns: minmax(0, 1fr); gap: 1rem; }
  .build li { grid-template-columns: 2.2rem minmax(0, 1fr); } .build li span { grid-column: 2; }
}
</style>
