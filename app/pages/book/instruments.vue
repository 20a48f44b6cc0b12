<script setup lang="ts">
/** The kitchen's instruments: written down, held against something known, and said when that is out of date. */
import { differenceInCalendarDays, parseISO } from 'date-fns'
import { driftOf } from '#core/book/drift'
import { DEVICE_KINDS, type DeviceKind } from '#core/book/record'
import { boilingPoint } from '#core/physics/thermal/steam'
import { CHECK_DAYS, type DeviceCheck, CHECKS_OF, type DeviceRecord } from '../../../shared/book'
import { group, say } from '~/words/say'

const KINDS = group<Record<DeviceKind, string>>('instruments.KINDS')
const UNITS = group<Record<DeviceKind, string>>('instruments.UNITS')
const AGAINST = group<Record<DeviceCheck['against'], string>>('instruments.AGAINST')

useHead({ title: say('instruments.title') })
const fmt = useFormat()
const kitchen = useKitchenStore()
const door = useDoorStore()
const items = shallowRef<DeviceRecord[] | null>(null)
const wrong = ref('')
async function act(run: () => Promise<{ items: DeviceRecord[] }>) {
  try {
    items.value = (await run()).items
    wrong.value = ''
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    wrong.value = say('book.failed')
  }
}
const load = () => act(() => api('/api/devices'))
await Promise.all([load(), kitchen.record ? null : kitchen.load()])

const kind = ref<DeviceKind>('probe')
const name = ref('')
const add = () => act(async () => {
  const called = name.value.trim() || KINDS[kind.value]
  const said = await api<{ items: DeviceRecord[] }>(`/api/devices/${crypto.randomUUID()}`, {
    method: 'PUT', body: { kind: kind.value, name: called, simulated: false },
  })
  name.value = ''
  return said
})
const takeOut = (d: DeviceRecord) => act(() => api(`/api/devices/${d.id}`, { method: 'DELETE' }))

/** What is true of each thing an instrument is held against; boiling water by how high the kitchen lies. */
function truthOf(against: DeviceCheck['against']): number {
  switch (against) {
    case 'ice': return 0
    case 'boil': return Math.round(10 * boilingPoint(kitchen.record?.settings.altitudeM ?? 0)) / 10
    case 'buffer4': return 4.01
    case 'buffer7': return 7
    case 'sugar': return 10
    case 'weight': return 1000
  }
}
/** The check that is being written down. */
const checking = ref<{ id: string, against: DeviceCheck['against'], shown: number | null, truth: number | null } | null>(null)
function begin(d: DeviceRecord, against: DeviceCheck['against']) {
  // What it shows is for the cook to say: nothing stands there by itself.
  checking.value = { id: d.id, against, shown: null, truth: truthOf(against) }
}
const keep = () => act(async () => {
  const { id, ...check } = checking.value!
  checking.value = null
  return api(`/api/devices/${id}/checks`, { method: 'POST', body: check })
})
const digits = (k: DeviceKind) => (k === 'pHMeter' ? 2 : k === 'scale' ? 0 : 1)
const figure = (k: DeviceKind, v: number) => [fmt.fixed(v, digits(k)), UNITS[k]].filter(Boolean).join(' ')
const isDue = (d: DeviceRecord) => {
  const last = d.checks[0]
  return !last || differenceInCalendarDays(new Date(), parseISO(last.at)) > CHECK_DAYS[d.kind]
}
function stands(d: DeviceRecord): string {
  const last = d.checks[0]
  if (!last) return say('instruments.never')
  const off = last.shown - last.truth
  const errs = Math.abs(off) < 0.5 * 10 ** -digits(d.kind) ? say('instruments.fine')
    : say('instruments.offBy', { off: `${off > 0 ? '+' : ''}${figure(d.kind, off)}` })
  const [shown, truth] = [figure(d.kind, last.shown), figure(d.kind, last.truth)]
  const how = say('instruments.lastCheck', { against: AGAINST[last.against], shown, truth, at: fmt.day(last.at) })
  return `${errs}; ${how}`
}
/** How its error changes from check to check; nothing where that may be chance. */
function drifts(d: DeviceRecord): string {
  const drift = driftOf(d.checks.map(c => ({ day: parseISO(c.at).getTime() / 86_400_000, off: c.shown - c.truth })))
  if (!drift?.isSure) return ''
  const by = `${drift.perMonth > 0 ? '+' : ''}${fmt.fixed(drift.perMonth, digits(d.kind))}`
  return say('instruments.drifts', { by: [by, UNITS[d.kind]].filter(Boolean).join(' '), n: d.checks.length })
}
</script>

