<script setup lang="ts">
/** What a change of the running day has moved, and who must know: each ticked off as it is told. */
import { type Move, whoMustKnow } from '#core/schedule/replan'
import type { Names } from '~/words/today'
import { say } from '~/words/say'

const props = defineProps<{ moves: readonly Move[], names: Names }>()
const fmt = useFormat()
/** The step that was put elsewhere by hand is known to whoever did it. */
const told = ref<string[]>([])
const closed = ref(false)
watch(() => props.moves, () => {
  told.value = []
  closed.value = false
})
const people = computed(() => whoMustKnow(props.moves).filter(p => !told.value.includes(p.who)))
const alone = computed(() => props.moves.filter(m => m.from.who === null && m.to.who === null))
const words = (m: Move, who: string | null) => {
  const what = { step: props.names.task(m.key), from: fmt.time(m.from.start), to: fmt.time(m.to.start) }
  if (m.from.who === m.to.who || who === null) return say('today.movedTo', what)
  return m.to.who === who
    ? say('today.nowYours', { ...what, whose: m.from.who ?? '' })
    : say('today.noLongerYours', { ...what, whose: m.to.who ?? '' })
}
</script>

<template>
  <section v-if="!closed && (people.length || alone.length)" class="moves no-print" aria-live="polite" data-moves>
    <header>
      <h2>{{ $say('today.whatChanged') }}</h2>
      <button type="button" class="underline" @click="closed = true">{{ $say('today.closeMoves') }}</button>
    </header>
    <div v-for="p in people" :key="p.who" :data-must-know="p.who">
      <p class="who">
        <b>{{ $say('today.mustKnow', { who: p.who }) }}</b>
        <button type="button" class="flat" data-told @click="told.push(p.who)">{{ $say('today.told') }}</button>
      </p>
      <ul><li v-for="m in p.moves" :key="m.key" class="num">{{ words(m, p.who) }}</li></ul>
    </div>
    <ul v-if="alone.length"><li v-for="m in alone" :key="m.key" class="num soft">{{ words(m, null) }}</li></ul>
  </section>
</template>

<style scoped>
.moves { border: 1.5px solid var(--ink); padding: 0.6rem 1rem; margin: 0.8rem 0; background: #fffdf7; }
header, .who { display: flex; flex-wrap: wrap; gap: 0.4rem 1rem; align-items: center; justify-content: space-between; margin: 0; }
h2 { font-size: 1.25rem; margin: 0; } header button { min-height: 44px; }
ul { padding-left: 1.1rem; list-style: disc; margin: 0.2rem 0 0.5rem; }
</style>
