<script setup lang="ts">
/** A whole dessert in section, to scale: from the fridge beside the plate, each level as far sunk as it is computed. */
import type { Built } from '#core/formula/document'
import type { Vessel } from '#core/physics/geometry/cavity'
import { rollRadius } from '#core/plate/load'
import type { PlatePart } from '#core/plate/part'
import type { Plate } from '#core/plate/plate'
import { partName } from '~/words/plate'

const props = defineProps<{ plate: Plate, pieceWidthM: number, vessel: Vessel, built?: Built, isInVessel: boolean }>()
const fmt = useFormat()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box, { width: 700, height: 300 })

const WORDS_PX = 210
const TALL_PX = 250
const GROUND_PX = 26
/** Words stand beside the drawing where there is room for them. */
const isWide = computed(() => width.value > 560)
const cellPx = computed(() => (isWide.value ? (width.value - WORDS_PX) / 2 : width.value / 2))
const pile = computed(() => props.plate.parts.filter(p => p.form !== 'beside'))
const tallM = computed(() => Math.max(0.005, ...pile.value.map(p => p.fromM + p.thickM)))
/** A shell that is longer than wide is cut along its length. */
const isLong = computed(() => props.built === 'shells' && props.vessel.lengthM > 1.5 * props.vessel.widthM)
const wideM = computed(() =>
  (props.isInVessel || props.built === 'domed' || isLong.value ? props.vessel.lengthM : props.pieceWidthM))
/** The sheet as it is rolled, m across. */
const rollM = computed(() => 2 * rollRadius(Math.min(props.vessel.lengthM, props.vessel.widthM), tallM.value))
const sizeM = computed(() => (props.built === 'roll'
  ? { wide: rollM.value, tall: rollM.value }
  : props.built === 'shells' ? { wide: wideM.value * 1.2, tall: tallM.value } : { wide: wideM.value, tall: tallM.value }))
const scale = computed(() => Math.min(TALL_PX / sizeM.value.tall, (cellPx.value - 40) / (1.25 * sizeM.value.wide)))
const heightPx = computed(() => sizeM.value.tall * scale.value + GROUND_PX + 14)
const STATES = ['cold', 'plate'] as const

