<script setup lang="ts">
/** Which pan, how deep, how many, will it fit; portions and cuts; crust, topping and layers. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { say } from '~/words/say'

defineProps<{ doc: Bench, assessment: Assessment }>()
const VIEWS = [
  ['tin', say('shapeStation.tinAndFill')],
  ['fit', say('shapeStation.intoAnotherTin')],
  ['several', say('severalPanel.title')],
  ['cuts', say('shapeStation.portionsAndCuts')],
  ['parts', say('shapeStation.crustToppingLayers')],
  ['bowl', say('shapeStation.bowlFromParts')],
] as const
const view = useKeptByTab<(typeof VIEWS)[number][0]>('lumbik:shape-view', 'tin')
</script>

<template>
  <div class="shape">
    <nav class="choices views no-print" :aria-label="$say('shapeStation.partsOfTheShape')">
      <button v-for="[key, name] in VIEWS" :key="key" type="button" :aria-pressed="view === key" @click="view = key">
        {{ name }}
      </button>
    </nav>
    <FruitFigures v-if="view === 'tin'" :doc="doc" :assessment="assessment" />
    <TinPanel v-if="view === 'tin'" :doc="doc" :assessment="assessment" />
    <FitPanel v-else-if="view === 'fit'" :doc="doc" :assessment="assessment" />
    <LazySeveralPanel v-else-if="view === 'several'" :doc="doc" :assessment="assessment" />
    <CutsPanel v-else-if="view === 'cuts'" :doc="doc" :assessment="assessment" />
    <LazyBowlPanel v-else-if="view === 'bowl'" :doc="doc" :assessment="assessment" />
    <PartsPanel v-else :doc="doc" :assessment="assessment" />
  </div>
</template>
