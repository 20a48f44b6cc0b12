<script setup lang="ts">
/** Which tin or dish, how deep, how many, does it fit; what else the work needs. */
import { type Assessment, pouredG } from '#core/pipeline/assessment'
import { VESSEL_KINDS, type Vessel } from '#core/physics/geometry/cavity'
import { vesselOf, type Bench } from '#core/formula/bench'
import { resizeParts } from '#core/formula/parts'
import { cavityOf, cavityVolume } from '#core/physics/geometry/cavity'
import { fitInto, fitVolume, withVessel, workVessels } from '#core/plan/fit'
import { roomWanted } from '#core/formula/room'
import { insertOf, typicalVessel } from '#core/physics/geometry/nominal'
import { workVesselWords } from '~/words/cold'
import { type Coat, COATS } from '#core/formula/document'
import { COAT_NAMES, RELEASE_NAMES, VESSEL_NAMES } from '~/words/names'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const vessel = computed(() => vesselOf(props.doc, kitchen.core!))
const shape = computed(() => props.assessment.shape)
const fit = computed(() =>
  fitVolume(shape.value.volumeM3, vessel.value, props.doc.assembly, shape.value.count, roomWanted(props.doc)),
)
const glass = computed(() => vessel.value.kind === 'glass' || vessel.value.kind === 'stemmed')

function useVessel(next: Vessel, vesselId: string | null, gesture = '') {
  ws.replace(withVessel(props.doc, kitchen.core!, next, vesselId, () => crypto.randomUUID()), gesture)
  if (!gesture) ws.endGesture()
}
/** One from the list; its set's insert takes its room, where no insert is a part of its own. */
function takeVessel(next: Vessel, vesselId: string | null, key: string) {
  const insertM3 = props.doc.components.some(c => c.role === 'insert') ? 0 : insertOf(key)
  const bench = withVessel(props.doc, kitchen.core!, next, vesselId, () => crypto.randomUUID())
  ws.replace(resizeParts({ ...bench, assembly: { ...bench.assembly, insertM3 } }, kitchen.core!))
  ws.endGesture()
}
/**
 * The level is drawn up or down: the formula grows or shrinks to it, always from what it was when it was taken, so that
 * no gram is rounded twice.
 */
let taken: { doc: Bench, shape: Assessment['shape'] } | null = null
function toDepth(depthM: number) {
  taken ??= { doc: props.doc, shape: shape.value }
  const { vesselId, count } = props.doc.assembly
  const wish = { vessel: vessel.value, vesselId: vesselId ?? null, count, depthM, wholeEggs: false }
  const { doc } = fitInto(taken.doc, kitchen.core!, taken.shape, wish, () => crypto.randomUUID())
  // As many portions of it, each higher or lower.
  ws.replace({ ...doc, assembly: { ...doc.assembly, portions: taken.doc.assembly.portions } }, 'depth')
}
function levelDone() {
  taken = null
  ws.endGesture()
}
/** As many vessels as the batch fills; where each is a portion, so many portions. */
function takeCount(count: number) {
  const { portions } = props.doc.assembly
  assembly({ count, ...(portions === props.doc.assembly.count ? { portions: count } : {}) }, '')
  ws.endGesture()
}
/** Changing a size makes it a one-off; the kitchen's own vessel stays as it is. */
const size = (part: Partial<Vessel>, gesture: string) => useVessel({ ...vessel.value, ...part }, null, gesture)
const assembly = (part: Partial<Bench['assembly']>, gesture: string) =>
  ws.replace(resizeParts({ ...props.doc, assembly: { ...props.doc.assembly, ...part } }, kitchen.core!), gesture)
/** What is not said stays out of the document. */
function out(part: Partial<Pick<Bench['assembly'], 'coat' | 'looseBase'>>) {
  const said = Object.entries({ ...props.doc.assembly, ...part }).filter(([, v]) => v !== undefined)
  ws.replace({ ...props.doc, assembly: Object.fromEntries(said) as unknown as Bench['assembly'] })
  ws.endGesture()
}
</script>

