<script setup lang="ts">
/**
 * Portions: even pours by the scale, bars by a grid, wedges with a guide to print; and how high a slice this set
 * carries.
 */
import { type Assessment, pouredG } from '#core/pipeline/assessment'
import { vesselOf, type Bench } from '#core/formula/bench'
import { cutGrid, cutWedges, evenPour, suggestGrid } from '#core/physics/geometry/portions'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const vessel = computed(() => vesselOf(props.doc, kitchen.core!))
const shape = computed(() => props.assessment.shape)
const tray = computed(() => vessel.value.kind === 'rectangle')
const cuts = computed(() => props.doc.use.kind === 'cut' || props.doc.use.kind === 'turnedOut')
const single = computed(() => shape.value.count > 1 || !cuts.value)
const each = computed(() => shape.value.batchG / shape.value.count)
const poured = computed(() => pouredG(props.doc, props.assessment))
const pour = computed(() => evenPour(poured.value, shape.value.count))
const perVessel = computed(() => Math.max(1, Math.round(props.doc.assembly.portions / shape.value.count)))
const grid = reactive({ columns: 0, rows: 0, trimM: 0 })
watch(
  [perVessel, () => vessel.value.lengthM, () => vessel.value.widthM],
  () => Object.assign(grid, suggestGrid(perVessel.value, vessel.value)),
  { immediate: true },
)
const cut = computed(() => {
  try {
    return cutGrid(each.value, vessel.value, grid.columns, grid.rows, grid.trimM)
  } catch {
    return null
  }
})
const wedges = computed(() => cutWedges(each.value, vessel.value.lengthM, perVessel.value))
const height = ref(Math.round(props.assessment.shape.pieceHeightM * 1000) / 1000)
const usePieces = (n: number) => ws.change('', (d) => { d.assembly.portions = n * d.assembly.count })
const spokes = computed(() =>
  Array.from({ length: wedges.value.count }, (_, i) => ((i * wedges.value.angleDeg - 90) * Math.PI) / 180),
)
const mm = (m: number) => 1000 * m
/** Half the guide's side, mm: the ring with a margin, or what a sheet of A4 or letter takes. */
const SHEET_MM = 92
const guide = computed(() => Math.min(mm(vessel.value.lengthM) / 2 + 5, SHEET_MM))
const printGuide = () => window.print()
</script>

