<script setup lang="ts">
/** The line of six stations: where you are, what each says, and whether it is fine. */
import { STATIONS, stationOfPath, type Assessment, type Station } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { MARK_WORDS, STATION_NAMES } from '~/words/names'
import { readout } from '~/words/verdict'

const props = defineProps<{
  id: string
  station: Station
  doc: Bench
  assessment: Assessment | null
  /** Path of a field that cannot be computed. */ faultPath?: string
}>()
const fmt = useFormat()
const stops = computed(() =>
  STATIONS.map((key, i) => ({
    key,
    number: i + 1,
    name: STATION_NAMES[key],
    here: key === props.station,
    mark:
      props.faultPath !== undefined && stationOfPath(props.faultPath) === key
        ? ('error' as const)
        : (props.assessment?.stations[key].mark ?? 'fine'),
    lines: props.assessment ? readout(key, props.doc, props.assessment, fmt) : (['', ''] as const),
  })),
)
</script>

<template>
  <nav class="ribbon" :aria-label="$say('ribbonLine.stations')">
    <NuxtLink
      v-for="s in stops" :key="s.key" :to="`/formula/${id}/${s.key}`" class="stop"
      :class="[`is-${s.mark}`, { here: s.here }]" :aria-current="s.here ? 'step' : undefined"
      :title="`${s.name} (${s.number})`"
    >
      <span class="track" aria-hidden="true"><i /></span>
      <span class="name">{{ s.name }} <em v-if="s.mark !== 'fine'">{{ MARK_WORDS[s.mark] }}</em></span>
      <span class="lines"><span>{{ s.lines[0] }}</span><span>{{ s.lines[1] }}</span></span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.ribbon { display: grid; grid-template-columns: repeat(6, minmax(0, 1fr)); margin: 0.9rem 0 1.2rem; }
.stop { display: block; padding-right: 0.6rem; min-height: 88px; }
.track { display: block; position: relative; height: 18px; margin-right: -0.6rem; }
.track::before { content: ""; position: absolute; left: 0; right: 0; top: 8px; border-top: 1.5px solid var(--ink); }
.stop:last-child .track::before { right: 20%; }
.track i {
  position: absolute; left: 0; top: 3px; width: 11px; height: 11px; background: var(--ink); border-radius: 50%;
}
.is-look .track i { background: var(--paper); border: 3px solid var(--blood); }
.is-stop .track i, .is-error .track i { background: var(--blood); border-radius: 0; }
.here .track i {
  width: 17px; height: 17px; top: 0; background: var(--citron) !important; border: 2px solid var(--ink);
}
/* What stops keeps its mark, also where one stands. */
.here.is-stop .track i, .here.is-error .track i {
  background: var(--blood) !important; outline: 3px solid var(--citron);
}
.here.is-look .track i { border-color: var(--blood); }
.name { display: block; font-weight: 600; }
.name em { font-style: normal; font-weight: 600; font-size: 0.9rem; color: var(--blood); }
.lines { display: block; font-size: 0.9rem; color: var(--ink-soft); line-height: 1.28; }
.lines span { display: block; }
.here .lines { color: var(--ink); }
.here .name { box-shadow: inset 0 -7px 0 var(--citron-soft); display: inline-block; }
.stop:hover .name { text-decoration: underline; text-underline-offset: 3px; }
@media (forced-colors: active) { .track i { forced-color-adjust: none; } }
@media (max-width: 760px) {
  .ribbon { margin: 0.5rem 0 0.6rem; position: relative; padding-bottom: 2.9rem; }
  .stop { min-height: 56px; padding-right: 0; }
  .name { font-size: 0.95rem; }
  .name em { display: block; line-height: 1; }
  /* Only the open station says its figures, in a line below. */
  .lines { display: none; }
  .here .lines { display: block; position: absolute; bottom: 0; left: 0; right: 0; }
}
@media (max-width: 380px) {
  .ribbon { grid-template-columns: repeat(3, minmax(0, 1fr)); row-gap: 0.3rem; }
}
</style>
