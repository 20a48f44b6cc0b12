<script setup lang="ts">
/**
 * What needs a word from the cook before it can be saved: both changed the same, somebody deleted it, the server
 * refused it.
 */
import type { Entry } from '~/composables/outboxEntry'
import { clashName, clashValue, unsentName } from '~/words/unsent'
import { documentProblemWords } from '~/words/problems'
import { say } from '~/words/say'

const outbox = useOutboxStore()
const workspace = useWorkspaceStore()
const fmt = useFormat()
const toast = useToast()
const route = useRoute()
const asking = computed(() =>
  outbox.list.filter(e => e.state === 'conflict' || e.state === 'deleted' || e.state === 'refused'),
)
const onBench = (e: Entry) => e.kind === 'formula' && e.id === workspace.id && route.path.startsWith('/formula/')
const cap = (s: string) => s.charAt(0).toUpperCase() + s.slice(1)
const CLASHES_SHOWN = 6

const variantName = ref('')
watch(
  () => workspace.entry?.state,
  (state) => {
    if (state === 'conflict' && workspace.doc)
      variantName.value = say('outboxNotices.myVariant', { name: workspace.doc.name })
  },
)
const oops = (what: string) =>
  toast.add({
    title: say('outboxNotices.theServerDoesNotAnswer', { what }),
    description: say('outboxNotices.yourChangesStayInThisBrowser'),
    color: 'error',
  })
async function keepBoth() {
  const name = variantName.value.trim() || say('outboxNotices.myVariant', { name: workspace.doc!.name })
  try {
    const made = await workspace.keepBoth(name)
    if (!made) return
    toast.add({ title: say('outboxNotices.keptAs', { name }), description: say('outboxNotices.itIsOnTheShelfBeside') })
    await navigateTo(`/formula/${made}/${String(route.params.station ?? 'balance')}`)
  } catch {
    oops(say('outboxNotices.theVariantCouldNotBeSaved'))
  }
}
const keepMine = (e: Entry) => outbox.decide(e.kind, e.id, 'mine')
function takeTheirs(e: Entry) {
  if (onBench(e)) workspace.takeTheirs()
  else outbox.decide(e.kind, e.id, 'theirs')
}
async function keepDeleted(e: Entry) {
  try {
    await outbox.keepDeleted(e.kind, e.id)
    toast.add({ title: say('outboxNotices.isBackWithYourChanges', { p1: cap(unsentName(e)) }) })
  } catch {
    oops(say('outboxNotices.itCouldNotBeBroughtBack'))
  }
}
async function letGo(e: Entry) {
  outbox.drop(e.kind, e.id)
  if (onBench(e)) await navigateTo('/shelf')
}
</script>

<template>
  <div v-if="asking.length" class="notices no-print">
    <div v-for="e in asking" :key="`${e.kind}:${e.id}`" class="notice" role="alert" :data-notice="e.state">
      <template v-if="e.state === 'conflict'">
        <p>
          <b>
            {{
              onBench(e)
                ? $say('outboxNotices.changedInAnotherWindow')
                : $say('outboxNotices.wasChangedInAnotherWindow', { p1: cap(unsentName(e)) })
            }}
          </b>
          {{ $say('outboxNotices.nothingWasOverwrittenWhatOnlyOne') }}
        </p>
        <table>
          <thead>
            <tr>
              <th scope="col"><span class="sr">{{ $say('outboxNotices.field') }}</span></th>
              <th scope="col">{{ $say('outboxNotices.yours') }}</th>
              <th scope="col">{{ $say('outboxNotices.theOther') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(c, i) in e.clashes.slice(0, CLASHES_SHOWN)" :key="i" data-clash>
              <th scope="row">{{ clashName(c, e.value, fmt) }}</th>
              <td class="num">{{ clashValue(c, 'mine', fmt) }}</td>
              <td class="num">{{ clashValue(c, 'theirs', fmt) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="e.clashes.length > CLASHES_SHOWN" class="soft small">
          {{ $say('outboxNotices.andMore', { CLASHESSHOWN: e.clashes.length - CLASHES_SHOWN }) }}
        </p>
        <div class="acts">
          <UButton :label="$say('outboxNotices.keepMine')" @click="keepMine(e)" />
          <UButton
            variant="outline" color="neutral" :label="$say('outboxNotices.takeTheOther')" @click="takeTheirs(e)"
          />
          <template v-if="onBench(e)">
            <label class="sr" for="variant-name">{{ $say('outboxNotices.nameForYourVariant') }}</label>
            <input id="variant-name" v-model="variantName" class="native" maxlength="120">
            <UButton variant="outline" color="neutral" :label="$say('outboxNotices.keepBoth')" @click="keepBoth" />
          </template>
        </div>
      </template>
      <template v-else-if="e.state === 'deleted'">
        <p>
          <b>{{ $say('outboxNotices.wasDeletedInAnotherWindow', { p1: cap(unsentName(e)) }) }}</b>
          {{ $say('outboxNotices.whatYouChangedIsKeptIn') }}
        </p>
        <div class="acts">
          <UButton :label="$say('outboxNotices.keepIt')" @click="keepDeleted(e)" />
          <UButton variant="outline" color="neutral" :label="$say('outboxNotices.letItGo')" @click="letGo(e)" />
        </div>
      </template>
      <template v-else>
        <p>
          <b>
            {{ onBench(e) ? $say('outboxNotices.notSaved') : $say('outboxNotices.isNotSaved', { p1: cap(unsentName(e)) }) }}
          </b>
          {{ $say('outboxNotices.changeItAndItIsSent', { problem: e.problem ? documentProblemWords(e.problem) : '' }) }}
          <NuxtLink v-if="e.kind === 'formula' && !onBench(e)" class="underline" :to="`/formula/${e.id}/balance`">
            {{ $say('outboxNotices.openIt') }}
          </NuxtLink>
        </p>
      </template>
    </div>
  </div>
</template>

<style scoped>
.notices { padding: 0.4rem 1.75rem; }
.notice {
  border: 1px solid var(--blood); border-left-width: 4px; padding: 0.6rem 0.9rem; margin: 0.4rem 0; background: #fffdf7;
}
.notice p { margin: 0 0 0.4rem; }
table { border-collapse: collapse; margin: 0.2rem 0 0.5rem; }
th { text-align: left; font-weight: 400; padding: 0.15rem 1.4rem 0.15rem 0; }
thead th { color: var(--ink-soft); }
td { padding: 0.15rem 1.4rem 0.15rem 0; font-weight: 600; }
tbody tr { border-top: 1px solid var(--hairline); }
.acts { display: flex; gap: 0.6rem; flex-wrap: wrap; } .acts input { flex: 1 1 12rem; max-width: 24rem; }
@media (max-width: 760px) { .notices { padding: 0.4rem 1rem; } }
</style>
