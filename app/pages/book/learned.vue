<script setup lang="ts">
/** What batches have taught: in kitchen words, with what it gains; accepted, numbered, taken back. */
import type { Calibration } from '#core/learn/calibrate'
import { toldBy } from '#core/learn/told'
import type { LearnedList } from '../../../shared/book'
import { learnedWords, teachesWords, UNIT_WORDS } from '~/words/learned'
import { say } from '~/words/say'

useHead({ title: say('learned.title') })
const fmt = useFormat()
const kitchen = useKitchenStore()
const door = useDoorStore()
/** What all go by is set by whoever writes formulas. */
const maySet = computed(() => door.may('write'))
const list = shallowRef<LearnedList | null>(null)
const { work, failed, isGoing, load, ask, cancel, result } = useWork<Calibration & { batchIds: string[] }, LearnedList>(
  '/api/learned', (said) => { list.value = { items: said.items, goesBy: said.goesBy } },
)
await Promise.all([load(), kitchen.record ? null : kitchen.load()])
async function put(body: Record<string, unknown>) {
  list.value = await api<LearnedList>('/api/learned', { method: 'PUT', body })
  await kitchen.load()
}
/** What is told is what is accepted. */
const told = computed(() => (result.value ? toldBy(result.value).told : []))
const unknown = computed(() => (result.value ? toldBy(result.value).open : []))
const byUnit = computed(() => result.value?.byUnit.filter(u => u.figures > 1) ?? [])
const off = (u: { unit: string }, x: number) => u.unit === 'ln' ? fmt.fixed(100 * x) : fmt.fixed(x, u.unit === 'pH' ? 2 : 1)
const isAccepted = computed(() => list.value?.items.some(s => s.calibrationId === work.value?.id) ?? false)
const goesBy = computed(() => list.value?.items.find(s => s.id === list.value?.goesBy) ?? null)
</script>

<template>
  <main class="learned" :data-settled="list ? 'true' : 'false'" :data-work="work?.state ?? 'none'">
    <NuxtLink to="/book" class="underline">{{ $say('learned.toBook') }}</NuxtLink>
    <h1>{{ $say('learned.head') }}</h1>
    <p class="lead">{{ $say('learned.from') }}</p>
    <p data-goes-by>
      <b>{{ goesBy ? $say('learned.goesBy', { n: goesBy.number }) : $say('learned.goesByNone') }}</b>
    </p>
    <p v-if="failed || work?.state === 'failed'" class="wrong" role="alert">{{ $say('learned.failed') }}</p>
    <div v-if="isGoing" class="going" role="status">
      <p>{{ $say('learned.working') }} <span class="num">{{ fmt.percent(work!.progress) }}</span></p>
      <progress :value="work!.progress" max="1" :aria-label="$say('learned.working')" />
      <button v-if="maySet" type="button" class="flat" @click="cancel">{{ $say('learned.cancel') }}</button>
    </div>
    <button v-else-if="maySet && (!result || work!.isStale)" type="button" class="press" @click="ask">
      {{ result ? $say('learned.again') : $say('learned.ask') }}
    </button>
    <template v-if="result">
      <p v-if="result.batchIds.length === 0" class="soft">{{ $say('learned.tooFew') }}</p>
      <template v-else>
        <ul class="told">
          <li v-for="p in told" :key="p.id" :data-learned="p.id">
            <p class="says">
              {{ learnedWords(p, kitchen.record!, fmt).says }}
              <span class="soft num">{{ learnedWords(p, kitchen.record!, fmt).spread }}</span>
            </p>
            <p class="soft small">
              {{ p.batches === 1 ? $say('learned.oneBatch') : $say('learned.batches', { n: p.batches }) }}
            </p>
          </li>
        </ul>
        <section v-if="byUnit.length">
          <h2>{{ $say('learned.gain') }}</h2>
          <p class="num" data-gain :data-before="result.leftOut.before" :data-after="result.leftOut.after">
            {{ $say('learned.gainWords', { before: fmt.fixed(result.leftOut.before, 2), after: fmt.fixed(result.leftOut.after, 2) }) }}
          </p>
          <table>
            <thead>
              <tr>
                <th>{{ $say('learned.off') }}</th><th>{{ $say('learned.before') }}</th><th>{{ $say('learned.after') }}</th>
                <td />
              </tr>
            </thead>
            <tbody>
              <tr v-for="u in byUnit" :key="u.unit">
                <th scope="row">{{ UNIT_WORDS[u.unit] }}</th>
                <td class="num">{{ off(u, u.before) }}</td><td class="num">{{ off(u, u.after) }}</td>
                <td class="bars" aria-hidden="true">
                  <i class="was" style="width: 100%" />
                  <i class="is" :style="{ width: `${Math.min(100, (100 * u.after) / Math.max(1e-9, u.before))}%` }" />
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <button
          v-if="maySet && !isAccepted && told.length" type="button" class="press" data-accept
          @click="put({ calibrationId: work!.id })"
        >
          {{ $say('learned.accept', { n: (list!.items[0]?.number ?? 0) + 1 }) }}
        </button>
        <section v-if="unknown.length">
          <h2>{{ $say('learned.uncertain') }}</h2>
          <ul class="unknown">
            <li v-for="p in unknown" :key="p.id">{{ teachesWords(p.id, kitchen.record!) }}</li>
          </ul>
        </section>
      </template>
    </template>
    <section v-if="list && list.items.length">
      <h2>{{ $say('learned.sets') }}</h2>
      <ul class="sets">
        <li v-for="s in list.items" :key="s.id" :data-set="s.number">
          {{ $say('learned.set', { n: s.number, at: fmt.day(s.createdAt) }) }}
          <b v-if="s.id === list.goesBy">{{ $say('learned.counts') }}</b>
          <button v-else-if="maySet" type="button" class="underline" @click="put({ goesBy: s.id })">
            {{ $say('learned.goBack') }}
          </button>
        </li>
      </ul>
      <button v-if="maySet && list.goesBy" type="button" class="underline" data-none @click="put({ goesBy: null })">
        {{ $say('learned.none') }}
      </button>
    </section>
  </main>
</template>

<style scoped>
.learned { padding: 1.2rem 1.75rem 3rem; max-width: 1000px; margin: 0 auto; }
h1 { font-size: 2rem; margin: 0.3rem 0; } h2 { font-size: 1.3rem; margin: 1.3rem 0 0.3rem; }
p { margin: 0.2rem 0; }
.lead { max-width: 44rem; }
.told, .sets, .unknown { list-style: none; padding: 0; margin: 0.6rem 0 0; }
.told { border-top: 1px solid var(--ink); }
.told li, .sets li { border-bottom: 1px solid var(--hairline); padding: 0.45rem 0; }
.says { font-size: 1.2rem; }
.sets li { display: flex; gap: 1rem; align-items: center; min-height: 44px; }
table { border-collapse: collapse; width: 100%; max-width: 42rem; }
th, td { text-align: left; font-weight: 400; padding: 0.35rem 1rem 0.35rem 0; border-bottom: 1px solid var(--hairline); }
thead th { color: var(--ink-soft); border-color: var(--ink); }
.bars { width: 14rem; }
.bars i { display: block; height: 8px; margin: 2px 0; }
.bars .was { background: #848879; } .bars .is { background: var(--citron); box-shadow: inset 0 0 0 1px var(--ink); }
@media (max-width: 760px) { .learned { padding: 1rem; } .bars { width: 6rem; } }
</style>
