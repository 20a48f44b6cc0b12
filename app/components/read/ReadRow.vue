<script setup lang="ts">
/** One piece of the text beside what it was read as. */
import { COMPONENT_ROLES, type ComponentRole } from '#core/formula/document'
import type { Entry } from '#core/formats/reader/reading'
import { ROLE_NAMES } from '~/words/layers'
import { assumptionWords, ENTRY_NAMES } from '~/words/reading'

const props = defineProps<{ entry: Entry, index: number, asked: boolean }>()
/** What goes on at the last is said at Serve, never in a list of ingredients. */
const READ_ROLES: readonly ComponentRole[] = COMPONENT_ROLES.filter(r => r !== 'finish')
const emit = defineEmits<{
  answer: [value: string | number]
  leave: []
  take: []
  move: [role: ComponentRole]
}>()
const fmt = useFormat()
const state = computed(() => {
  const { kind, leftOut, question } = props.entry
  return leftOut ? 'left-out' : (question?.kind ?? (kind === 'ingredient' ? 'read' : kind))
})
const told = computed(() => [...new Set(props.entry.assumptions.map(a => assumptionWords(a, fmt)))].join(', '))
/** To the next role, or the one before, by the arrow keys on its grip. */
function step(by: 1 | -1) {
  const at = READ_ROLES.indexOf(props.entry.component?.role ?? 'filling')
  emit('move', READ_ROLES[(at + by + READ_ROLES.length) % READ_ROLES.length]!)
}
const isLine = computed(() => props.entry.kind === 'ingredient' && !props.entry.leftOut)
</script>

<template>
  <li :class="[state, { asks: entry.question }]" :data-line-index="index" :data-read="state">
    <button
      v-if="isLine" type="button" class="grip" :aria-label="$say('new.dragToAPart', { text: entry.text })"
      @keydown.right.prevent="step(1)" @keydown.left.prevent="step(-1)"
    >
      <UIcon name="i-lucide-grip-vertical" />
    </button>
    <div class="written">{{ entry.text }}</div>
    <div class="as">
      <template v-if="isLine && !entry.question">
        <div v-for="(i, k) in entry.items" :key="k" class="got">
          <b v-if="i.massG !== null" class="num">{{ fmt.grams(i.massG) }}</b>
          {{ i.ingredientId ? fmt.name(i.ingredientId) : '' }}
        </div>
        <div class="told">{{ told }}</div>
      </template>
      <ReadQuestion
        v-else-if="isLine && asked" :entry="entry" :question="entry.question!" @answer="v => emit('answer', v)"
        @leave="emit('leave')"
      />
      <div v-else-if="isLine" class="told">{{ $say('new.waitsForTheAnswerAbove') }}</div>
      <div v-else-if="entry.leftOut || entry.kind === 'setAside'" class="told">
        {{ $say('new.setAside') }}
        <button type="button" class="underline back" @click="emit('take')">{{ $say('new.bringItBack') }}</button>
      </div>
      <div v-else class="told">{{ ENTRY_NAMES[entry.kind] }}</div>
    </div>
    <div v-if="isLine" class="where">
      <label class="sr" :for="`role-${index}`">{{ $say('new.whereItGoes', { text: entry.text }) }}</label>
      <select
        :id="`role-${index}`" class="native" :value="entry.component?.role"
        @change="emit('move', ($event.target as HTMLSelectElement).value as ComponentRole)"
      >
        <option v-for="r in READ_ROLES" :key="r" :value="r">{{ ROLE_NAMES[r] }}</option>
      </select>
      <UButton
        v-if="!entry.question" variant="ghost" color="neutral" size="sm" icon="i-lucide-x"
        :aria-label="$say('new.setAsideThis', { text: entry.text })" @click="emit('leave')"
      />
    </div>
  </li>
</template>

<style scoped>
li {
  position: relative; display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr) 10.5rem; gap: 0 1.2rem;
  align-items: start; border-bottom: 1px solid var(--hairline); padding: 0.4rem 0 0.4rem 48px;
  border-left: 3px solid transparent; background: var(--paper);
}
.grip {
  position: absolute; left: 0; top: 0; width: 44px; height: 44px; display: grid; place-items: center;
  color: var(--ink-soft); cursor: grab; touch-action: none;
}
.asks { border-left-color: var(--blood); }
.written { color: var(--ink-soft); overflow-wrap: anywhere; white-space: pre-line; padding-top: 0.15rem; }
.read .written { color: var(--ink); }
.heading .written { font-weight: 600; color: var(--ink); }
.left-out .written { text-decoration: line-through; }
.setAside .written, .left-out .written { color: #6c7263; }
.got b { font-weight: 600; }
.told { font-size: 0.92rem; color: var(--ink-soft); }
.back { min-height: 44px; margin-left: 0.5rem; }
.where { display: flex; align-items: center; gap: 0.2rem; }
@media (max-width: 760px) {
  li { grid-template-columns: minmax(0, 1fr) auto; }
  .written, .as { grid-column: 1 / -1; }
  .where { grid-column: 1 / -1; max-width: 14rem; }
}
</style>
