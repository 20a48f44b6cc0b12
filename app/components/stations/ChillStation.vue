<script setup lang="ts">
/** When is it set through, and safe? */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const c = computed(() => props.assessment.chill)
const VIEWS = [['plan', 'The plan'], ['picture', 'The cold going in'], ['when', 'When']] as const
const view = useKeptByTab<(typeof VIEWS)[number][0]>('lumbik:chill-view', 'plan')
</script>

<template>
  <div class="chillstation">
    <div class="bigs" aria-hidden="true"><p><b>{{ c.readyS === null ? 'never' : c.readyS < 60 ? 'at once' : fmt.duration(c.readyS) }}</b>set after pouring</p><p><b>{{ c.safe ? 'safe' : 'stop' }}</b>{{ c.safe ? 'cools in time' : 'cools too slowly' }}</p></div>
    <nav class="choices views no-print" aria-label="Parts of the chill"><button v-for="[key, name] in VIEWS" :key="key" type="button" :aria-pressed="view === key" @click="view = key">{{ name }}</button></nav>
    <ChillPlan v-if="view === 'plan'" :doc="doc" :assessment="assessment" />
    <ColdPicture v-else-if="view === 'picture'" :doc="doc" :assessment="assessment" />
    <WhenPanel v-else :doc="doc" :assessment="assessment" />
  </div>
</template>
