<script setup lang="ts">
/** Who else is at what this page shows. */
import { placeOf } from '../../shared/live'
import { say } from '~/words/say'

const { kind, id } = defineProps<{ kind: 'formula' | 'batch' | 'day', id: string }>()
const others = useHere(() => placeOf(kind, id))
const door = useDoorStore()
/** Of one's own name it says that it is another window: most often a tab left open, and nobody else. */
const nameOf = (name: string) => (name === door.me?.name ? say('app.inAnotherWindow', { name }) : name)
const words = computed(() => (others.value.length === 0
  ? ''
  : say('app.othersHere', { names: others.value.map(nameOf).join('; ') })))
</script>

<template>
  <span class="others" role="status" data-others>{{ words }}</span>
</template>

<style scoped>
.others { color: var(--ink-soft); font-size: 0.92rem; }
</style>
