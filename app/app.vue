<script setup lang="ts">
import { ROLE_NAMES } from '~/words/door'
import { say } from '~/words/say'

// The kitchen decides units and words everywhere, so it is fetched before anything is drawn.
const kitchen = useKitchenStore()
const door = useDoorStore()
const route = useRoute()
// So long as that is quick: a page that waits says what it waits for.
const PATIENCE_MS = 800
/** Its type is there before its words are: nothing jumps when it comes. */
const type = ['400 1rem "Instrument Sans Variable"', '500 1rem "Fraunces Variable"'].map(f => document.fonts.load(f))
const opening = door.load().then(() => (door.isIn ? kitchen.load() : undefined))
await Promise.race([
  Promise.all([opening, Promise.allSettled(type)]),
  new Promise(resolve => setTimeout(resolve, PATIENCE_MS)),
])
// Whoever comes in finds the kitchen as it now is; another person, or another kitchen, begins anew.
watch(() => [door.me?.membershipId, door.state?.kitchen?.id].join(' '), (now, before) => {
  if (!door.isIn) return
  if (before.trim() && now !== before) reloadNuxtApp({ force: true })
  else void kitchen.load()
})
useLiveLine(computed(() => door.isIn))
const isShared = computed(() => route.path === '/shared')
const isAtDoor = computed(() => !isShared.value && door.state !== null && (!door.isIn || location.hash.startsWith('#invited=')))
/** What a place asks of whoever opens it; others are shown the Book. */
const NEEDS = [[/^\/(today|shelf|new|formula|$)/, 'make'], [/^\/bin/, 'write']] as const
const isShut = computed(() => door.isIn && NEEDS.some(([path, right]) => path.test(route.path.replace(/^\/$/, '/shelf')) && !door.may(right)))
watch(isShut, is => is && void navigateTo('/book'), { immediate: true })
const readsOnly = computed(() => door.isIn && ((route.path.startsWith('/formula/') && !door.mayWrite('formula')) || (route.path === '/kitchen' && !door.mayWrite('kitchen'))))
/** Past the bar, for those who go by key. */
function toContent() {
  const main = document.querySelector<HTMLElement>('main')
  main?.setAttribute('tabindex', '-1')
  main?.focus()
}
const AWAY = {
  server: say('app.waitingForTheServer'), database: say('app.waitingForTheDatabase'), full: say('app.databaseIsFull'),
} as const
const AWAY_WHY = {
  server: say('app.nobodyAnswersWhereLumbikWas'), database: say('app.lumbikRunsButItsDatabaseDoes'),
  full: say('app.databaseIsFullHow'),
} as const
</script>

<template>
  <UApp :toaster="{ position: 'bottom-left', duration: 9000 }">
    <NuxtLoadingIndicator color="#1F2F24" :height="2" />
    <a href="#content" class="skip no-print" @click.prevent="toContent">{{ $say('app.skipToTheContent') }}</a>
    <TopBar />
    <aside class="no-print" :aria-label="$say('app.notes')">
      <NewVersion />
      <p v-if="door.state?.isDemo" class="demo" data-demo-door>{{ $say('app.demo', { name: door.me?.name }) }}</p>
      <p v-if="readsOnly" class="demo" role="status" data-reads-only>
        {{ $say('app.readsOnly', { role: ROLE_NAMES[door.me!.role]!.toLowerCase() }) }}
      </p>
    </aside>
    <p v-if="away && kitchen.record" class="unreachable away no-print" role="alert" :data-away="away">
      <b>{{ AWAY[away] }}.</b> {{ $say('app.whatYouChangeIsKeptIn') }}
    </p>
    <p v-if="storageFailing" class="unreachable no-print" role="alert" data-storage="failing">
      <b>{{ $say('app.thisBrowserKeepsNothing') }}</b> {{ $say('app.itsStorageIsFullOrSwitched') }}
    </p>
    <OutboxNotices v-if="kitchen.record" />
    <div id="content" tabindex="-1">
      <DoorPage v-if="isAtDoor" />
      <NuxtPage v-else-if="isShared || (kitchen.record && !isShut)" />
      <main v-else class="waiting" aria-busy="true" :data-away="away ?? ''">
        <div role="status"><h1>{{ away ? AWAY[away] : $say('app.openingTheKitchen') }}</h1></div>
        <p v-if="away" class="soft">
          {{ $say('app.itIsAskedAgainEveryMoment', { was: AWAY_WHY[away] }) }}
        </p>
      </main>
    </div>
  </UApp>
</template>

<style scoped>
.skip {
  position: fixed; left: 0.5rem; top: -4rem; z-index: 60; background: var(--paper); border: 1.5px solid var(--ink);
  padding: 0.6rem 1rem; min-height: 44px;
}
.skip:focus { top: 0.5rem; }
#content { outline: none; }
.demo { padding: 0.35rem 1.75rem; margin: 0; border-bottom: 1px solid var(--hairline); color: var(--ink-soft); font-size: 0.92rem; }
.unreachable { padding: 0.6rem 1.75rem; margin: 0; border-bottom: 1px solid var(--blood); color: var(--blood); }
/* Comes and goes: nothing under a finger moves for it. */
.away {
  position: fixed; left: 0; right: 0; bottom: 0; z-index: 30; background: var(--paper); border-bottom: 0;
  border-top: 1px solid var(--blood); pointer-events: none;
}
.waiting { padding: 3rem 1.75rem; }
.waiting h1 { font-size: 1.85rem; margin-bottom: 0.4rem; }
@media (max-width: 760px) { .demo { padding: 0.35rem 1.75rem; margin: 0; border-bottom: 1px solid var(--hairline); color: var(--ink-soft); font-size: 0.92rem; }
.unreachable { padding: 0.6rem 1rem; } }
</style>
