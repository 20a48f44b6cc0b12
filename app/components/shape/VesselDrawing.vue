<script setup lang="ts">
/** A vessel in section, to scale: wall, crust, filling, topping; a glass on its stem, leaning as it stands. */
import type { BenchAssembly } from '#core/formula/bench'
import type { Vessel } from '#core/physics/geometry/cavity'
import { sectionOf, type SectionPoint } from '#core/physics/geometry/section'

const props = defineProps<{
  vessel: Vessel
  assembly: BenchAssembly
  depthM: number
  label: string
  over?: boolean
  /** Its depth can be taken hold of; how it is told. */ depthText?: string
}>()
const emit = defineEmits<{ depth: [metres: number], done: [] }>()
const section = computed(() => sectionOf(props.vessel, props.assembly, props.depthM))
const path = (points: SectionPoint[], close = true) =>
  points.length
    ? `M${points.map(p => `${(1000 * p.x).toFixed(2)} ${(-1000 * p.z).toFixed(2)}`).join('L')}${close ? 'Z' : ''}`
    : ''
/** Stem and foot of a stemmed glass, and a wall without a base for a ring, are drawing only. */
const stem = computed(() => props.vessel.kind === 'stemmed' ? 1000 * props.vessel.heightM * 0.9 : 0)
const wall = computed(() => {
  const { wall, halfM, heightM } = section.value
  if (props.vessel.kind !== 'tartRing') return path(wall, false)
  const [w, h] = [1000 * halfM, 1000 * heightM]
  return `M${-w} ${-h}L${-w} 0M${w} ${-h}L${w} 0`
})
const flutes = computed(() =>
  props.vessel.kind === 'tartShell' ? Array.from({ length: 9 }, (_, i) => (i - 4) / 4.4) : [],
)
const box = computed(() => {
  const { halfM, heightM } = section.value
  const w = 1000 * halfM
  const h =
    1000 * heightM + Math.max(0, 1000 * (props.assembly.toppingM + props.depthM + props.assembly.crustM - heightM))
  const pad = 0.08 * Math.max(w * 2, h)
  const lean = props.assembly.tiltDeg > 0 ? 0.5 * h : 0
  return { x: -w - pad - lean, y: -h - pad, w: 2 * (w + pad + lean), h: h + stem.value + 2 * pad }
})
/* Where the level lies on the page: the drawing stands on the floor of its frame, in its middle. */
const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)
const pxPerMm = computed(() => Math.min(width.value / box.value.w, height.value / box.value.h))
const levelMm = computed(() => 1000 * (props.depthM + props.assembly.crustM))
const level = computed(() => ({
  left: `${width.value / 2 + (0.5 * 1000 * section.value.halfM) * pxPerMm.value}px`,
  top: `${height.value - (box.value.y + box.value.h + levelMm.value) * pxPerMm.value}px`,
}))
</script>

<template>
  <div ref="frame" class="frame">
    <svg
      :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`" role="img" :aria-label="label"
      preserveAspectRatio="xMidYMax meet"
    >
      <g :transform="assembly.tiltDeg ? `rotate(${assembly.tiltDeg})` : undefined">
        <path
          v-if="section.crust.length" :d="path(section.crust)" fill="var(--crust)" stroke="var(--ink)" stroke-width="1"
          vector-effect="non-scaling-stroke"
        />
        <path
          :d="path(section.fill)" fill="var(--citron)" stroke="var(--ink)" stroke-width="1"
          vector-effect="non-scaling-stroke"
        />
        <path
          v-if="section.topping.length" :d="path(section.topping)" fill="#fffdf7" stroke="var(--ink)" stroke-width="1"
          vector-effect="non-scaling-stroke"
        />
        <line
          v-if="over" :x1="-1000 * section.halfM" :x2="1000 * section.halfM" :y1="-1000 * section.heightM"
          :y2="-1000 * section.heightM" stroke="var(--blood)" stroke-width="4" vector-effect="non-scaling-stroke"
        />
        <path :d="wall" fill="none" stroke="var(--ink)" stroke-width="2.5" vector-effect="non-scaling-stroke" />
        <line
          v-for="f in flutes" :key="f" :x1="1000 * section.halfM * f" :x2="1000 * section.halfM * f * vessel.taper"
          :y1="-1000 * section.heightM" y2="0" stroke="var(--ink)" stroke-width="0.6" opacity="0.35"
          vector-effect="non-scaling-stroke"
        />
        <path
          v-if="stem" :d="`M0 0V${stem}M${-500 * section.halfM} ${stem}H${500 * section.halfM}`" fill="none"
          stroke="var(--ink)" stroke-width="2.5" vector-effect="non-scaling-stroke"
        />
      </g>
    </svg>
    <PictureHandle
      v-if="depthText && width > 0 && !assembly.tiltDeg" :label="$say('vesselDrawing.depthOfFill')" :value="depthM"
      :min="0.003" :max="section.heightM" :step="0.001" :text="depthText" :per-px="1 / (1000 * pxPerMm)"
      :left="level.left" :top="level.top" @change="v => emit('depth', v)" @done="emit('done')"
    />
  </div>
</template>

<style scoped>
.frame { position: relative; }
svg { width: 100%; display: block; max-height: 220px; }
</style>
