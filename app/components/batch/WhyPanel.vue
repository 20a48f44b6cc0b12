<script setup lang="ts">
/** Why it came out as it did: causes with their shares, what would tell them apart, tonight, next time. */
import type { Diagnosis } from '#core/diagnose/diagnose'
import { eventsOf } from '#core/book/record'
import { changedBy } from '#core/diagnose/change'
import type { Said } from '#core/diagnose/remedies'
import { type Bench, fillingOf } from '#core/formula/bench'
import { causeWords, nextWords, questionWords, rescueWords, shareWords } from '~/words/blame'

const props = defineProps<{ batch: LiveBatch, bench: Bench }>()
const fmt = useFormat()
const { work, failed, isGoing, load, ask, cancel, result } =
  useWork<Diagnosis>(`/api/batches/${props.batch.id}/diagnosis`)
void load()
const outcome = computed(() => eventsOf(props.batch.events.value, 'outcome').at(-1)?.outcome ?? null)
const kitchen = useKitchenStore()
/** A kitchen that goes by what it has learned has the change already. */
const offersChange = (n: Said) => !kitchen.record?.learned && changedBy(n, props.bench) !== null
/** Puts a change into the formula, where it can be taken back like any other. */
const workspace = useWorkspaceStore()
async function putIn(n: Said) {
  await workspace.open(props.batch.whole.value!.formulaId)
  const next = workspace.doc && changedBy(n, workspace.doc)
  if (!next) return
  workspace.replace(toPlain(next))
  workspace.endGesture()
  await navigateTo(`/formula/${props.batch.whole.value!.formulaId}/heat`)
}
const lineName = (id: string | null | undefined) => {
  const line = fillingOf(props.bench).lines.find(l => l.id === id)
  return line ? fmt.name(line.ingredientId) : ''
}
/** Causes that are worth telling: the first always, others from a twentieth. */
const causes = computed(() => result.value?.causes.filter((c, i) => i === 0 || c.share >= 0.05).slice(0, 5) ?? [])
const names = computed(() => causes.value.map(c => causeWords(c.id, c.direction, lineName(c.lineId))))
</script>

<template>
  <section class="why" :data-work="work?.state ?? 'none'">
    <p v-if="!outcome" class="ask">
      {{ $say('blame.needOutcome') }}
      <NuxtLink class="underline" :to="`/batch/${batch.id}/out`">{{ $say('batch.toOutcome') }}</NuxtLink>
    </p>
    <template v-else>
      <p v-if="outcome.asMeant === true && !result" class="soft">{{ $say('blame.asMeant') }}</p>
      <div v-if="isGoing" class="going" role="status">
        <p>{{ $say('blame.working') }} <span class="num">{{ fmt.percent(work!.progress) }}</span></p>
        <progress :value="work!.progress" max="1" :aria-label="$say('blame.working')" />
        <button type="button" class="flat" @click="cancel">{{ $say('blame.cancel') }}</button>
      </div>
      <button
        v-else-if="!result || work!.isStale" type="button" class="press" @click="ask"
      >
        {{ result ? $say('blame.again') : $say('blame.ask') }}
      </button>
      <p v-if="work?.state === 'cancelled'" class="soft">{{ $say('blame.cancelled') }}</p>
      <p v-if="work?.state === 'failed' || failed" class="wrong" role="alert">{{ $say('blame.failed') }}</p>
      <p v-if="result && work!.isStale" class="soft">{{ $say('blame.stale') }}</p>

      <template v-if="result">
        <h2>{{ $say('blame.causes') }}</h2>
        <ol class="causes">
          <li v-for="c in causes" :key="c.id" :data-cause="c.id">
            <p><b>{{ causeWords(c.id, c.direction, lineName(c.lineId)) }}</b> <span>{{ shareWords(c.share) }}</span></p>
            <span class="bar" aria-hidden="true"><i :style="{ width: `${Math.max(2, 100 * c.share)}%` }" /></span>
          </li>
        </ol>
        <WhyCourse v-if="causes[0]" :batch="batch" :causes="causes" :names="names" />
        <template v-if="result.question">
          <h2>{{ $say('blame.question') }}</h2>
          <p class="big">{{ questionWords(result.question, lineName) }}</p>
          <p class="soft">{{ $say('blame.minutes', { minutes: String(result.question.params.minutes) }) }}</p>
        </template>
        <h2>{{ $say('blame.tonight') }}</h2>
        <ul v-if="result.tonight.length" class="rescues">
          <li v-for="(r, i) in result.tonight" :key="i" :class="{ stop: r.safety === 'throwAway' }" :data-rescue="r.code">
            <p class="big">{{ rescueWords(r, fmt).what }}</p>
            <p>{{ rescueWords(r, fmt).safety }}</p>
          </li>
        </ul>
        <p v-else class="soft">{{ $say('blame.noRescue') }}</p>
        <p class="soft">{{ $say('blame.defer') }}</p>
        <h2>{{ $say('blame.next') }}</h2>
        <ul class="rescues">
          <li v-for="(n, i) in result.next" :key="i" class="next">
            <p class="big">{{ nextWords(n, fmt) }}</p>
            <button v-if="offersChange(n)" type="button" class="flat" data-change @click="putIn(n)">
              {{ $say('blame.putIn') }}
            </button>
          </li>
        </ul>
        <NuxtLink class="underline to" :to="`/formula/${batch.whole.value!.formulaId}/heat`">
          {{ $say('blame.openFormula') }}
        </NuxtLink>
      </template>
    </template>
  </section>
</template>

<style scoped>
p { margin: 0; }
h2 { font-size: 1.45rem; margin: 1.2rem 0 0.4rem; }
.causes { list-style: none; padding: 0; margin: 0; max-width: 46rem; }
.causes li { padding: 0.45rem 0; border-bottom: 1px solid var(--hairline); }
.causes p { display: flex; flex-wrap: wrap; justify-content: space-between; gap: 0 1rem; font-size: 1.2rem; }
.bar { display: block; height: 10px; background: var(--hairline); margin-top: 0.25rem; }
.bar i { display: block; height: 100%; background: var(--citron); box-shadow: inset 0 0 0 1px var(--ink); }
.big { font-size: 1.2rem; }
.rescues { list-style: none; padding: 0; margin: 0; }
.rescues li { padding: 0.4rem 0; border-bottom: 1px solid var(--hairline); }
.rescues li.stop { border-left: 4px solid var(--blood); padding-left: 0.8rem; }
.rescues li.stop p { color: var(--blood); font-weight: 600; }
.next { display: flex; flex-wrap: wrap; gap: 0.3rem 1.2rem; align-items: center; }
.to { display: inline-flex; min-height: 44px; align-items: center; }
</style>
