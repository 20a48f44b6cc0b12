<script setup lang="ts">
/** The workspace: ribbon, the open station, the verdict column. */
import { STATIONS, type Station } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { exportFormula } from '~/composables/formulaFile'
import { KEYS, useWorkspaceKeys } from '~/composables/useWorkspaceKeys'
import { FAMILY_NAMES, SCHOOL_NAMES, USE_NAMES } from '~/words/names'
import { documentProblemWords } from '~/words/problems'
import { say } from '~/words/say'

definePageMeta({ key: route => `formula-${String((route.params as { id: string }).id)}` })
const route = useRoute()
const workspace = useWorkspaceStore()
const kitchen = useKitchenStore()
const assessor = useAssessor()
const fmt = useFormat()
const toast = useToast()

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
const print = () => window.print()
function apply(a: { doc: Bench }) {
  workspace.replace(toPlain(a.doc))
  workspace.endGesture()
}
async function takeBack(variantId: string, cameFrom: string) {
  await api(`/api/formulas/${variantId}`, { method: 'DELETE' }).catch(() => {})
  await navigateTo(`/formula/${cameFrom}/balance`)
}
const MISSING = {
  unknown: { title: say('workspace.thisFormulaIsNotHere'), why: say('workspace.thereIsNoneUnderThisAddress') },
  deleted: { title: say('workspace.thisFormulaIsInTheBin'), why: say('workspace.itWasDeletedAndCanBe') },
  unreadable: { title: say('workspace.thisFormulaCannotBeRead'), why: say('workspace.whatIsStoredOfItIs') },
  away: { title: say('workspace.thisFormulaCannotBeOpenedNow'), why: say('workspace.theServerDoesNotAnswerThe') },
} as const
async function bringBack() {
  try {
    await api('/api/bin/restore', { method: 'POST', body: { kind: 'formula', id: id.value } })
    await workspace.open(id.value)
  } catch {
    toast.add({ title: say('workspace.itCouldNotBeBroughtBack'), color: 'error' })
  }
}
/** A variant: a formula of its own that knows what it came from. */
async function makeVariant() {
  if (!doc.value) return
  await workspace.send()
  const newId = crypto.randomUUID()
  const cameFrom = id.value
  const name = `${doc.value.name}, variant`.slice(0, 120)
  try {
    await api('/api/formulas', {
      method: 'POST',
      body: {
        id: newId,
        mutationId: crypto.randomUUID(),
        document: named(workspace.planned!, name),
        label: 'variant',
        parentFormulaId: id.value,
      },
    })
    toast.add({
      title: say('workspace.youAreInTheVariantNow', { name }),
      description: say('workspace.theOtherStaysAsItWas'),
      actions: [
        {
          label: say('workspace.takeItBack'),
          onClick: () => {
            void takeBack(newId, cameFrom)
          },
        },
      ],
    })
    await navigateTo(`/formula/${newId}/balance`)
  } catch {
    toast.add({ title: say('workspace.theVariantCouldNotBeMade'), color: 'error' })
  }
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
  <main v-if="workspace.missing" class="nothing">
    <h1>{{ MISSING[workspace.missing].title }}</h1>
    <p>
      {{ MISSING[workspace.missing].why }}
      <NuxtLink to="/shelf" class="underline">{{ $say('workspace.backToTheShelf') }}</NuxtLink>
    </p>
    <UButton v-if="workspace.missing === 'deleted'" :label="$say('workspace.bringItBack')" @click="bringBack" />
  </main>
  <main
    v-else-if="doc" class="workspace" :data-settled="settled ? 'true' : 'false'"
    :data-point="assessor.pointSettled.value ? 'settled' : 'working'" :data-save="workspace.saveState"
    :data-station="station"
  >
    <div class="head">
      <NameField
        class="name" :model-value="doc.name" :aria-label="$say('workspace.nameOfTheFormula')" maxlength="120"
        @update:model-value="v => workspace.change('name', d => { d.name = v })" @done="workspace.endGesture()"
      />
      <p class="sub">
        <span>
          {{ FAMILY_NAMES[doc.family].name }}:
          {{ SCHOOL_NAMES[doc.school].name.charAt(0).toLowerCase() + SCHOOL_NAMES[doc.school].name.slice(1) }}
        </span>
        <button type="button" class="use" aria-haspopup="dialog" @click="useOpen = true">
          {{
            $say('workspace.at',
                 { name: USE_NAMES[doc.use.kind].name.toLowerCase(),
                   pieceHeightM: fmt.mm(doc.use.pieceHeightM),
                   tableTimeS: fmt.duration(doc.use.tableTimeS),
                   tableTempC: fmt.temp(doc.use.tableTempC) })
          }}<span class="underline change">
            {{ $say('workspace.change') }} <span class="sr">{{ $say('workspace.theUse') }}</span>
          </span>
        </button>
        <span class="tools no-print">
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-undo-2" :disabled="!workspace.canUndo"
            :aria-label="$say('workspace.undo')" @click="workspace.undo()"
          />
          <UButton
            variant="ghost" color="neutral" size="sm" icon="i-lucide-redo-2" :disabled="!workspace.canRedo"
            :aria-label="$say('workspace.redo')" @click="workspace.redo()"
          />
          <UButton variant="ghost" color="neutral" size="sm" :label="$say('workspace.print')" @click="print" />
          <UButton
            variant="ghost" color="neutral" size="sm" :label="$say('workspace.export')"
            @click="exportFormula(workspace.planned!)"
          />
          <UButton
            variant="ghost" color="neutral" size="sm" :label="$say('workspace.keys')" class="keys"
            @click="keysOpen = true"
          />
        </span>
      </p>
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
    <!-- One section whether it can be computed or not: what is being typed under Balance stays when the answer comes. -->
    <section
      v-if="assessment || assessor.problem.value" class="station" :aria-label="station"
      :class="{ stale: assessment && assessor.problem.value }"
    >
      <BalanceStation
        v-if="station === 'balance' || !assessment" :doc="doc" :assessment="assessment" @variant="makeVariant"
      />
      <StockStation v-else-if="station === 'stock'" :doc="doc" :assessment="assessment" />
      <ShapeStation v-else-if="station === 'shape'" :doc="doc" :assessment="assessment" />
      <HeatStation v-else-if="station === 'heat'" :doc="doc" :assessment="assessment" />
      <ChillStation v-else-if="station === 'chill'" :doc="doc" :assessment="assessment" />
      <ServeStation v-else :doc="doc" :assessment="assessment" />
    </section>
    <p v-else class="station soft">{{ $say('workspace.workingItOut') }}</p>
    <aside v-if="assessment" class="column" :aria-label="$say('workspace.verdictColumn')">
      <VerdictHead :doc="doc" :assessment="assessment" :parts="assessor.parts.value" class="v-head" />
      <VerdictMore
        class="v-more" :assessment="assessment" :shares="assessor.shares.value"
        :shares-settled="assessor.sharesSettled.value" :adjustments="assessor.adjustments.value"
        :adjustments-settled="assessor.adjustmentsSettled.value" :levers="assessor.levers.value" @apply="apply"
        @turn="assessor.turn()"
      />
    </aside>
    <UModal
      v-model:open="useOpen" :title="$say('workspace.whatMustItDoOnThe')"
      :description="$say('workspace.theSetItNeedsIsWorked')"
    >
      <template #body><UseForm :use="doc.use" @change="u => workspace.change('use', d => { d.use = u })" /></template>
      <template #footer><UButton :label="$say('workspace.done')" @click="useOpen = false" /></template>
    </UModal>
    <UModal
      v-model:open="keysOpen" :title="$say('workspace.keys')"
      :description="$say('workspace.everythingWorksWithoutAMouse')"
    >
      <template #body>
        <dl class="keylist">
          <template v-for="[k, what] in KEYS" :key="k"><dt>{{ k }}</dt><dd>{{ what }}</dd></template>
        </dl>
      </template>
    </UModal>
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
.column { grid-area: column; border-left: 1px solid var(--hairline); padding: 1.1rem 1.5rem 2rem; min-width: 0; }
.name {
  font-family: var(--font-display); font-size: 1.85rem; font-weight: 500; letter-spacing: -0.01em; width: 100%;
  background: transparent; border: 0; padding: 0; line-height: 1.2; text-overflow: ellipsis;
}
.name:hover { box-shadow: inset 0 -1px 0 var(--hairline); }
.sub { display: flex; flex-wrap: wrap; gap: 0 0.8rem; align-items: center; margin: 0; color: var(--ink-soft); }
.use { min-height: 44px; text-align: left; cursor: pointer; }
.use .change { margin-left: 0.6rem; color: var(--ink); text-underline-offset: 3px; }
.tools { margin-left: auto; display: inline-flex; }
.conflict {
  border: 1px solid var(--blood); border-left-width: 4px; padding: 0.6rem 0.9rem; margin: 0.4rem 0; background: #fffdf7;
}
.conflict p { margin: 0 0 0.4rem; }
.nothing { padding: 3rem 1.75rem; }
.nothing h1 { font-size: 1.85rem; margin-bottom: 0.4rem; }
.keylist { display: grid; grid-template-columns: 8rem 1fr; gap: 0.5rem; margin: 0; }
.keylist dt { font-weight: 600; } .keylist dd { margin: 0; }
@media (max-width: 1100px) {
  .sub > span:first-child { display: none; }
  .workspace { grid-template-columns: minmax(0, 1fr) 300px; column-gap: 1.25rem; padding-left: 1.25rem; }
  .column { padding: 1rem 1.1rem 2rem; }
}
@media (max-width: 760px) {
  .workspace {
    grid-template-columns: minmax(0, 1fr); grid-template-areas: "head" "notices" "ribbon" "verdict" "station" "more";
    grid-template-rows: none; padding: 0 1rem;
  }
  .column { display: contents; }
  .v-head {
    grid-area: verdict; border-top: 1px solid var(--hairline); padding: 0.9rem 0; margin-bottom: 1rem;
    border-bottom: 1px solid var(--hairline);
  }
  .v-more { grid-area: more; padding-bottom: 2rem; }
  .name { font-size: 1.45rem; }
  .v-head :deep(.cutface svg) { max-height: 130px; }
  /* At the stove and the fridge the figures come first: the drawing waits at the other stations. */
  [data-station="heat"] .v-head :deep(.cutface), [data-station="chill"] .v-head :deep(.cutface) { display: none; }
  .sub > span:first-child { display: none; }
  .use .change { display: inline; }
  .keys { display: none; }
}
</style>
