<script setup lang="ts">
/** Whole desserts to begin with: a kind, complete with parts, amounts and vessel. */
import { DESSERT_KINDS, type DessertKind, dessertOf } from '#core/plate/kinds'
import { BEGUN_NAMES, KIND_WORDS } from '~/words/plate'
import { say } from '~/words/say'

const kitchen = useKitchenStore()
const busy = ref(false)
const failed = ref(false)
async function begin(kind: DessertKind) {
  if (busy.value || !kitchen.core) return
  busy.value = true
  failed.value = false
  const id = crypto.randomUUID()
  const document = dessertOf(kind, kitchen.core, BEGUN_NAMES, () => crypto.randomUUID())
  try {
    await api('/api/formulas', {
      method: 'POST', body: { id, mutationId: crypto.randomUUID(), document, label: say('plate.begun') },
    })
    await navigateTo(`/formula/${id}/whole`)
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    failed.value = true
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section class="kinds">
    <h2 class="section-title">{{ $say('plate.beginWhole') }}</h2>
    <p class="soft">{{ $say('plate.beginHow') }}</p>
    <p v-if="failed" class="wrong" role="alert">{{ $say('new.theServerDoesNotAnswerWhat') }}</p>
    <ul>
      <li v-for="k in DESSERT_KINDS" :key="k">
        <button type="button" :disabled="busy" :data-begin="k" @click="begin(k)">
          <b>{{ KIND_WORDS[k].name }}</b>
          <span class="soft">{{ KIND_WORDS[k].how }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none; margin: 0.6rem 0 0; padding: 0; display: grid; gap: 0 1.6rem;
  grid-template-columns: repeat(auto-fill, minmax(min(17rem, 100%), 1fr));
}
li { border-top: 1px solid var(--hairline); }
button { width: 100%; min-height: 64px; text-align: left; padding: 0.5rem 0; display: grid; cursor: pointer; align-content: center; }
b { font-family: var(--font-display); font-weight: 500; font-size: 1.15rem; }
button:hover b { text-decoration: underline; text-underline-offset: 3px; }
</style>
