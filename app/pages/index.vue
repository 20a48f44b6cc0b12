<script setup lang="ts">
/** The first start: whose kitchen this is, a field to paste into, and one formula that fails, to be mended. */
import type { FormulaList } from '../../shared/schemas/wire'
import { directionOf } from '~/words/direction'
import { shortVerdict } from '~/words/verdict'
import { say } from '~/words/say'

const STARTED = 'lumbik:started'
useHead({ title: say('start.title') })
const started = browserStore.get(STARTED) !== null
if (started) await navigateTo('/shelf', { replace: true })
browserStore.set(STARTED, '1')
const kitchen = useKitchenStore()
const draft = useNewDraft()
const text = ref('')
const list = started ? null : await api<FormulaList>('/api/formulas').catch(() => null)
const first = computed(() => list?.items.find(i => i.id === list.firstId && i.demo) ?? null)
const verdict = computed(() =>
  first.value?.summary ? shortVerdict(first.value.summary.code, first.value.summary.safe) : '')
async function read() {
  if (text.value.trim()) draft.value = { ...draft.value, text: text.value }
  await navigateTo('/new')
}
</script>

<template>
  <main class="start">
    <h1>{{ $say('start.willItSet') }}</h1>
    <p class="whose" data-whose>
      {{
        first
          ? $say('start.whose', { name: kitchen.record?.name ?? '' })
          : $say('start.whoseOwn', { name: kitchen.record?.name ?? '' })
      }}
    </p>
    <div class="two">
      <form @submit.prevent="read">
        <label class="section-title" for="start-paste">{{ $say('start.paste') }}</label>
        <textarea
          id="start-paste" v-model="text" rows="8" spellcheck="false" :dir="directionOf(text)"
          :placeholder="$say('start.placeholder')"
        />
        <UButton type="submit" :label="$say('start.readIt')" />
      </form>
      <section v-if="first">
        <h2 class="section-title">{{ $say('start.orTry') }}</h2>
        <CutFace v-if="first.summary" :piece="first.summary.piece" />
        <p>{{ $say('start.tryIt', { name: first.name, verdict }) }}</p>
        <UButton
          variant="outline" color="neutral" :to="`/formula/${first.id}/balance`" :label="$say('start.open')"
        />
      </section>
    </div>
    <p><NuxtLink class="underline" to="/shelf">{{ $say('start.shelf') }}</NuxtLink></p>
  </main>
</template>

<style scoped>
.start { padding: 1.5rem 1.75rem 3rem; max-width: 1080px; margin: 0 auto; }
h1 { font-size: 2.2rem; margin-bottom: 0.4rem; }
.whose { font-size: 1.1rem; max-width: 44rem; margin: 0 0 1.4rem; }
.two { display: grid; grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr); gap: 2rem 3rem; align-items: start; }
form { display: grid; gap: 0.6rem; justify-items: start; }
textarea { width: 100%; background: #fffdf7; border: 1px solid #848879; padding: 0.7rem 0.8rem; line-height: 1.6; }
textarea::placeholder { color: #6c7263; }
@media (max-width: 760px) {
  .start { padding: 1rem; } .two { grid-template-columns: minmax(0, 1fr); } h1 { font-size: 1.7rem; }
}
</style>
