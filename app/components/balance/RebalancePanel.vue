<script setup lang="ts">
/**
 * Rebalance: what must stay is pinned in the lines, what is wanted is said here, and up to three ways there come
 * back.
 */
import { fillingOf, type Bench } from '#core/formula/bench'
import { BANDS, type BandId } from '#core/physics/set/bands'
import { NEAR_SET, NEAR_SHARP, NEAR_SWEET, type Goal, type SetGoal, type Way } from '#core/solve/rebalance'
import { yolkMass } from '#core/formula/eggs'
import { SHARPNESS } from '#core/physics/matter/taste'
import { fillingCost } from '#core/formula/cost'
import { eggCount } from '#core/base/ingredients/measures'
import { processWords, stopWords, WAY_WORDS } from '~/words/balance'
import { coldWords } from '~/words/stands'
import { movesWords } from '~/words/verdict'
import { documentProblemWords } from '~/words/problems'
import { AROMA_NAMES, BAND_NAMES, SHARPNESS_NAMES, SHORT_VERDICT } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
const lines = computed(() => fillingOf(props.doc).lines.filter(l => l.massG > 0))
const pinned = computed(() => lines.value.filter(l => l.pinned))
/** What is asked unless it is said: what the use needs, and the taste left alone. */
const usual = (): Goal => ({
  set: { kind: 'use' },
  sharpness: 'keep',
  sweetness: 'keep',
  yieldG: null,
  maxCost: null,
  maxYolkG: null,
  wholeEggs: true,
})
/** The goal stays with the formula in this browser. */
const goals = useKept<Record<string, Goal>>('lumbik:goals', {})
const goal = computed<Goal>(() => ({ ...usual(), ...goals.value[ws.id] }))
const set = (part: Partial<Goal>) => { goals.value = { ...goals.value, [ws.id]: { ...goal.value, ...part } } }
const setKind = computed(() => goal.value.set.kind === 'band' ? `${goal.value.set.at}` : goal.value.set.kind)
function chooseSet(kind: string) {
  const next: SetGoal =
    kind === 'keep' || kind === 'use'
      ? { kind }
      : kind === 'standsCut'
        ? { kind, heightM: props.doc.use.pieceHeightM }
        : {
            kind: 'band',
            band: goal.value.set.kind === 'band' ? goal.value.set.band : 'slicesSoftly',
            at: kind as 'cold' | 'plate',
          }
  set({ set: next })
}
const sharpWanted = () =>
  goal.value.sharpness === null || goal.value.sharpness === 'keep'
    ? say('rebalancePanel.asNow')
    : SHARPNESS_NAMES[goal.value.sharpness]
const total = computed(() => lines.value.reduce((s, l) => s + l.massG, 0))
const yolkG = computed(() => yolkMass(lines.value))
const priced = computed(() => Object.keys(kitchen.core?.prices ?? {}).length > 0)
const currency = computed(() => kitchen.record?.settings.currency ?? '')
const { money } = fmt

const ways = shallowRef<Way[] | null>(null)
const already = computed(
  () => ways.value?.length === 1 && ways.value[0]!.changes.length + ways.value[0]!.process.length === 0,
)
const problem = ref('')
/** The formula the ways were found for: others are out of date. */
const askedFor = ref('')
const fresh = computed(
  () => askedFor.value === JSON.stringify([props.doc.components, props.doc.heat, props.doc.use, props.doc.chill]),
)
async function find() {
  problem.value = ''
  const key = JSON.stringify([props.doc.components, props.doc.heat, props.doc.use, props.doc.chill])
  const outcome = await solver.run<'rebalance'>({
    kind: 'rebalance',
    doc: props.doc,
    kitchen: kitchen.core!,
    goal: goal.value,
  })
  if (!outcome) return
  askedFor.value = key
  if ('problem' in outcome) {
    ways.value = null
    problem.value = documentProblemWords(outcome.problem)
  } else ways.value = outcome.value
}
function apply(w: Way) {
  ws.replace(toPlain(w.doc))
  ws.endGesture()
}
const massWords = (from: number, to: number) =>
  from === 0 ? `add ${fmt.grams(to)}` : `${to > from ? '+' : '−'}${fmt.grams(Math.abs(to - from))}`
