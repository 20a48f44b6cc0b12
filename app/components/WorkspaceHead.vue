<script setup lang="ts">
/** Name of the formula, its way of making and use, and what can be done with the whole of it. */
import type { Bench } from '#core/formula/bench'
import { exportFormula } from '~/composables/formulaFile'
import { FAMILY_NAMES, SCHOOL_NAMES, USE_NAMES } from '~/words/names'

defineProps<{ doc: Bench }>()
const emit = defineEmits<{ use: [], keys: [] }>()
const workspace = useWorkspaceStore()
const kitchen = useKitchenStore()
const fmt = useFormat()
const route = useRoute()
const making = ref(false)
/* A dialog is fetched when it is first asked for. */
const makeAsked = computed((before?: boolean) => before || making.value)
/** There is a whole to see where there is more than a filling. */
const parted = computed(() => (workspace.planned?.formula.components.length ?? 0) > 1)
const print = () => navigateTo(`/formula/${String((route.params as { id: string }).id)}/card?print`)
</script>

<template>
  <div>
    <NameField
      class="name" :model-value="doc.name" :aria-label="$say('workspace.nameOfTheFormula')" maxlength="120"
      @update:model-value="v => workspace.change('name', d => { d.name = v })" @done="workspace.endGesture()"
    />
    <p class="sub">
      <span>
        {{ FAMILY_NAMES[doc.family].name }}:
        {{ SCHOOL_NAMES[doc.school].name.charAt(0).toLowerCase() + SCHOOL_NAMES[doc.school].name.slice(1) }}
      </span>
      <NuxtLink v-if="kitchen.record?.learned" to="/book/learned" class="underline" data-learned>
        {{ $say('learned.used', { n: kitchen.record.learned.number }) }}
      </NuxtLink>
      <button type="button" class="use" aria-haspopup="dialog" @click="emit('use')">
        {{
          $say('workspace.at',
               { name: USE_NAMES[doc.use.kind].name.toLowerCase(),
                 pieceHeightM: fmt.mm(doc.use.pieceHeightM),
                 tableTimeS: fmt.duration(doc.use.tableTimeS),
                 tableTempC: fmt.temp(doc.use.tableTempC) })
        }}<span class="underline change">
          {{ $say('workspace.change') }} <span class="sr">{{ $say('workspace.theUse') }}</span>
        </span>
      </button>
      <OthersHere v-if="workspace.id" :id="workspace.id" kind="formula" class="no-print" />
      <span class="tools no-print">
        <UButton size="sm" :label="$say('batch.makeIt')" data-make @click="making = true" />
        <NuxtLink v-if="parted" :to="`/formula/${workspace.id}/whole`" class="underline whole" data-whole>
          {{ $say('plate.whole') }}
        </NuxtLink>
        <UButton
          variant="ghost" color="neutral" size="sm" icon="i-lucide-undo-2" :disabled="!workspace.canUndo"
          :aria-label="$say('workspace.undo')" @click="workspace.undo()"
        />
        <UButton
          variant="ghost" color="neutral" size="sm" icon="i-lucide-redo-2" :disabled="!workspace.canRedo"
          :aria-label="$say('workspace.redo')" @click="workspace.redo()"
        />
        <UButton variant="ghost" color="neutral" size="sm" :label="$say('workspace.print')" @click="print" />
        <UButton
          variant="ghost" color="neutral" size="sm" :label="$say('workspace.export')"
          @click="exportFormula(workspace.planned!)"
        />
        <UButton
          variant="ghost" color="neutral" size="sm" :label="$say('workspace.keys')" class="keys"
          @click="emit('keys')"
        />
        <ShareLink v-if="workspace.id" kind="formula" :target="workspace.id" />
      </span>
    </p>
    <LazyMakeDialog v-if="makeAsked" v-model:open="making" :doc="doc" />
  </div>
</template>

<style scoped>
.name {
  font-family: var(--font-display); font-size: 1.85rem; font-weight: 500; letter-spacing: -0.01em; width: 100%;
  background: transparent; border: 0; padding: 0; line-height: 1.2; text-overflow: ellipsis;
}
.name:hover { box-shadow: inset 0 -1px 0 var(--hairline); }
.sub { display: flex; flex-wrap: wrap; gap: 0 0.8rem; align-items: center; margin: 0; color: var(--ink-soft); }
.use { min-height: 44px; text-align: left; cursor: pointer; }
.use .change { margin-left: 0.6rem; color: var(--ink); text-underline-offset: 3px; }
.tools { margin-left: auto; display: inline-flex; flex-wrap: wrap; align-items: center; }
.whole { min-height: 44px; display: inline-flex; align-items: center; padding: 0 0.7rem; color: var(--ink); }
@media (max-width: 1100px) {
  .sub > span:first-child { display: none; }
}
@media (max-width: 760px) {
  .name { font-size: 1.45rem; }
  .use .change { display: inline; }
  .keys { display: none; }
}
</style>
