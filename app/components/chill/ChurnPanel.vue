<script setup lang="ts">
/** The mix as a sorbet or a curd ice: its sugar, solids, freezing point, and whether it scoops. */
import type { Bench } from '#core/formula/bench'
import { CABINET_C, churnedOf } from '#core/physics/chill/churned'
import { work } from '#core/pipeline/assess'
import { placed } from '#core/pipeline/stack'
import { group } from '~/words/say'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const WORDS = group<Record<'runs' | 'scoops' | 'hard', string>>('churned.WORDS')
const BODY = group<Record<'icy' | 'good' | 'gummy', string>>('churned.BODY')
const c = computed(() => {
  const k = kitchen.core
  return k ? churnedOf(work(placed(props.doc, k), k).heated.finished) : null
})
</script>

<template>
  <section v-if="c" class="churned" :data-churned="c.scoop">
    <p class="lead">{{ $say('churned.how', { at: fmt.temp(CABINET_C) }) }}</p>
    <h2>{{ WORDS[c.scoop] }} <span v-if="c.body !== 'good'">{{ BODY[c.body] }}</span></h2>
    <p v-if="c.sugarG !== null" data-churned-sugar>
      {{ c.sugarG > 0 ? $say('churned.more', { g: fmt.grams(c.sugarG) }) : $say('churned.less', { g: fmt.grams(-c.sugarG) }) }}
    </p>
    <dl class="facts">
      <div><dt>{{ $say('churned.sugar') }}</dt><dd class="num">{{ $say('churned.brix', { n: fmt.fixed(c.brix, 0) }) }}</dd></div>
      <div><dt>{{ $say('churned.solids') }}</dt><dd class="num">{{ fmt.fixed(100 * c.solids, 0) }} %</dd></div>
      <div><dt>{{ $say('churned.freezes') }}</dt><dd class="num">{{ fmt.temp(c.freezingC, 1) }}</dd></div>
      <div><dt>{{ $say('churned.ice', { at: fmt.temp(CABINET_C) }) }}</dt><dd class="num">{{ fmt.fixed(100 * c.ice, 0) }} %</dd></div>
      <div><dt>{{ $say('churned.best') }}</dt><dd class="num">{{ fmt.temp(c.scoopsAtC, 0) }}</dd></div>
    </dl>
    <p class="soft">{{ $say('churned.melts') }}</p>
  </section>
</template>

<style scoped>
h2 { font-size: 1.5rem; margin: 0.4rem 0; } p { margin: 0.4rem 0; }
.facts { display: flex; flex-wrap: wrap; gap: 0.6rem 2rem; margin: 0.6rem 0; }
dt { color: var(--ink-soft); font-size: 0.9rem; } dd { margin: 0; font-weight: 600; font-size: 1.2rem; }
</style>