<template>
  <div class="tin">
    <div class="pick">
      <div class="choices" role="group" :aria-label="$say('tinPanel.kind')">
        <button
          v-for="k in VESSEL_KINDS" :key="k" type="button" :aria-pressed="vessel.kind === k"
          @click="useVessel(typicalVessel(k), null)"
        >
          {{ VESSEL_NAMES[k] }}
        </button>
      </div>
      <VesselSelect
        class="own" :label="$say('tinPanel.tinOrDish')" :value="doc.assembly.vesselId ?? ''"
        :own="$say('tinPanel.aSizeOfItsOwn')" @pick="takeVessel"
      />
      <div class="fields">
        <VesselFields :vessel="vessel" @change="size" @done="ws.endGesture()" />
        <QuantityField
          field="assembly.count" kind="count" show-label :label="$say('tinPanel.howMany')"
          :model-value="doc.assembly.count" @update:model-value="v => assembly({ count: v }, 'count')"
          @done="ws.endGesture()"
        />
        <QuantityField
          field="assembly.portions" kind="count" show-label :label="$say('tinPanel.portionsInAll')"
          :model-value="doc.assembly.portions" @update:model-value="v => assembly({ portions: v }, 'portions')"
          @done="ws.endGesture()"
        />
        <QuantityField
          field="assembly.crustM" kind="length" show-label :label="$say('tinPanel.crust')"
          :blank="$say('tinPanel.none')" :step="0.5" :model-value="doc.assembly.crustM"
          @update:model-value="v => assembly({ crustM: v }, 'crust')" @done="ws.endGesture()"
        />
        <QuantityField
          field="assembly.insertM3" :per="1000000" kind="count" :unit-text="$say('tinPanel.ml')" show-label
          :label="$say('tinPanel.fruitOrInsertInEach')" :blank="$say('tinPanel.none')" :step="5"
          :model-value="Math.round(doc.assembly.insertM3 * 1e6)"
          @update:model-value="v => assembly({ insertM3: v / 1e6 }, 'insert')" @done="ws.endGesture()"
        />
        <QuantityField
          v-if="glass" field="assembly.tiltDeg" kind="count" unit-text="°" show-label
          :label="$say('tinPanel.leansWhileItSets')" :blank="$say('tinPanel.upright')" :step="5"
          :model-value="doc.assembly.tiltDeg" @update:model-value="v => assembly({ tiltDeg: v }, 'tilt')"
          @done="ws.endGesture()"
        />
        <div v-if="shape.release">
          <label class="field-label" for="coat">{{ $say('tinPanel.coat') }}</label>
          <select
            id="coat" class="native" :value="doc.assembly.coat ?? ''"
            @change="out({ coat: (($event.target as HTMLSelectElement).value || undefined) as Coat | undefined })"
          >
            <option value="">{{ $say('tinPanel.bare') }}</option>
            <option v-for="c in COATS" :key="c" :value="c">{{ COAT_NAMES[c] }}</option>
          </select>
        </div>
        <label v-if="shape.release" class="tick">
          <input
            type="checkbox" :checked="doc.assembly.looseBase"
            @change="out({ looseBase: doc.assembly.looseBase ? undefined : true })"
          >
          {{ $say('tinPanel.looseBase') }}
        </label>
      </div>
      <p v-if="shape.release" :data-release="shape.release.word">
        <b>{{ $say('tinPanel.gettingOut') }}</b> {{ RELEASE_NAMES[shape.release.word] }}
      </p>
    </div>
    <figure class="drawn">
      <VesselDrawing
        :vessel="vessel" :assembly="doc.assembly" :depth-m="shape.depthM" :over="shape.fillShare > 1"
        :depth-text="fmt.mm(shape.depthM)" :label="
          $say('tinPanel.sectionToScaleDeepBelowThe',
               { depthM: fmt.mm(shape.depthM), headroomM: fmt.mm(Math.max(shape.headroomM, 0)) })
        " @depth="toDepth"
        @done="levelDone"
      />
      <figcaption class="soft small">
        {{
          $say('tinPanel.sectionThroughTheToScaleHolds',
               { middle: vessel.kind === 'rectangle'
                   ? $say('tinPanel.length')
                   : $say('tinPanel.middle'),
                 assembly: fmt.litres(cavityVolume(cavityOf(vessel, doc.assembly))) })
        }}
      </figcaption>
      <dl class="facts">
        <div>
          <dt>{{ $say('tinPanel.depthOfFill') }}</dt>
          <dd data-fact="depth"><WhyNumber topic="depth">{{ fmt.mm(shape.depthM, 1) }}</WhyNumber></dd>
        </div>
        <div>
          <dt>{{ $say('tinPanel.headroom') }}</dt>
          <dd data-fact="headroom" :class="{ bad: shape.headroomM < 0 }">
            <WhyNumber topic="headroom">
              {{
                shape.headroomM < 0
                  ? $say('tinPanel.tooMuch', { headroomM: fmt.mm(-shape.headroomM, 1) })
                  : fmt.mm(shape.headroomM, 1)
              }}
            </WhyNumber>
            <small>{{ $say('tinPanel.wants', { p1: fmt.mm(roomWanted(doc)) }) }}</small>
          </dd>
        </div>
        <div>
          <dt>{{ $say('tinPanel.inEach') }}</dt>
          <dd><WhyNumber topic="portion">{{ fmt.grams(pouredG(doc, assessment) / shape.count) }}</WhyNumber></dd>
        </div>
        <div>
          <dt>{{ $say('tinPanel.aPortion') }}</dt>
          <dd><WhyNumber topic="portion">{{ fmt.grams(shape.portionG) }}</WhyNumber></dd>
        </div>
        <div v-if="fit.overM3 > 0">
          <dt>{{ $say('tinPanel.runsOver') }}</dt>
          <dd class="bad" data-fact="over">{{ fmt.grams(fit.overM3 * shape.density * 1000) }}</dd>
        </div>
        <div v-if="fit.fills > 0 && (fit.fills !== shape.count || fit.leftM3 * shape.density > 0.001)">
          <dt>{{ $say('tinPanel.filledToThereEnoughFor') }}</dt>
          <dd data-fact="fills">
            {{ fit.fills }}<small>{{ $say('tinPanel.andLeft', { density: fmt.grams(fit.leftM3 * shape.density * 1000) }) }}</small>
            <UButton
              v-if="fit.fills !== shape.count" size="sm" variant="outline" color="neutral"
              :label="$say('tinPanel.takeSoMany', { count: fit.fills })" @click="takeCount(fit.fills)"
            />
          </dd>
        </div>
        <div v-if="shape.lean">
          <dt>{{ $say('tinPanel.lowAndHighSide') }}</dt>
          <dd>
            {{ fmt.mm(Math.max(0, shape.lean.lowM)) }},
            {{ fmt.mm(shape.lean.highM) }}<small>{{ $say('tinPanel.atMost', { mostDeg: fmt.fixed(shape.lean.mostDeg) }) }}</small>
          </dd>
        </div>
      </dl>
      <CautionList :findings="assessment.findings.filter(f => f.station === 'shape')" />
      <h2 class="section-title">{{ $say('tinPanel.forTheWork') }}</h2>
      <ul class="work">
        <li v-for="w in workVessels(doc, assessment)" :key="w.what">{{ workVesselWords(w, fmt) }}</li>
      </ul>
    </figure>
  </div>
</template>

<style scoped>
.tin { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 1.5rem 2rem; }
.own { margin-top: 0.9rem; }
.fields {
  display: grid; grid-template-columns: repeat(auto-fill, minmax(8.2rem, 1fr)); gap: 0.9rem; margin: 0.9rem 0;
  align-items: end;
}
.drawn { margin: 0; }
.tick { display: flex; gap: 0.5rem; align-items: center; min-height: 44px; }
.tick input { width: 22px; height: 22px; accent-color: var(--ink); }
.work { margin: 0; padding-left: 1.1rem; list-style: disc; }
@media (max-width: 1100px) {
  .tin { grid-template-columns: minmax(0, 1fr); }
  .drawn { order: -1; }
}
</style>
