<script setup lang="ts">
/**
 * The map: the set over two inputs, sharpness as a second set of lines, and the formula on it as a point that can be
 * dragged or stepped with the arrow keys. Drawn from paths that the worker makes; the page only puts them down.
 */
import type { Bench } from '#core/formula/bench'
import type { AromaWord } from '#core/physics/matter/aroma'
import type { Assessment } from '#core/pipeline/assessment'
import { axesOf, axisKey, axisOf, movedTo, positionOn, rangeAround, type Axis, type Range } from '#core/solve/map'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { weighable } from '#core/solve/elasticity'
import { fillingOf } from '#core/formula/bench'
import { MAP_UNITS, type MapDrawing } from '~/composables/mapDrawing'
import { axisShown, axisWords } from '~/words/balance'
import { AROMA_NAMES, SHARPNESS_NAMES } from '~/words/names'
import { say } from '~/words/say'

const props = defineProps<{
  doc: Bench
  assessment: Assessment
  /** Other formulas to show on the map, named. */ ghosts: { name: string, doc: Bench }[]
}>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
const core = computed(() => kitchen.core!)
const axes = computed(() => axesOf(props.doc))

/** Axes that most formulas are argued about: the juice across, what sets it upwards. */
function usual(): [string, string] {
  const lines = fillingOf(props.doc).lines.filter(l => l.massG > 0)
  const largest = (test: (id: string) => boolean) =>
    lines.filter(l => test(l.ingredientId)).sort((a, b) => b.massG - a.massG)[0]
  const group = (id: string) => findIngredient(id)!.group
  const juice = largest(id => group(id) === 'juice') ?? lines[0]
  const setter =
    largest(id => group(id) === 'egg') ??
    largest(id => group(id) === 'setter') ??
    largest(id => group(id) === 'dairy') ??
    lines.find(l => l !== juice) ??
    lines[0]
  return [`mass:${juice?.id}`, `mass:${setter?.id}`]
}
const chosen = useKeptByTab<Record<string, [string, string]>>('lumbik:map-axes', {})
const pair = computed<[Axis, Axis] | null>(() => {
  const keys = axes.value.map(axisKey)
  const [x, y] = chosen.value[ws.id] ?? usual()
  const [ux, uy] = usual()
  const kx = keys.includes(x) ? x : ux
  const ky = keys.includes(y) && y !== kx ? y : uy !== kx ? uy : keys.find(k => k !== kx)
  const [ax, ay] = [axisOf(kx), axisOf(ky ?? '')]
  return ax && ay && keys.includes(kx) ? [ax, ay] : null
})
const at = useKeptByTab<'cold' | 'plate'>('lumbik:map-at', 'plate')
function choose(which: 0 | 1, key: string) {
  const now = pair.value!.map(axisKey) as [string, string]
  const other = now[which === 0 ? 1 : 0]
  chosen.value = {
    ...chosen.value,
    [ws.id]: which === 0 ? [key, other === key ? now[0] : other] : [other === key ? now[1] : other, key],
  }
}

/** The stretch that is drawn: kept while the point moves inside it. */
const ranges = shallowRef<[Range, Range] | null>(null)
const here = computed<[number, number] | null>(() =>
  pair.value
    ? [positionOn(props.doc, core.value, pair.value[0]), positionOn(props.doc, core.value, pair.value[1])]
    : null,
)
const share = (v: number, r: Range) => (v - r.from) / (r.to - r.from)
const inside = (v: number, r: Range) => share(v, r) >= 0.02 && share(v, r) <= 0.98
function recentre(wide = 1) {
  ranges.value = pair.value
    ? [rangeAround(props.doc, core.value, pair.value[0], wide), rangeAround(props.doc, core.value, pair.value[1], wide)]
    : null
}
const pairKey = computed(() => pair.value?.map(axisKey).join('|') ?? '')
watch(pairKey, () => recentre(), { immediate: true })
let dragging = false
watch(here, (h) => {
  if (!dragging && h && ranges.value && !(inside(h[0], ranges.value[0]) && inside(h[1], ranges.value[1]))) recentre()
})

