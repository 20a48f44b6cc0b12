<script setup lang="ts">
/** Takes a thing of the kitchen out; one that formulas use is asked about first. */
import type { Uses } from '../../../shared/schemas/wire'

const props = defineProps<{ id: string, name: string }>()
const emit = defineEmits<{ take: [] }>()
const uses = shallowRef<Uses | null>(null)
async function ask() {
  try {
    const found = await api<Uses>(`/api/kitchen/uses/${props.id}`)
    if (found.count > 0) {
      uses.value = found
      return
    }
  } catch {
    /* Whoever cannot be asked does not stop it: it can be undone, and the bin keeps it. */
  }
  emit('take')
}
</script>

<template>
  <div v-if="uses" class="used" role="alertdialog" :aria-label="$say('kitchen.takeOut', { name })" data-part="used">
    <span>
      {{ $say('kitchen.usedBy', { n: uses.count, names: uses.formulas.map(f => f.name).join(', ') }) }}
    </span>
    <UButton size="sm" variant="outline" color="neutral" :label="$say('kitchen.takeItOut')" @click="emit('take')" />
    <UButton size="sm" variant="ghost" color="neutral" :label="$say('kitchen.keepIt')" autofocus @click="uses = null" />
  </div>
  <UButton
    v-else variant="ghost" color="neutral" icon="i-lucide-x" :aria-label="$say('kitchen.takeOut', { name })" @click="ask"
  />
</template>

<style scoped>
.used {
  grid-column: 1 / -1; display: flex; flex-wrap: wrap; gap: 0.4rem 0.8rem; align-items: center; padding: 0.3rem 0.6rem;
  border-left: 3px solid var(--blood);
}
</style>
