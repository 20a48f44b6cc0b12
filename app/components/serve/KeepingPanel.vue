<script setup lang="ts">
/**
 * How it may be kept and frozen: the default, what else is said, and what each asks; a claim is held against the
 * code.
 */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { keepingOptions } from '#core/plan/storage'
import { keepingWords, needWords } from '~/words/cold'
import { FOOD_CODES } from '~/words/names'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const options = computed(() => keepingOptions(props.doc, kitchen.core!, props.assessment))
const s = computed(() => props.assessment.serve)
</script>

<template>
  <section class="keeping">
    <p class="answer" data-fact="useby">
      <span class="soft">{{ $say('keepingPanel.useBy') }}</span> <b class="display">
        <WhyNumber topic="useBy">
          {{ s.useBy ? $say('keepingPanel.endOf', { p1: fmt.day(s.useBy) }) : $say('keepingPanel.notGiven') }}
        </WhyNumber>
      </b> <span class="soft">
        {{
          s.useBy
            ? $say('keepingPanel.keptColdTheDayOfMaking')
            : doc.serve.startAt
              ? $say('keepingPanel.thisPlaceIsTooWarmTo')
              : $say('keepingPanel.giveAStartTimeUnderThe')
        }}
      </span>
    </p>
    <ul class="options">
      <li v-for="o in options" :key="o.code" :data-keeping="o.code" :class="{ closed: !o.open }">
        <b>{{ keepingWords(o, fmt) }}</b> <span v-if="o.isDefault" class="tag">{{ $say('keepingPanel.theDefault') }}</span>
        <span v-if="!o.open" class="tag">{{ $say('keepingPanel.notOpenNeedsWhatFollows') }}</span>
        <p class="soft">{{ needWords(o.needs) }}.</p>
      </li>
    </ul>
    <div class="claim">
      <QuantityField
        field="serve.claimDays" kind="count" :unit-text="$say('keepingPanel.days')" show-label
        :label="$say('keepingPanel.somebodySaysItKeeps')" :blank="$say('keepingPanel.nobodySays')"
        :model-value="doc.serve.claimDays ?? 0"
        @update:model-value="v => ws.change('claim', d => { d.serve.claimDays = v > 0 ? v : null })"
        @done="ws.endGesture()"
      />
    </div>
    <PackUp :doc="doc" />
    <CautionList
      :findings="
        assessment.findings.filter(f =>
          ['claimTooLong', 'fridgeWarm', 'holdsHours', 'lotDate', 'counterTooLong', 'rawEgg', 'rawFruit', 'rawTopping',
           'lethalityLow', 'coolsTooSlowly', 'lowAcid'].includes(f.code))
      "
    />
    <p class="soft small">
      {{ $say('keepingPanel.judgedByTheFromMemoryOf', { us: FOOD_CODES[kitchen.record?.settings.foodCode ?? 'us'] }) }}
    </p>
  </section>
</template>

<style scoped>
.answer .display { font-size: 2rem; margin: 0 0.4rem; }
.options { list-style: none; padding: 0; margin: 0.6rem 0 1rem; border-top: 1px solid var(--ink); }
.options li { border-bottom: 1px solid var(--hairline); padding: 0.5rem 0; }
.options p { margin: 0.1rem 0 0; }
.options b { font-weight: 600; display: inline-block; } .options b::first-letter { text-transform: uppercase; }
.closed b { font-weight: 400; color: var(--ink-soft); }
.tag { border: 1px solid var(--ink); font-size: 0.9rem; padding: 0 0.4rem; margin-left: 0.5rem; }
.claim { max-width: 14rem; margin-bottom: 1rem; }
</style>
