<script setup lang="ts">
/** The label on a sheet of its own, for the printer. */
const route = useRoute()
const id = computed(() => String((route.params as { id: string }).id))
const { doc, assessment, missing } = await useSheet(id.value)
const size = computed<'62' | 'a6'>(() => route.query.size === 'a6' ? 'a6' : '62')
const SIZES = [['62', '62 mm roll'], ['a6', 'A6 card']] as const
// The sheet is as wide as the roll or the card.
useHead({
  title: 'Label · Lumbik',
  style: [
    {
      key: 'sheet',
      innerHTML: () =>
        size.value === 'a6' ? '@page { size: 105mm 148mm; margin: 0 }' : '@page { size: 62mm 100mm; margin: 0 }',
    },
  ],
})
const print = () => window.print()
</script>

<template>
  <main class="sheet" :data-sheet="doc && assessment ? 'ready' : 'working'">
    <p v-if="missing">
      {{ $say('label.thisFormulaIsNotHere') }}
      <NuxtLink class="underline" to="/shelf">{{ $say('label.backToTheShelf') }}</NuxtLink>
    </p>
    <template v-else-if="doc && assessment">
      <h1 class="sr">{{ doc.name }}</h1>
      <div class="no-print bar">
        <NuxtLink class="underline" :to="`/formula/${id}/serve`">{{ $say('label.back') }}</NuxtLink>
        <div class="choices" role="group" :aria-label="$say('label.size')">
          <NuxtLink
            v-for="[key, name] in SIZES" :key="key" :to="{ query: { size: key } }" replace class="pick"
            :class="{ on: size === key }" :aria-current="size === key ? 'true' : undefined"
          >
            {{ name }}
          </NuxtLink>
        </div>
        <UButton :label="$say('label.print')" @click="print" />
      </div>
      <LabelSheet :doc="doc" :assessment="assessment" :size="size" />
    </template>
    <p v-else class="soft">{{ $say('label.workingItOut') }}</p>
  </main>
</template>

<style scoped>
.sheet { padding: 1.25rem 1.75rem 2rem; }
.bar { display: flex; flex-wrap: wrap; gap: 1.2rem; align-items: center; margin-bottom: 1.2rem; }
.bar > a { min-height: 44px; display: inline-flex; align-items: center; }
.pick {
  min-height: 44px; display: inline-flex; align-items: center; color: var(--ink-soft);
  border-bottom: 3px solid transparent;
}
.pick.on { color: var(--ink); font-weight: 600; border-color: var(--citron); }
@media print { .sheet { padding: 0; } }
</style>
