<script setup lang="ts">
/** How and until when to serve it: the clock, the table, keeping, label and bench card. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { say } from '~/words/say'

defineProps<{ doc: Bench, assessment: Assessment }>()
const ws = useWorkspaceStore()
const VIEWS = [
  ['clock', say('serveStation.theClock')],
  ['finish', say('serveStation.finish')],
  ['keep', say('serveStation.keeping')],
  ['paper', say('serveStation.labelAndBenchCard')],
] as const
const view = useKeptByTab<(typeof VIEWS)[number][0]>('lumbik:serve-view', 'clock')
const size = ref<'62' | 'a6'>('62')
</script>

<template>
  <div class="serve">
    <nav class="choices views no-print" :aria-label="$say('serveStation.partsOfTheService')">
      <button v-for="[key, name] in VIEWS" :key="key" type="button" :aria-pressed="view === key" @click="view = key">
        {{ name }}
      </button>
    </nav>
    <ServeClock v-if="view === 'clock'" :doc="doc" :assessment="assessment" />
    <FinishPanel v-else-if="view === 'finish'" :doc="doc" />
    <KeepingPanel v-else-if="view === 'keep'" :doc="doc" :assessment="assessment" />
    <div v-else class="paper">
      <section>
        <h2 class="section-title">{{ $say('serveStation.label') }}</h2>
        <div class="acts">
          <div class="choices" role="group" :aria-label="$say('serveStation.sizeOfTheLabel')">
            <button type="button" :aria-pressed="size === '62'" @click="size = '62'">
              {{ $say('serveStation.n62MmRoll') }}
            </button>
            <button type="button" :aria-pressed="size === 'a6'" @click="size = 'a6'">
              {{ $say('serveStation.a6Card') }}
            </button>
          </div>
          <UButton
            variant="outline" color="neutral" :label="$say('serveStation.toPrint')"
            :to="`/formula/${ws.id}/label?size=${size}`"
          />
        </div>
        <LabelSheet :doc="doc" :assessment="assessment" :size="size" />
      </section>
      <section>
        <h2 class="section-title">{{ $say('serveStation.benchCard') }}</h2>
        <p>{{ $say('serveStation.onePageBigTypeTheOrder') }}</p>
        <UButton :label="$say('serveStation.openTheBenchCard')" :to="`/formula/${ws.id}/card`" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.paper { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 1.5rem 2.5rem; }
.acts { display: flex; flex-wrap: wrap; gap: 1rem; align-items: center; margin-bottom: 0.9rem; }
@media (max-width: 900px) { .paper { grid-template-columns: minmax(0, 1fr); } }
</style>
