<script setup lang="ts">
/** How and until when to serve it: the clock, the table, keeping, label and bench card. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'

defineProps<{ doc: Bench, assessment: Assessment }>()
const ws = useWorkspaceStore()
const VIEWS = [['clock', 'The clock'], ['keep', 'Keeping'], ['paper', 'Label and bench card']] as const
const view = useKeptByTab<(typeof VIEWS)[number][0]>('lumbik:serve-view', 'clock')
const size = ref<'62' | 'a6'>('62')
</script>

<template>
  <div class="serve">
    <nav class="choices views no-print" aria-label="Parts of the service"><button v-for="[key, name] in VIEWS" :key="key" type="button" :aria-pressed="view === key" @click="view = key">{{ name }}</button></nav>
    <ServeClock v-if="view === 'clock'" :doc="doc" :assessment="assessment" />
    <KeepingPanel v-else-if="view === 'keep'" :doc="doc" :assessment="assessment" />
    <div v-else class="paper">
      <section>
        <h3 class="section-title">Label</h3>
        <div class="acts"><div class="choices" role="group" aria-label="Size of the label"><button type="button" :aria-pressed="size === '62'" @click="size = '62'">62 mm roll</button><button type="button" :aria-pressed="size === 'a6'" @click="size = 'a6'">A6 card</button></div><UButton variant="outline" color="neutral" label="To print" :to="`/formula/${ws.id}/label?size=${size}`" /></div>
        <LabelSheet :doc="doc" :assessment="assessment" :size="size" />
      </section>
      <section>
        <h3 class="section-title">Bench card</h3>
        <p>One page, big type: the order of work with weights, degrees and cues, to print or to stand up full screen.</p>
        <UButton label="Open the bench card" :to="`/formula/${ws.id}/card`" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.paper { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 1.5rem 2.5rem; }
.acts { display: flex; flex-wrap: wrap; gap: 1rem; align-items: center; margin-bottom: 0.9rem; }
@media (max-width: 900px) { .paper { grid-template-columns: minmax(0, 1fr); } }
</style>
