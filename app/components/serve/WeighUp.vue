<script setup lang="ts">
/** The head of the bench card: what to weigh, with a box to tick; tin, oven, allergens, the cook's own words. */
import type { Assessment } from '#core/pipeline/assessment'
import { vesselOf, type Bench } from '#core/formula/bench'
import { allergensIn } from '#core/formula/allergens'
import { orderOfWork } from '#core/plan/order'
import { preheats, weighUp } from '#core/plan/weighUp'
import { ALLERGEN_NAMES, VESSEL_NAMES } from '~/words/names'
import { eggWords } from '~/words/stock'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const groups = computed(() => weighUp(props.doc, kitchen.core!))
const start = computed(() => props.doc.serve.startAt)
const ovens = computed(() =>
  preheats(orderOfWork(props.doc, kitchen.core!, props.assessment)).map(({ atS, tempC }) => {
    const to = { tempC: fmt.temp(tempC) }
    if (start.value) return say('card.ovenTo', { ...to, at: fmt.clock(start.value, atS) })
    return atS <= 0
      ? say('card.ovenToBefore', { ...to, before: fmt.duration(-atS) })
      : say('card.ovenToAfter', { ...to, after: fmt.duration(atS) })
  }))
const vessel = computed(() => {
  const own = kitchen.record?.vessels.find(v => v.id === props.doc.assembly.vesselId)?.name
  const v = vesselOf(props.doc, kitchen.core!)
  return say('card.vessel', {
    count: `${props.assessment.shape.count} ×`,
    vessel: own ?? `${fmt.cm(v.lengthM)} ${VESSEL_NAMES[v.kind].toLowerCase()}`,
    depthM: fmt.mm(props.assessment.shape.depthM),
  })
})
const allergens = computed(() => allergensIn(props.doc).map(a => ALLERGEN_NAMES[a]).join(', '))
const write = (text: string) => ws.change('card-note', (d) => { d.serve.cardNote = text || undefined })
</script>

<template>
  <section class="weigh">
    <template v-for="g in groups" :key="g.componentId">
      <h2>{{ groups.length > 1 ? g.name : $say('card.weighUp') }}</h2>
      <ul>
        <li v-for="l in g.lines" :key="l.lineId" data-weigh>
          <label>
            <input type="checkbox">
            <b class="num">{{ fmt.grams(l.massG) }}</b>
            <span>
              {{ fmt.name(l.ingredientId) }}<template v-if="l.eggs">
                ({{ eggWords(l.eggs.part, l.eggs.count) }})
              </template>
            </span>
          </label>
        </li>
      </ul>
    </template>
    <dl>
      <div><dt>{{ $say('card.into') }}</dt><dd>{{ vessel }}</dd></div>
      <div v-for="o in ovens" :key="o" data-preheat><dt>{{ $say('card.preheat') }}</dt><dd>{{ o }}</dd></div>
      <div data-card-allergens>
        <dt>{{ $say('card.allergens') }}</dt><dd>{{ allergens || $say('card.noneKnown') }}</dd>
      </div>
    </dl>
    <p v-if="doc.serve.cardNote" class="own print-only"><b>{{ $say('card.notes') }}</b> {{ doc.serve.cardNote }}</p>
    <label class="no-print write">
      <span class="field-label">{{ $say('card.ownNotes') }}</span>
      <textarea
        class="native" rows="2" maxlength="600" dir="auto" :value="doc.serve.cardNote ?? ''"
        :placeholder="$say('card.yours')"
        @input="write(($event.target as HTMLTextAreaElement).value)" @blur="ws.endGesture()"
      />
    </label>
  </section>
</template>

<style scoped>
h2 { font-size: 1.3rem; margin: 0.6rem 0 0.2rem; break-after: avoid; }
ul { list-style: none; margin: 0 0 0.4rem; padding: 0; border-top: 1px solid var(--ink); }
li { border-bottom: 1px solid var(--hairline); break-inside: avoid; }
label {
  display: grid; grid-template-columns: 26px 5.2rem minmax(0, 1fr); gap: 0.6rem; align-items: center; min-height: 44px;
  font-size: 1.2rem;
}
input { width: 24px; height: 24px; accent-color: var(--ink); }
.num { text-align: right; }
dl { margin: 0.4rem 0; font-size: 1.1rem; }
dl div {
  display: grid; grid-template-columns: 6.5rem minmax(0, 1fr); gap: 0.6rem; padding: 0.15rem 0; break-inside: avoid;
}
dt { color: var(--ink-soft); } dd { margin: 0; }
.write { display: block; } .write textarea { padding: 0.3rem; }
.print-only { display: none; }
@media print {
  h2 { font-size: 15pt; margin: 1mm 0 0.5mm; }
  label, dl, .own { font-size: 14pt; }
  label {
    min-height: 0; grid-template-columns: 5mm 19mm minmax(0, 1fr); gap: 2mm; line-height: 1.15; padding: 0.5mm 0;
  }
  input { appearance: none; width: 4mm; height: 4mm; border: 0.4mm solid black; margin: 0; }
  dl div { grid-template-columns: 25mm minmax(0, 1fr); padding: 0.3mm 0; line-height: 1.15; }
  .print-only { display: block; }
}
</style>
