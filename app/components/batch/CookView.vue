<script setup lang="ts">
/** The live cook: one step fills the screen; done, skipped or taken up again in any order. */
import { eventsOf, type Happened, seriesOf } from '#core/book/record'
import { type Bench, ovenAirC } from '#core/formula/bench'
import { type Assessment, pouredG } from '#core/pipeline/assessment'
import { orderOfWork } from '#core/plan/order'
import { ON_HEAT, type WorkCode, type WorkStep } from '#core/plan/work'
import { stepWords } from '~/words/cook'
import { PLACE_NAMES } from '~/words/names'
import { say } from '~/words/say'
import { PHOTO_LIMIT } from '../../../shared/limits'

const props = defineProps<{ batch: LiveBatch, bench: Bench, assessment: Assessment }>()
const fmt = useFormat()
const record = computed(() => props.batch.record.value!)
const kitchen = computed(() => record.value.kitchen)
const placeName = (id: string) => kitchen.value.places.find(p => p.id === id)?.name
const order = computed(() => orderOfWork(props.bench, kitchen.value, props.assessment))
const words = computed(() => order.value.map(s => stepWords(s, fmt, props.bench, placeName)))
const states = props.batch.steps

const HEATS: readonly WorkCode[] = ON_HEAT
const OPENS: readonly WorkCode[] = ['unmould', 'temper', 'cut', 'portion', 'serve']
/** Legs of the cold in the order of their steps. */
const legOf = computed(() => {
  const cold = order.value.filter(s => s.code === 'chill' || s.code === 'iceBath')
  return new Map(cold.map((s, i) => [s.key, props.bench.chill[i]]))
})

/* Which step is open: the first that is neither done nor skipped, until another is looked at. */
const firstOpen = computed(() => {
  // What is told to have come out was made, ticked or not.
  const i = props.batch.whole.value?.isDone ? -1 : order.value.findIndex(s => !states.value.has(s.key))
  return i < 0 ? order.value.length : i
})
const looked = ref<number | null>(null)
const at = computed(() => looked.value ?? firstOpen.value)
const step = computed<WorkStep | null>(() => order.value[at.value] ?? null)
const spoken = computed(() => words.value[at.value]!)
watch(firstOpen, () => { looked.value = null })
const go = (to: number) => { looked.value = Math.min(order.value.length - 1, Math.max(0, to)) }

const series = computed(() => seriesOf(record.value, 'pot'))
const onS = computed(() => eventsOf(props.batch.events.value, 'heatOn')[0]?.atS ?? null)
const bench = computed<Bench | null>(() => props.bench)
const { watched, outlook } = useLivePot({ bench, kitchen, series, onS })

const had = (kind: Happened['kind']) => eventsOf(props.batch.events.value, kind).length > 0
/** Something heats in this step, and nobody has taken it off yet. */
const isOn = (s: WorkStep | null) => s !== null && (
  (HEATS.includes(s.code) && had('heatOn') && !had('heatOff')) || (s.code === 'bake' && had('ovenIn') && !had('ovenOut'))
)
/** Done, with what goes without saying: it is off the heat, out of the oven, opened. */
function done(s: WorkStep) {
  if (isOn(s)) props.batch.happen({ kind: s.code === 'bake' ? 'ovenOut' : 'heatOff' })
  if (OPENS.includes(s.code) && !had('opened')) props.batch.happen({ kind: 'opened' })
  props.batch.happen({ kind: 'stepDone', stepKey: s.key })
}
/** While the pot is on, or something bakes, taking it off is the thing to press. */
const isBusy = computed(() => isOn(step.value))
/** Its lines are ticked one by one; while something heats they are out of the way. */
const weighs = computed(() => step.value?.component === 'filling' && step.value.lines.length > 0)
const skip = (s: WorkStep) => props.batch.happen({ kind: 'stepSkipped', stepKey: s.key })
const reopen = (s: WorkStep) => props.batch.happen({ kind: 'stepReopened', stepKey: s.key })

