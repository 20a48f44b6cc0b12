<script setup lang="ts">
/**
 * The piece as it will be eaten, in section and to scale: straight from the fridge, and on the plate after its time on
 * the table. Standing or slumping as computed; a dashed line shows the height that was meant.
 */
import type { PieceFigures } from '#core/pipeline/summary'
import { isShaped, type UseKind } from '#core/physics/set/bands'
import { heapProfile, slicedProfile, type Point } from '#core/physics/set/profile'
import { say } from '~/words/say'
import { faceWord } from '~/words/stands'

const props = withDefaults(defineProps<{
  piece: PieceFigures
  small?: boolean
  label?: string
  grainy?: boolean
  /** Only one of the two. */ only?: 'cold' | 'plate'
  /** What the piece on the plate has lost and how warm it is at some other minute on the table. */
  plate?: { slump: number, tempC: number }
}>(), { small: false, grainy: false, label: undefined, only: undefined, plate: undefined })
const fmt = useFormat()
const { temp, mm } = fmt
/** Cells of 150 units side by side, each with its own ground line; one scale for both, so that they compare. */
const CELL = 150
const states = computed(() => (props.only ? [props.only] : (['cold', 'plate'] as const)))
const svg = useTemplateRef<SVGElement>('svg')
const { width, height } = useElementSize(svg, { width: 300, height: 120 })
const grainId = `grain-${useId()}`

/** Room for a piece that runs out, whatever it does now: the drawing must not zoom while a number is stepped. */
const RUN = 1.3
/** Of what runs so much of its height is gone in the drawing, at the most. */
const RUNS_TO = 0.92
/** What lies in a heap, or runs out of one. */
const HEAPS: readonly UseKind[] = ['spooned', 'piped', 'over']
/** Levels are drawn where the piece is a section through all of them. */
const levels = computed(() =>
  HEAPS.includes(props.piece.use) ? [] : (props.piece.layers ?? []),
)
const tallM = computed(() =>
  levels.value.length ? levels.value.reduce((sum, l) => sum + l.thickM, 0) : props.piece.heightM,
)
const scale = computed(() => {
  const p = props.piece
  const across = (CELL - (props.small ? 40 : 22)) / (p.widthM * RUN + p.crustM)
  return Math.min(across, (props.small ? 50 : p.use === 'cut' ? 70 : 92) / (tallM.value + p.crustM))
})
const HEIGHT = computed(() =>
  props.small
    ? 62
    : Math.round((tallM.value + props.piece.crustM) * scale.value + (props.piece.use === 'cut' ? 66 : 22)),
)
/** Drawn units to a pixel of the page: words keep their size however wide the drawing is. */
const unit = computed(() =>
  width.value > 0 && height.value > 0
    ? Math.max((states.value.length * CELL) / width.value, (HEIGHT.value + 3) / height.value)
    : 1,
)
const path = (points: Point[], x0: number, y0: number, close = true) => {
  const at = (q: Point) => `${(x0 + q.x * scale.value).toFixed(1)} ${(y0 - q.y * scale.value).toFixed(1)}`
  return `M${points.map(at).join('L')}${close ? 'Z' : ''}`
}

const pieces = computed(() =>
  states.value.map((state, i) => {
    const p = props.piece
    const s = state === 'plate' && props.plate ? { ...p.plate, ...props.plate } : p[state]
    const heap = HEAPS.includes(p.use)
    const cut = p.use === 'cut'
    const tall = tallM.value
    const shape = (slump: number) =>
      p.use === 'glass'
        ? glassFill(p.widthM, tall, slump)
        : heap
          ? heapProfile(p.widthM, p.heightM, slump)
          : slicedProfile(p.widthM, tall, slump)
    // What runs is seen as a puddle.
    const points = shape(Math.min(s.slump, RUNS_TO))
    const crust = p.crustM * scale.value
    const w = p.widthM * scale.value
    const h = tall * scale.value
    const base = HEIGHT.value - (cut ? crust : 0)
    const middle = CELL * i + CELL / 2
    // Heaps lie about the middle of their cell; what has a fixed left face begins at the left.
    const spread = Math.max(...points.map(q => q.x)) * scale.value
    const x0 = heap
      ? middle - spread / 2
      : p.use === 'glass'
        ? middle - w / 2
        : CELL * i + (props.small ? 20 : 10) + crust
    const meant = path(shape(0), heap ? middle - w / 2 : x0, base, false)
    const stands = s.slump < 0.005
    return {
      state,
      s,
      cut,
      glass: p.use === 'glass',
      x0,
      w,
      h,
      crust,
      base,
      top: base - h,
      fill: path(points, x0, base),
      stacked: stacked(state, x0, base),
      meant,
      stands,
      word: faceWord(p, s, levels.value.length > 1, fmt),
      temp: temp(s.tempC),
    }
  }),
)