<template>
  <section class="cuts">
    <template v-if="single">
      <h2 class="section-title">
        {{
          $say('cutsPanel.intoByTheScale',
               { count: shape.count, dishes: shape.count === 1 ? $say('cutsPanel.dish') : $say('cutsPanel.dishes') })
        }}
      </h2>
      <p class="answer" data-answer="pour">
        <b class="display">{{ fmt.grams(pour.eachG) }}</b> {{ $say('cutsPanel.inEachStandTheTrayOn') }}
      </p>
      <ol class="readings" data-readings>
        <li v-for="(g, i) in pour.readingsG.slice(0, 24)" :key="i">
          <span class="soft">{{ i + 1 }}</span> <b class="num">{{ fmt.grams(g) }}</b>
        </li>
      </ol>
      <p v-if="pour.readingsG.length > 24" class="soft">
        {{ $say('cutsPanel.andOnMoreEachTimeTo', { eachG: fmt.grams(pour.eachG), batchG: fmt.grams(poured) }) }}
      </p>
    </template>
    <template v-if="cuts && tray">
      <h2 class="section-title">{{ $say('cutsPanel.byAGrid') }}</h2>
      <div class="fields">
        <QuantityField
          v-model="grid.columns" kind="count" show-label :label="$say('cutsPanel.alongTheLength')" :min="1" :max="60"
        />
        <QuantityField
          v-model="grid.rows" kind="count" show-label :label="$say('cutsPanel.alongTheWidth')" :min="1" :max="60"
        />
        <QuantityField
          v-model="grid.trimM" kind="length" show-label :label="$say('cutsPanel.trimOffAllRound')"
          :blank="$say('cutsPanel.none')" :max="0.1"
        />
        <UButton
          v-if="cut && cut.pieces * shape.count !== doc.assembly.portions" variant="outline" color="neutral"
          :label="$say('cutsPanel.makeItPortions', { pieces: cut.pieces })" @click="usePieces(cut.pieces)"
        />
      </div>
      <div v-if="cut" class="pair">
        <svg
          :viewBox="`-4 -4 ${mm(vessel.lengthM) + 8} ${mm(vessel.widthM) + 8}`" role="img"
          :aria-label="
            $say('cutsPanel.byEachBy',
                 { columns: cut.columns, rows: cut.rows, lengthM: fmt.mm(cut.lengthM), widthM: fmt.mm(cut.widthM) })
          "
        >
          <rect
            x="0" y="0" :width="mm(vessel.lengthM)" :height="mm(vessel.widthM)" fill="var(--crust)" stroke="var(--ink)"
            stroke-width="2" vector-effect="non-scaling-stroke"
          />
          <rect
            :x="mm(grid.trimM)" :y="mm(grid.trimM)" :width="mm(cut.lengthM) * cut.columns"
            :height="mm(cut.widthM) * cut.rows" fill="var(--citron)"
          />
          <path
            :d="
              [...Array(cut.columns
                + 1).keys()].map(i =>
                `M${mm(grid.trimM) + i * mm(cut!.lengthM)} ${mm(grid.trimM)}v${mm(cut!.widthM) * cut!.rows}`).join('')
                + [...Array(cut.rows
                  + 1).keys()].map(i =>
                  `M${mm(grid.trimM)} ${mm(grid.trimM) + i * mm(cut!.widthM)}h${mm(cut!.lengthM) * cut!.columns}`).join('')
            "
            fill="none" stroke="var(--ink)" vector-effect="non-scaling-stroke"
          />
        </svg>
        <dl class="facts">
          <div>
            <dt>{{ $say('cutsPanel.aPiece') }}</dt>
            <dd data-fact="piece">{{ fmt.fixed(cut.lengthM * 1000) }} × {{ fmt.mm(cut.widthM) }}</dd>
          </div>
          <div><dt>{{ $say('cutsPanel.fillingOnIt') }}</dt><dd>{{ fmt.grams(cut.pieceG) }}</dd></div>
          <div>
            <dt>{{ $say('cutsPanel.trim') }}</dt>
            <dd>{{ cut.trimG < 0.05 ? $say('cutsPanel.none') : fmt.grams(cut.trimG) }}</dd>
          </div>
          <div>
            <dt>{{ $say('cutsPanel.withABakedEdge') }}</dt>
            <dd>{{ cut.edges }}<small>{{ $say('cutsPanel.of', { pieces: cut.pieces }) }}</small></dd>
          </div>
        </dl>
      </div>
      <p v-else class="bad" role="alert">{{ $say('cutsPanel.soMuchTrimLeavesNothingTo') }}</p>
    </template>
    <template v-else-if="cuts && shape.count === 1">
      <h2 class="section-title">{{ $say('cutsPanel.byWedges') }}</h2>
      <div class="pair">
        <svg
          class="guide" :style="{ '--true': `${2 * guide}mm` }"
          :viewBox="`${-guide} ${-guide} ${2 * guide} ${2 * guide}`" role="img"
          :aria-label="$say('cutsPanel.guideForWedges', { count: wedges.count })"
        >
          <circle r="1.2" fill="var(--ink)" />
          <circle
            :r="mm(vessel.lengthM) / 2" fill="none" stroke="var(--ink)" stroke-width="1.5"
            vector-effect="non-scaling-stroke"
          />
          <line
            v-for="a in spokes" :key="a" x1="0" y1="0" :x2="(mm(vessel.lengthM) / 2 + 4) * Math.cos(a)"
            :y2="(mm(vessel.lengthM) / 2 + 4) * Math.sin(a)" stroke="var(--ink)" stroke-width="1"
            vector-effect="non-scaling-stroke"
          />
        </svg>
        <dl class="facts">
          <div>
            <dt>{{ $say('cutsPanel.wedges') }}</dt>
            <dd data-fact="wedges">
              {{ wedges.count }}<small>{{ $say('cutsPanel.each', { angleDeg: fmt.fixed(wedges.angleDeg, 1) }) }}</small>
            </dd>
          </div>
          <div>
            <dt>{{ $say('cutsPanel.alongTheRim') }}</dt>
            <dd>
              {{ fmt.mm(wedges.arcM) }}<small>{{ $say('cutsPanel.straightAcross', { chordM: fmt.mm(wedges.chordM) }) }}</small>
            </dd>
          </div>
          <div><dt>{{ $say('cutsPanel.fillingOnIt') }}</dt><dd>{{ fmt.grams(wedges.pieceG) }}</dd></div>
        </dl>
      </div>
      <p class="no-print">
        <UButton
          variant="outline" color="neutral" size="sm" :label="$say('cutsPanel.printTheGuideTrueToSize')"
          @click="printGuide"
        /> <span class="soft small">
          {{
            $say('cutsPanel.printAt100LayItsMiddle',
                 { ring: mm(vessel.lengthM) / 2 > guide ? $say('cutsPanel.andCarryTheLinesOnTo') : '' })
          }}
        </span>
      </p>
    </template>
    <template v-if="cuts">
      <h2 class="section-title">{{ $say('cutsPanel.howHigh') }}</h2>
      <div class="fields high">
        <QuantityField
          v-model="height" kind="length" show-label :label="$say('cutsPanel.aSliceThisHigh')" :min="0.003" :max="0.2"
        />
        <p>
          <span data-fact="cut-so-high">
            {{
              height <= assessment.verdict.cold.cutsM
                ? $say('cutsPanel.canBeCut')
                : $say('cutsPanel.isTooHighToCut')
            }}
          </span>{{ ' ' }}
          <b class="num" data-fact="cuts-to">{{ fmt.mm(assessment.verdict.cold.cutsM) }}</b>{{ $say('cutsPanel.highAndStandsOnThePlate', { standsM: fmt.mm(assessment.verdict.plate.standsM) }) }}
        </p>
      </div>
    </template>
  </section>
</template>

<style scoped>
.answer .display { font-size: 1.9rem; }
.readings {
  list-style: none; display: grid; grid-template-columns: repeat(auto-fill, minmax(7rem, 1fr)); gap: 0.2rem 1rem;
  padding: 0; margin: 0 0 1rem; border-top: 1px solid var(--ink);
}
.readings li { border-bottom: 1px solid var(--hairline); padding: 0.3rem 0; }
.fields { display: flex; flex-wrap: wrap; gap: 0.9rem 1.4rem; align-items: end; }
.fields > .quantity { width: 9rem; }
.high p { flex: 1 1 20rem; margin: 0; }
.pair {
  display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr); gap: 1.5rem; align-items: center;
  margin: 0.9rem 0;
}
svg { width: 100%; max-height: 240px; }
h2 { margin-top: 1.2rem; } h2:first-child { margin-top: 0; }
.bad { color: var(--blood); }
@media (max-width: 760px) { .pair { grid-template-columns: minmax(0, 1fr); } }
@media print { .guide { width: var(--true); max-height: none; height: var(--true); } }
</style>