/** What the field depends on: the formula without its place on the two axes. */
const middle = (r: Range) => 0.5 * (r.from + r.to)
const base = computed(() =>
  pair.value && ranges.value
    ? movedTo(
        movedTo(props.doc, core.value, pair.value[0], middle(ranges.value[0])),
        core.value,
        pair.value[1],
        middle(ranges.value[1]),
      )
    : null,
)
const fieldKey = computed(() => {
  if (!base.value) return ''
  const { name: _n, note: _o, stock: _s, serve: _e, ...rest } = base.value
  return JSON.stringify([rest, pair.value, ranges.value, at.value, kitchen.record?.version])
})
/** What is on the paper, for which field, and whether it is the last word on it: a coarse field never is. */
const shown = shallowRef<{ key: string, drawing: MapDrawing | null, final: boolean }>({
  key: '',
  drawing: null,
  final: false,
})
const drawing = computed(() => shown.value.drawing)
async function draw(key: string) {
  if (!key || !base.value || !pair.value || !ranges.value) return
  const [x, y] = pair.value
  const [xRange, yRange] = ranges.value
  const outcome = await solver.run<'map'>(
    { kind: 'map', doc: base.value, kitchen: core.value, request: { x, y, xRange, yRange }, at: at.value },
    (p) => { if (p.map) shown.value = { key, drawing: p.map, final: false } },
  )
  if (!outcome) return
  shown.value = { key, drawing: 'value' in outcome ? outcome.value : null, final: true }
  // Nothing here meets the use, and further out something does: drawn so wide, once.
  const wide = drawing.value?.reach?.wide
  if (wide && !dragging && key === fieldKey.value) recentre(wide)
}
watchDebounced(fieldKey, draw, { debounce: 60, immediate: true })
/** The third thing that must change before anything on this map meets the use. */
const third = computed(() => drawing.value?.reach?.third ?? null)
/** Grams as a kitchen weighs them, the rest to a tenth. */
function axisValue(axis: Axis, v: number): string {
  const shown = axisShown(axis, axis.kind === 'mass' ? weighable(v) : v, fmt)
  return `${Number(shown.toFixed(1))} ${axisWords(axis, props.doc, fmt).unit}`
}
function changeThird() {
  if (!third.value) return
  ws.replace(toPlain(movedTo(props.doc, core.value, third.value.axis, third.value.to)))
  ws.endGesture()
}
const settled = computed(() => shown.value.final && shown.value.key === fieldKey.value)

/* The frame in the drawing's units, with room for words and ticks. */
const U = MAP_UNITS
const svg = ref<SVGSVGElement | null>(null)
const { width } = useElementSize(svg, { width: 430, height: 430 })
/** Drawn units to a pixel: words and points keep their size however wide the map is. */
const PX = { right: 66, top: 24, bottom: 46 }
/** Room for the longest figure beside the axis. */
const leftPx = computed(() => {
  const longest = ranges.value && pair.value
    ? Math.max(...ticks(pair.value[1], ranges.value[1]).map(t => t.text.length))
    : 3
  return Math.max(40, 12 + 9 * longest)
})
const k = computed(() => U / Math.max(120, width.value - leftPx.value - PX.right))
const M = computed(() => ({
  left: leftPx.value * k.value,
  right: PX.right * k.value,
  top: PX.top * k.value,
  bottom: PX.bottom * k.value,
}))
const sx = (s: number) => s * U
const sy = (s: number) => U - s * U
const ticks = (axis: Axis, r: Range) => {
  const [lo, hi] = [axisShown(axis, r.from, fmt), axisShown(axis, r.to, fmt)]
  const raw = (hi - lo) / 4
  const mag = 10 ** Math.floor(Math.log10(raw))
  const step = [1, 2, 2.5, 5, 10].map(k => k * mag).find(k => k >= raw)!
  const out: { at: number, text: string }[] = []
  for (let v = Math.ceil(lo / step) * step; v <= hi + 1e-9; v += step)
    out.push({ at: (v - lo) / (hi - lo), text: String(Number(v.toFixed(2))) })
  return out
}
/** Words along the edges: along the top those that leave one another room. */
const edges = computed(() => {
  let end = -Infinity
  return (drawing.value?.edgeWords ?? []).filter((w) => {
    if (w.side === 'right') return true
    const half = SHARPNESS_NAMES[w.sharpness].length * 3.9 * k.value
    // None runs into its neighbour, into the axis' unit, or past the corner into the words beside the map.
    if (sx(w.at) - half < Math.max(end, 0) || sx(w.at) + half > U) return false
    end = sx(w.at) + half + 5 * k.value
    return true
  })
})
const TINTS: Record<string, string> = {
  pourable: '#fdfbf5',
  coats: '#fbf4dc',
  spoonable: '#f8ebbd',
  mounds: '#f4e199',
  slicesSoftly: '#eed571',
  slicesCleanly: '#e4c445',
  turnsOut: '#cfa82c',
  rubbery: '#ad8420',
}
const point = computed(() =>
  here.value && ranges.value
    ? { x: share(here.value[0], ranges.value[0]), y: share(here.value[1], ranges.value[1]) }
    : null,
)
const shownGhosts = computed(() => pair.value && ranges.value
  ? props.ghosts.flatMap((g, i) => {
      const has = pair.value!.every(a => !('lineId' in a) || fillingOf(g.doc).lines.some(l => l.id === a.lineId))
      if (!has) return []
      const x = share(positionOn(g.doc, core.value, pair.value![0]), ranges.value![0])
      const y = share(positionOn(g.doc, core.value, pair.value![1]), ranges.value![1])
      return x < 0 || x > 1 || y < 0 || y > 1 ? [] : [{ name: g.name, n: i + 1, x, y }]
    })
  : [])