/* Sound, and a screen that stays on while something is being made. */
const sound = useKept('lumbik:sound', true)
const awake = useWakeLock()
onMounted(() => { if (awake.isSupported.value) void awake.request('screen').catch(() => {}) })
onBeforeUnmount(() => void awake.release().catch(() => {}))
const note = ref('')
function writeNote() {
  if (note.value.trim() === '') return
  props.batch.happen({ kind: 'note', textId: '' }, note.value)
  note.value = ''
}
/** A picture: sent at once, since it is too large to be kept here. */
const photoSaid = ref('')
async function takePhoto(event: Event) {
  const input = event.target as HTMLInputElement
  const [file] = input.files ?? []
  input.value = ''
  if (!file) return
  try {
    const { id } = await apiFile<{ id: string }>(`/api/batches/${props.batch.id}/photos`, file)
    props.batch.happen({ kind: 'photo', photoId: id })
    photoSaid.value = say('batch.photoKept')
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    photoSaid.value = say('batch.photoNot', { mb: PHOTO_LIMIT / 1e6 })
  }
}
onKeyStroke(['ArrowLeft', 'ArrowRight'], (event) => {
  if ((event.target as HTMLElement).closest('input, textarea, select')) return
  go(at.value + (event.key === 'ArrowRight' ? 1 : -1))
})
const legPlace = (legId: string) => {
  const leg = props.bench.chill.find(l => l.id === legId)
  return leg ? placeName(leg.placeId ?? '') ?? PLACE_NAMES[leg.place.kind] : ''
}
const stepsOpen = ref(false)
</script>

<template>
  <section class="cook" :data-step="step?.code ?? 'end'" :data-watched="watched ? 'true' : 'false'">
    <template v-if="step">
      <p class="of soft num">
        {{ $say('batch.stepOf', { n: at + 1, of: order.length }) }}
        <b v-if="states.has(step.key)">
          · {{ states.get(step.key) === 'done' ? $say('batch.stepDone') : $say('batch.skipped') }}
        </b>
      </p>
      <h2>{{ spoken.title }}<span v-if="spoken.reach" class="reach num">{{ spoken.reach }}</span></h2>
      <p v-if="spoken.how" class="how">{{ spoken.how.charAt(0).toUpperCase() + spoken.how.slice(1) }}</p>
      <p v-if="spoken.cue" class="cue">{{ $say('orderList.until', { cue: spoken.cue }) }}</p>
      <p v-for="c in spoken.cautions" :key="c.title" class="caught" role="note"><b>{{ c.title }}</b> {{ c.text }}</p>
      <WeighLines v-if="weighs && !isBusy" :batch="batch" :lines="step.lines" />
      <p v-else-if="!weighs && spoken.lines.length" class="weights">
        <span v-for="l in spoken.lines" :key="l.name"><b class="num">{{ l.amount }}</b> {{ l.name }}</span>
      </p>
      <CupWeigh
        v-if="step.code === 'whip' && !isBusy" :label="$say('batch.keepInRecord')"
        @take="g => batch.happen({ kind: 'measured', what: 'overrun', lineId: null, value: 100 * g })"
      />
      <PotPanel
        v-if="HEATS.includes(step.code) && watched" :batch="batch" :watched="watched" :outlook="outlook" :sound="sound"
      />
      <OvenPanel
        v-else-if="step.code === 'bake' && watched" :batch="batch" :watched="watched" :assessment="assessment"
        :sound="sound" :air-c="ovenAirC(props.bench, kitchen)"
      />
      <PourPanel
        v-else-if="step.code === 'pour'" :batch="batch" :count="assessment.shape.count"
        :each-g="pouredG(props.bench, assessment) / assessment.shape.count"
      />
      <ColdPanel
        v-else-if="legOf.get(step.key)" :key="legOf.get(step.key)!.id" :batch="batch" :bench="bench!" :assessment="assessment"
        :leg-id="legOf.get(step.key)!.id" :place="legPlace(legOf.get(step.key)!.id)"
      />
    </template>
    <template v-else>
      <h2>{{ $say('batch.allDone') }}</h2>
      <NuxtLink class="press" :to="`/batch/${batch.id}/out`">{{ $say('batch.toOutcome') }}</NuxtLink>
    </template>

    <div class="foot no-print">
      <button type="button" class="flat" :disabled="at === 0" @click="go(at - 1)">{{ $say('batch.back') }}</button>
      <template v-if="step">
        <button v-if="states.has(step.key)" type="button" class="flat" @click="reopen(step)">
          {{ $say('batch.reopen') }}
        </button>
        <template v-else>
          <button type="button" class="flat" @click="skip(step)">{{ $say('batch.skip') }}</button>
          <button type="button" :class="isBusy ? 'flat' : 'press'" data-done @click="done(step)">
            {{ $say('batch.done') }}
          </button>
        </template>
        <button v-if="at < order.length - 1" type="button" class="flat" @click="go(at + 1)">
          {{ $say('batch.next') }}
        </button>
      </template>
      <button type="button" class="flat" :aria-expanded="stepsOpen" @click="stepsOpen = !stepsOpen">
        {{ $say('batch.steps') }}
      </button>
      <button type="button" class="flat" :aria-pressed="sound" @click="sound = !sound">
        {{ $say('batch.sound') }}: {{ sound ? $say('batch.soundOn') : $say('batch.soundOff') }}
      </button>
      <span v-if="awake.isActive.value" class="soft">{{ $say('batch.awake') }}</span>
    </div>
    <ol v-if="stepsOpen" class="all">
      <li v-for="(s, i) in order" :key="s.key" :class="{ here: i === at }">
        <button type="button" @click="go(i)">
          <span class="num">{{ i + 1 }}</span> {{ words[i]!.title }}
          <b v-if="states.has(s.key)">
            {{ states.get(s.key) === 'done' ? $say('batch.stepDone') : $say('batch.skipped') }}
          </b>
        </button>
      </li>
    </ol>
    <form class="note no-print" @submit.prevent="writeNote">
      <label class="field-label" for="batch-note">{{ $say('batch.note') }}</label>
      <input
        id="batch-note" v-model="note" class="native" maxlength="2000" dir="auto" :placeholder="$say('batch.noteText')"
      >
      <button type="submit" class="underline" :disabled="note.trim() === ''">{{ $say('batch.noteAdd') }}</button>
      <label class="photo underline">
        {{ $say('batch.photo') }}
        <input type="file" accept="image/*" capture="environment" class="sr" @change="takePhoto">
      </label>
      <span v-if="photoSaid" role="status">{{ photoSaid }}</span>
    </form>
  </section>
