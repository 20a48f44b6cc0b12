<script setup lang="ts">
/** Crust and topping: their own formulas, sized to the tin, with their steps. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { PART_KINDS, type Component, type PartKind, type PartMake } from '#core/formula/document'
import {
  isMeringue,
  meringueHeat,
  partFacts,
  plainMake,
  resizeParts,
  SUGAR_BOIL_C,
  withPart,
} from '#core/formula/parts'
import { orderOfWork } from '#core/plan/order'
import { PART_NAMES, stepWords } from '~/words/cook'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const ROLES = [
  ['crust', say('partsPanel.crust'), 'crustM'],
  ['topping', say('partsPanel.topping'), 'toppingM'],
] as const
const kindsOf = (role: 'crust' | 'topping') => PART_KINDS.filter(k => partFacts(k).role === role)
const partOf = (role: 'crust' | 'topping'): Component | undefined => props.doc.components.find(c => c.role === role)
const steps = computed(() =>
  orderOfWork(props.doc, kitchen.core!, props.assessment).map(s => ({
    key: s.key,
    component: s.component,
    w: stepWords(s, fmt, props.doc, () => undefined),
  })),
)
const parts = computed(() =>
  ROLES.map(([role, title, key]) => ({
    role,
    title,
    key,
    c: partOf(role),
    steps: steps.value.filter(x => x.component === role),
  })),
)
function put(doc: Bench, gesture = '') {
  ws.replace(doc, gesture)
  if (!gesture) ws.endGesture()
}
const choose = (role: 'crust' | 'topping', make: PartMake | null, gesture = '') =>
  put(
    withPart(props.doc, kitchen.core!, role, make, () => crypto.randomUUID(), make ? PART_NAMES[make.kind].name : ''),
    gesture,
  )
const thickness = (key: 'crustM' | 'toppingM', v: number) =>
  put(resizeParts({ ...props.doc, assembly: { ...props.doc.assembly, [key]: v } }, kitchen.core!), key)
const form = (crustForm: 'shell' | 'base') =>
  put(resizeParts({ ...props.doc, assembly: { ...props.doc.assembly, crustForm } }, kitchen.core!))
const RATIO = {
  crumbButter: say('partsPanel.crumbTo1OfButter'),
  sugarWhite: say('partsPanel.sugarTo1OfWhite'),
} as const
const heatOf = (c: Component) => meringueHeat(c)
const massOf = (c: Component) => c.lines.reduce((s, l) => s + l.massG, 0)
</script>

<template>
  <div class="parts">
    <section v-for="{ role, title, key, c, steps: own } in parts" :key="role" :data-part="role">
      <h2 class="section-title">{{ title }}</h2>
      <div class="choices" role="group" :aria-label="title">
        <button type="button" :aria-pressed="!c" @click="choose(role, null)">{{ $say('partsPanel.none') }}</button>
        <button
          v-for="k in kindsOf(role)" :key="k" type="button" :aria-pressed="c?.make?.kind === k"
          @click="choose(role, plainMake(k))"
        >
          {{ PART_NAMES[k].name }}
        </button>
      </div>
      <template v-if="c">
        <template v-if="c.make">
          <p class="soft">{{ PART_NAMES[c.make.kind as PartKind].how }}</p>
          <div class="fields">
            <QuantityField
              kind="length" show-label
              :label="role === 'crust' ? $say('partsPanel.thickness') : $say('partsPanel.height')"
              :step="role === 'crust' ? 0.5 : 5" :model-value="doc.assembly[key]" :min="0.001"
              :max="role === 'crust' ? 0.06 : 0.2" @update:model-value="v => thickness(key, v)" @done="ws.endGesture()"
            />
            <QuantityField
              v-if="partFacts(c.make.kind).ratio" kind="percent" unit-text=": 1" show-label
              :label="RATIO[partFacts(c.make.kind).ratio!.of]" :model-value="c.make.ratio"
              :min="partFacts(c.make.kind).ratio!.min" :max="partFacts(c.make.kind).ratio!.max"
              @update:model-value="v => choose(role, { ...c!.make!, ratio: v }, `${role}-ratio`)"
              @done="ws.endGesture()"
            />
            <div v-if="role === 'crust'">
              <span class="field-label">{{ $say('partsPanel.itLies') }}</span>
              <div class="choices" role="group" :aria-label="$say('partsPanel.itLies')">
                <button type="button" :aria-pressed="doc.assembly.crustForm === 'base'" @click="form('base')">
                  {{ $say('partsPanel.onTheBase') }}
                </button>
                <button type="button" :aria-pressed="doc.assembly.crustForm === 'shell'" @click="form('shell')">
                  {{ $say('partsPanel.upTheSidesToo') }}
                </button>
              </div>
            </div>
          </div>
          <ul class="lines">
            <li v-for="l in c.lines" :key="l.id">
              <span>{{ fmt.name(l.ingredientId) }}</span>
              <b class="num">{{ fmt.grams(l.massG) }}</b>
            </li>
            <li class="sum">
              <span>
                {{
                  $say('partsPanel.inAllFor',
                       { them: doc.assembly.count === 1
                         ? $say('partsPanel.theTin')
                         : $say('partsPanel.ofThem', { count: doc.assembly.count }) })
                }}
              </span>
              <b class="num" :data-fact="`${role}-mass`">{{ fmt.grams(massOf(c)) }}</b>
            </li>
          </ul>
          <p v-if="isMeringue(c.make.kind)" data-fact="meringue">
            <template v-if="c.make.kind === 'meringueBoiled'">
              {{
                $say('partsPanel.syrupAtToWarmsTheWhites',
                     { SUGARBOILC: fmt.temp(SUGAR_BOIL_C[0]), SUGARBOILC2: fmt.temp(SUGAR_BOIL_C[1]) })
              }}
              <b>{{ heatOf(c).reachesC === null ? '—' : fmt.temp(heatOf(c).reachesC!) }}</b>
              {{ $say('partsPanel.atMostNoProofThatThey') }}
            </template>
            <template v-else-if="heatOf(c).counts">
              {{ $say('partsPanel.whitesAndSugarToAMeasured') }}
              <b>{{ fmt.temp(heatOf(c).reachesC!) }}</b>{{ $say('partsPanel.heldMinThatCountsAsCooked', { needMinutes: fmt.fixed(heatOf(c).needMinutes!, 1) }) }}
            </template>
            <template v-else>{{ $say('partsPanel.nothingHeatsTheseWhitesThroughPasteurised') }}</template>
          </p>
          <PartFigures :doc="doc" :part="c" />
          <ol class="steps">
            <li v-for="{ key: stepKey, w } in own" :key="stepKey">
              <b>{{ w.title }}</b>
              <template v-if="w.reach">, {{ w.reach }}</template>
              <template v-if="w.cue">; {{ w.cue }}</template>
              <span v-if="w.how" class="soft small"> · {{ w.how }}</span>
            </li>
          </ol>
        </template>
        <p v-else class="soft">
          {{
            c.lines.length
              ? $say('partsPanel.asItWasWrittenItKeeps')
              : $say('partsPanel.thickOfNoFormulaYetChoose', { key: fmt.mm(doc.assembly[key]) })
          }}
        </p>
      </template>
      <p v-else class="soft">
        {{ role === 'crust' ? $say('partsPanel.noCrustAKindAboveIs') : $say('partsPanel.nothingOnTopAKindAbove') }}
      </p>
    </section>
    <LayersPanel class="both" :doc="doc" />
    <CautionList
      class="both"
      :findings="
        assessment.findings.filter(f => f.code === 'rawTopping' || f.code === 'boilingSugar'
          || f.code === 'allergens')
      "
    />
  </div>
</template>

<style scoped>
.parts { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 1.5rem 2rem; }
.both { grid-column: 1 / -1; }
.fields { display: flex; flex-wrap: wrap; gap: 0.9rem 1.4rem; align-items: end; margin: 0.6rem 0; }
.fields > .quantity { width: 9rem; }
.lines { list-style: none; padding: 0; margin: 0.6rem 0; border-top: 1px solid var(--ink); }
.lines li {
  display: flex; justify-content: space-between; gap: 1rem; border-bottom: 1px solid var(--hairline);
  padding: 0.35rem 0;
}
.sum { font-weight: 600; }
.steps { padding-left: 1.2rem; list-style: decimal; margin: 0.6rem 0; } .steps li { margin-bottom: 0.25rem; }
@media (max-width: 900px) { .parts { grid-template-columns: minmax(0, 1fr); } }
</style>