/** A value as a cook can weigh or set it. */
function sensible(axis: Axis, v: number): number {
  if (axis.kind === 'mass') return Math.max(0, weighable(v))
  if (axis.kind === 'target') return Math.round(v * 2) / 2
  if (axis.kind === 'hold') return Math.max(0, Math.round(v / 10) * 10)
  return Math.round(v * 10) / 10
}
function moveTo(x: number, y: number) {
  if (!pair.value) return
  const [ax, ay] = pair.value
  const next = movedTo(movedTo(props.doc, core.value, ax, sensible(ax, x)), core.value, ay, sensible(ay, y))
  ws.replace(toPlain(next), 'map')
}
function fromEvent(event: PointerEvent): [number, number] | null {
  if (!svg.value || !ranges.value) return null
  const m = svg.value.getScreenCTM()
  if (!m) return null
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(m.inverse())
  const clamp = (v: number) => Math.min(1, Math.max(0, v))
  const [rx, ry] = ranges.value
  return [rx.from + clamp(p.x / U) * (rx.to - rx.from), ry.from + clamp(1 - p.y / U) * (ry.to - ry.from)]
}
/** How far from its middle the point was taken, in values, so that it does not jump. */
let grip: [number, number] = [0, 0]
function onDown(event: PointerEvent) {
  const p = fromEvent(event)
  if (!p || !here.value) return
  event.preventDefault()
  ;(event.currentTarget as HTMLElement & SVGElement).focus({ preventScroll: true })
  dragging = true
  grip = [here.value[0] - p[0], here.value[1] - p[1]]
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function onMove(event: PointerEvent) {
  if (!dragging) return
  const p = fromEvent(event)
  if (p) moveTo(p[0] + grip[0], p[1] + grip[1])
}
function onUp() {
  if (!dragging) return
  dragging = false
  ws.endGesture()
  if (here.value && ranges.value && !(inside(here.value[0], ranges.value[0]) && inside(here.value[1], ranges.value[1])))
    recentre()
}
function onKey(event: KeyboardEvent) {
  const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key]
  if (!step || !here.value || !ranges.value || !pair.value) return
  event.preventDefault()
  const times = event.shiftKey ? 5 : 1
  const size = (i: 0 | 1) =>
    Math.max(
      (ranges.value![i].to - ranges.value![i].from) / 100,
      pair.value![i].kind === 'hold'
        ? 10
        : pair.value![i].kind === 'target'
          ? 0.5
          : pair.value![i].kind === 'mass'
            ? here.value![i] < 5
              ? 0.1
              : here.value![i] < 20
                ? 0.5
                : 1
            : 0.1,
    )
  moveTo(here.value[0] + step[0]! * times * size(0), here.value[1] + step[1]! * times * size(1))
}
const words = (i: 0 | 1) => axisWords(pair.value![i], props.doc, fmt)
const scentOf = (w: AromaWord) =>
  (w === 'none' ? say('balanceMap.noScent') : say('balanceMap.scent', { word: AROMA_NAMES[w] }))
