<script setup lang="ts">
/** The whole kitchen as a file to keep or to take along; a new kitchen of such a file. */
import type { ExportResult } from '../../../shared/book'
import { doorWords } from '~/words/door'
import { say } from '~/words/say'

const fmt = useFormat()
const { work, failed, isGoing, load, ask, cancel, result } = useWork<ExportResult>('/api/kitchen/export')
void load()
const madeAt = computed(() => {
  const { at, bytes } = result.value ?? { at: '', bytes: 0 }
  return at && say('people.fileMade', { at: `${fmt.day(at)} ${fmt.clock(at)}`, mb: fmt.fixed(bytes / 1e6, 1) })
})
const emit = defineEmits<{ taken: [] }>()
const toast = useToast()
const wrong = ref('')
const isBusy = ref(false)
const file = useTemplateRef<HTMLInputElement>('file')
async function take() {
  const chosen = file.value?.files?.[0]
  if (!chosen || isBusy.value) return
  isBusy.value = true
  wrong.value = ''
  try {
    await apiFile('/api/kitchen/file', new File([chosen], chosen.name, { type: 'application/x-ndjson' }))
    toast.add({ title: say('people.fileTaken') })
    emit('taken')
  } catch (error) {
    wrong.value = doorWords(error)
  } finally {
    isBusy.value = false
    if (file.value) file.value.value = ''
  }
}
</script>

<template>
  <section>
    <h2>{{ $say('people.file') }}</h2>
    <p class="soft">{{ $say('people.fileHow') }}</p>
    <p class="acts">
      <button v-if="!isGoing" type="button" class="flat" data-write-file @click="ask">{{ $say('people.fileWrite') }}</button>
      <button v-else type="button" class="flat" @click="cancel">{{ $say('people.fileStop') }}</button>
      <a v-if="result" class="flat" href="/api/kitchen/file" download data-kitchen-file>{{ $say('people.fileOut') }}</a>
      <button type="button" class="flat" :disabled="isBusy" @click="file?.click()">{{ $say('people.fileIn') }}</button>
      <input ref="file" type="file" accept=".ndjson,application/x-ndjson" class="sr" :aria-label="$say('people.fileIn')" @change="take">
    </p>
    <p v-if="isGoing" role="status">
      {{ $say('people.fileIsWritten') }} <span class="num">{{ fmt.percent(work!.progress) }}</span>
    </p>
    <p v-else-if="madeAt" class="soft num" role="status">{{ madeAt }}</p>
    <p v-if="failed || work?.state === 'failed'" class="bad" role="alert">{{ $say('people.fileFailed') }}</p>
    <p v-if="isBusy" role="status">{{ $say('people.fileIsRead') }}</p>
    <p v-if="wrong" class="bad" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
h2 { font-size: 1.25rem; margin-top: 1.8rem; border-bottom: 1px solid var(--hairline); padding-bottom: 0.3rem; }
section > * + * { margin-top: 0.7rem; }
.acts { display: flex; gap: 1rem; flex-wrap: wrap; }
.acts > * { min-height: 44px; }
.acts a { display: inline-flex; align-items: center; }
.bad { color: var(--blood); font-weight: 600; }
</style>
