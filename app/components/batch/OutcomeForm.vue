<script setup lang="ts">
/** What came out: three taps for the hurried, everything for the careful; beside each what was foretold. */
import { CUT_FACES, FAULTS, type Fault, type Outcome, plainOutcome, SPOON_WORDS } from '#core/book/outcome'
import { format } from 'date-fns'
import { eventsOf } from '#core/book/record'
import type { Bench } from '#core/formula/bench'
import type { OutcomeForetold } from '#core/learn/beside'
import { CUT_NAMES, FAULT_NAMES, OUTCOME_FIELDS, SPOON_NAMES } from '~/words/batch'
import { group, say } from '~/words/say'

const props = defineProps<{ batch: LiveBatch, bench: Bench }>()
const fmt = useFormat()
const last = computed(() => eventsOf(props.batch.events.value, 'outcome').at(-1) ?? null)
const outcome = ref<Outcome>(toPlain(last.value?.outcome ?? plainOutcome()))
const why = ref('')
const isChanged = computed(() =>
  JSON.stringify(outcome.value) !== JSON.stringify(last.value?.outcome ?? plainOutcome()))
/** What somebody else wrote meanwhile is shown, unless this form was touched. */
watch(last, (now, before) => {
  if (JSON.stringify(outcome.value) === JSON.stringify(before?.outcome ?? plainOutcome()) && now)
    outcome.value = toPlain(now.outcome)
})

const foretold = shallowRef<OutcomeForetold | null>(null)
const loadForetold = async () => {
  foretold.value = await api<OutcomeForetold>(`/api/batches/${props.batch.id}/foretold`).catch(() => null)
}
void loadForetold()

/* Words to tap, as lists of what is chosen. */
const YES_NO = [[true, say('batch.yes')], [false, say('batch.no')]] as const
const named = <T extends string>(all: readonly T[], names: Record<T, string>) => all.map(v => [v, names[v]] as const)
const one = <K extends 'asMeant' | 'spoon' | 'cutFace' | 'unmoulded'>(key: K) => computed({
  get: () => (outcome.value[key] === null ? [] : [outcome.value[key]]) as NonNullable<Outcome[K]>[],
  set: (v) => { outcome.value = { ...outcome.value, [key]: v[0] ?? null } },
})
const [asMeant, spoon, cutFace, unmoulded] = [one('asMeant'), one('spoon'), one('cutFace'), one('unmoulded')]
const faults = computed({
  get: () => outcome.value.faults,
  set: (v: Fault[]) => {
    // A fault is not what was meant.
    const asMeant = v.length > outcome.value.faults.length ? false : outcome.value.asMeant
    outcome.value = { ...outcome.value, faults: v, asMeant }
  },
})

/** Figures a cook can find: in which unit they are typed, and how many of it are one of what is kept. */
type Figure = 'ringSankM' | 'spreadM' | 'loadKg' | 'stoodM' | 'massG' | 'pH' | 'brix' | 'coreC' | 'sharp' | 'sweet'
interface Row { key: Figure, unit: string, times: number, min: number, max: number, digits: number }
const ROWS: readonly Row[] = [
  { key: 'ringSankM', unit: 'mm', times: 1000, min: 0, max: 50, digits: 1 },
  { key: 'spreadM', unit: 'mm', times: 1000, min: 5, max: 500, digits: 0 },
  { key: 'loadKg', unit: 'kg', times: 1, min: 0, max: 20, digits: 2 },
  { key: 'stoodM', unit: 'mm', times: 1000, min: 0, max: 500, digits: 1 },
  { key: 'massG', unit: 'g', times: 1, min: 0, max: 200_000, digits: 0 },
  { key: 'pH', unit: '', times: 1, min: 0, max: 14, digits: 2 },
  { key: 'brix', unit: '°Bx', times: 1, min: 0, max: 100, digits: 1 },
  { key: 'coreC', unit: '°C', times: 1, min: -40, max: 110, digits: 1 },
  { key: 'sharp', unit: '', times: 1, min: 0, max: 10, digits: 1 },
  { key: 'sweet', unit: '', times: 1, min: 0, max: 10, digits: 1 },
]
const set = ({ key, times }: Row, typed: number | null) => {
  outcome.value = { ...outcome.value, [key]: typed === null ? null : typed / times }
}
const shownOf = ({ key, times }: Row) => {
  const kept = outcome.value[key]
  return kept === null ? null : kept * times
}
/** What was foretold of a figure, in the unit it is typed in. */
function aheadOf({ key, times, unit, digits }: Row): string {
  const f = key === 'coreC' ? null : foretold.value?.[key]
  if (!f) return ''
  const [low, high] = [Math.max(0, f.low * times), f.high * times]
  return say('batch.foretold', { low: fmt.fixed(low, digits), high: fmt.fixed(high, digits), unit })
}

