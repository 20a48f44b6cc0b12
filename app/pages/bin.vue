<script setup lang="ts">
/** What was deleted in the last 30 days, and the way back. */
import { format, formatDistanceToNow, parseISO } from 'date-fns'
import type { BinItem, BinKind } from '../../shared/schemas/wire'
import { say } from '~/words/say'

useHead({ title: 'Bin · Lumbik' })
const kitchen = useKitchenStore()
const toast = useToast()
const items = shallowRef<BinItem[] | null>(null)
const failed = ref(false)
const busy = ref('')
const KINDS: Record<BinKind, string> = {
  formula: 'formula',
  lot: say('bin.lotOfJuiceOrCream'),
  vessel: say('bin.tinOrDish'),
  place: say('bin.coldPlace'),
  oven: 'oven',
  burner: 'burner',
  pan: 'pan',
}
async function load() {
  try {
    items.value = (await api<{ items: BinItem[] }>('/api/bin')).items
    failed.value = false
  } catch {
    failed.value = true
  }
}
await load()
const back = onBack(() => void load())
onScopeDispose(back.off)
async function bringBack(item: BinItem) {
  if (busy.value) return
  busy.value = item.id
  try {
    await api('/api/bin/restore', { method: 'POST', body: { kind: item.kind, id: item.id } })
    items.value = items.value!.filter(i => i !== item)
    if (item.kind !== 'formula') await kitchen.load()
    toast.add({
      title: say('bin.isBack', {
        name: item.name,
        kitchen: item.kind === 'formula' ? ` ${say('bin.onTheShelfWithItsVersions')}` : ` ${say('bin.inTheKitchen')}`,
      }),
    })
  } catch {
    toast.add({
      title: say('bin.itCouldNotBeBroughtBack'),
      description: say('bin.nothingWasChangedTryAgain'),
      color: 'error',
    })
  } finally {
    busy.value = ''
  }
}
</script>

<template>
  <main class="bin" :data-settled="items ? 'true' : 'false'">
    <h1>{{ $say('bin.bin') }}</h1>
    <p class="soft">{{ $say('bin.whatIsDeletedLiesHereFor') }}</p>
    <p v-if="failed" class="bad" role="alert">{{ $say('bin.theBinCannotBeReadThe') }}</p>
    <p v-else-if="items && items.length === 0">
      {{ $say('bin.theBinIsEmpty') }}
      <NuxtLink to="/shelf" class="underline">{{ $say('bin.backToTheShelf') }}</NuxtLink>
    </p>
    <ul v-else-if="items" class="gone">
      <li v-for="item in items" :key="`${item.kind}-${item.id}`" :data-bin="item.kind">
        <div>
          <b>{{ item.name }}</b>
          <span class="soft small">
            {{
              $say('bin.deletedKeptUntil',
                   { kind: KINDS[item.kind],
                     addSuffix: formatDistanceToNow(parseISO(item.deletedAt), { addSuffix: true }),
                     MMMM: format(parseISO(item.until), 'd MMMM') })
            }}
          </span>
        </div>
        <UButton
          variant="outline" color="neutral" :label="$say('bin.bringItBack')"
          :aria-label="$say('bin.bringBack', { name: item.name })" :disabled="busy !== ''" @click="bringBack(item)"
        />
      </li>
    </ul>
  </main>
</template>

<style scoped>
.bin { padding: 1.5rem 1.75rem 3rem; max-width: 880px; margin: 0 auto; }
h1 { font-size: 2rem; margin-bottom: 0.5rem; }
.gone { list-style: none; margin: 1rem 0 0; padding: 0; border-top: 1px solid var(--ink); }
.gone li {
  display: flex; justify-content: space-between; gap: 1rem; align-items: center;
  border-bottom: 1px solid var(--hairline); padding: 0.6rem 0;
}
.gone b { display: block; font-family: var(--font-display); font-size: 1.15rem; font-weight: 500; }
.bad { color: var(--blood); }
@media (max-width: 760px) { .bin { padding: 1rem; } }
</style>
