<script setup lang="ts">
/** Cautions and hints: what is the matter and what to do; the gravest first. */
import type { Finding } from '#core/pipeline/assessment'
import { MARK_WORDS } from '~/words/names'
import { speak } from '~/words/findings'

const props = defineProps<{ findings: Finding[] }>()
const fmt = useFormat()
const RANK = { stop: 0, look: 1, info: 2 } as const
const spoken = computed(() =>
  [...props.findings]
    .sort((a, b) => RANK[a.severity] - RANK[b.severity])
    .map((f, i) => ({ key: `${f.code}-${i}`, severity: f.severity, ...speak(f, fmt) })),
)
</script>

<template>
  <ul class="cautions">
    <li v-for="s in spoken" :key="s.key" :class="s.severity">
      <b>{{ s.title }}</b> {{ s.text }}
      <span v-if="s.severity !== 'info'" class="sr">({{ MARK_WORDS[s.severity] }})</span>
    </li>
  </ul>
</template>

<style scoped>
.cautions { list-style: none; margin: 0; padding: 0; display: grid; gap: 0.5rem; }
li { border-left: 3px solid var(--hairline); padding: 0.05rem 0 0.05rem 0.7rem; font-size: 0.94rem; line-height: 1.35; }
li.stop { border-color: var(--blood); }
li.stop b { color: var(--blood); }
li.look { border-color: var(--blood); border-left-style: double; }
li.look b { color: var(--blood); }
</style>
