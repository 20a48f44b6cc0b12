<script setup lang="ts">
/** A newer Lumbik waits: it comes at a press, never by itself under a cook. */
const { $pwa } = useNuxtApp()
/** Also a page that was the first this browser ever opened is loaded anew: the library reloads others only. */
function take() {
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
  void $pwa!.updateServiceWorker()
}
</script>

<template>
  <p v-if="$pwa?.needRefresh" class="newer no-print" role="status" data-new-version>
    {{ $say('app.newVersion') }}
    <button type="button" class="flat" @click="take">{{ $say('app.useIt') }}</button>
  </p>
</template>

<style scoped>
.newer {
  display: flex; gap: 1rem; align-items: center; padding: 0.4rem 1.75rem; margin: 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
