<script setup lang="ts">
/** Who else is at what this page shows. */
import { placeOf } from '../../shared/live'
import { say } from '~/words/say'

const { kind, id } = defineProps<{ kind: 'formula' | 'batch' | 'day', id: string }>()
const others = useHere(() => placeOf(kind, id))
const words = computed(() => others.value.length === 0 ? '' : say('app.othersHere', { names: others.value.join(', ') }))
</script>

<template>
  <span class="others" role="status" data-others>{{ words }}</span>
</template>

<style scoped>
.others { color: var(--ink-soft); font-size: 0.92rem; }
</style>