/** Level upon level, each as far sunk as it is computed. */
function stacked(state: 'cold' | 'plate', x0: number, base: number) {
  const { use, widthM } = props.piece
  let under = 0
  return levels.value.map((l, i) => {
    const slump = Math.min(l.slump[state], RUNS_TO)
    const points = use === 'glass' ? glassFill(widthM, l.thickM, 1, false) : slicedProfile(widthM, l.thickM, slump)
    const d = path(points, x0, base - under * scale.value)
    under += l.thickM * (use === 'glass' ? 1 : 1 - slump)
    return { key: `${state}-${i}`, d, chosen: l.chosen }
  })
}
/** A glass with a spoonful taken from the right: the wall left behind stands or runs back. */
function glassFill(width: number, height: number, slump: number, taken = true): Point[] {
  if (!taken) return [{ x: 0, y: 0 }, { x: 0, y: height }, { x: width, y: height }, { x: width, y: 0 }]
  const notch = 0.45 * height * (1 - Math.min(slump * 1.4, 1))
  const run = 0.08 * width + 0.5 * width * Math.min(slump * 1.4, 1)
  const a = 0.45 * width
  return [
    { x: 0, y: 0 },
    { x: 0, y: height },
    { x: a, y: height },
    { x: Math.min(a + run, width), y: height - notch },
    { x: width, y: height - notch },
    { x: width, y: 0 },
  ]
}
/** Where a piece stands: the tallest that would stand, and that could be cut, as marks with their words. */
const marks = computed(() =>
  props.small || props.piece.use !== 'cut'
    ? []
    : pieces.value
        .filter(p => p.stands)
        .flatMap((p) => {
          // It is cut cold. What lies above the drawing, or inside the piece, is told below it.
          const rows = [
            { word: say('cutFace.standsTo'), m: p.s.standsM },
            ...(p.state === 'cold' ? [{ word: say('cutFace.cutsTo'), m: p.s.cutsM }] : []),
          ].map(o => ({ ...o, y: p.base - o.m * scale.value })).filter(o => o.y >= 12 && o.y <= p.top)
          // Words keep a line's distance from each other and from the top edge of the piece.
          let below = Infinity
          return rows.reverse().map((o) => {
            const wanted = Math.abs(o.y - p.top) < 8 ? p.top - 8 : o.y
            const textY = Math.max(Math.min(wanted, below - 17 * unit.value), 10)
            below = textY
            return { key: `${p.state}-${o.word}`, x: p.x0 + 2, y: o.y, textY, text: `${o.word} ${mm(o.m)}` }
          })
        }),
)
/** Where the top of the first piece can be taken hold of: beside it, clear of the marks' words. */
const HOLD_X = CELL - 9
const top = computed(() => ({
  left: `${(100 * HOLD_X) / (states.value.length * CELL)}%`,
  top: `${(100 * pieces.value[0]!.top) / (HEIGHT.value + 3)}%`,
}))
const description = computed(
  () =>
    props.label ??
    say('cutFace.sectionOfThePieceToScale', {
      temp: pieces.value[0]!.temp,
      word: pieces.value[0]!.word,
      thickM: levels.value.length
        ? ` ${say('cutFace.layersFromBelow', { levels: levels.value.length, thickM: levels.value.map(l => `${l.name} ${mm(l.thickM)}`).join(', ') })}`
        : '',
      temp2: pieces.value.at(-1)!.temp,
      word2: pieces.value.at(-1)!.word,
    }),
)
</script>

