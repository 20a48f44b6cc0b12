<script setup lang="ts">
/** Why there is nothing on the bench, and the way back. */
import type { Missing } from '~/stores/workspace'
import { say } from '~/words/say'

defineProps<{ why: Missing }>()
const workspace = useWorkspaceStore()
const toast = useToast()
const MISSING = {
  unknown: { title: say('workspace.thisFormulaIsNotHere'), why: say('workspace.thereIsNoneUnderThisAddress') },
  deleted: { title: say('workspace.thisFormulaIsInTheBin'), why: say('workspace.itWasDeletedAndCanBe') },
  unreadable: { title: say('workspace.thisFormulaCannotBeRead'), why: say('workspace.whatIsStoredOfItIs') },
  away: { title: say('workspace.thisFormulaCannotBeOpenedNow'), why: say('workspace.theServerDoesNotAnswerThe') },
} as const
async function bringBack() {
  try {
    await api('/api/bin/restore', { method: 'POST', body: { kind: 'formula', id: workspace.id } })
    await workspace.open(workspace.id)
  } catch {
    toast.add({ title: say('workspace.itCouldNotBeBroughtBack'), color: 'error' })
  }
}
</script>

<template>
  <main class="nothing">
    <h1>{{ MISSING[why].title }}</h1>
    <p>
      {{ MISSING[why].why }}
      <NuxtLink to="/shelf" class="underline">{{ $say('workspace.backToTheShelf') }}</NuxtLink>
    </p>
    <UButton v-if="why === 'deleted'" :label="$say('workspace.bringItBack')" @click="bringBack" />
  </main>
</template>

<style scoped>
.nothing { padding: 3rem 1.75rem; }
.nothing h1 { font-size: 1.85rem; margin-bottom: 0.4rem; }
</style>
