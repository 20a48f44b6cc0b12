<script setup lang="ts">
/** Which tin or dish, how deep, how many, does it fit; and the formula scaled to it. */
import type { Assessment } from '#core/assessment'
import { scaleFormula } from '#core/formula/create'
import { MATERIALS, VESSEL_KINDS, vesselOf, type FormulaDocument, type Vessel, type VesselKind } from '#core/formula/document'
import { cavityOf, scaleToDepth } from '#core/vessel/geometry'
import { schoolOf } from '#core/families/schools'
import { MATERIAL_NAMES, VESSEL_NAMES } from '~/words/names'

const props = defineProps<{ doc: FormulaDocument, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const vessel = computed(() => vesselOf(props.doc, kitchen.core!))
const shape = computed(() => props.assessment.shape)
const wantedDepth = ref(Math.round(shape.value.depthM * 1000) / 1000)
watch(() => ws.id, () => { wantedDepth.value = Math.round(shape.value.depthM * 1000) / 1000 })

const TYPICAL: Record<VesselKind, Vessel> = {
  round: { kind: 'round', material: 'metal', lengthM: 0.2, widthM: 0.2, heightM: 0.05 },
  rectangle: { kind: 'rectangle', material: 'metal', lengthM: 0.26, widthM: 0.16, heightM: 0.065 },
  ramekin: { kind: 'ramekin', material: 'ceramic', lengthM: 0.08, widthM: 0.08, heightM: 0.045 },
  tartRing: { kind: 'tartRing', material: 'metal', lengthM: 0.24, widthM: 0.24, heightM: 0.035 },
}
function useVessel(next: Vessel, vesselId: string | null, gesture = '') {
  ws.change(gesture, (d) => {
    d.assembly.vessel = { kind: next.kind, material: next.material, lengthM: next.lengthM, widthM: next.widthM, heightM: next.heightM }
    d.assembly.vesselId = vesselId
    // A ring wants a shell; pies and bars keep their base in any tin.
    const crusted = schoolOf(d.school).crustM
    d.assembly.crustM = next.kind === 'tartRing' ? d.assembly.crustM || 0.004 : crusted > 0 && next.kind !== 'ramekin' ? d.assembly.crustM || crusted : 0
    const crust = d.components.find(c => c.role === 'crust')
    if (d.assembly.crustM > 0 && !crust) d.components.push({ id: crypto.randomUUID(), role: 'crust', name: 'Shell', lines: [], steps: [] })
  })
}
/** Changing a size makes it a one-off; the kitchen's own vessel stays as it is. */
const size = (part: Partial<Vessel>, gesture: string) => useVessel({ ...vessel.value, ...part }, null, gesture)
const assembly = (part: Partial<FormulaDocument['assembly']>, gesture: string) => ws.change(gesture, (d) => { Object.assign(d.assembly, part) })
function scale() {
  ws.replace(scaleFormula(props.doc, scaleToDepth(shape.value.depthM, wantedDepth.value)))
  ws.endGesture()
}
// Drawing, in millimetres, to scale.
const drawing = computed(() => {
  const c = cavityOf(vessel.value, props.doc.assembly.crustM)
  const w = vessel.value.lengthM * 1000
  const h = vessel.value.heightM * 1000
  const crust = props.doc.assembly.crustM * 1000
  const fill = Math.min(shape.value.depthM, c.heightM) * 1000
  return { w, h, crust, fill, over: shape.value.depthM > c.heightM, pad: Math.max(w, h) * 0.06 }
})
</script>

<template>
  <div class="shape">
    <div class="pick">
      <h3 class="section-title">Tin or dish</h3>
      <div class="choices" role="group" aria-label="Kind">
        <button v-for="k in VESSEL_KINDS" :key="k" type="button" :aria-pressed="vessel.kind === k" @click="useVessel(TYPICAL[k], null)">{{ VESSEL_NAMES[k] }}</button>
      </div>
      <div v-if="kitchen.record?.vessels.length" class="own">
        <label class="field-label" for="own-vessel">From the kitchen</label>
        <select id="own-vessel" class="native" :value="doc.assembly.vesselId ?? ''" @change="e => { const v = kitchen.record!.vessels.find(x => x.id === (e.target as HTMLSelectElement).value); if (v) useVessel(v, v.id) }">
          <option value="">a size of its own</option>
          <option v-for="v in kitchen.record.vessels" :key="v.id" :value="v.id">{{ v.name }}</option>
        </select>
      </div>
      <div class="fields">
        <QuantityField kind="length" show-label :label="vessel.kind === 'rectangle' ? 'Length' : 'Diameter'" :step="5" :model-value="vessel.lengthM" :min="0.02" :max="1" @update:model-value="v => size({ lengthM: v, ...(vessel.kind === 'rectangle' ? {} : { widthM: v }) }, 'vessel-length')" @done="ws.endGesture()" />
        <QuantityField v-if="vessel.kind === 'rectangle'" kind="length" show-label label="Width" :step="5" :model-value="vessel.widthM" :min="0.02" :max="1" @update:model-value="v => size({ widthM: v }, 'vessel-width')" @done="ws.endGesture()" />
        <QuantityField kind="length" show-label label="Height" :model-value="vessel.heightM" :min="0.005" :max="0.4" @update:model-value="v => size({ heightM: v }, 'vessel-height')" @done="ws.endGesture()" />
        <div><label class="field-label" for="material">Made of</label><select id="material" class="native" :value="vessel.material" @change="size({ material: ($event.target as HTMLSelectElement).value as Vessel['material'] }, '')"><option v-for="m in MATERIALS" :key="m" :value="m">{{ MATERIAL_NAMES[m] }}</option></select></div>
        <QuantityField kind="count" show-label label="How many" :model-value="doc.assembly.count" :min="1" :max="500" @update:model-value="v => assembly({ count: v }, 'count')" @done="ws.endGesture()" />
        <QuantityField kind="count" show-label label="Portions in all" :model-value="doc.assembly.portions" :min="1" :max="2000" @update:model-value="v => assembly({ portions: v }, 'portions')" @done="ws.endGesture()" />
        <QuantityField v-if="vessel.kind === 'tartRing' || doc.assembly.crustM > 0" kind="length" show-label label="Crust" :step="0.5" :model-value="doc.assembly.crustM" :min="0" :max="0.02" @update:model-value="v => assembly({ crustM: v }, 'crust')" @done="ws.endGesture()" />
      </div>
      <form class="scale" @submit.prevent="scale">
        <QuantityField v-model="wantedDepth" kind="length" show-label label="Fill to a depth of" :min="0.003" :max="0.3" />
        <UButton type="submit" variant="outline" color="neutral" label="Scale the formula to it" />
      </form>
    </div>
    <figure class="drawn">
      <svg :viewBox="`${-drawing.pad} ${-drawing.h - drawing.pad * 1.4} ${drawing.w + 2 * drawing.pad} ${drawing.h + 2.4 * drawing.pad}`" role="img" :aria-label="`Section, to scale: ${fmt.mm(shape.depthM)} deep, ${fmt.mm(Math.max(shape.headroomM, 0))} below the rim`" preserveAspectRatio="xMidYMax meet">
        <path v-if="drawing.crust" :d="`M0 0H${drawing.w}V${-drawing.h}H${drawing.w - drawing.crust}V${-drawing.crust}H${drawing.crust}V${-drawing.h}H0Z`" fill="var(--crust)" stroke="var(--ink)" vector-effect="non-scaling-stroke" />
        <rect :x="drawing.crust" :y="-drawing.crust - drawing.fill" :width="drawing.w - 2 * drawing.crust" :height="drawing.fill" fill="var(--citron)" stroke="var(--ink)" vector-effect="non-scaling-stroke" />
        <path v-if="drawing.over" :d="`M${drawing.crust} ${-drawing.h}q${drawing.w / 2 - drawing.crust} ${-drawing.pad} ${drawing.w - 2 * drawing.crust} 0z`" fill="var(--citron)" stroke="var(--blood)" stroke-width="2" vector-effect="non-scaling-stroke" />
        <path :d="`M0 ${-drawing.h}V0H${drawing.w}V${-drawing.h}`" fill="none" stroke="var(--ink)" stroke-width="2.500" vector-effect="non-scaling-stroke" />
      </svg>
      <figcaption class="soft small">Section through the {{ vessel.kind === 'rectangle' ? 'length' : 'middle' }}, to scale</figcaption>
      <dl class="facts">
        <div><dt>depth of fill</dt><dd data-fact="depth"><WhyNumber topic="depth">{{ fmt.mm(shape.depthM, 1) }}</WhyNumber></dd></div>
        <div><dt>headroom</dt><dd data-fact="headroom" :class="{ bad: shape.headroomM < 0 }"><WhyNumber topic="headroom">{{ shape.headroomM < 0 ? `${fmt.mm(-shape.headroomM, 1)} too much` : fmt.mm(shape.headroomM, 1) }}</WhyNumber></dd></div>
        <div><dt>in each</dt><dd><WhyNumber topic="portion">{{ fmt.grams(shape.batchG / shape.count) }}</WhyNumber></dd></div>
        <div><dt>a portion</dt><dd><WhyNumber topic="portion">{{ fmt.grams(shape.portionG) }}</WhyNumber></dd></div>
      </dl>
      <CautionList :findings="assessment.findings.filter(f => f.station === 'shape')" />
      <p class="soft small">The slice is as high as the fill, at most: {{ fmt.mm(shape.pieceHeightM, 1) }}.</p>
    </figure>
  </div>
</template>

<style scoped>
.shape { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 1.5rem 2rem; }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(8rem, 1fr)); gap: 0.9rem; margin: 0.9rem 0; }
.own { margin-top: 0.9rem; }
.scale { display: grid; grid-template-columns: minmax(0, 10rem) auto; gap: 0.9rem; align-items: end; border-top: 1px solid var(--hairline); padding-top: 0.8rem; justify-content: start; }
.drawn { margin: 0; }
svg { width: 100%; max-height: 220px; display: block; }
.facts { display: grid; grid-template-columns: repeat(4, auto); gap: 0.5rem 1rem; border-top: 1px solid var(--hairline); padding-top: 0.7rem; margin: 0.7rem 0; }
dt { font-size: 0.9rem; color: var(--ink-soft); }
dd { margin: 0; font-family: var(--font-display); font-size: 1.25rem; }
dd.bad { color: var(--blood); }
@media (max-width: 1100px) { .shape { grid-template-columns: minmax(0, 1fr); } }
@media (max-width: 760px) { .facts { grid-template-columns: 1fr 1fr; } .scale { grid-template-columns: 1fr; } }
</style>