/** A level's outline: bulged where it has sunk, as the same area must go somewhere. */
function outline(x: number, y: number, w: number, h: number, lost: number): string {
  const bulge = (w * Math.min(lost, 0.5)) / 2
  return `M${x} ${y}L${x + w} ${y}Q${x + w + 2 * bulge} ${y - h / 2} ${x + w} ${y - h}L${x} ${y - h}`
    + `Q${x - 2 * bulge} ${y - h / 2} ${x} ${y}Z`
}
/** A level's outline in a dome: as wide as a half ellipse is at its height. */
function domeOutline(cx: number, y: number, h: number, from: number, to: number): string {
  const widthAt = (share: number) => ((wideM.value * scale.value) / 2) * Math.sqrt(Math.max(0, 1 - share ** 2))
  // By equal angles: round up to the top.
  const [a, b] = [Math.asin(Math.min(1, from)), Math.asin(Math.min(1, to))]
  const shares = Array.from({ length: 25 }, (_, i) => Math.sin(a + ((b - a) * i) / 24))
  const up = (share: number) => (h * (share - from)) / Math.max(1e-9, to - from)
  const side = (k: 1 | -1) => shares.map(s => `${(cx + k * widthAt(s)).toFixed(1)} ${(y - up(s)).toFixed(1)}`)
  return `M${[...side(1), ...side(-1).reverse()].join('L')}Z`
}
interface Drawn { part: PlatePart, d: string, middleY: number }
function stack(state: (typeof STATES)[number], left: number): { levels: Drawn[], rim: string | null } {
  const ground = heightPx.value - GROUND_PX
  const w = wideM.value * scale.value
  const x = left + (cellPx.value - w) / 2
  let y = ground
  let wall: { part: PlatePart, y: number } | null = null
  const levels = pile.value.map((part): Drawn => {
    const h = part.thickM * scale.value * (1 - Math.min(0.95, part.lost[state]))
    const shareOf = (m: number) => m / tallM.value
    const d = props.built === 'domed'
      ? domeOutline(x + w / 2, y, Math.max(1.5, h), shareOf(part.fromM), shareOf(part.fromM + part.thickM))
      : outline(x, y, w, Math.max(1.5, h), part.lost[state])
    const middleY = y - h / 2
    if (part.form === 'shell') wall = { part, y }
    y -= h
    return { part, d, middleY }
  })
  const shell = wall as { part: PlatePart, y: number } | null
  if (shell) {
    // A shell stands up at the side that was not cut.
    const t = shell.part.thickM * scale.value
    const fills = levels.filter(l => l.part.form === 'fill').length
    if (fills > 0) {
      const topM = pile.value.filter(p => p.form === 'fill').reduce((m, p) => Math.max(m, p.fromM + p.thickM), 0)
      const own = levels.find(l => l.part === shell.part)!
      own.d += `M${x - t} ${ground}V${ground - topM * scale.value - 3}H${x}V${ground}Z`
    }
  }
  const rimY = ground - props.vessel.heightM * scale.value
  const rim = props.isInVessel && rimY > 0 ? `M${x} ${rimY}V${ground}H${x + w}V${rimY}` : null
  return { levels, rim }
}
/** A roll: levels side by side along one spiral. */
function spiral(left: number): Drawn[] {
  const cx = left + cellPx.value / 2
  const cy = heightPx.value - GROUND_PX - (rollM.value * scale.value) / 2
  const pitch = tallM.value * scale.value
  const turns = (rollM.value * scale.value) / 2 / pitch
  // Its end lies underneath.
  const phase = Math.PI / 2 - turns * 2 * Math.PI
  return pile.value.map((part) => {
    const at = (part.fromM + part.thickM / 2) * scale.value
    const points: string[] = []
    for (let a = 0; a <= turns * 2 * Math.PI - 0.01; a += 0.15) {
      // The sheet lies outside, what is spread on it inside.
      const r = Math.max(0, (a / (2 * Math.PI)) * pitch - at)
      points.push(`${(cx + r * Math.cos(a + phase)).toFixed(1)} ${(cy + r * Math.sin(a + phase)).toFixed(1)}`)
    }
    return { part, d: `M${points.join('L')}`, middleY: cy }
  })
}
/** A shell with what fills it. */
function filled(left: number): Drawn[] {
  const ground = heightPx.value - GROUND_PX
  const shell = pile.value[0]!
  const [rx, ry] = [(wideM.value * scale.value) / 2, (tallM.value * scale.value) / 2]
  const [cx, cy] = [left + cellPx.value / 2, ground - ry]
  const oval = (a: number, b: number) => (isLong.value
    ? `M${cx - a + b} ${cy - b}H${cx + a - b}A${b} ${b} 0 0 1 ${cx + a - b} ${cy + b}H${cx - a + b}A${b} ${b} 0 0 1 ${cx - a + b} ${cy - b}Z`
    : `M${cx - a} ${cy}A${a} ${b} 0 1 1 ${cx + a} ${cy}A${a} ${b} 0 1 1 ${cx - a} ${cy}Z`)
  const t = shell.thickM * scale.value
  const inner = pile.value.slice(1)
  return [
    { part: shell, d: oval(rx, ry), middleY: cy - ry + t },
    ...inner.map((part, i) => {
      const k = 1 - i / inner.length
      return { part, d: oval(Math.max(4, (rx - t) * k), Math.max(3, (ry - t) * k)), middleY: cy + (i * 14) }
    }),
  ]
}
const cells = computed(() => STATES.map((state, i) => {
  const left = i * cellPx.value
  const isRoll = props.built === 'roll'
  const { levels, rim } = isRoll || props.built === 'shells'
    ? { levels: isRoll ? spiral(left) : filled(left), rim: null }
    : stack(state, left)
  return { state, left, levels, rim, isRoll }
}))
/** Words beside the second drawing, no two on one line. */
const labels = computed(() => {
  const drawn = cells.value[1]!.levels.toSorted((a, b) => a.middleY - b.middleY)
  let last = -Infinity
  return drawn.map(({ part, middleY }) => {
    const y = Math.max(middleY, last + 42)
    last = y
    return { id: part.id, y, fromY: middleY, name: partName(part), thick: fmt.mm(part.thickM) }
  })
})
const neededPx = computed(() => Math.max(heightPx.value, (labels.value.at(-1)?.y ?? 0) + 30))
const right = computed(() => {
  const w = (props.built === 'roll' ? rollM.value : wideM.value) * scale.value
  return cellPx.value + (cellPx.value + w) / 2
})
</script>

