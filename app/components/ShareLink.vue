<script setup lang="ts">
/** A link by which anybody may read this for a week; made, shown and copied by one press. */
import { doorWords } from '~/words/door'
import { say } from '~/words/say'

const { kind, target } = defineProps<{ kind: 'formula' | 'day', target: string }>()
const door = useDoorStore()
const toast = useToast()
const link = ref('')
watch(() => target, () => { link.value = '' })
const DAYS = 7
async function make() {
  try {
    const { token } = await api<{ token: string }>('/api/links', { method: 'POST', body: { kind, target, days: DAYS } })
    link.value = `${location.origin}/shared#${token}`
    // Where the browser does not let us, it is there to be copied by hand.
    await navigator.clipboard.writeText(link.value).catch(() => {})
    toast.add({ title: say('shared.made', { n: DAYS }), description: say('shared.linkHow') })
  } catch (error) {
    toast.add({ title: doorWords(error), color: 'error' })
  }
}
</script>

<template>
  <span v-if="door.may('write')" class="share">
    <input v-if="link" class="native" readonly :value="link" :aria-label="$say('shared.link')" data-link @focus="e => (e.target as HTMLInputElement).select()">
    <button v-else type="button" class="underline" data-share @click="make">{{ $say('shared.link') }}</button>
  </span>
</template>

<style scoped>
.share { display: inline-flex; min-width: 0; margin-left: 0.7rem; }
.share button { min-height: 44px; }
.share input { width: 15rem; max-width: 60vw; font-size: 0.9rem; }
</style>
