<script setup lang="ts">
import { say } from '~/words/say'

// The kitchen decides units and words everywhere, so it is fetched before anything is drawn.
const kitchen = useKitchenStore()
// So long as that is quick: a page that waits says what it waits for.
const PATIENCE_MS = 800
/** Its type is there before its words are: nothing jumps when it comes. */
const type = ['400 1rem "Instrument Sans Variable"', '500 1rem "Fraunces Variable"'].map(f => document.fonts.load(f))
await Promise.race([
  Promise.all([kitchen.load(), Promise.allSettled(type)]),
  new Promise(resolve => setTimeout(resolve, PATIENCE_MS)),
])
/** Past the bar, for those who go by key. */
function toContent() {
  const main = document.querySelector<HTMLElement>('main')
  main?.setAttribute('tabindex', '-1')
  main?.focus()
}
const AWAY = { server: say('app.waitingForTheServer'), database: say('app.waitingForTheDatabase') } as const
</script>

<template>
  <UApp :toaster="{ position: 'bottom-left', duration: 9000 }">
    <NuxtLoadingIndicator color="#1F2F24" :height="2" />
    <a href="#content" class="skip no-print" @click.prevent="toContent">{{ $say('app.skipToTheContent') }}</a>
    <TopBar />
    <p v-if="away && kitchen.record" class="unreachable away no-print" role="alert" :data-away="away">
      <b>{{ AWAY[away] }}.</b> {{ $say('app.whatYouChangeIsKeptIn') }}
    </p>
    <p v-if="storageFailing" class="unreachable no-print" role="alert" data-storage="failing">
      <b>{{ $say('app.thisBrowserKeepsNothing') }}</b> {{ $say('app.itsStorageIsFullOrSwitched') }}
    </p>
    <OutboxNotices v-if="kitchen.record" />
    <div id="content" tabindex="-1">
      <NuxtPage v-if="kitchen.record" />
      <main v-else class="waiting" aria-busy="true" :data-away="away ?? ''">
        <div role="status"><h1>{{ away ? AWAY[away] : $say('app.openingTheKitchen') }}</h1></div>
        <p v-if="away" class="soft">
          {{
            $say('app.itIsAskedAgainEveryMoment',
                 { was: away === 'database'
                   ? $say('app.lumbikRunsButItsDatabaseDoes')
                   : $say('app.nobodyAnswersWhereLumbikWas') })
          }}
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
.unreachable { padding: 0.6rem 1.75rem; margin: 0; border-bottom: 1px solid var(--blood); color: var(--blood); }
/* Comes and goes: nothing under a finger moves for it. */
.away {
  position: fixed; left: 0; right: 0; bottom: 0; z-index: 30; background: var(--paper); border-bottom: 0;
  border-top: 1px solid var(--blood); pointer-events: none;
}
.waiting { padding: 3rem 1.75rem; }
.waiting h1 { font-size: 1.85rem; margin-bottom: 0.4rem; }
@media (max-width: 760px) { .unreachable { padding: 0.6rem 1rem; } }
</style>
