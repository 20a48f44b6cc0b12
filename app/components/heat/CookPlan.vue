<script setup lang="ts">
/**
 * The cook: way of making, heat, pan or oven; its course with what happens along it; where to put the probe and
 * when to stop.
 */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { FAMILIES, type Family, given, type School } from '#core/formula/document'
import type { HeatMethod } from '#core/physics/heat/pot'
import { withSchool } from '#core/formula/edits'
import { familyOf } from '#core/formula/families'
import { schoolOf } from '#core/formula/schools'
import { suggestSchool } from '#core/formula/suggest'
import { fillingOf } from '#core/formula/bench'
import { BOILED_C, USUAL_W } from '#core/physics/heat/pot'
import { orderOfWork } from '#core/plan/order'
import { CUE_NAMES, PROBE_NAMES } from '~/words/cook'
import { CONDITION_NAMES, FAMILY_NAMES, METHOD_NAMES, REASON_NAMES, SCHOOL_NAMES } from '~/words/names'
import { say } from '~/words/say'
import type { Cue } from './cue'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const h = computed(() => props.assessment.heat)
const heat = (part: Partial<Bench['heat']>, gesture: string) =>
  ws.change(gesture, (d) => {
    Object.assign(d.heat, part)
  })
const family = computed(() => familyOf(props.doc.family))
const school = computed(() => schoolOf(props.doc.school))
function setSchool(next: School) {
  ws.replace(withSchool(props.doc, next, () => crypto.randomUUID()))
  ws.endGesture()
}
const setFamily = (next: Family) => setSchool(suggestSchool(fillingOf(props.doc).lines, next, props.doc.use.kind))
const method = computed(() => props.doc.heat.method)
/** Another heat begins with what is usual for it: no microwave is rated as a burner is turned. */
const setMethod = (next: HeatMethod) =>
  heat({ method: next, ...(next === 'direct' || next === 'microwave' ? { burnerW: USUAL_W[next], burnerId: null } : {}) }, '')
const heats = computed(() => method.value !== 'none')
/** The egg's own curve says something: where it sets the dessert, or could scramble in a pan that never boils. */
const hasEgg = computed(
  () =>
    h.value.t60C !== null &&
    (family.value.eggSets ||
      (heats.value && method.value !== 'oven' && h.value.peakTempC < BOILED_C && props.assessment.set.eggC > 2)),
)
const reducing = computed(() => props.doc.heat.until === 'creamVolume')
const ovenTime = computed(() => given(props.doc.heat.oven.timeS))
/** A moment of the egg, with the temperature that the course has then. */
function cueOf(key: Cue['key'], why: Cue['why'], name: string, at: number | null): Cue {
  const { timeS, tempC } = h.value
  return { key, why, name, at, tempC: at === null ? null : tempC[Math.max(0, timeS.findIndex(t => t >= at))]! }
}
const cues = computed<Cue[]>(() => !hasEgg.value ? [] : [
  cueOf('coats', 'coats', say('cookPlan.coatsTheSpoon'), h.value.coatsS),
  cueOf('done', 'done', say('words.done'), h.value.doneS),
  cueOf('grainy', 'margin', say('words.grainy'), h.value.grainyS),
])
const main = computed(() =>
  orderOfWork(props.doc, kitchen.core!, props.assessment).find(
    s =>
      s.probe !== null &&
      s.cue !== null &&
      (s.code.startsWith('heat') || s.code.startsWith('boil') || s.code === 'bake'),
  ),
)
</script>

