<script setup lang="ts">
/** The bar at the top: the places, and whether everything of this browser is saved. */
import type { Right } from '../../shared/door'
import { unsentList, unsentName } from '~/words/unsent'
import { say } from '~/words/say'

const kitchen = useKitchenStore()
const workspace = useWorkspaceStore()
const outbox = useOutboxStore()
const left = useLeft()
const route = useRoute()
const door = useDoorStore()
const PLACES: readonly { to: string, name: string, right: Right }[] = [
  { to: '/today', name: say('topBar.today'), right: 'make' }, { to: '/shelf', name: say('topBar.shelf'), right: 'make' },
  { to: '/book', name: say('topBar.book'), right: 'read' }, { to: '/kitchen', name: say('topBar.kitchen'), right: 'make' },
]
const places = computed(() => PLACES.filter(p => door.may(p.right)))
const inFormula = computed(() => route.path.startsWith('/formula/'))
const active = (to: string) =>
  route.path.startsWith(to) || (to === '/book' && route.path.startsWith('/batch/')) || (to === '/shelf' && (inFormula.value || route.path === '/new' || route.path === '/bin'))
const initials = computed(() => (door.me?.name ?? '').split(/\s+/).map(w => w.charAt(0)).join('').slice(0, 2).toUpperCase())
const { time, day } = useFormat()

/** "Saved" is said only when nothing of this browser waits, in whichever tab. */
const state = computed(() => {
  const list = outbox.list
  if (list.some(e => e.state === 'conflict')) return 'conflict'
  if (list.some(e => e.state === 'unsent' || e.state === 'refused' || e.state === 'deleted')) return 'unsent'
  if (list.length > 0) return 'saving'
  return outbox.elsewhere.length > 0 || left.value.length > 0 ? 'unsent' : 'saved'
})
const words = computed(() => {
  const names = [
    ...outbox.list.filter(e => e.state !== 'waiting' && e.state !== 'sending').map(unsentName),
    ...outbox.elsewhere.map(n => `“${n}”`),
    ...left.value.map(l => l.kind === 'batch' ? say('unsent.batchNotes') : say('unsent.daySheet', { day: day(`${l.id}T12:00`) })),
  ]
  switch (state.value) {
    case 'conflict':
      return say('topBar.changedElsewhere')
    case 'unsent':
      return say('topBar.notSentYetKeptInThis', { names: unsentList(names) })
    case 'saving':
      return say('topBar.saving')
    default:
      return inFormula.value && workspace.doc && workspace.savedAt
        ? say('topBar.saved', { savedAt: time(workspace.savedAt) })
        : ''
  }
})
</script>

<template>
  <header class="bar no-print">
    <NuxtLink to="/shelf" class="wordmark" :aria-label="$say('topBar.lumbikToTheShelf')">
      {{ $say('topBar.lumbik') }}<svg viewBox="0 0 12 12" aria-hidden="true"><path d="M1 11V6c0-3 2-5 5-5 4 0 5 3 5 5s-2 5-5 5z" /></svg>
    </NuxtLink>
    <nav :aria-label="$say('topBar.places')">
      <NuxtLink
        v-for="p in places" :key="p.to" :to="p.to" :class="{ on: active(p.to) }"
        :aria-current="active(p.to) ? 'page' : undefined"
      >
        {{ p.name }}
      </NuxtLink>
    </nav>
    <div class="right">
      <span class="save" :class="state" role="status" :data-all-saved="state">{{ words }}</span>
      <span v-if="door.isIn" class="soft kitchen">{{ kitchen.record?.name }}</span>
      <NuxtLink v-if="door.me" to="/people" class="me" data-me :aria-label="door.me.name" :title="door.me.name">
        <span class="long">{{ door.me.name }}</span><span class="short" aria-hidden="true">{{ initials }}</span>
      </NuxtLink>
    </div>
  </header>
</template>

<style scoped>
.bar {
  display: flex; align-items: center; gap: 1.75rem; padding: 0 1.75rem; height: 52px;
  border-bottom: 1px solid var(--hairline);
}
.wordmark {
  font-family: var(--font-display); font-size: 1.55rem; font-weight: 600; letter-spacing: -0.02em; display: inline-flex;
  align-items: flex-end; gap: 2px; line-height: 1;
}
.wordmark svg { width: 11px; height: 11px; fill: var(--citron); margin-bottom: 1px; }
nav { display: flex; gap: 1.4rem; height: 100%; }
nav a {
  display: inline-flex; align-items: center; min-width: 44px; border-bottom: 2px solid transparent; margin-bottom: -1px;
  color: var(--ink-soft);
}
nav a.on { color: var(--ink); font-weight: 600; border-color: var(--ink); }
.right { margin-left: auto; display: flex; gap: 1.5rem; font-size: 0.92rem; align-items: center; min-width: 0; }
.save { color: var(--ink-soft); white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.save.unsent, .save.conflict { color: var(--blood); font-weight: 600; }
.kitchen { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.me .short { display: none; }
.me { white-space: nowrap; display: inline-flex; align-items: center; min-height: 44px; text-decoration: underline; text-underline-offset: 3px; }
@media (max-width: 760px) {
  .bar { padding: 0 1rem; gap: 1rem; }
  nav { gap: 0.8rem; }
  .kitchen, .me .long { display: none; }
  .me .short { display: inline; min-width: 1.6rem; text-align: center; }
  .save {
    font-size: 0.88rem; white-space: normal; line-height: 1.15; display: -webkit-box; -webkit-box-orient: vertical;
    -webkit-line-clamp: 2; line-clamp: 2;
  }
}
@media (max-width: 400px) {
  .bar { padding: 0 0.7rem; gap: 0.6rem; }
  .wordmark { font-size: 1.1rem; } .wordmark svg { width: 9px; height: 9px; }
  nav { gap: 0.15rem; } nav a { justify-content: center; font-size: 0.9rem; }
  .right { gap: 0.4rem; }
}
@media (max-width: 340px) {
  .bar { padding: 0 0.4rem; gap: 0.35rem; } .right { gap: 0.2rem; }
  .me .short { min-width: 0; }
}
</style>
