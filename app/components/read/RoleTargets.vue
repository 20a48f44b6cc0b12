<script setup lang="ts">
/** Where a dragged line may be dropped: a strip at the foot of the screen, there while something is dragged. */
import { VueDraggable } from 'vue-draggable-plus'
import type { ComponentRole } from '#core/formula/document'
import { ROLE_NAMES } from '~/words/layers'

defineProps<{ roles: readonly ComponentRole[] }>()
const emit = defineEmits<{ drop: [index: number, role: ComponentRole] }>()
const over = ref<ComponentRole | null>(null)
function dropped(e: { item: HTMLElement }, role: ComponentRole) {
  emit('drop', Number(e.item.dataset.lineIndex), role)
}
</script>

<template>
  <div class="targets" data-part="role-targets">
    <div
      v-for="r in roles" :key="r" class="target" :class="{ over: over === r }" :data-target="r"
      @pointerenter="over = r" @pointerleave="over = null"
    >
      <b>{{ ROLE_NAMES[r] }}</b>
      <VueDraggable
        class="drop" :model-value="[]" :group="{ name: 'role', put: ['read'], pull: false }" :sort="false"
        @add="(e: { item: HTMLElement }) => dropped(e, r)"
      />
    </div>
  </div>
</template>

<style scoped>
.targets {
  position: fixed; inset: auto 0 0; z-index: 40; display: flex; gap: 0.6rem; padding: 0.7rem 1rem;
  background: var(--paper); border-top: 1.5px solid var(--ink);
}
.target {
  position: relative; flex: 1; min-height: 72px; display: grid; place-items: center; border: 1.5px dashed var(--ink-soft);
}
.target.over, .target:has(.sortable-ghost) { background: var(--citron-soft); border-color: var(--ink); }
.drop { position: absolute; inset: 0; overflow: hidden; }
.drop > * { opacity: 0; }
</style>
