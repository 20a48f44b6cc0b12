<script setup lang="ts">
// The kitchen decides units and words everywhere, so it is fetched before anything is drawn.
const kitchen = useKitchenStore()
await kitchen.load()
</script>

<template>
  <UApp :toaster="{ position: 'bottom-left', duration: 9000 }">
    <NuxtLoadingIndicator color="#1F2F24" :height="2" />
    <TopBar />
    <p v-if="kitchen.error" class="unreachable" role="alert">
      The kitchen's data cannot be reached. What you change is kept in this browser and sent once the server answers.
      <button type="button" class="underline" @click="kitchen.load()">Try again</button>
    </p>
    <NuxtPage />
  </UApp>
</template>

<style scoped>
.unreachable { padding: 0.6rem 1.75rem; border-bottom: 1px solid var(--blood); color: var(--blood); }
</style>