/** What the formula smells of where it stands. */
const scent = computed(() => scentOf(props.assessment.balance.aroma.word))
const valueWords = computed(() =>
  here.value && pair.value
    ? pair.value
        .map(
          (a, i) =>
            `${words(i as 0 | 1).name} ${axisValue(a, here.value![i]!)}`,
        )
        .join(', ')
    : '',
)
</script>

<template>
  <section v-if="pair && ranges" class="map" :data-map="settled ? 'settled' : 'working'" :data-grid="drawing?.n ?? 0">
    <div class="bar">
      <label class="sr" for="map-y">{{ $say('balanceMap.upwards') }}</label>
      <select
        id="map-y" class="native" :value="axisKey(pair[1])"
        @change="choose(1, ($event.target as HTMLSelectElement).value)"
      >
        <option v-for="a in axes" :key="axisKey(a)" :value="axisKey(a)">↑ {{ axisWords(a, doc, fmt).name }}</option>
      </select>
      <label class="sr" for="map-x">{{ $say('balanceMap.across') }}</label>
      <select
        id="map-x" class="native" :value="axisKey(pair[0])"
        @change="choose(0, ($event.target as HTMLSelectElement).value)"
      >
        <option v-for="a in axes" :key="axisKey(a)" :value="axisKey(a)">→ {{ axisWords(a, doc, fmt).name }}</option>
      </select>
      <label class="sr" for="map-at">{{ $say('balanceMap.whereItIsLookedAt') }}</label>
      <select id="map-at" v-model="at" class="native at">
        <option value="plate">{{ $say('balanceMap.onThePlate') }}</option>
        <option value="cold">{{ $say('balanceMap.fromTheFridge') }}</option>
      </select>
    </div>
    <svg
      ref="svg" :viewBox="`${-M.left} ${-M.top} ${U + M.left + M.right} ${U + M.top + M.bottom}`" :style="{ '--k': k }"
      role="group" :aria-label="$say('balanceMap.mapOfTheSetOverAnd', { name: words(0).name, name2: words(1).name })"
    >
      <defs>
        <clipPath id="map-frame"><rect :width="U" :height="U" /></clipPath>
        <pattern
          id="map-grain" :width="7 * k" :height="7 * k" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" :y2="7 * k" stroke="#B8412A" :stroke-width="1.2 * k" />
        </pattern>
        <pattern
          id="map-meets" :width="9 * k" :height="9 * k" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)"
        >
          <line x1="0" y1="0" x2="0" :y2="9 * k" stroke="#1F2F24" :stroke-width="0.9 * k" stroke-opacity="0.55" />
        </pattern>
      </defs>
      <g clip-path="url(#map-frame)" :class="{ working: !settled }">
        <template v-if="drawing">
          <path
            v-for="b in drawing.bands" :key="b.band" :d="b.path" :fill="TINTS[b.band]"
            :stroke="b.band === 'pourable' ? 'none' : '#4C594F'" :stroke-width="0.8 * k" :data-band="b.band"
          />
          <path
            v-if="drawing.grainy" :d="drawing.grainy.path" fill="url(#map-grain)" fill-opacity="0.5" stroke="#B8412A"
            :stroke-width="k"
          />
          <path
            v-for="s in drawing.sharpness" :key="s.edge" :d="s.path" fill="none" stroke="#38566A"
            :stroke-width="1.2 * k" :stroke-dasharray="`${k} ${3.6 * k}`" stroke-linecap="round"
          />
          <path
            v-for="(s, i) in drawing.scent" :key="`a${i}`" :d="s" fill="none" stroke="#5D6B1F" :stroke-width="1.1 * k"
            :stroke-dasharray="`${6 * k} ${3 * k}`" data-scent-line
          />
          <path
            v-if="drawing.meets" :d="drawing.meets.path" fill="url(#map-meets)" stroke="#1F2F24" :stroke-width="2 * k"
            data-meets
          />
          <text
            v-if="drawing.meets?.label" :y="drawing.meets.label.y + 5 * k" class="word meets" text-anchor="middle"
          >
            <tspan
              v-for="(t, i) in drawing.meets.label.lines" :key="i" :x="drawing.meets.label.x"
              :dy="i === 0 ? 0 : 16 * k"
            >
              {{ t }}
            </tspan>
          </text>
          <g v-for="b in drawing.bands" :key="`w${b.band}`">
            <text v-if="b.label" :y="b.label.y + 5 * k" class="word" text-anchor="middle">
              <tspan v-for="(t, i) in b.label.lines" :key="i" :x="b.label.x" :dy="i === 0 ? 0 : 16 * k">{{ t }}</tspan>
            </text>
          </g>
          <text
            v-if="drawing.grainy?.label" :x="drawing.grainy.label.x" :y="drawing.grainy.label.y + 5 * k"
            class="word bad" text-anchor="middle"
          >
            {{ $say('balanceMap.grainy') }}
          </text>
        </template>
      </g>
      <rect class="frame" :width="U" :height="U" fill="none" stroke="#1F2F24" :stroke-width="k" />
      <g v-if="drawing">
        <text
          v-for="(w, i) in edges" :key="i" :x="w.side === 'right' ? U + 5 * k : sx(w.at)"
          :y="w.side === 'right' ? sy(w.at) + 5 * k : -5 * k" :text-anchor="w.side === 'right' ? 'start' : 'middle'"
          class="edge"
        >
          {{ SHARPNESS_NAMES[w.sharpness] }}
        </text>
        <text
          v-for="(w, i) in drawing.scentWords" :key="`w${i}`" :x="w.side === 'left' ? 6 * k : sx(w.at)"
          :y="w.side === 'left' ? sy(w.at) + 5 * k : U - 7 * k"
          :text-anchor="w.side === 'left' ? 'start' : 'middle'" class="scent" :data-scent="w.aroma"
        >
          {{ scentOf(w.aroma) }}
        </text>
      </g>
      <g v-for="t in ticks(pair[0], ranges[0])" :key="`x${t.text}`">
        <line :x1="sx(t.at)" :x2="sx(t.at)" :y1="U" :y2="U + 4 * k" stroke="#1F2F24" :stroke-width="0.8 * k" />
        <text :x="sx(t.at)" :y="U + 18 * k" text-anchor="middle" class="tick">{{ t.text }}</text>
      </g>
      <g v-for="t in ticks(pair[1], ranges[1])" :key="`y${t.text}`">
        <line :x1="-4 * k" :x2="0" :y1="sy(t.at)" :y2="sy(t.at)" stroke="#1F2F24" :stroke-width="0.8 * k" />
        <text :x="-7 * k" :y="sy(t.at) + 5 * k" text-anchor="end" class="tick">{{ t.text }}</text>
      </g>
      <text :x="U / 2" :y="U + 40 * k" text-anchor="middle" class="axis">{{ words(0).name }}, {{ words(0).unit }}</text>
      <text :x="-M.left + k" :y="-7 * k" class="axis">{{ words(1).unit }}</text>
      <g v-for="g in shownGhosts" :key="g.n" :data-ghost="g.name">
        <circle
          :cx="sx(g.x)" :cy="sy(g.y)" :r="9 * k" fill="#FBF8F0" stroke="#1F2F24" :stroke-width="k"
          :stroke-dasharray="`${2 * k} ${1.6 * k}`"
        />
        <text :x="sx(g.x)" :y="sy(g.y) + 5 * k" text-anchor="middle" class="ghost">{{ g.n }}</text>
      </g>
      <g
        v-if="point" class="me" tabindex="0" role="slider" :aria-label="$say('balanceMap.theFormulaOnTheMapArrow')"
        :aria-valuetext="valueWords" :aria-valuenow="Number(here![0].toFixed(1))" data-point-on-map @keydown="onKey"
        @blur="ws.endGesture()" @pointerdown="onDown" @pointermove="onMove" @pointerup="onUp" @pointercancel="onUp"
      >
        <circle :cx="sx(point.x)" :cy="sy(point.y)" :r="22 * k" fill="transparent" />
        <circle
          class="dot" :cx="sx(point.x)" :cy="sy(point.y)" :r="7 * k" fill="#E9C72B" stroke="#1F2F24"
          :stroke-width="1.6 * k"
        />
      </g>
    </svg>
    <p class="foot small soft">
      <b class="ink">{{ valueWords }}</b><span data-scent-here>, {{ scent }}</span>{{ $say('balanceMap.dragThePointOrStepIt') }}
      <template v-if="drawing?.meets">{{ $say('balanceMap.holdsAsMeant') }}</template>
      <template v-if="drawing?.scent.length"> {{ $say('balanceMap.dashed') }}</template>
      <span v-if="!settled && !solver.gaveUp.value" role="status">
        {{ $say('balanceMap.drawing', { done: fmt.percent(solver.done.value) }) }}
      </span>
    </p>
    <p v-if="settled && drawing && !drawing.meets" class="foot" role="status" data-fact="third">
      {{ $say('balanceMap.nothingOnThisMap') }}
      <template v-if="third">
        {{
          $say('balanceMap.itTakesAThird',
               { name: axisWords(third.axis, doc, fmt).name,
                 from: axisValue(third.axis, positionOn(doc, core, third.axis)),
                 to: axisValue(third.axis, third.to) })
        }}
        <UButton
          size="sm" variant="outline" color="neutral" :label="$say('balanceMap.changeIt')" @click="changeThird"
        />
      </template>
      <template v-else>{{ $say('balanceMap.andNoOtherSingle') }}</template>
    </p>
    <p v-if="!settled && solver.gaveUp.value" role="alert" class="foot">
      {{ $say('balanceMap.theDrawingStoppedHalfWay') }}
      <UButton
        size="sm" variant="outline" color="neutral" :label="$say('balanceMap.drawItAgain')" @click="draw(fieldKey)"
      />
    </p>
    <ol v-if="shownGhosts.length" class="small ghosts">
      <li v-for="g in shownGhosts" :key="g.n" :value="g.n">{{ g.name }}</li>
    </ol>
  </section>
  <p v-else class="soft">{{ $say('balanceMap.theMapNeedsTwoLinesWith') }}</p>