/* When it was found set, and when it was cut: by the batch's clock. */
const TIMES = group<Record<'foundSet' | 'opened', string>>('batch.TIMES')
const WALL = 'yyyy-MM-dd\'T\'HH:mm'
const startMs = computed(() => Date.parse(props.batch.record.value!.startedAt))
const timeOf = (kind: 'foundSet' | 'opened') => eventsOf(props.batch.events.value, kind)[0] ?? null
const wall = (atS: number) => format(new Date(startMs.value + 1000 * atS), WALL)
const wrongTime = ref('')
function setTime(kind: 'foundSet' | 'opened', typed: string) {
  const was = timeOf(kind)
  const atS = (new Date(typed).getTime() - startMs.value) / 1000
  const isFine = typed === '' || (atS >= 0 && atS <= props.batch.nowS.value + 60)
  wrongTime.value = isFine ? '' : say('batch.timeBetween', { name: TIMES[kind] })
  if (!isFine) return
  if (was) props.batch.correct(was.id, null)
  if (typed !== '') props.batch.happen({ kind }, '', atS)
}

const kept = ref(false)
function keepIt() {
  const plain = toPlain(outcome.value)
  if (!eventsOf(props.batch.events.value, 'opened').length) props.batch.happen({ kind: 'opened' })
  if (last.value) props.batch.correct(last.value.id, { kind: 'outcome', outcome: plain }, why.value)
  else props.batch.happen({ kind: 'outcome', outcome: plain })
  kept.value = true
  why.value = ''
}
const notCold = ref(false)
async function measureIt() {
  const { outcome: found } = await api<{ outcome: Outcome | null }>(`/api/batches/${props.batch.id}/found`)
  notCold.value = found === null
  if (found) outcome.value = found
}
const isDemo = computed(() => props.batch.whole.value?.weights !== null)
</script>

<template>
  <section class="outcome" :data-outcome="last ? 'kept' : 'open'">
    <p class="soft">{{ $say('batch.hurried') }}</p>
    <button v-if="isDemo" type="button" class="flat" @click="measureIt">{{ $say('batch.measureIt') }}</button>
    <p v-if="notCold" class="wrong" role="alert">{{ $say('batch.notCold') }}</p>

    <TapChoices v-model="asMeant" :label="$say('batch.asMeant')" :options="YES_NO" />
    <TapChoices v-model="faults" :label="$say('batch.faults')" :options="named(FAULTS, FAULT_NAMES)" many />
    <TapChoices v-model="spoon" :label="$say('batch.spoon')" :options="named(SPOON_WORDS, SPOON_NAMES)">
      {{ $say('batch.spoon') }}
      <small v-if="foretold" class="soft">
        {{ $say('batch.foretoldWord', { word: SPOON_NAMES[foretold.spoon] }) }}
      </small>
    </TapChoices>
    <TapChoices
      v-if="bench.use.kind === 'cut'" v-model="cutFace" :label="$say('batch.cutFace')"
      :options="named(CUT_FACES, CUT_NAMES)"
    />
    <TapChoices
      v-if="bench.use.kind === 'turnedOut'" v-model="unmoulded" :label="$say('batch.unmoulded')" :options="YES_NO"
    />
    <details :open="last !== null || isDemo">
      <summary>{{ $say('batch.everything') }}</summary>
      <ul class="rows">
        <li v-for="r in ROWS" :key="r.key">
          <FigureField
            :model-value="shownOf(r)" :label="OUTCOME_FIELDS[r.key]" :unit="r.unit" :min="r.min" :max="r.max"
            @update:model-value="v => set(r, v)"
          />
          <span class="soft num">{{ aheadOf(r) }}</span>
        </li>
        <li v-for="(name, kind) in TIMES" :key="kind">
          <label class="field-label" :for="`o-${kind}`">{{ name }}</label>
          <input
            :id="`o-${kind}`" type="datetime-local" class="native" :data-time="kind" :min="wall(0)"
            :max="wall(batch.nowS.value + 60)" :value="timeOf(kind) ? wall(timeOf(kind)!.atS) : ''"
            @change="setTime(kind, ($event.target as HTMLInputElement).value)"
          >
        </li>
      </ul>
      <p v-if="wrongTime" class="wrong" role="alert">{{ wrongTime }}</p>
    </details>
    <template v-if="last && isChanged">
      <label class="field-label" for="o-why">{{ $say('batch.correctWhy') }}</label>
      <input id="o-why" v-model="why" class="native" maxlength="400" dir="auto">
    </template>
    <div class="end">
      <button type="button" class="press" :disabled="!isChanged" data-keep @click="keepIt">
        {{ last ? $say('batch.correctIt') : $say('batch.keepIt') }}
      </button>
      <span v-if="kept && !isChanged" role="status">{{ $say('batch.keptIt') }}</span>
      <NuxtLink v-if="last && last.outcome.asMeant === false" class="underline" :to="`/batch/${batch.id}/why`">
        {{ $say('blame.ask') }}
      </NuxtLink>
    </div>
    <BesideTable v-if="last" :batch="batch" />
  </section>
</template>

<style scoped>
.outcome { display: flex; flex-direction: column; gap: 0.4rem; align-items: stretch; }
p { margin: 0; }
summary {
  min-height: 44px; display: flex; align-items: center; font-family: var(--font-display); font-size: 1.35rem;
  cursor: pointer;
}
.rows {
  list-style: none; margin: 0; padding: 0.4rem 0; border-top: 1px solid var(--hairline); display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr)); gap: 0.8rem 1.5rem;
}
small { font-family: var(--font-sans); font-size: 1rem; margin-left: 0.6rem; }
.end { display: flex; flex-wrap: wrap; gap: 1rem; align-items: center; padding-top: 0.6rem; }
</style>