const pieces = (lineId: string, to: number) => {
  const l = lines.value.find(x => x.id === lineId)
  return l?.piece
    ? `${fmt.fixed(to / l.piece.eachG)} ${l.piece.kind}${Math.round(to / l.piece.eachG) === 1 ? '' : 's'}`
    : ''
}
const about = (id: string, g: number) => {
  const n = eggCount(id, g, kitchen.record?.settings.eggGrade ?? 'euL')
  return n === null
    ? ''
    : Math.abs(n - Math.round(n)) < 0.02
      ? say('rebalancePanel.ofThem', { p1: fmt.fixed(n) })
      : `about ${fmt.fixed(n, 1)}`
}
const button = useTemplateRef<HTMLElement>('start')
onMounted(() => { if (wantsFocus.value) nextTick(() => button.value?.querySelector('button')?.focus()) })
const wantsFocus = useState('rebalance-focus', () => false)
watch(wantsFocus, (w) => {
  if (w) button.value?.querySelector('button')?.focus()
  wantsFocus.value = false
})
</script>

<template>
  <section class="rebalance" :data-rebalance="solver.running.value ? 'working' : ways ? 'settled' : 'idle'">
    <p class="pins">
      <template v-if="pinned.length">
        <b>{{ $say('rebalancePanel.stays') }}</b>
        {{ pinned.map(l => `${fmt.grams(l.massG)} ${fmt.name(l.ingredientId).toLowerCase()}`).join(', ') }}.
      </template>
      <span v-else class="soft">{{ $say('rebalancePanel.nothingIsPinnedPinInThe') }}</span>
    </p>
    <div class="goal">
      <div>
        <label class="field-label" for="goal-set">{{ $say('rebalancePanel.theSet') }}</label>
        <select
          id="goal-set" class="native" :value="setKind" @change="chooseSet(($event.target as HTMLSelectElement).value)"
        >
          <option value="use">{{ $say('rebalancePanel.asTheUseAsks') }}</option>
          <option value="keep">{{ $say('rebalancePanel.asFirmAsNow') }}</option>
          <option value="standsCut">{{ $say('rebalancePanel.standsWhenCutOnThePlate') }}</option>
          <option value="plate">{{ $say('rebalancePanel.aWordOnThePlate') }}</option>
          <option value="cold">{{ $say('rebalancePanel.aWordFromTheFridge') }}</option>
        </select>
      </div>
      <QuantityField
        v-if="goal.set.kind === 'standsCut'" kind="length" show-label :label="$say('rebalancePanel.cutSoHigh')"
        :model-value="goal.set.heightM" :min="0.004" :max="0.1"
        @update:model-value="v => set({ set: { kind: 'standsCut', heightM: v } })"
      />
      <div v-else-if="goal.set.kind === 'band'">
        <label class="field-label" for="goal-band">{{ $say('rebalancePanel.theWord') }}</label>
        <select
          id="goal-band" class="native" :value="goal.set.band"
          @change="
            goal.set.kind === 'band'
              && set({ set: { ...goal.set, band: ($event.target as HTMLSelectElement).value as BandId } })
          "
        >
          <option v-for="b in BANDS.slice(1)" :key="b.id" :value="b.id">{{ BAND_NAMES[b.id] }}</option>
        </select>
      </div>
      <span v-else />
      <div>
        <label class="field-label" for="goal-sharp">{{ $say('rebalancePanel.sharpness') }}</label>
        <select
          id="goal-sharp" class="native" :value="goal.sharpness ?? ''"
          @change="set({ sharpness: (($event.target as HTMLSelectElement).value || null) as Goal['sharpness'] })"
        >
          <option value="keep">{{ $say('rebalancePanel.asNow') }}</option>
          <option value="">{{ $say('rebalancePanel.any') }}</option>
          <option v-for="s in SHARPNESS" :key="s" :value="s">{{ SHARPNESS_NAMES[s] }}</option>
        </select>
      </div>
      <div>
        <label class="field-label" for="goal-sweet">{{ $say('rebalancePanel.sweetness') }}</label>
        <select
          id="goal-sweet" class="native" :value="goal.sweetness ?? ''"
          @change="set({ sweetness: (($event.target as HTMLSelectElement).value || null) as Goal['sweetness'] })"
        >
          <option value="keep">{{ $say('rebalancePanel.asNow') }}</option>
          <option value="">{{ $say('rebalancePanel.any') }}</option>
          <option value="less">{{ $say('rebalancePanel.aTenthLess') }}</option>
          <option value="more">{{ $say('rebalancePanel.aTenthMore') }}</option>
        </select>
      </div>
    </div>
    <details class="limits">
      <summary>
        {{
          $say('rebalancePanel.limits',
               { none: [goal.yieldG !== null && $say('rebalancePanel.inAll', { yieldG: fmt.grams(goal.yieldG) }),
                        goal.maxYolkG !== null && $say('rebalancePanel.yolkTo', { maxYolkG: fmt.grams(goal.maxYolkG) }),
                        goal.maxCost !== null
                          && $say('rebalancePanel.costTo', { maxCost: money(goal.maxCost) })].filter(Boolean).join(', ')
                 || $say('rebalancePanel.none') })
        }}
      </summary>
      <div class="goal">
        <label class="check">
          <input
            type="checkbox" :checked="goal.yieldG !== null"
            @change="set({ yieldG: goal.yieldG === null ? Math.round(total) : null })"
          >
          {{ $say('rebalancePanel.inAll2') }}
        </label>
        <QuantityField
          v-if="goal.yieldG !== null" kind="mass" :label="$say('rebalancePanel.gramsInAll')" :model-value="goal.yieldG"
          :min="1" :max="100000" @update:model-value="v => set({ yieldG: v })"
        />
        <span v-else class="soft">{{ $say('rebalancePanel.asItComes') }}</span>
        <label class="check">
          <input
            type="checkbox" :checked="goal.maxYolkG !== null"
            @change="set({ maxYolkG: goal.maxYolkG === null ? Math.round(Math.max(yolkG, 20)) : null })"
          >
          {{ $say('rebalancePanel.yolkAtMost') }}
        </label>
        <QuantityField
          v-if="goal.maxYolkG !== null" kind="mass" ingredient-id="yolk_sep" :label="$say('rebalancePanel.mostYolk')"
          :model-value="goal.maxYolkG" :min="1" :max="100000" @update:model-value="v => set({ maxYolkG: v })"
        />
        <span v-else class="soft">{{ $say('rebalancePanel.noLimit') }}</span>
        <label class="check">
          <input
            type="checkbox" :checked="goal.maxCost !== null" :disabled="!priced"
            @change="set({ maxCost: goal.maxCost === null ? Math.round(100 * fillingCost(doc, kitchen.core!)) / 100 : null })"
          >
          {{ $say('rebalancePanel.costAtMost') }}
        </label>
        <QuantityField
          v-if="goal.maxCost !== null" kind="percent" :unit-text="currency"
          :label="$say('rebalancePanel.mostItMayCost')" :model-value="goal.maxCost" :min="0.01" :max="100000"
          @update:model-value="v => set({ maxCost: v })"
        />
        <span v-else class="soft">
          {{ priced ? $say('rebalancePanel.noLimit') : $say('rebalancePanel.pricesStandUnderKitchen') }}
        </span>
      </div>
    </details>
    <div ref="start" class="start">
      <UButton :label="$say('rebalancePanel.findWays')" :disabled="solver.running.value" @click="find" />
      <label class="check">
        <input type="checkbox" :checked="goal.wholeEggs" @change="set({ wholeEggs: !goal.wholeEggs })">
        {{ $say('rebalancePanel.wholeEggs') }}
      </label>
      <template v-if="solver.running.value">
        <span role="status" class="soft">
          {{ $say('rebalancePanel.trying', { done: fmt.percent(solver.done.value) }) }}
        </span>
        <UButton
          variant="ghost" color="neutral" size="sm" :label="$say('rebalancePanel.stop')" @click="solver.cancel()"
        />
      </template>
      <span v-if="problem" class="bad" role="alert">{{ problem }}</span>
    </div>
    <p v-if="ways && already && fresh" data-already>
      <b>{{ $say('rebalancePanel.itIsThereAlready') }}</b> {{ $say('rebalancePanel.nothingHasToChangeForThis') }}
    </p>
    <ol v-else-if="ways" class="ways" :class="{ old: !fresh }" aria-live="polite">
      <li v-for="(w, i) in ways" :key="i" :data-way="w.id" :data-reached="w.reached">
        <div class="top">
          <b class="display">{{ WAY_WORDS[w.id] }}</b>
          <BeforeAfter :moves="w.moves" />
          <UButton
            size="sm" :variant="w.reached ? 'solid' : 'outline'" :color="w.reached ? 'primary' : 'neutral'"
            :label="$say('rebalancePanel.doIt')" :disabled="!fresh"
            :aria-label="$say('rebalancePanel.doIt2', { id: WAY_WORDS[w.id] })" @click="apply(w)"
          />
        </div>
        <ul class="changes">
          <li v-for="c in w.changes" :key="c.lineId">
            <b class="num">{{ massWords(c.from, c.to) }}</b> {{ fmt.name(c.ingredientId).toLowerCase() }}
            <span class="soft">
              {{ c.ingredientId === 'gelatin' ? `${$say('rebalancePanel.ofBloom', { bloom: w.doc.set.bloom })} ` : '' }}{{ c.from === 0 ? '' : `→ ${fmt.grams(c.to)}` }}{{
                pieces(c.lineId, c.to)
                  ? `, ${pieces(c.lineId, c.to)}`
                  : about(c.ingredientId, c.to)
                    ? `, ${about(c.ingredientId, c.to)}`
                    : ''
              }}
            </span>
          </li>
          <li v-for="p in w.process" :key="p.kind"><b>{{ processWords(p, fmt) }}</b></li>
        </ul>
        <p class="brings">
          {{
            $say('rebalancePanel.brings',
                 { code: SHORT_VERDICT[w.code],
                   sharpness: SHARPNESS_NAMES[w.sharpness],
                   aroma: AROMA_NAMES[w.aroma],
                   high: [coldWords(w.moves.after.piece, fmt), ...movesWords(w.moves, fmt)].join(', '),
                   massG: fmt.grams(w.massG) })
          }}<template v-if="priced">, {{ money(w.cost) }}</template>.
          {{
            $say('rebalancePanel.comesOutAsMeant',
                 { before: fmt.fixed(100 * w.moves.before.holds), after: fmt.percent(w.moves.after.holds) })
          }}
        </p>
        <p v-if="!w.reached" class="short">
          <b>{{ $say('rebalancePanel.doesNotReachIt') }}</b>
          {{
            $say('rebalancePanel.whatStopsIt',
                 { passed: [Math.abs(w.missSet) > NEAR_SET
                              && $say('rebalancePanel.theSetComesToOfWhat', { missSet: fmt.percent(Math.exp(w.missSet)) }),
                            Math.abs(w.missSharp) > NEAR_SHARP
                              && $say('rebalancePanel.insteadOf',
                                      { sharpness: SHARPNESS_NAMES[w.sharpness],
                                        sharpness2: sharpWanted() }),
                            Math.abs(w.missSweet) > NEAR_SWEET
                              && $say('rebalancePanel.sweetnessMissed',
                                      { missSweet: fmt.percent(Math.exp(w.missSweet)) })].filter(Boolean).join(', ')
                     || $say('rebalancePanel.theLimitsArePassed'),
                   there: w.stops.map(s => stopWords(s, fmt)).join('; ')
                     || $say('rebalancePanel.theLinesThatMayMoveDo') })
          }}
        </p>
      </li>
      <li v-if="ways.length === 0" class="soft">{{ $say('rebalancePanel.noChangeLeadsNearerThanIt') }}</li>
      <li v-if="!fresh" class="soft small">{{ $say('rebalancePanel.theFormulaHasChangedSinceFind') }}</li>
    </ol>
  </section>
</template>

<style scoped>
.pins { margin: 0 0 0.5rem; }
.goal { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 0.6rem 1rem; align-items: end; }
.limits { margin: 0.6rem 0; } .limits summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; }
.check { display: flex; gap: 0.5rem; align-items: center; min-height: 44px; }
.check input { width: 22px; height: 22px; accent-color: var(--ink); }
.start { display: flex; gap: 0.8rem; align-items: center; margin: 0.4rem 0; flex-wrap: wrap; }
.ways { list-style: none; margin: 0.6rem 0 0; padding: 0; border-top: 1px solid var(--ink); }
.ways > li { border-bottom: 1px solid var(--hairline); padding: 0.6rem 0; }
.old { opacity: 0.6; }
.top { display: flex; justify-content: space-between; align-items: center; } .top b { font-size: 1.1rem; }
.changes { list-style: none; margin: 0.2rem 0; padding: 0; }
.brings { margin: 0.2rem 0; color: var(--ink-soft); } .short { margin: 0.2rem 0; color: var(--blood); }
.bad { color: var(--blood); }
</style>
