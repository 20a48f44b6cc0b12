<script setup lang="ts">
/** When is it set through, and safe? */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const c = computed(() => props.assessment.chill)
const VIEWS = [
  ['plan', say('chillStation.thePlan')],
  ['picture', say('chillStation.theColdGoingIn')],
  ['when', say('chillStation.when')],
  ['churned', say('chillStation.churned')],
] as const
const view = useKeptByTab<(typeof VIEWS)[number][0]>('lumbik:chill-view', 'plan')
</script>

<template>
  <div class="chillstation">
    <div class="bigs" aria-hidden="true">
      <p>
        <b>
          {{
            c.readyS === null
              ? $say('chillStation.never')
              : c.readyS < 60
                ? $say('chillStation.atOnce')
                : fmt.duration(c.readyS)
          }}
        </b>{{ $say('chillStation.setAfterPouring') }}
      </p>
      <p>
        <b>{{ c.safe ? $say('chillStation.safe') : $say('chillStation.stop') }}</b>{{ c.safe ? $say('chillStation.coolsInTime') : $say('chillStation.coolsTooSlowly') }}
      </p>
    </div>
    <nav class="choices views no-print" :aria-label="$say('chillStation.partsOfTheChill')">
      <button v-for="[key, name] in VIEWS" :key="key" type="button" :aria-pressed="view === key" @click="view = key">
        {{ name }}
      </button>
    </nav>
    <ChillPlan v-if="view === 'plan'" :doc="doc" :assessment="assessment" />
    <LazyColdPicture v-else-if="view === 'picture'" :doc="doc" :assessment="assessment" />
    <LazyChurnPanel v-else-if="view === 'churned'" :doc="doc" />
    <LazyWhenPanel v-else :doc="doc" :assessment="assessment" />
  </div>
</template>
