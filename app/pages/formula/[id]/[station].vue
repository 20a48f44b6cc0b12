<script setup lang="ts">
/** The workspace: ribbon, the open station, the verdict column. */
import { STATIONS, type Station } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { useWorkspaceKeys } from '~/composables/useWorkspaceKeys'
import { documentProblemWords } from '~/words/problems'
import { say } from '~/words/say'

definePageMeta({ key: route => `formula-${String((route.params as { id: string }).id)}` })
const route = useRoute()
const workspace = useWorkspaceStore()
const kitchen = useKitchenStore()
const assessor = useAssessor()
const makeVariant = useVariant()

const id = computed(() => String(route.params.id))
const station = computed<Station>(() => STATIONS.find(s => s === route.params.station) ?? 'balance')
await workspace.open(id.value)
const doc = computed(() => workspace.doc)
// That of another layer is not shown for this one.
const assessment = computed(() => assessor.of.value === doc.value?.componentId ? assessor.assessment.value : null)
provide('why', () => doc.value && assessment.value ? { doc: doc.value, assessment: assessment.value } : null)
useHead({ title: computed(() => doc.value ? `${doc.value.name} · Lumbik` : say('workspace.lumbik')) })

watch([doc, () => kitchen.core], ([d, k]) => {
  if (d && k) assessor.ask(d, k)
}, { immediate: true })
watch(station, () => workspace.endGesture())

const useOpen = ref(false)
const keysOpen = ref(false)
/* A dialog is fetched when it is first asked for. */
const useAsked = computed((before?: boolean) => before || useOpen.value)
const keysAsked = computed((before?: boolean) => before || keysOpen.value)
function apply(a: { doc: Bench }) {
  workspace.replace(toPlain(a.doc))
  workspace.endGesture()
}
const balanceView = useState('balance-view', () => 'map')
const rebalanceFocus = useState('rebalance-focus', () => false)
async function toRebalance() {
  balanceView.value = 'rebalance'
  rebalanceFocus.value = true
  await navigateTo(`/formula/${id.value}/balance`)
}
/** Goes to the lines and into the field that adds one. */
async function addLine() {
  await navigateTo(`/formula/${id.value}/balance`)
  await nextTick()
  document.querySelector<HTMLElement>('#add-line')?.focus()
}
useWorkspaceKeys({
  toStation: to => navigateTo(`/formula/${id.value}/${to}`),
  addLine,
  changeUse: () => (useOpen.value = true),
  rebalance: toRebalance,
  makeVariant,
  showKeys: () => (keysOpen.value = true),
  undo: workspace.undo,
  redo: workspace.redo,
})

const settled = computed(
  () => assessor.pointSettled.value && assessor.sharesSettled.value && assessor.adjustmentsSettled.value,
)
</script>

