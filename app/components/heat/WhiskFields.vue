<script setup lang="ts">
/** A condensed-milk filling whisked until it holds air: how long, how it bites, how far it rises. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { gainOf, risesM, type Spring, springOf } from '#core/physics/set/whisked'
import { group } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const SPRING_WORDS = group<Record<Spring, string>>('whisk.SPRINGS')
/** Less than half a millimetre nobody sees. */
const SEEN_M = 0.0005
const whisked = computed(() => props.doc.set.whisked)
const air = computed(() => props.assessment.set.making.whisked)
const rises = computed(() => (props.doc.heat.method === 'oven'
  ? risesM(props.assessment.shape.depthM, air.value, props.doc.heat.startTempC, props.doc.heat.targetTempC) : 0))
const put = (next: Bench['set']['whisked'], gesture: string) => ws.change(gesture, (d) => {
  if (next) d.set.whisked = next
  else delete d.set.whisked
})
const take = (s: number) =>
  put(s > 0 ? { seconds: s, byHand: whisked.value?.byHand ?? false } : undefined, 'whisked')
</script>

<template>
  <QuantityField
    field="set.whisked.seconds" kind="minutes" show-label :label="$say('whisk.whisked')" :blank="$say('whisk.not')"
    :min="0" :model-value="whisked?.seconds ?? 0" @update:model-value="take" @done="ws.endGesture()"
  />
  <div v-if="whisked" class="wide">
    <label class="field-label" for="whisk-with">{{ $say('whip.with') }}</label>
    <select
      id="whisk-with" class="native" :value="whisked.byHand ? 'hand' : 'electric'"
      @change="put({ ...whisked!, byHand: ($event.target as HTMLSelectElement).value === 'hand' }, '')"
    >
      <option value="electric">{{ $say('whip.electric') }}</option>
      <option value="hand">{{ $say('whip.hand') }}</option>
    </select>
  </div>
  <p v-if="whisked" class="says" :data-spring="springOf(air)">
    <b>{{ $say('whisk.gains', { percent: fmt.percent(gainOf(air)) }) }}</b> {{ SPRING_WORDS[springOf(air)] }}
    <template v-if="rises >= SEEN_M"> {{ $say('whisk.rises', { mm: fmt.mm(rises, 1) }) }}</template>
  </p>
</template>

<style scoped>
/* A word is not cut. */
.wide { grid-column: 1 / -1; }
.says { grid-column: 1 / -1; margin: 0; }
</style>
