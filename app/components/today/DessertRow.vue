<script setup lang="ts">
/** One dessert of the day: how many, when; folded away its version, from when on, how long it stands, its own steps. */
import { COUNTED } from '#core/plan/covers'
import { lineOf, stepsIn } from '#core/schedule/pasted'
import type { SheetDessert } from '../../../shared/day'
import type { VersionList } from '../../../shared/schemas/wire'
import { COUNTED_NAMES } from '~/words/today'

const props = defineProps<{ day: LiveDay, dessert: SheetDessert, batchId: string | null }>()
const fmt = useFormat()
const isOpen = ref(false)
/** Changes this dessert; what was held of it is let go, since its times are others. */
const change = (over: Partial<SheetDessert>) => props.day.change((s) => {
  const d = s.desserts.find(x => x.id === props.dessert.id)!
  Object.assign(d, over, { fixed: {} })
})
const value = (e: Event) => (e.target as HTMLInputElement).value.trim()
const setTime = (e: Event) => change({ serveAt: value(e) || props.dessert.serveAt })
const setCount = (e: Event) => change({ count: Number(value(e)) > 0 ? Number(value(e)) : null })
const setStands = (e: Event) => change({ keepMinutes: value(e) === '' ? null : Math.max(0, Number(value(e)) || 0) })
const setCounted = (e: Event) => change({ countOf: COUNTED.find(c => c === value(e)) })
const setVersion = (e: Event) => change({ versionId: value(e) || undefined })
const setEarliest = (e: Event) => change({ earliest: value(e) || undefined })

const versions = shallowRef<VersionList['items']>([])
async function open() {
  isOpen.value = !isOpen.value
  const id = props.dessert.formulaId
  if (!isOpen.value || !id || versions.value.length > 0) return
  versions.value = (await api<VersionList>(`/api/formulas/${id}/versions`).catch(() => null))?.items ?? []
}
const versionName = (v: VersionList['items'][number]) =>
  [v.label, `${fmt.day(v.createdAt)}, ${fmt.time(v.createdAt)}`].filter(Boolean).join(' · ')

/* A cook's own steps, as the line they were written in. */
const line = ref(lineOf(props.dessert.steps ?? []))
watch(() => props.dessert.steps, (s) => { line.value = lineOf(s ?? []) })
const isUnread = ref(false)
function setSteps() {
  const steps = stepsIn(line.value)
  isUnread.value = steps.length === 0
  if (!isUnread.value && line.value !== lineOf(props.dessert.steps ?? [])) change({ steps })
}
const isStuck = computed(() =>
  !props.dessert.steps && props.day.stepsOf(props.dessert) === null && props.day.waits.value === 0)
</script>

<template>
  <li class="row" :data-dessert="dessert.name">
    <b dir="auto">
      {{ dessert.name }}
      <NuxtLink v-if="batchId" class="underline small" :to="`/batch/${batchId}/cook`" data-cooked>{{ $say('today.isMade') }}</NuxtLink>
      <NuxtLink v-else-if="dessert.formulaId" class="underline small" :to="`/formula/${dessert.formulaId}`">{{ $say('today.openIt') }}</NuxtLink>
    </b>
    <span class="many">
      <input
        class="native num" type="number" min="1" max="10000" :value="dessert.count ?? ''" :aria-label="COUNTED_NAMES[dessert.countOf ?? 'covers']"
        data-count @change="setCount"
      >
      <select
        v-if="dessert.formulaId" class="native" :value="dessert.countOf ?? 'covers'" :aria-label="$say('today.countedIn')" data-counted
        @change="setCounted"
      >
        <option v-for="c in COUNTED" :key="c" :value="c">{{ COUNTED_NAMES[c] }}</option>
      </select>
      <template v-else>{{ COUNTED_NAMES.covers }}</template>
    </span>
    <label>{{ $say('today.servedAt') }}
      <input class="native num" type="time" :value="dessert.serveAt" @change="setTime">
    </label>
    <button type="button" class="underline" :aria-expanded="isOpen" data-more @click="open">{{ $say('today.more') }}</button>
    <button
      type="button" class="underline" :aria-label="`${$say('today.leaveOut')} ${dessert.name}`"
      @click="day.change(s => { s.desserts = s.desserts.filter(d => d.id !== dessert.id) })"
    >
      {{ $say('today.leaveOut') }}
    </button>
    <span v-if="isStuck" class="wrong">{{ $say('today.noSteps') }}</span>
    <button v-if="dessert.ovenC !== undefined" type="button" class="underline small oven" data-oven-c @click="change({ ovenC: undefined })">
      {{ $say('today.bakedAt', { temp: fmt.temp(dessert.ovenC) }) }}
    </button>
    <div v-if="isOpen" class="rest">
      <label v-if="dessert.formulaId">{{ $say('today.version') }}
        <select
          class="native version" :value="dessert.versionId ?? ''" data-version
          @change="setVersion"
        >
          <option value="">{{ $say('today.asItIs') }}</option>
          <option v-for="v in versions" :key="v.id" :value="v.id">{{ versionName(v) }}</option>
          <option v-if="dessert.versionId && !versions.some(v => v.id === dessert.versionId)" :value="dessert.versionId">
            {{ $say('today.keptVersion') }}
          </option>
        </select>
      </label>
      <label>{{ $say('today.notBefore') }}
        <input
          class="native num when" type="datetime-local" :value="dessert.earliest ?? ''" data-earliest
          @change="setEarliest"
        >
      </label>
      <label>{{ $say('today.stands') }}
        <input class="native num" type="number" min="0" max="10080" :value="dessert.keepMinutes ?? ''" @change="setStands">
      </label>
      <label v-if="dessert.steps" class="line">{{ $say('today.ownLine') }}
        <textarea v-model="line" class="native" rows="2" maxlength="2000" dir="auto" data-line @change="setSteps" />
        <span v-if="isUnread" class="wrong" role="alert">{{ $say('today.noMinutes') }}</span>
      </label>
    </div>
  </li>
</template>

<style scoped>
.row {
  display: grid; grid-template-columns: minmax(0, 1fr) auto auto auto auto; gap: 0.3rem 1.4rem; align-items: center;
  border-bottom: 1px solid var(--hairline); min-height: 56px;
}
b { font-family: var(--font-display); font-weight: 500; font-size: 1.2rem; overflow-wrap: anywhere; }
label, .many { display: inline-flex; gap: 0.5rem; align-items: center; }
.many input { width: 4.5rem; } .many select { width: 6.5rem; } label .native { width: 5.5rem; } label .native[type="time"] { width: 7rem; }
label .native.when { width: 13.5rem; } label .native.version { width: 15rem; }
button { min-height: 44px; }
.oven { grid-column: 1; text-align: left; }
.rest { grid-column: 1 / -1; display: flex; flex-wrap: wrap; gap: 0.5rem 1.8rem; padding: 0 0 0.6rem; }
.line { width: 100%; flex-wrap: wrap; } label.line .native { width: 100%; }
@media (max-width: 760px) {
  .row { grid-template-columns: minmax(0, 1fr) auto; padding: 0.5rem 0; }
  b, .oven { grid-column: 1 / -1; }
  label { flex-wrap: wrap; }
  .row > button { justify-self: start; }
}
</style>
