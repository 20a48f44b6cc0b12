<script setup lang="ts">
/** What it must do on the plate, as a dialog over the workspace. */
import type { Use } from '#core/physics/set/bands'

defineProps<{ use: Use }>()
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ change: [use: Use] }>()
</script>

<template>
  <UModal
    v-model:open="open" :title="$say('workspace.whatMustItDoOnThe')"
    :description="$say('workspace.theSetItNeedsIsWorked')"
  >
    <template #body><UseForm :use="use" @change="u => emit('change', u)" /></template>
    <template #footer><UButton :label="$say('workspace.done')" @click="open = false" /></template>
  </UModal>
</template>
