<script setup lang="ts">
/** A batch: the live cook, what came out, why, and its record. */
import { benchOf } from '#core/formula/bench'
import { placed } from '#core/pipeline/stack'
import { say } from '~/words/say'

definePageMeta({ key: route => `batch-${String((route.params as { id: string }).id)}` })
const route = useRoute()
const params = computed(() => route.params as { id: string, view: string })
const VIEWS = ['cook', 'out', 'why', 'record'] as const
const door = useDoorStore()
/** Who only reads has its record. */
const views = computed(() => (door.may('make') || !door.isIn ? VIEWS : ['record'] as const))
const view = computed(() => views.value.find(v => v === params.value.view) ?? views.value[0])
const batch = useBatch(params.value.id)
const record = batch.record
const kitchenStore = useKitchenStore()
const assessor = useAssessor()
await Promise.all([batch.ready, kitchenStore.record ? null : kitchenStore.load()])
useHead({ title: computed(() => `${record.value?.formula.name ?? ''} · Lumbik`) })

/** The plan as it was frozen: what is foretold does not change while it is being made. */
const bench = computed(() => {
  const r = record.value
  return r && placed(benchOf(r, r.componentId), r.kitchen)
})
const frozen = computed(() => batch.whole.value?.record.formula)
watch(frozen, (f) => {
  if (f && bench.value) assessor.ask(bench.value, record.value!.kitchen)
}, { immediate: true })
const assessment = assessor.assessment
</script>

<template>
  <main
    class="batch" :data-settled="record && assessment ? 'true' : 'false'" :data-head="batch.events.value.length"
    :data-waits="batch.pending.value.length"
  >
    <p v-if="batch.missing.value">
      {{ $say('batch.notHere') }} <NuxtLink class="underline" to="/book">{{ $say('batch.toTheBook') }}</NuxtLink>
    </p>
    <p v-else-if="!record" class="soft" role="status">
      {{ batch.failed.value ? $say('batch.away') : $say('card.workingItOut') }}
    </p>
    <template v-else>
      <BatchHead :batch="batch" :view="view" :views="views" />
      <CookView v-if="view === 'cook' && bench && assessment" :batch="batch" :bench="bench" :assessment="assessment" />
      <OutcomeForm v-else-if="view === 'out' && bench" :batch="batch" :bench="bench" />
      <WhyPanel v-else-if="view === 'why' && bench" :batch="batch" :bench="bench" />
      <RecordSheet v-else-if="view === 'record' && bench" :batch="batch" :bench="bench" />
      <p v-else-if="assessor.problem.value" class="soft">{{ say('batch.notHere') }}</p>
    </template>
  </main>
</template>

<style scoped>
.batch { padding: 1rem 1.75rem 2rem; max-width: 1180px; margin: 0 auto; }
@media (max-width: 760px) { .batch { padding: 0.7rem 1rem 1.5rem; } }
</style>
