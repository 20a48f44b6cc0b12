<script setup lang="ts">
/** Cream that is whipped: to which peak and with what, what it gains, and how long there is; or measured by the cup. */
import type { Assessment } from '#core/pipeline/assessment'
import { fillingOf } from '#core/formula/bench'
import type { Step } from '#core/formula/document'
import { type Peak, PEAKS } from '#core/physics/set/whipping'
import { PEAK_NAMES } from '~/words/names'

type FoldIn = Extract<Step, { kind: 'foldIn' }>
const props = defineProps<{ step: FoldIn, index: number, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const whipping = computed(() => props.assessment.heat.whipping.find(w => w.step === props.index))
const change = (edit: (s: FoldIn) => void) => ws.change('', (d) => {
  const s = fillingOf(d).steps[props.index]
  if (s?.kind === 'foldIn') edit(s)
})
function peak(p: string) {
  change((s) => {
    if (p) s.peak = p as Peak
    else {
      s.overrun = whipping.value?.overrun ?? s.overrun
      delete s.peak
    }
  })
}
const byHand = (is: boolean) => change((s) => {
  if (is) s.byHand = true
  else delete s.byHand
})
const take = (overrun: number) => change((s) => {
  s.overrun = overrun
  delete s.peak
})
</script>

<template>
  <div v-if="whipping" class="whip" :data-whipping="whipping.peak">
    <div class="row">
      <label>{{ $say('whip.stopsAt') }}
        <select class="native" :value="step.peak ?? ''" @change="peak(($event.target as HTMLSelectElement).value)">
          <option value="">{{ $say('whip.asStated') }}</option>
          <option v-for="p in PEAKS" :key="p" :value="p">{{ PEAK_NAMES[p] }}</option>
        </select>
      </label>
      <label>{{ $say('whip.with') }}
        <select
          class="native" :value="step.byHand ? 'hand' : 'electric'"
          @change="byHand(($event.target as HTMLSelectElement).value === 'hand')"
        >
          <option value="electric">{{ $say('whip.electric') }}</option>
          <option value="hand">{{ $say('whip.hand') }}</option>
        </select>
      </label>
      <p data-whip-says>
        <b>{{ $say('whip.gains', { overrun: fmt.percent(whipping.overrun) }) }}</b>
        {{ $say('whip.takes', { toS: fmt.duration(whipping.toS), marginS: fmt.duration(whipping.marginS) }) }}
      </p>
    </div>
    <CupWeigh :label="$say('whip.useIt')" @take="take" />
  </div>
</template>

<style scoped>
.whip { grid-column: 1 / -1; }
.row { display: flex; flex-wrap: wrap; gap: 0.4rem 1.2rem; align-items: end; }
.row label { display: grid; color: var(--ink-soft); font-size: 0.92rem; }
p { margin: 0; align-self: center; }
</style>