<template>
  <figure ref="box" class="whole">
    <svg
      :width="width" :height="neededPx" role="img"
      :aria-label="$say('plate.drawing', { parts: pile.map(p => `${partName(p)} ${fmt.mm(p.thickM)}`).join(', ') })"
    >
      <g v-for="c in cells" :key="c.state">
        <path
          v-for="l in c.levels" :key="l.part.id" :d="l.d" :class="[l.part.role, { line: c.isRoll }]" :data-level="l.part.id"
          :style="c.isRoll ? { strokeWidth: `${l.part.thickM * scale}px` } : undefined"
        />
        <path v-if="c.rim" :d="c.rim" class="rim" />
        <line
          :x1="c.left + 12" :x2="c.left + cellPx - 12" :y1="heightPx - GROUND_PX + 1" :y2="heightPx - GROUND_PX + 1"
          class="ground"
        />
        <text :x="c.left + cellPx / 2" :y="heightPx - 6" text-anchor="middle">
          {{ c.state === 'cold' ? $say('plate.fromFridge') : $say('plate.onPlate') }}
        </text>
      </g>
      <g v-if="isWide">
        <g v-for="l in labels" :key="l.id">
          <path :d="`M${right + 4} ${l.fromY}L${2 * cellPx - 2} ${l.y - 6}`" class="lead" />
          <text :x="2 * cellPx + 4" :y="l.y - 4" class="name">{{ l.name.length > 24 ? `${l.name.slice(0, 23)}…` : l.name }}</text>
          <text :x="2 * cellPx + 4" :y="l.y + 13" class="soft">{{ l.thick }}</text>
        </g>
      </g>
    </svg>
    <ul v-if="!isWide" class="legend">
      <li v-for="l in labels" :key="l.id">{{ l.name }}, {{ l.thick }}</li>
    </ul>
  </figure>
</template>

<style scoped>
.whole { margin: 0; width: 100%; }
svg { display: block; max-width: 100%; }
path { stroke: var(--ink); stroke-width: 1; fill: var(--citron); }
.crust { fill: #c79a5b; } .sponge { fill: #ecd9a6; } .cream { fill: #fffaf0; } .topping, .meringue { fill: #fffdf7; }
.insert { fill: #e2953a; } .glaze { fill: #d8b32a; } .sauce { fill: #f0dc7a; } .fruit { fill: #b8475c; }
path.line { fill: none; stroke: var(--citron); stroke-linecap: butt; }
path.line.sponge { stroke: #d9bd7c; } path.line.cream { stroke: #f3ead4; }
.rim { fill: none; stroke-width: 2.5; }
.ground { stroke: var(--ink); stroke-width: 1.5; }
.lead { fill: none; stroke: var(--ink-soft); }
text { font-size: 15px; fill: var(--ink); } .name { font-weight: 600; } .soft { fill: var(--ink-soft); }
.legend { list-style: none; margin: 0.4rem 0 0; padding: 0; }
</style>