</template>

<style scoped>
.cook { display: flex; flex-direction: column; gap: 0.5rem; }
p { margin: 0; }
h2 { font-size: 2.2rem; margin: 0; display: flex; flex-wrap: wrap; gap: 0.1rem 1.2rem; align-items: baseline; }
.reach { font-size: 1.6rem; }
.how { font-size: 1.25rem; }
.cue { font-size: 1.25rem; font-style: italic; }
.weights { display: flex; flex-wrap: wrap; gap: 0.2rem 1.4rem; font-size: 1.3rem; }
.caught { border-left: 4px solid var(--blood); padding: 0.2rem 0 0.2rem 0.7rem; font-size: 1.1rem; }
.caught b { color: var(--blood); }
.foot {
  display: flex; flex-wrap: wrap; gap: 0.5rem 1rem; align-items: center; border-top: 1.5px solid var(--ink);
  padding-top: 0.7rem; margin-top: 0.6rem; position: sticky; bottom: 0; background: var(--paper); padding-bottom: 0.4rem;
}
.all { list-style: none; padding: 0; margin: 0; columns: 2; }
.all button { min-height: 44px; text-align: left; width: 100%; display: flex; gap: 0.6rem; align-items: baseline; cursor: pointer; }
.all .here button { font-weight: 600; box-shadow: inset 4px 0 0 var(--citron); padding-left: 0.6rem; }
.all b { font-weight: 400; color: var(--ink-soft); }
.note { display: flex; flex-wrap: wrap; gap: 0.3rem 1rem; align-items: end; }
.note .native { flex: 1 1 14rem; width: auto; }
.note .underline { min-height: 44px; }
.photo { position: relative; display: inline-flex; align-items: center; cursor: pointer; }
.photo:focus-within { outline: 2px solid var(--ink); outline-offset: 2px; }
@media (max-width: 760px) {
  h2 { font-size: 1.6rem; }
  .reach { font-size: 1.25rem; }
  .all { columns: 1; }
  .foot .press { order: -1; flex: 1 0 100%; }
  .flat { padding: 0 0.5rem; font-size: 1rem; min-height: 46px; }
}
</style>