<template>
  <main class="instruments" :data-settled="items ? 'true' : 'false'">
    <NuxtLink to="/book" class="underline back">{{ $say('learned.toBook') }}</NuxtLink>
    <h1>{{ $say('instruments.head') }}</h1>
    <p class="lead">{{ $say('instruments.lead') }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="items && items.length === 0" class="soft">{{ $say('instruments.none') }}</p>
    <ul class="list">
      <li v-for="d in items ?? []" :key="d.id" :data-device="d.kind">
        <div>
          <p class="name"><b dir="auto">{{ d.name }}</b> <span class="soft">{{ KINDS[d.kind] }}</span></p>
          <p :class="{ due: isDue(d) }">
            {{ stands(d) }}<template v-if="isDue(d) && d.checks.length">; {{ $say('instruments.due') }}</template>
          </p>
          <p v-if="drifts(d)" class="due" data-drifts>{{ drifts(d) }}</p>
        </div>
        <div class="acts">
          <button
            v-for="a in door.may('make') ? CHECKS_OF[d.kind] : []" :key="a" type="button" class="flat"
            :aria-label="`${$say('instruments.check')} ${d.name}: ${AGAINST[a]}`" @click="begin(d, a)"
          >
            {{ AGAINST[a] }}
          </button>
          <button
            v-if="door.may('write')" type="button" class="underline"
            :aria-label="`${$say('instruments.takeOut')} ${d.name}`" @click="takeOut(d)"
          >
            {{ $say('instruments.takeOut') }}
          </button>
        </div>
        <form v-if="checking?.id === d.id" class="check" @submit.prevent="keep">
          <FigureField
            v-model="checking.shown" :label="$say('instruments.shown')" :unit="UNITS[d.kind]" :min="-50" :max="20000"
          />
          <FigureField
            v-model="checking.truth" :label="$say('instruments.truth')" :unit="UNITS[d.kind]" :min="-50" :max="20000"
          />
          <button type="submit" class="press" :disabled="checking.shown === null || checking.truth === null">
            {{ $say('instruments.keep') }}
          </button>
        </form>
      </li>
    </ul>
    <form v-if="door.may('write')" class="add" @submit.prevent="add">
      <h2>{{ $say('instruments.add') }}</h2>
      <div>
        <label class="field-label" for="i-kind">{{ $say('instruments.kind') }}</label>
        <select id="i-kind" v-model="kind" class="native">
          <option v-for="k in DEVICE_KINDS" :key="k" :value="k">{{ KINDS[k] }}</option>
        </select>
      </div>
      <div>
        <label class="field-label" for="i-name">{{ $say('instruments.name') }}</label>
        <input id="i-name" v-model="name" class="native" maxlength="80" dir="auto">
      </div>
      <button type="submit" class="press">{{ $say('instruments.add') }}</button>
    </form>
    <p class="soft">{{ $say('instruments.line') }}</p>
  </main>
</template>

<style scoped>
.instruments { padding: 1.2rem 1.75rem 3rem; max-width: 1000px; margin: 0 auto; }
h1 { font-size: 2rem; margin: 0.3rem 0; } h2 { font-size: 1.3rem; margin: 0; width: 100%; }
p { margin: 0.15rem 0; }
.back { display: inline-flex; min-height: 44px; align-items: center; }
.lead { max-width: 44rem; }
.list { list-style: none; padding: 0; margin: 0.8rem 0; border-top: 1px solid var(--ink); }
.list li {
  display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0.4rem 1.5rem; align-items: center;
  border-bottom: 1px solid var(--hairline); padding: 0.6rem 0;
}
.name b { font-family: var(--font-display); font-weight: 500; font-size: 1.25rem; }
.due { color: var(--blood); font-weight: 600; }
.acts { display: flex; flex-wrap: wrap; gap: 0.5rem 0.9rem; align-items: center; }
.acts .underline { min-height: 44px; }
.check { grid-column: 1 / -1; }
.check, .add { display: flex; flex-wrap: wrap; gap: 0.6rem 1.2rem; align-items: end; }
@media (max-width: 760px) {
  .instruments { padding: 1rem; }
  .list li { grid-template-columns: minmax(0, 1fr); }
}
</style>
