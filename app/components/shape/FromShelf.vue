<script setup lang="ts">
/** Where a part was taken from; where that formula has changed since, it can be taken anew. */
import { retaken } from '#core/formula/copied'
import type { Component } from '#core/formula/document'
import type { FormulaRecord } from '../../../shared/schemas/wire'

const props = defineProps<{ part: Component }>()
const ws = useWorkspaceStore()
const now = shallowRef<FormulaRecord | null>(null)
watch(() => props.part.from!.formulaId, async (id) => {
  now.value = await api<FormulaRecord>(`/api/formulas/${id}`).catch(() => null)
}, { immediate: true })
const isOlder = computed(() => now.value !== null && now.value.version > props.part.from!.version)
function take() {
  const { document, version } = now.value!
  ws.replaceAll(retaken(ws.planned!, props.part.id, document, version, () => crypto.randomUUID()))
  ws.endGesture()
}
</script>

<template>
  <span class="soft small" data-from-shelf>
    {{ $say('plate.ofVersion', { version: part.from!.version }) }}
    <button v-if="isOlder" type="button" class="underline" data-retake @click="take">
      {{ $say('plate.newer', { version: now!.version }) }}
    </button>
  </span>
</template>

<style scoped>
button { min-height: 44px; }
</style>
