<script setup lang="ts">
/** What came out: three taps for the hurried, everything for the careful; beside each what was foretold. */
import { CUT_FACES, FAULTS, type Fault, type Outcome, plainOutcome, SPOON_WORDS } from '#core/book/outcome'
import { eventsOf } from '#core/book/record'
import type { Bench } from '#core/formula/bench'
import type { OutcomeForetold } from '#core/learn/beside'
import { CUT_NAMES, FAULT_NAMES, OUTCOME_FIELDS, SPOON_NAMES } from '~/words/batch'
import { say } from '~/words/say'

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

function toggle(fault: Fault) {
  const has = outcome.value.faults.includes(fault)
  outcome.value.faults = has ? outcome.value.faults.filter(f => f !== fault) : [...outcome.value.faults, fault]
  if (!has) outcome.value.asMeant = false
}

/** Figures a cook can find, as they are typed. */
type Figure =
  'ringSankM' | 'spreadM' | 'loadKg' | 'stoodM' | 'massG' | 'pH' | 'brix' | 'coreC' | 'sharp' | 'sweet'
interface Row {
  key: Figure
  kind: 'length' | 'mass' | 'count' | 'temperature'
  unit: string
  max: number
  digits: number
}
const ROWS: readonly Row[] = [
  { key: 'ringSankM', kind: 'length', unit: 'mm', max: 50, digits: 1 },
  { key: 'spreadM', kind: 'length', unit: 'mm', max: 500, digits: 0 },
  { key: 'loadKg', kind: 'count', unit: 'kg', max: 20, digits: 2 },
  { key: 'stoodM', kind: 'length', unit: 'mm', max: 500, digits: 1 },
  { key: 'massG', kind: 'mass', unit: 'g', max: 200_000, digits: 0 },
  { key: 'pH', kind: 'count', unit: '', max: 14, digits: 2 },
  { key: 'brix', kind: 'count', unit: '°Bx', max: 100, digits: 1 },
  { key: 'coreC', kind: 'temperature', unit: '', max: 110, digits: 1 },
  { key: 'sharp', kind: 'count', unit: '', max: 10, digits: 1 },
  { key: 'sweet', kind: 'count', unit: '', max: 10, digits: 1 },
]
const set = (key: Figure, value: number) => {
  outcome.value = { ...outcome.value, [key]: value }
}
const clear = (key: Figure) => {
  outcome.value = { ...outcome.value, [key]: null }
}
/** What was foretold of a figure, in the unit it is typed in. */
function aheadOf({ key, kind, unit, digits }: Row): string {
  const f = key === 'coreC' ? null : foretold.value?.[key]
  if (!f) return ''
  const times = kind === 'length' ? 1000 : 1
  const [low, high] = [Math.max(0, f.low * times), f.high * times]
  return say('batch.foretold', { low: fmt.fixed(low, digits), high: fmt.fixed(high, digits), unit })
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

    <h2 id="o-meant">{{ $say('batch.asMeant') }}</h2>
    <div class="taps" role="group" aria-labelledby="o-meant">
      <button type="button" :aria-pressed="outcome.asMeant === true" @click="outcome.asMeant = true">
        {{ $say('batch.yes') }}
      </button>
      <button type="button" :aria-pressed="outcome.asMeant === false" @click="outcome.asMeant = false">
        {{ $say('batch.no') }}
      </button>
    </div>
    <h2 id="o-faults">{{ $say('batch.faults') }}</h2>
    <div class="taps" role="group" aria-labelledby="o-faults">
      <button v-for="f in FAULTS" :key="f" type="button" :aria-pressed="outcome.faults.includes(f)" @click="toggle(f)">
        {{ FAULT_NAMES[f] }}
      </button>
    </div>
    <h2 id="o-spoon">
      {{ $say('batch.spoon') }}
      <small v-if="foretold" class="soft">{{ $say('batch.foretoldWord', { word: SPOON_NAMES[foretold.spoon] }) }}</small>
    </h2>
    <div class="taps" role="group" aria-labelledby="o-spoon">
      <button
        v-for="w in SPOON_WORDS" :key="w" type="button" :aria-pressed="outcome.spoon === w"
        @click="outcome.spoon = outcome.spoon === w ? null : w"
      >
        {{ SPOON_NAMES[w] }}
      </button>
    </div>

    <details :open="last !== null || isDemo">
      <summary>{{ $say('batch.everything') }}</summary>
      <ul class="rows">
        <li v-for="r in ROWS" :key="r.key">
          <span class="what">{{ OUTCOME_FIELDS[r.key] }}</span>
          <template v-if="outcome[r.key] === null">
            <button type="button" class="flat" @click="set(r.key, foretold && r.key !== 'coreC' ? foretold[r.key]?.value ?? 0 : 4)">
              {{ $say('batch.add') }}
            </button>
          </template>
          <template v-else>
            <QuantityField
              :model-value="outcome[r.key]!" :kind="r.kind" :label="OUTCOME_FIELDS[r.key]" :unit-text="r.unit || undefined"
              :min="r.kind === 'temperature' ? -40 : 0" :max="r.max" :step="r.digits === 2 ? 0.05 : 0.5"
              @update:model-value="v => set(r.key, v)"
            />
            <button type="button" class="underline" :aria-label="`${$say('batch.takeBack')} ${OUTCOME_FIELDS[r.key]}`" @click="clear(r.key)">
              {{ $say('batch.takeBack') }}
            </button>
          </template>
          <span class="soft num ahead">{{ aheadOf(r) }}</span>
        </li>
        <li v-if="bench.use.kind === 'cut'">
          <span id="o-cut" class="what">{{ $say('batch.cutFace') }}</span>
          <div class="taps" role="group" aria-labelledby="o-cut">
            <button
              v-for="c in CUT_FACES" :key="c" type="button" :aria-pressed="outcome.cutFace === c"
              @click="outcome.cutFace = outcome.cutFace === c ? null : c"
            >
              {{ CUT_NAMES[c] }}
            </button>
          </div>
        </li>
        <li v-if="bench.use.kind === 'turnedOut'">
          <span id="o-mould" class="what">{{ $say('batch.unmoulded') }}</span>
          <div class="taps" role="group" aria-labelledby="o-mould">
            <button type="button" :aria-pressed="outcome.unmoulded === true" @click="outcome.unmoulded = true">
              {{ $say('batch.yes') }}
            </button>
            <button type="button" :aria-pressed="outcome.unmoulded === false" @click="outcome.unmoulded = false">
              {{ $say('batch.no') }}
            </button>
          </div>
        </li>
      </ul>
    </details>
    <template v-if="last && isChanged">
      <label class="field-label" for="o-why">{{ $say('batch.correctWhy') }}</label>
      <input id="o-why" v-model="why" class="native" maxlength="400" dir="auto">
    </template>
    <div class="end">
      <button type="button" class="act" :disabled="!isChanged" data-keep @click="keepIt">
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
h2 { font-size: 1.35rem; margin: 0.5rem 0 0; }
h2 small { font-family: var(--font-sans); font-size: 1rem; letter-spacing: 0; margin-left: 0.6rem; }
p { margin: 0; }
.taps { display: flex; flex-wrap: wrap; gap: 0.5rem; }
.taps button { min-height: 52px; padding: 0 1rem; border: 1px solid #848879; font-size: 1.1rem; cursor: pointer; }
.taps button[aria-pressed="true"] { background: var(--citron-soft); border: 2px solid var(--ink); font-weight: 600; }
.taps button[aria-pressed="true"]::before { content: "✓ "; }
.flat { min-height: 44px; padding: 0 0.9rem; border: 1px solid #848879; align-self: flex-start; cursor: pointer; }
.wrong { color: var(--blood); }
summary { min-height: 44px; display: flex; align-items: center; font-family: var(--font-display); font-size: 1.35rem; cursor: pointer; }
.rows { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--hairline); }
.rows li {
  display: grid; grid-template-columns: 13rem 9rem 6rem minmax(0, 1fr); gap: 0.3rem 1rem; align-items: center;
  border-bottom: 1px solid var(--hairline); min-height: 52px;
}
.rows .ahead { grid-column: 4; }
.rows .taps { grid-column: 2 / -1; }
.end { display: flex; flex-wrap: wrap; gap: 1rem; align-items: center; padding-top: 0.6rem; }
.act {
  min-height: 60px; padding: 0 1.8rem; background: var(--ink); color: var(--paper); font-size: 1.3rem; font-weight: 600;
  cursor: pointer;
}
.act:disabled { background: transparent; color: var(--ink-soft); border: 1px solid #848879; cursor: default; }
@media (max-width: 760px) {
  .rows li { grid-template-columns: minmax(0, 1fr) auto; padding: 0.3rem 0; }
  .rows .ahead, .rows .taps { grid-column: 1 / -1; }
}
</style>
