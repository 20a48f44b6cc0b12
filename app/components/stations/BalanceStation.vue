<script setup lang="ts">
/**
 * The main screen: lines with grams beside the map of what they make; rebalance, versions, cost and label in the
 * map's place.
 */
import type { Assessment } from '#core/pipeline/assessment'
import { fillingOf, type Bench } from '#core/formula/bench'
import { AROMA_NAMES, SHARPNESS_NAMES } from '~/words/names'
import { FELT } from '#core/physics/matter/dissolving'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment | null }>()
const emit = defineEmits<{ variant: [] }>()
const ws = useWorkspaceStore()
const VIEWS = [
  ['map', say('balanceStation.map')],
  ['rebalance', say('balanceStation.rebalance')],
  ['versions', say('balanceStation.versions')],
  ['label', say('balanceStation.costAndLabel')],
] as const
const view = useState<(typeof VIEWS)[number][0]>('balance-view', () => 'map')
const comparison = useComparison(() => ws.id)
const swapping = ref<string | null>(null)
const fmt = useFormat()
const b = computed(() => props.assessment?.balance ?? null)
const total = computed(
  () => props.assessment?.stock.massG ?? fillingOf(props.doc).lines.reduce((s, l) => s + l.massG, 0),
)
const figures = computed(() =>
  b.value
    ? [
        {
          key: 'ph',
          why: 'pH' as const,
          value: fmt.fixed(b.value.pH.value, 2),
          name: 'pH',
          spread: `± ${fmt.fixed(b.value.pH.sigma ?? 0, 2)}`,
        },
        {
          key: 'acid',
          why: 'acid' as const,
          value: `${fmt.fixed(b.value.acidPercent.value, 2)} %`,
          name: say('balanceStation.acidAsCitric'),
          spread: b.value.acidPercent.provenance === 'measured' ? 'measured' : say('balanceStation.typicalFruit'),
        },
        {
          key: 'brix',
          why: 'brix' as const,
          value: `${fmt.fixed(b.value.brix.value, 1)} °Bx`,
          name: say('balanceStation.ofTheWaterPhase'),
          spread: '',
        },
        {
          key: 'ratio',
          why: 'ratio' as const,
          value:
            Number.isFinite(b.value.sugarToAcid.value) && b.value.sugarToAcid.value < 1000
              ? `${fmt.fixed(b.value.sugarToAcid.value)} : 1`
              : '—',
          name: say('balanceStation.sugarAcid'),
          spread: '',
        },
        {
          key: 'sweet',
          why: 'taste' as const,
          value: `${fmt.fixed(b.value.taste.sweet, 1)} : ${fmt.fixed(b.value.taste.sour, 1)}`,
          name: say('balanceStation.sweetSourOf10'),
          spread: SHARPNESS_NAMES[b.value.sharpness],
        },
        {
          key: 'aroma',
          why: 'aroma' as const,
          value: `${fmt.fixed(b.value.aroma.gPerKg, 1)} g/kg`,
          name: say('balanceStation.aroma'),
          spread: AROMA_NAMES[b.value.aroma.word],
        },
        ...(b.value.dissolving ? [{
          key: 'grains',
          why: 'grains' as const,
          value: `${fmt.percent(b.value.dissolving.before)} → ${fmt.percent(b.value.dissolving.left)}`,
          name: say('balanceStation.grains'),
          spread: b.value.dissolving.left > FELT ? say('balanceStation.gritty') : say('balanceStation.dissolved'),
        }] : []),
        {
          key: 'aw',
          why: 'aw' as const,
          value: fmt.fixed(b.value.waterActivity.value, 3),
          name: say('balanceStation.waterActivity'),
          spread: '',
        },
      ]
    : [],
)
</script>

<template>
  <div class="balance">
    <div class="left">
      <LineTable :doc="doc" :assessment="assessment" @swap="id => swapping = id" />
    </div>
    <div v-if="assessment && b" class="right">
      <nav class="choices no-print" :aria-label="$say('balanceStation.besideTheLines')">
        <button v-for="[key, name] in VIEWS" :key="key" type="button" :aria-pressed="view === key" @click="view = key">
          {{ name }}
        </button>
      </nav>
      <BalanceMap v-if="view === 'map'" :doc="doc" :assessment="assessment" :ghosts="comparison.ghosts.value" />
      <LazyRebalancePanel v-else-if="view === 'rebalance'" :doc="doc" />
      <LazyVersionsPanel
        v-else-if="view === 'versions'" :doc="doc" :assessment="assessment" :comparison="comparison"
        @variant="emit('variant')"
      />
      <LazyLabelPanel v-else :doc="doc" :assessment="assessment" />
    </div>
    <div v-if="assessment && b" class="strip">
      <div>
        <CompositionStrip :composition="b.composition" :mass-g="total" />
        <p class="soft small why-strip">
          <WhyNumber topic="composition">{{ $say('balanceStation.whereTheseSharesComeFrom') }}</WhyNumber>
        </p>
      </div>
      <div><FirmnessRuler :assessment="assessment" class="ruler" /><SharpnessRuler :assessment="assessment" /></div>
    </div>
    <dl v-if="b" class="figures">
      <div v-for="f in figures" :key="f.key">
        <dt>{{ f.name }}</dt>
        <dd :data-figure="f.key"><WhyNumber :topic="f.why">{{ f.value }}</WhyNumber></dd>
        <dd class="spread">{{ f.spread }}&nbsp;</dd>
      </div>
    </dl>
    <LazySwapDialog v-if="swapping" :doc="doc" :line-id="swapping" @close="swapping = null" />
    <CautionList
      v-if="assessment" class="notes"
      :findings="assessment.findings.filter(f => f.station === 'balance' && f.severity === 'info')"
    />
  </div>
</template>

<style scoped>
.why-strip { margin: 0.1rem 0 0; }
.balance { display: grid; grid-template-columns: minmax(0, 1.06fr) minmax(0, 1fr); gap: 1rem 1.6rem; }
.right .choices { margin-bottom: 0.6rem; gap: 0 0.9rem; }
.strip {
  grid-column: 1 / -1; display: grid; grid-template-columns: inherit; gap: 1rem 1.6rem;
  border-top: 1px solid var(--hairline); padding-top: 0.8rem;
}
.figures {
  grid-column: 1 / -1; display: grid; grid-template-columns: repeat(6, auto); justify-content: space-between;
  gap: 0.6rem 1rem; border-top: 1px solid var(--hairline); padding-top: 0.8rem; margin: 0;
}
.figures > div { display: flex; flex-direction: column-reverse; justify-content: flex-end; }
.figures dt { order: 1; color: var(--ink-soft); font-size: 0.9rem; }
.figures dd { margin: 0; order: 2; font-family: var(--font-display); font-size: 1.4rem; line-height: 1.15; }
.figures dd.spread { order: 0; font-family: var(--font-sans); font-size: 0.9rem; color: var(--ink-soft); }
.ruler { margin-top: 0; }
.notes { grid-column: 1 / -1; }
@media (max-width: 1100px) {
  .balance, .strip { grid-template-columns: minmax(0, 1fr); }
  .figures { grid-template-columns: repeat(3, minmax(0, 1fr)); }
}
</style>
