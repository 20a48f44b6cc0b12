<script setup lang="ts">
/**
 * The piece as it will be eaten, in section and to scale: straight from the fridge, and on the plate after its time on
 * the table. Standing or slumping as computed; a dashed line shows the height that was meant.
 */
import type { PieceFigures } from '#core/summary'
import { heapProfile, slicedProfile, type Point } from '#core/set/profile'

const props = withDefaults(defineProps<{ piece: PieceFigures, small?: boolean, label?: string, grainy?: boolean }>(), { small: false, grainy: false })
const { temp, mm } = useFormat()

const WIDTH = 300
const GROUND = computed(() => props.small ? 62 : 118)
/** Millimetres a drawn unit stands for: the same for both pieces, so that they can be compared. */
const scale = computed(() => {
  const p = props.piece
  const wide = Math.max(p.widthM * (1 + 0.35 * Math.max(p.cold.slump, p.plate.slump)), p.widthM) + 2 * p.crustM
  return Math.min(props.small ? 0.9 * 145 / 2 / wide : 112 / wide, (GROUND.value - (props.small ? 8 : 26)) / (p.heightM + p.crustM))
})
const path = (points: Point[], x0: number, y0: number) => `M${points.map(q => `${(x0 + q.x * scale.value).toFixed(1)} ${(y0 - q.y * scale.value).toFixed(1)}`).join('L')}Z`

const pieces = computed(() => (['cold', 'plate'] as const).map((state, i) => {
  const p = props.piece
  const s = p[state]
  const crust = p.crustM * scale.value
  const centre = props.small ? (i === 0 ? 75 : 225) : (i === 0 ? 76 : 226)
  const w = p.widthM * scale.value
  const h = p.heightM * scale.value
  const cut = p.use === 'cut'
  const glass = p.use === 'glass'
  const left = centre - (w + (cut ? crust : 0)) / 2 - (s.slump > 0.05 && cut ? 6 : 0)
  const base = GROUND.value - (cut ? crust : 0)
  const x0 = left + (cut ? crust : 0)
  const points = glass ? glassFill(w / scale.value, p.heightM, s.slump) : cut || p.use === 'turnedOut' ? slicedProfile(p.widthM, p.heightM, s.slump) : heapProfile(p.widthM, p.heightM, s.slump)
  const minX = Math.min(...points.map(q => q.x))
  const maxX = Math.max(...points.map(q => q.x))
  const shift = p.use === 'spooned' || p.use === 'piped' ? centre - (minX + maxX) / 2 * scale.value - x0 : 0
  const top = base - h
  const clip = Math.min(maxX * scale.value, (i === 0 ? 148 : 298) - x0)
  return { state, x0: x0 + shift, base, top, w, h, crust, left, cut, glass, fill: path(points, x0 + shift, base), word: s.slump < 0.02 ? 'stands' : s.slump > 0.75 ? 'runs' : `sags ${mm(p.heightM * s.slump)}`, temp: temp(s.tempC), clip, stands: s.slump < 0.02, s }
}))

/** A glass with a spoonful taken from the right: the wall left behind stands or runs back. */
function glassFill(width: number, height: number, slump: number): Point[] {
  const notch = 0.45 * height * (1 - Math.min(slump * 1.4, 1))
  const run = 0.08 * width + 0.5 * width * Math.min(slump * 1.4, 1)
  const a = 0.45 * width
  return [{ x: 0, y: 0 }, { x: 0, y: height }, { x: a, y: height }, { x: Math.min(a + run, width), y: height - notch }, { x: width, y: height - notch }, { x: width, y: 0 }]
}
/** Marks for the tallest piece that would stand, and that could be cut, where they lie within the drawing. */
const marks = computed(() => {
  if (props.small || props.piece.use !== 'cut') return []
  return pieces.value.flatMap((p) => {
    if (!p.stands) return []
    const out = [{ key: `${p.state}-c`, m: p.s.cutsM, word: 'cuts to' }, { key: `${p.state}-s`, m: p.s.standsM, word: 'stands to' }]
    return out.map(o => ({ ...o, x: p.left, y: p.base - o.m * scale.value, text: `${o.word} ${mm(o.m)}` }))
  })
})
const description = computed(() => props.label ?? `Section of the piece, to scale. From the fridge at ${pieces.value[0]!.temp}: ${pieces.value[0]!.word}. On the plate at ${pieces.value[1]!.temp}: ${pieces.value[1]!.word}.`)
</script>

<template>
  <figure class="cutface" :class="{ small }">
    <svg :viewBox="`0 0 ${WIDTH} ${GROUND + 3}`" role="img" :aria-label="description">
      <defs>
        <pattern v-if="grainy" id="grain" width="7" height="7" patternUnits="userSpaceOnUse"><rect width="7" height="7" fill="var(--citron)" /><circle cx="2" cy="2" r="1" fill="#8a6d00" /><circle cx="5.500" cy="5" r="0.8" fill="#8a6d00" /></pattern>
      </defs>
      <template v-for="p in pieces" :key="p.state">
        <path v-if="p.cut" :d="`M${p.left} ${p.top - 3 * scale / 1000}V${GROUND}H${p.x0 + Math.max(p.w, 0)}V${p.base}H${p.x0}V${p.top - 3 * scale / 1000}Z`" fill="var(--crust)" stroke="var(--ink)" stroke-width="1.2" />
        <path :d="p.fill" :fill="grainy ? 'url(#grain)' : 'var(--citron)'" stroke="var(--ink)" :stroke-width="small ? 1.2 : 1.5" stroke-linejoin="round" />
        <path v-if="p.glass" :d="`M${p.x0 - 2} ${p.top - 14}L${p.x0 - 1} ${GROUND}H${p.x0 + p.w + 1}L${p.x0 + p.w + 2} ${p.top - 14}`" fill="none" stroke="var(--cold)" stroke-width="1.6" />
        <path v-if="!p.stands && !p.glass" :d="`M${p.x0} ${p.top}H${p.x0 + p.w}V${p.base}`" fill="none" stroke="var(--ink)" stroke-dasharray="3 3" stroke-width="1" />
        <line :x1="p.state === 'cold' ? 4 : 154" :x2="p.state === 'cold' ? 146 : 296" :y1="GROUND" :y2="GROUND" stroke="var(--ink)" stroke-width="1.5" />
      </template>
      <line v-for="m in marks.filter(m => m.y > 6)" :key="m.key" :x1="m.x - 7" :x2="m.x - 1" :y1="m.y" :y2="m.y" stroke="var(--ink)" stroke-width="1.5" />
    </svg>
    <figcaption v-if="!small">
      <div v-for="p in pieces" :key="p.state">
        <b>{{ p.state === 'cold' ? 'From the fridge' : 'On the plate' }}</b>, <span :class="p.state === 'cold' ? 'cold' : ''">{{ p.temp }}</span><br>
        <span :class="{ blood: !p.stands && piece.use !== 'spooned' && piece.use !== 'glass' }">{{ p.word }}</span>
        <template v-if="p.stands && piece.use === 'cut'"> to {{ mm(p.s.standsM) }}<br>cuts to {{ mm(p.s.cutsM) }}</template>
      </div>
    </figcaption>
  </figure>
</template>

<style scoped>
.cutface { margin: 0; }
svg { width: 100%; display: block; overflow: visible; }
figcaption { display: grid; grid-template-columns: 1fr 1fr; gap: 0 1rem; font-size: 0.9rem; line-height: 1.3; padding-top: 0.4rem; }
figcaption b { font-weight: 600; }
.cold { color: var(--cold-deep); }
.blood { color: var(--blood); font-weight: 600; }
</style>