<template>
  <div class="cook">
    <div class="stage" :class="{ alone: !heats }">
      <HeatChart v-if="heats" :doc="doc" :assessment="assessment" :cues="cues" :has-egg="hasEgg" class="course" />
      <div class="fields">
        <div class="kind">
          <label class="field-label" for="family">{{ $say('cookPlan.kindOfDessert') }}</label>
          <select
            id="family" class="native" :value="doc.family"
            @change="setFamily(($event.target as HTMLSelectElement).value as Family)"
          >
            <option v-for="f in FAMILIES" :key="f" :value="f">{{ FAMILY_NAMES[f].name }}</option>
          </select>
        </div>
        <div v-if="family.methods.length > 1" class="kind">
          <label class="field-label" for="method">{{ $say('cookPlan.heat') }}</label>
          <select
            id="method" class="native" :value="method"
            @change="setMethod(($event.target as HTMLSelectElement).value as HeatMethod)"
          >
            <option v-for="m in family.methods" :key="m" :value="m">{{ METHOD_NAMES[m] }}</option>
          </select>
        </div>
        <QuantityField
          v-if="heats && ovenTime === null" field="heat.targetTempC" kind="temperature" show-label big
          :label="method === 'oven'
            ? $say('cookPlan.middleTo')
            : method === 'sousVide' ? $say('cookPlan.bathAt') : $say('cookPlan.takeItTo')"
          :model-value="doc.heat.targetTempC" @update:model-value="v => heat({ targetTempC: v }, 'target')"
          @done="ws.endGesture()"
        />
        <QuantityField
          v-if="heats && ovenTime === null && !reducing" field="heat.holdS" kind="minutes" show-label big
          :label="$say('cookPlan.holdItThere')" :step="0.5" :model-value="doc.heat.holdS"
          @update:model-value="v => heat({ holdS: v }, 'hold')" @done="ws.endGesture()"
        />
        <div v-if="family.fields.reduce && method === 'direct'" class="kind">
          <label class="field-label" for="until">{{ $say('cookPlan.thenBoil') }}</label>
          <select
            id="until" class="native" :value="doc.heat.until"
            @change="heat({ until: ($event.target as HTMLSelectElement).value as 'hold' | 'creamVolume' }, '')"
          >
            <option value="creamVolume">{{ $say('cookPlan.toCreamSVolume') }}</option>
            <option value="hold">{{ $say('cookPlan.forATime') }}</option>
          </select>
        </div>
        <QuantityField
          field="heat.startTempC" kind="temperature" show-label :label="$say('cookPlan.startsAt')"
          :model-value="doc.heat.startTempC" @update:model-value="v => heat({ startTempC: v }, 'start')"
          @done="ws.endGesture()"
        />
        <OvenFields v-if="method === 'oven'" :doc="doc" :assessment="assessment" />
        <PanFields v-else-if="heats" :doc="doc" />
        <WhiskFields v-if="doc.family === 'condensedPie'" :doc="doc" :assessment="assessment" />
      </div>
    </div>
    <p v-if="main" class="look">
      <b>{{ $say('cookPlan.lookFor') }}</b>
      {{ CUE_NAMES[main.cue!] }}<template v-if="main.tempC !== null">
        {{ $say('cookPlan.at') }} <b class="num">{{ fmt.temp(main.tempC) }}</b>
      </template>.
      <span class="soft">
        {{ PROBE_NAMES[main.probe!].charAt(0).toUpperCase() + PROBE_NAMES[main.probe!].slice(1) }}.</span>
    </p>
    <div class="choices" role="group" :aria-label="$say('cookPlan.wayOfMaking')">
      <button
        v-for="s in family.schools" :key="s" type="button" :aria-pressed="doc.school === s" @click="setSchool(s)"
      >
        {{ SCHOOL_NAMES[s].name }}
      </button>
    </div>
    <AfterHeat :doc="doc" :assessment="assessment" />
    <HeatFacts :doc="doc" :assessment="assessment" :cues="cues" :has-egg="hasEgg" />
    <p class="soft small reasons">
      {{
        $say('cookPlan.givesCostsForWhen',
             { how: SCHOOL_NAMES[doc.school].how,
               REASONNAMES: school.gives.map(x => REASON_NAMES[x]).join(', '),
               REASONNAMES2: school.costs.map(x => REASON_NAMES[x]).join(', '),
               decides: CONDITION_NAMES[school.decides] })
      }}
    </p>
    <CautionList :findings="assessment.findings.filter(f => f.station === 'heat')" />
  </div>
</template>

<style scoped>
.kind { grid-column: 1 / -1; }
.reasons { margin: 0 0 0.8rem; max-width: 46rem; }
/* The curve first, what moves it beside it; where there is no room beside, beneath. */
.stage { display: grid; grid-template-columns: minmax(0, 1fr) 17.5rem; gap: 0.6rem 1.5rem; align-items: start; }
.stage.alone { grid-template-columns: minmax(0, 36rem); }
.fields { display: grid; grid-template-columns: 1fr 1fr; gap: 0.6rem 0.9rem; align-content: start; }
.look { margin: 0.7rem 0; font-size: 1.05rem; }
@media (max-width: 1100px) {
  .stage { grid-template-columns: minmax(0, 1fr); }
  .fields { grid-template-columns: repeat(auto-fill, minmax(8.2rem, 1fr)); }
  .kind { grid-column: span 1; }
}
@media (max-width: 760px) { .kind { grid-column: 1 / -1; } }
</style>
