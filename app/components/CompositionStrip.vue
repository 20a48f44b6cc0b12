<script setup lang="ts">
/** What the mix is made of, as one strip with its shares written under it. */
import type { Composition } from '#core/pipeline/assessment'
import { say } from '~/words/say'

const props = defineProps<{ composition: Composition, massG: number }>()
const fmt = useFormat()
const parts = computed(() => {
  const c = props.composition
  return [
    { key: 'water', name: say('words.water'), value: c.water },
    { key: 'sugar', name: say('words.sugar'), value: c.sugar },
    { key: 'fat', name: say('words.fat'), value: c.fat },
    { key: 'egg', name: say('compositionStrip.eggProtein'), value: c.eggProtein, digits: 1 },
    { key: 'milk', name: say('compositionStrip.milkProtein'), value: c.milkProtein, digits: 1 },
    { key: 'starch', name: say('words.starch'), value: c.starch, digits: 1 },
    { key: 'acid', name: say('words.acid'), value: c.acid, digits: 2 },
  ].filter(p => p.value >= 0.05 || ['water', 'sugar', 'fat'].includes(p.key))
})
</script>

<template>
  <figure
    class="strip"
    :aria-label="
      $say('compositionStrip.theMix',
           { digits: parts.map(p => `${p.name} ${fmt.fixed(p.value, p.digits ?? 0)} %`).join(', ') })
    "
  >
    <h2 class="section-title">
      {{ $say('compositionStrip.whatItIsMadeOf') }}
      <span class="soft small">{{ $say('compositionStrip.of', { massG: fmt.grams(massG) }) }}</span>
    </h2>
    <div class="bar">
      <i v-for="p in parts" :key="p.key" :class="p.key" :style="{ flexGrow: p.value, flexBasis: 0 }" />
      <i class="other" :style="{ flexGrow: composition.other, flexBasis: 0 }" />
    </div>
    <figcaption>
      <span v-for="p in parts" :key="p.key">
        <i :class="p.key" />{{ p.name }} <b class="num" :data-part="p.key">{{ fmt.fixed(p.value, p.digits ?? 0) }} %</b>
      </span>
    </figcaption>
  </figure>
</template>

<style scoped>
.strip { margin: 0; }
.bar { display: flex; height: 30px; border: 1px solid var(--ink); }
.bar i { display: block; border-right: 1px solid var(--ink); min-width: 2px; }
.bar i:last-child { border-right: 0; }
.water { background: #e4ebee; }
.sugar { background: #fff; }
.fat { background: var(--citron-soft); }
.egg { background: var(--citron); }
.milk { background: #d8cfb4; }
.starch { background: var(--crust); }
.acid { background: var(--ink); }
.other { background: var(--hairline); }
figcaption { display: flex; flex-wrap: wrap; gap: 0.1rem 1.1rem; margin-top: 0.4rem; font-size: 0.92rem; }
figcaption span { display: inline-flex; align-items: center; gap: 0.35rem; white-space: nowrap; }
figcaption i { width: 12px; height: 12px; border: 1px solid var(--ink); display: inline-block; }
b { font-weight: 600; }
</style>
