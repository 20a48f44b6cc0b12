<script setup lang="ts">
/** A newer Lumbik waits: it comes at a press, never by itself under a cook. */
const { $pwa } = useNuxtApp()
</script>

<template>
  <p v-if="$pwa?.needRefresh" class="newer no-print" role="status" data-new-version>
    {{ $say('app.newVersion') }}
    <button type="button" class="flat" @click="$pwa.updateServiceWorker()">{{ $say('app.useIt') }}</button>
  </p>
</template>

<style scoped>
.newer {
  display: flex; gap: 1rem; align-items: center; padding: 0.4rem 1.75rem; margin: 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
