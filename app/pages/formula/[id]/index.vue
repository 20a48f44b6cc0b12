<script setup lang="ts">
await navigateTo(`/formula/${String((useRoute().params as { id: string }).id)}/balance`, { replace: true })
</script>

<template>
  <main />
</template>