<template>
  <NoFormula v-if="workspace.missing" :why="workspace.missing" />
  <main
    v-else-if="doc" class="workspace" :data-settled="settled ? 'true' : 'false'"
    :data-point="assessor.pointSettled.value ? 'settled' : 'working'" :data-save="workspace.saveState"
    :data-station="station"
  >
    <h1 class="sr">{{ doc.name }}</h1>
    <div class="head">
      <WorkspaceHead :doc="doc" @use="useOpen = true" @keys="keysOpen = true" />
      <LayerStrip v-if="assessor.parts.value.length > 1" :parts="assessor.parts.value" :chosen="doc.componentId" />
    </div>
    <div class="notices">
      <p v-if="assessor.problem.value" class="conflict" role="alert">
        <b>{{ $say('workspace.thisCannotBeComputed') }}</b> {{ documentProblemWords(assessor.problem.value) }}
      </p>
    </div>
    <RibbonLine
      :id="id" :station="station" :doc="doc" :assessment="assessment" :fault-path="assessor.problem.value?.path"
    />
    <VerdictStrip v-if="assessment && doc" :doc="doc" :assessment="assessment" class="v-strip" />
    <!-- One section whether it can be computed or not: what is being typed under Balance stays when the answer comes. -->
    <section
      v-if="assessment || assessor.problem.value || station === 'balance'" class="station" :aria-label="station"
      :class="{ stale: assessment && assessor.problem.value }"
    >
      <LazyBalanceStation
        v-if="station === 'balance' || !assessment" :doc="doc" :assessment="assessment" @variant="makeVariant"
      />
      <LazyStockStation v-else-if="station === 'stock'" :doc="doc" :assessment="assessment" />
      <LazyShapeStation v-else-if="station === 'shape'" :doc="doc" :assessment="assessment" />
      <LazyHeatStation v-else-if="station === 'heat'" :doc="doc" :assessment="assessment" />
      <LazyChillStation v-else-if="station === 'chill'" :doc="doc" :assessment="assessment" />
      <LazyServeStation v-else :doc="doc" :assessment="assessment" />
    </section>
    <p v-else class="station soft">{{ $say('workspace.workingItOut') }}</p>
    <aside v-if="assessment" class="column" :aria-label="$say('workspace.verdictColumn')">
      <VerdictHead
        id="verdict" :doc="doc" :assessment="assessment" :parts="assessor.parts.value" class="v-head" tabindex="-1"
      />
      <VerdictFigures :doc="doc" :assessment="assessment" class="v-figures" />
      <VerdictMore
        class="v-more" :doc="doc" :assessment="assessment" :shares="assessor.shares.value"
        :shares-settled="assessor.sharesSettled.value" :adjustments="assessor.adjustments.value"
        :adjustments-settled="assessor.adjustmentsSettled.value" :levers="assessor.levers.value" @apply="apply"
        @turn="assessor.turn()" @rebalance="toRebalance"
      />
    </aside>
    <LazyUseDialog
      v-if="useAsked" v-model:open="useOpen" :use="doc.use" @change="u => workspace.change('use', d => { d.use = u })"
    />
    <LazyKeysDialog v-if="keysAsked" v-model:open="keysOpen" />
  </main>
</template>

<style scoped>
.workspace {
  display: grid; grid-template-columns: minmax(0, 1fr) 348px;
  grid-template-areas: "head column" "notices column" "ribbon column" "station column";
  grid-template-rows: auto auto auto 1fr; column-gap: 1.75rem; padding-left: 1.75rem; min-height: calc(100vh - 52px);
}
.head { grid-area: head; padding-top: 1.1rem; min-width: 0; }
.notices { grid-area: notices; }
.ribbon { grid-area: ribbon; }
.station { grid-area: station; padding-bottom: 2rem; min-width: 0; }
.stale { opacity: 0.6; }
.column { grid-area: column; border-left: 1px solid var(--hairline); padding: 0 1.5rem 2rem; min-width: 0; }
.v-strip { display: none; }
/* The cut face and its sentence stay in view while anything is changed; the rest of the column goes by beneath them. */
@media (min-height: 620px) {
  .v-head {
    position: sticky; top: 0; z-index: 5; background: var(--paper); padding: 0.9rem 0 0.6rem;
    border-bottom: 1px solid var(--hairline);
  }
  /* What is gone to by key stops below it. */
  .v-more :deep(button), .v-more :deep(summary), .v-figures :deep(button) { scroll-margin-top: 360px; }
}
.conflict {
  border: 1px solid var(--blood); border-left-width: 4px; padding: 0.6rem 0.9rem; margin: 0.4rem 0; background: #fffdf7;
}
.conflict p { margin: 0 0 0.4rem; }
@media (max-width: 1100px) {
  .workspace { grid-template-columns: minmax(0, 1fr) 300px; column-gap: 1.25rem; padding-left: 1.25rem; }
  .column { padding: 0 1.1rem 2rem; }
}
@media (max-width: 760px) {
  .workspace {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: "head" "notices" "ribbon" "strip" "station" "verdict" "figures" "more";
    grid-template-rows: none; padding: 0 1rem;
  }
  .column { display: contents; }
  .v-strip { display: grid; grid-area: strip; position: sticky; top: 0; z-index: 6; margin-bottom: 0.8rem; }
  .v-head { grid-area: verdict; position: static; border-top: 1px solid var(--ink); scroll-margin-top: 70px; }
  .v-figures { grid-area: figures; }
  .v-more { grid-area: more; padding-bottom: 2rem; }
}
</style>
