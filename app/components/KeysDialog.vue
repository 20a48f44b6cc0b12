<script setup lang="ts">
/** The list of keys. */
import { KEYS } from '~/composables/useWorkspaceKeys'

const open = defineModel<boolean>('open', { required: true })
</script>

<template>
  <UModal
    v-model:open="open" :title="$say('workspace.keys')" :description="$say('workspace.everythingWorksWithoutAMouse')"
  >
    <template #body>
      <dl class="keylist">
        <template v-for="[k, what] in KEYS" :key="k"><dt>{{ k }}</dt><dd>{{ what }}</dd></template>
      </dl>
    </template>
  </UModal>
</template>

<style scoped>
.keylist { display: grid; grid-template-columns: 8rem 1fr; gap: 0.5rem; margin: 0; }
.keylist dt { font-weight: 600; } .keylist dd { margin: 0; }
</style>
