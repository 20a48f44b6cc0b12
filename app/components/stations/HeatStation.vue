<script setup lang="ts">
import { familyOf } from '#core/formula/families'
/** How hot, how long, what to look for, what ruins it. */
import { type Assessment, takenToC } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const h = computed(() => props.assessment.heat)
const boils = computed(() => props.doc.heat.method === 'direct' && familyOf(props.doc.family).fields.reduce)
const VIEWS = computed(
  () =>
    [
      ['cook', say('heatStation.theCook')],
      ['order', say('heatStation.orderOfWork')],
      ...(boils.value ? [['reduce', say('heatStation.theBoil')]] : []),
      ['ways', say('heatStation.otherBatchesAndTins')],
    ] as const,
)
const view = useKeptByTab('lumbik:heat-view', 'cook')
const shown = computed(() => VIEWS.value.some(([key]) => key === view.value) ? view.value : 'cook')
</script>

<template>
  <div class="heat">
    <div v-if="doc.heat.method !== 'none'" class="bigs" aria-hidden="true">
      <p>
        <b>{{ fmt.temp(takenToC(doc.heat, assessment)) }}</b>{{ doc.heat.method === 'oven' ? $say('heatStation.inTheMiddle') : $say('heatStation.inThePan') }}
      </p>
      <p>
        <b>{{ fmt.duration(h.endS) }}</b>{{
          h.marginK === null
            ? $say('heatStation.inAll')
            : h.marginK > 0
              ? $say('heatStation.grainyHigher', { marginK: fmt.degrees(h.marginK, 1) })
              : $say('heatStation.turnsGrainy')
        }}
      </p>
    </div>
    <nav class="choices views no-print" :aria-label="$say('heatStation.partsOfTheHeat')">
      <button v-for="[key, name] in VIEWS" :key="key" type="button" :aria-pressed="shown === key" @click="view = key">
        {{ name }}
      </button>
    </nav>
    <CookPlan v-if="shown === 'cook'" :doc="doc" :assessment="assessment" />
    <div v-else-if="shown === 'order'">
      <LazyOrderList :doc="doc" :assessment="assessment" />
      <LazyAsPasted v-if="doc.note" :doc="doc" :assessment="assessment" />
    </div>
    <LazyReductionPanel v-else-if="shown === 'reduce'" :doc="doc" :assessment="assessment" />
    <LazyOtherWays v-else :doc="doc" :assessment="assessment" />
  </div>
</template>
