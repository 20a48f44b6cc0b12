<script setup lang="ts">
/** The very first start opens the formula that sags; after that, the shelf. */
import type { FormulaList } from '../../shared/schemas/wire'

const STARTED = 'lumbik:started'
const started = browserStore.get(STARTED) !== null
browserStore.set(STARTED, '1')
const { firstId } = started
  ? { firstId: null }
  : await api<FormulaList>('/api/formulas').catch(() => ({ firstId: null }))
await navigateTo(firstId ? `/formula/${firstId}/balance` : '/shelf', { replace: true })
</script>

<template>
  <main />
</template>