</template>

<style scoped>
.bar { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 8.2rem; gap: 0.8rem; }
svg { width: 100%; display: block; user-select: none; }
.working { opacity: 0.72; }
text { font-family: var(--font-sans); fill: var(--ink); font-variant-numeric: tabular-nums; }
.word {
  font-family: var(--font-display); font-size: calc(var(--k) * 14.6px); paint-order: stroke;
  stroke: rgb(253 251 245 / 0.75); stroke-width: calc(var(--k) * 2.4px);
}
.bad { fill: #8a2d19; }
.meets { font-weight: 600; stroke: rgb(253 251 245 / 0.92); stroke-width: calc(var(--k) * 4px); }
.scent {
  font-size: calc(var(--k) * 14.2px); fill: #46520f; paint-order: stroke; stroke: rgb(253 251 245 / 0.85);
  stroke-width: calc(var(--k) * 3px);
}
.edge { font-size: calc(var(--k) * 14.2px); fill: var(--cold-deep); }
.tick { font-size: calc(var(--k) * 14.2px); fill: var(--ink-soft); } .axis { font-size: calc(var(--k) * 14.2px); }
.ghost { font-size: calc(var(--k) * 14px); font-weight: 600; }
.me { cursor: grab; touch-action: none; outline: none; }
.me:active { cursor: grabbing; }
.me:focus-visible .dot { stroke-width: calc(var(--k) * 3.4px); }
.foot { margin: 0.2rem 0 0; } .ink { color: var(--ink); font-weight: 600; }
.ghosts { margin: 0.3rem 0 0; padding-left: 1.4rem; list-style: decimal; columns: 2; }
</style>
