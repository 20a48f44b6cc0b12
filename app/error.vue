<script setup lang="ts">
/** What is not there, or went wrong: said in the house's own words, with the way back. */
import type { NuxtError } from '#app'
import { say } from '~/words/say'

const props = defineProps<{ error: NuxtError }>()
const isMissing = computed(() => props.error.statusCode === 404)
useHead({ title: say('app.nothingHereLumbik') })
const back = () => clearError({ redirect: '/shelf' })
</script>

<template>
  <UApp>
    <main class="lost">
      <h1>{{ isMissing ? $say('app.thereIsNothingAtThisAddress') : $say('app.somethingWentWrongHere') }}</h1>
      <p class="soft">{{ isMissing ? $say('app.perhapsItWasTypedByHand') : $say('app.nothingIsLostWhatYou') }}</p>
      <UButton :label="$say('workspace.backToTheShelf')" @click="back" />
    </main>
  </UApp>
</template>

<style scoped>
.lost { padding: 3rem 1.75rem; display: grid; gap: 0.8rem; justify-items: start; }
.lost h1 { font-size: 1.85rem; margin: 0; }
.lost p { margin: 0; }
</style>
