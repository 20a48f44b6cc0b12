<script setup lang="ts">
/** Keys of one's own devices: made here with the password, taken away. */
import { format, formatDistanceToNow, parseISO } from 'date-fns'
import type { PasskeyShown } from '../../../shared/door'
import { doorWords } from '~/words/door'
import { say } from '~/words/say'

const door = useDoorStore()
const toast = useToast()
const keys = shallowRef<PasskeyShown[] | null>(null)
const wrong = ref('')
const form = reactive({ label: '', current: '' })
const isBusy = ref(false)
const load = async () => { keys.value = await api<PasskeyShown[]>('/api/door/passkeys').catch(() => keys.value) }
onMounted(load)

async function act(work: () => Promise<unknown>, done: string) {
  if (isBusy.value) return
  isBusy.value = true
  wrong.value = ''
  try {
    await work()
    toast.add({ title: done })
  } catch (error) {
    wrong.value = doorWords(error)
  } finally {
    isBusy.value = false
  }
  await load()
}
const make = () => act(async () => {
  await door.makeKey(form.current, form.label.trim())
  Object.assign(form, { label: '', current: '' })
}, say('people.keyMade'))
const end = (id: string) => act(() => api(`/api/door/passkeys/${id}`, { method: 'DELETE' }), say('people.keyGone'))
const day = (iso: string) => format(parseISO(iso), 'd MMM yyyy')
const ago = (iso: string) => formatDistanceToNow(parseISO(iso), { addSuffix: true })
</script>

<template>
  <details class="keys">
    <summary>{{ $say('people.keys') }}</summary>
    <p class="soft">{{ $say('people.keysHow') }}</p>
    <p v-if="keys?.length === 0" class="soft">{{ $say('people.noKeys') }}</p>
    <ul v-else class="rows">
      <li v-for="k in keys" :key="k.id" :data-key="k.label">
        <span>
          <b dir="auto">{{ k.label }}</b>
          <span class="soft"> {{ [$say('people.keySince', { at: day(k.since) }), k.usedAt && $say('people.keyUsed', { ago: ago(k.usedAt) })].filter(Boolean).join(' · ') }}</span>
        </span>
        <button type="button" class="underline" :disabled="isBusy" @click="end(k.id)">{{ $say('people.takeBack') }}</button>
      </li>
    </ul>
    <p v-if="!opensByKey()" class="soft" data-no-keys>{{ $say('people.keysNot') }}</p>
    <form v-else class="grid" @submit.prevent="make">
      <label>{{ $say('people.keyLabel') }} <input v-model="form.label" class="native" maxlength="60" required dir="auto"></label>
      <label>{{ $say('people.current') }}
        <input v-model="form.current" class="native" type="password" maxlength="200" required autocomplete="current-password">
      </label>
      <button type="submit" class="flat" :disabled="isBusy">{{ $say('people.makeKey') }}</button>
    </form>
    <p v-if="wrong" class="bad" role="alert">{{ wrong }}</p>
  </details>
</template>
