<script setup lang="ts">
/** The cut face that can be touched: how high the piece is, and which minute on the table is shown. */
import type { Assessment } from '#core/pipeline/assessment'
import { isShaped } from '#core/physics/set/bands'
import type { PieceFigures } from '#core/pipeline/summary'
import { valueAt } from '#core/physics/thermal/conduction'
import { faceWord } from '~/words/stands'
import { say } from '~/words/say'

const props = defineProps<{ assessment: Assessment, piece: PieceFigures }>()
const ws = useWorkspaceStore()
const fmt = useFormat()
/** What is cut or turned out is as high as its filling at most. */
const deepest = computed(() => {
  const fill = Math.floor(props.assessment.shape.depthM * 1000) / 1000
  return props.piece.use === 'piped' ? 0.06 : Math.max(fill, props.piece.heightM)
})
const canBeHigher = computed(() => isShaped(props.piece.use))
const setHeight = (m: number) => ws.change('piece-height', (d) => { d.use.pieceHeightM = m })

/* The minutes on the table: shown, not changed. Where nobody has moved it, it stands at the planned time. */
const table = computed(() => props.assessment.serve.table)
const planned = computed(() => props.assessment.serve.tableTimeS)
const moved = ref<number | null>(null)
watch(planned, () => { moved.value = null })
const minute = computed(() => Math.round((moved.value ?? planned.value) / 60))
/** An hour at least, whatever is planned. */
const longest = computed(() => Math.max(60, Math.ceil(planned.value / 60)))
const shown = computed(() => {
  const { timeS, slump, meanC } = table.value
  const at = minute.value * 60
  return { slump: Math.min(1, Math.max(0, valueAt(timeS, slump, at))), tempC: valueAt(timeS, meanC, at) }
})
/** Layers are drawn as they were computed, at the planned time only. */
const layered = computed(() => (props.piece.layers?.length ?? 0) > 1)
const spoken = computed(() =>
  say('liveFace.minutesSpoken', {
    time: fmt.duration(minute.value * 60),
    temp: fmt.temp(shown.value.tempC),
    word: faceWord(props.piece, shown.value, layered.value, fmt),
  }))
const sagsAt = computed(() => {
  const s = props.assessment.serve.standsOnTableS
  if (!isShaped(props.piece.use)) return ''
  return s === null
    ? say('liveFace.standsFor4h')
    : s < 60 ? say('liveFace.sagsAtOnce') : say('liveFace.sagsFrom', { time: fmt.duration(s) })
})
</script>

<template>
  <div class="live">
    <CutFace
      :piece="piece" :grainy="assessment.verdict.code === 'grainy'"
      :plate="moved === null || layered ? undefined : shown"
    >
      <template #default="{ top, metresPerPx }">
        <PictureHandle
          v-if="canBeHigher" :label="$say('liveFace.heightOfThePiece')" :value="piece.heightM" :min="0.004"
          :max="deepest" :step="0.001" :text="fmt.mm(piece.heightM)" :per-px="metresPerPx" :left="top.left"
          :top="top.top" @change="setHeight" @done="ws.endGesture()"
        />
      </template>
    </CutFace>
    <label v-if="!layered" class="scrub">
      <span>{{ $say('liveFace.onTheTable') }} <b class="num">{{ fmt.duration(minute * 60) }}</b></span>
      <input
        type="range" min="0" :max="longest" step="1" :value="minute" :aria-valuetext="spoken" data-table-minutes
        @input="moved = 60 * Number(($event.target as HTMLInputElement).value)"
      >
      <small class="soft" data-fact="sags-from">{{ sagsAt }}</small>
    </label>
  </div>
</template>

<style scoped>
.scrub { display: grid; grid-template-columns: auto 1fr; gap: 0 0.8rem; align-items: center; font-size: 0.92rem; }
.scrub input { width: 100%; min-height: 44px; accent-color: var(--ink); }
.scrub small { grid-column: 1 / -1; margin-top: -0.5rem; font-size: 0.9rem; }
</style>