<template>
  <figure class="cutface" :class="{ small }">
    <div class="drawn">
      <svg ref="svg" :viewBox="`0 0 ${states.length * CELL} ${HEIGHT + 3}`" role="img" :aria-label="description">
        <defs>
          <pattern v-if="grainy" :id="grainId" width="7" height="7" patternUnits="userSpaceOnUse">
            <rect width="7" height="7" fill="#E9C72B" />
            <circle cx="2" cy="2" r="1.1" fill="#7D6500" />
            <circle cx="5.5" cy="5" r="0.9" fill="#7D6500" />
          </pattern>
          <clipPath v-for="(state, i) in states" :id="`${grainId}-${state}`" :key="state">
            <rect :x="CELL * i + 2" y="-20" :width="CELL - 4" :height="HEIGHT + 24" />
          </clipPath>
        </defs>
        <template v-for="(p, i) in pieces" :key="p.state">
          <path
            v-if="p.cut"
            :d="
              piece.crustForm === 'base'
                ? `M${p.x0} ${p.base}V${HEIGHT}H${p.x0 + p.w}V${p.base}Z`
                : `M${p.x0 - p.crust} ${p.top - 4}V${HEIGHT}H${p.x0 + p.w}V${p.base}H${p.x0}V${p.top - 4}Z`
            "
            fill="var(--crust)" stroke="var(--ink)" stroke-width="1.2"
          />
          <template v-if="p.stacked.length">
            <path
              v-for="l in p.stacked" :key="l.key" :d="l.d" :data-level="l.chosen ? 'chosen' : 'other'"
              :clip-path="`url(#${grainId}-${p.state})`"
              :fill="!l.chosen ? 'var(--citron-soft)' : grainy ? `url(#${grainId})` : 'var(--citron)'"
              stroke="var(--ink)" :stroke-width="small ? 1.2 : 1.5" stroke-linejoin="round"
            />
          </template>
          <path
            v-else :d="p.fill" :clip-path="`url(#${grainId}-${p.state})`"
            :fill="grainy ? `url(#${grainId})` : 'var(--citron)'" stroke="var(--ink)" :stroke-width="small ? 1.2 : 1.5"
            stroke-linejoin="round"
          />
          <path
            v-if="p.glass"
            :d="`M${p.x0 - 2} ${p.top - 14}L${p.x0 - 1} ${HEIGHT}H${p.x0 + p.w + 1}L${p.x0 + p.w + 2} ${p.top - 14}`"
            fill="none" stroke="var(--cold)" stroke-width="1.6"
          />
          <path
            v-if="!p.stands && !p.glass" :d="p.meant" fill="none" stroke="var(--ink)" stroke-dasharray="3 3"
            stroke-width="1.2"
          />
          <line
            :x1="CELL * i + 3" :x2="CELL * (i + 1) - 3" :y1="HEIGHT" :y2="HEIGHT" stroke="var(--ink)" stroke-width="1.5"
          />
        </template>
        <line
          v-if="$slots.default && isShaped(piece.use)" :x1="pieces[0]!.x0 + pieces[0]!.w" :x2="HOLD_X"
          :y1="pieces[0]!.top" :y2="pieces[0]!.top" stroke="var(--ink)" stroke-width="1"
        />
        <template v-for="m in marks" :key="m.key">
          <line :x1="m.x" :x2="m.x + 12" :y1="m.y" :y2="m.y" stroke="var(--ink)" stroke-width="1.5" />
          <text :x="m.x + 16" :y="m.textY + 4.5 * unit" :font-size="14 * unit" class="mark">{{ m.text }}</text>
        </template>
      </svg>
      <slot :top="top" :metres-per-px="unit / scale" />
    </div>
    <figcaption v-if="!small">
      <div v-for="p in pieces" :key="p.state">
        <b>{{ p.state === 'cold' ? $say('cutFace.fromTheFridge') : $say('cutFace.onThePlate') }}</b>
        <br>
        <span :class="p.state === 'cold' ? 'cold' : ''">{{ p.temp }}</span>,
        <span :class="{ blood: !p.stands && isShaped(piece.use) }">{{ p.word }}</span>
      </div>
    </figcaption>
  </figure>
</template>

<style scoped>
.cutface { margin: 0; }
.drawn { position: relative; }
svg { width: 100%; display: block; overflow: visible; }
figcaption {
  display: grid; grid-template-columns: 1fr 1fr; gap: 0 1rem; font-size: 0.9rem; line-height: 1.3; padding-top: 0.4rem;
}
figcaption b { font-weight: 600; }
text.mark { font-family: var(--font-sans); fill: var(--ink); }
.cold { color: var(--cold-deep); }
.blood { color: var(--blood); font-weight: 600; }
</style>
