<script setup lang="ts">
/**
 * From loose to firm on one ruler: the bands in words, what this use asks for, and where the piece lies cold and
 * on the plate.
 */
import type { Assessment } from '#core/pipeline/assessment'
import { BANDS } from '#core/physics/set/bands'
import { BAND_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{ assessment: Assessment }>()
const LOW = 5
const HIGH = 8000
/** Drawn at the width it has on the page, so that its words are as large as any others. */
const svg = useTemplateRef<SVGElement>('svg')
const { width } = useElementSize(svg, { width: 420, height: 128 })
const W = computed(() => Math.max(width.value - 8, 240))
/** Position on the ruler's logarithmic scale. */
const x = (pa: number) => W.value * Math.log(Math.min(Math.max(pa, LOW), HIGH) / LOW) / Math.log(HIGH / LOW)
const v = computed(() => props.assessment.verdict)
/** Stresses shown on the scale of the bands, which is corrected for density. */
const ratio = computed(() => v.value.cold.tauStarPa / Math.max(v.value.cold.tauPa.value, 1e-9))
const marks = computed(() => {
  const cold = x(v.value.cold.tauStarPa)
  const plate = x(v.value.plate.tauStarPa)
  // The plate's word stays clear of the fridge's line: to its left where there is room, to its right otherwise.
  const near = cold > plate - 6 && cold - plate < 120
  return [
    { key: 'cold', name: say('words.fridge'), at: cold, left: cold > W.value - 120 },
    {
      key: 'plate',
      name: say('words.plate'),
      at: plate,
      left: plate > W.value - 120 || (near && plate > 110),
    },
  ]
})
const wanted = computed(() => ({
  from: x(v.value.target.coldMinPa * ratio.value),
  to: x(v.value.target.coldMaxPa * ratio.value),
  plate: x(v.value.target.plateMinPa * ratio.value),
}))
const ticks = computed(() => BANDS.slice(1).map(b => ({ ...b, at: x(b.fromPa) })))
/** Words lie in two rows by turns, in three where it is narrow, so that none runs into the next. */
const rows = computed(() => W.value < 400 ? 3 : 2)
const words = computed(() =>
  BANDS.filter(b => b.id !== 'rubbery').map((b, i) => {
    const middle = (x(Math.max(b.fromPa, LOW)) + x(BANDS[i + 1]!.fromPa)) / 2
    return {
      id: b.id,
      name: BAND_NAMES[b.id],
      middle,
      y: 88 + 18 * (i % rows.value),
      anchor: middle < 50 ? 'start' : middle > W.value - 50 ? 'end' : 'middle',
    }
  }),
)
</script>

<template>
  <figure
    class="ruler"
    :aria-label="
      $say('firmnessRuler.firmness',
           { band: marks.map(m =>
             `${m.name} ${BAND_NAMES[v[m.key as 'cold' | 'plate'].band]}`).join('; ') })
    "
  >
    <h2 class="section-title">
      {{ $say('firmnessRuler.howItHolds') }}
      <span class="soft small">
        {{ $say('firmnessRuler.inPaYellow') }}
        <WhyNumber topic="needs">{{ $say('firmnessRuler.askedFor') }}</WhyNumber>{{ $say('firmnessRuler.cold') }}
      </span>
    </h2>
    <svg
      ref="svg" :viewBox="`-4 0 ${W + 8} ${94 + 18 * rows}`" :style="{ height: `${94 + 18 * rows}px` }"
      preserveAspectRatio="xMinYMin meet" role="presentation"
    >
      <rect :x="wanted.from" y="50" :width="Math.max(wanted.to - wanted.from, 2)" height="16" fill="var(--citron)" />
      <line x1="0" :x2="W" y1="66" y2="66" stroke="var(--ink)" stroke-width="1.5" />
      <template v-for="t in ticks" :key="t.id">
        <line :x1="t.at" :x2="t.at" y1="60" y2="72" stroke="var(--ink)" />
      </template>
      <text
        v-for="w in words" :key="w.id" :x="w.anchor === 'start' ? 0 : w.anchor === 'end' ? W : w.middle" :y="w.y"
        :text-anchor="w.anchor" class="word" :class="{ on: w.id === v.cold.band || w.id === v.plate.band }"
      >
        {{ w.name }}
      </text>
      <g v-for="m in marks" :key="m.key" :class="m.key">
        <line :x1="m.at" :x2="m.at" :y1="m.key === 'cold' ? 20 : 40" y2="66" stroke-width="1.5" />
        <circle v-if="m.key === 'plate'" :cx="m.at" cy="66" r="6" />
        <rect v-else :x="m.at - 5.500" y="60.500" width="11" height="11" />
        <text
          :x="m.at + (m.left ? -6 : 6)" :y="m.key === 'cold' ? 22 : 42" :text-anchor="m.left ? 'end' : 'start'"
          class="mark"
        >
          {{ m.name }}
        </text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
.ruler { margin: 0; }
svg { width: 100%; display: block; overflow: visible; }
text { font-family: var(--font-sans); font-size: 14px; fill: var(--ink-soft); }
.word.on { fill: var(--ink); font-weight: 600; }
.mark { font-weight: 600; fill: var(--ink); paint-order: stroke; stroke: var(--paper); stroke-width: 4px; }
.cold line { stroke: var(--cold-deep); } .cold rect { fill: var(--cold-deep); } .cold .mark { fill: var(--cold-deep); }
.plate line { stroke: var(--ink); } .plate circle { fill: var(--paper); stroke: var(--ink); stroke-width: 2.500; }
</style>
