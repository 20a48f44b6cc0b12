<script setup lang="ts">
/** Who does what when: now, next and later in big type for one person; one card each, as it is printed. */
import type { DayPlan } from '#core/schedule/plan'
import { stepName } from '~/words/today'
import { say } from '~/words/say'

type Task = DayPlan['tasks'][number]
const props = defineProps<{
  date: string
  plan: DayPlan
  done: readonly string[]
  nameOf: (dessertId: string) => string
  equipmentOf: (id: string) => string
}>()
const emit = defineEmits<{ tick: [key: string], late: [key: string], calendar: [who: string | null] }>()
const fmt = useFormat()
const keyOf = (t: Task) => `${t.dessert}/${t.id}`
const manned = computed(() => props.plan.tasks.filter(t => t.attended.length > 0))
const people = computed(() => [...new Set(manned.value.map(t => t.who))])
const mine = (person: string | null) => manned.value.filter(t => t.who === person)
const who = ref<string | null>(null)
const shown = computed(() => (people.value.includes(who.value) ? who.value : people.value[0] ?? null))
const left = computed(() => mine(shown.value).filter(t => !props.done.includes(keyOf(t))))
const WHEN = [say('today.nowDo'), say('today.next'), say('today.later')]
/** With its day, where that is another. */
const when = (iso: string) => (iso.startsWith(props.date) ? fmt.time(iso) : `${fmt.day(iso.slice(0, 10))} ${fmt.time(iso)}`)
const onWhat = (t: Task) =>
  t.uses.map(u => [equipmentName(u.id), u.tempC === null ? '' : fmt.temp(u.tempC)].filter(Boolean).join(' ')).join(', ')
const equipmentName = (id: string) => props.equipmentOf(id)
</script>

<template>
  <section class="lists">
    <div class="live no-print">
      <div v-if="people.length > 1" class="choices" role="group" :aria-label="$say('today.whose')">
        <button v-for="p in people" :key="p ?? ''" type="button" :aria-pressed="p === shown" @click="who = p">
          {{ p ?? $say('today.anyone') }}
        </button>
      </div>
      <ol>
        <li v-for="(t, i) in left.slice(0, 3)" :key="keyOf(t)" :class="{ first: i === 0 }" :data-next="i">
          <span class="soft">{{ WHEN[i] }}</span>
          <b class="num">{{ when(t.start) }}</b>
          <span class="what">{{ nameOf(t.dessert) }}: {{ stepName(t.name) }}</span>
          <span v-if="i === 0" class="acts">
            <button type="button" class="press" data-tick @click="emit('tick', keyOf(t))">{{ $say('today.done') }}</button>
            <button type="button" class="flat" data-late @click="emit('late', keyOf(t))">
              {{ $say('today.beganNow') }}
            </button>
          </span>
        </li>
      </ol>
      <p v-if="left.length === 0" class="soft">{{ $say('today.allDone') }}</p>
    </div>
    <div class="cards">
      <article v-for="p in people" :key="p ?? ''" class="card">
        <h2 dir="auto">
          {{ p ?? $say('today.anyone') }}
          <button v-if="p" type="button" class="underline small no-print" :aria-label="`${$say('today.calendar')}: ${p}`" @click="emit('calendar', p)">
            {{ $say('today.calendar') }}
          </button>
        </h2>
        <table>
          <tbody>
            <tr v-for="t in mine(p)" :key="keyOf(t)" :class="{ over: done.includes(keyOf(t)) }">
              <td class="num">{{ when(t.start) }}</td>
              <td>{{ nameOf(t.dessert) }}: {{ stepName(t.name) }} <span class="soft">{{ onWhat(t) }}</span></td>
            </tr>
          </tbody>
        </table>
      </article>
    </div>
  </section>
</template>

<style scoped>
ol { list-style: none; margin: 0.6rem 0 0; padding: 0; display: grid; grid-template-columns: 2fr 1fr 1fr; gap: 1.5rem; }
li { display: flex; flex-direction: column; }
li b { font-family: var(--font-display); font-weight: 500; font-size: 1.6rem; }
li.first b { font-size: 2.4rem; } li.first .what { font-size: 1.35rem; }
.acts { display: flex; gap: 0.8rem; margin-top: 0.5rem; flex-wrap: wrap; }
.cards { display: grid; grid-template-columns: repeat(auto-fit, minmax(20rem, 1fr)); gap: 0 2.5rem; margin-top: 1rem; }
h2 { font-size: 1.25rem; margin: 0.8rem 0 0.2rem; }
h2 button { min-height: 44px; margin-left: 0.8rem; font-family: var(--font-sans); letter-spacing: 0; }
table { border-collapse: collapse; width: 100%; }
td { border-bottom: 1px solid var(--hairline); padding: 0.3rem 0.6rem 0.3rem 0; vertical-align: top; }
td:first-child { white-space: nowrap; width: 1%; font-weight: 600; }
tr.over td { color: var(--ink-soft); text-decoration: line-through; }
@media (max-width: 760px) {
  ol, .cards { grid-template-columns: minmax(0, 1fr); }
  ol { gap: 0.9rem; }
}
@media print { .card { break-inside: avoid; } }
</style>
