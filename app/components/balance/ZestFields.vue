<script setup lang="ts">
/** How a line of zest was taken off, or how coarse a line of sugar is: what its scent or its grit go by. */
import { findIngredient } from '#core/base/ingredients/ingredients'
import { type Bench, fillingOf } from '#core/formula/bench'
import type { Line, ZestAs } from '#core/formula/document'
import { isRubbed } from '#core/formula/zest'
import { isGrainy } from '#core/pipeline/figures/dissolving'
import { ZEST_CUTS, ZEST_STRENGTH } from '#core/physics/matter/aroma'
import { type Grain, GRAINS } from '#core/physics/matter/dissolving'
import { GRAIN_NAMES, ZEST_CUT_NAMES } from '~/words/names'

const props = defineProps<{ doc: Bench, line: Line }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const row = computed(() => findIngredient(props.line.ingredientId))
const isZest = computed(() => row.value?.group === 'zest')
const inGrains = computed(() => row.value !== undefined && isGrainy(row.value) && row.value.id !== 'icing')
const rubbed = computed(() => isRubbed(props.line, fillingOf(props.doc)))
const put = (change: (l: Line) => void) => ws.change('', (d) => {
  const l = fillingOf(d).lines.find(x => x.id === props.line.id)
  if (l) change(l)
})
const isOpen = ref(false)
/** What is not said stays out of the document. */
const zest = (said: ZestAs) => put((l) => {
  const next = Object.fromEntries(Object.entries({ ...l.zest, ...said }).filter(([, v]) => v !== undefined))
  if (Object.keys(next).length) l.zest = next
  else delete l.zest
})
const grain = (g: string) => put((l) => {
  if (g) l.grain = g as Grain
  else delete l.grain
})
</script>

<template>
  <div v-if="isZest || inGrains" class="taken no-print">
    <button type="button" class="underline" :aria-expanded="isOpen ? 'true' : 'false'" @click="isOpen = !isOpen">
      {{ isZest ? $say('zestFields.title') : $say('zestFields.grain') }}
    </button>
    <template v-if="isOpen && isZest">
      <label>{{ $say('zestFields.of') }}
        <select
          class="native" :value="line.zest?.of ?? ''"
          @change="zest({ of: ($event.target as HTMLSelectElement).value || undefined })"
        >
          <option value="">{{ $say('zestFields.ofJuice') }}</option>
          <option v-for="(_, id) in ZEST_STRENGTH" :key="id" :value="id">{{ fmt.name(id) }}</option>
        </select>
      </label>
      <label>{{ $say('zestFields.cut') }}
        <select
          class="native" :value="line.zest?.cut ?? 'fine'"
          @change="zest({ cut: ($event.target as HTMLSelectElement).value as ZestAs['cut'] })"
        >
          <option v-for="c in ZEST_CUTS" :key="c" :value="c">{{ ZEST_CUT_NAMES[c] }}</option>
        </select>
      </label>
      <label class="tick">
        <input type="checkbox" :checked="rubbed" @change="zest({ rubbed: rubbed ? false : undefined })">
        {{ $say('zestFields.rubbed') }}
      </label>
      <label class="tick">
        <input type="checkbox" :checked="line.zest?.deep" @change="zest({ deep: line.zest?.deep ? undefined : true })">
        {{ $say('zestFields.deep') }}
      </label>
    </template>
    <label v-else-if="isOpen">{{ $say('zestFields.grain') }}
      <select class="native" :value="line.grain ?? ''" @change="grain(($event.target as HTMLSelectElement).value)">
        <option value="">{{ $say('zestFields.asWritten') }}</option>
        <option v-for="g in GRAINS" :key="g" :value="g">{{ GRAIN_NAMES[g] }}</option>
      </select>
    </label>
  </div>
</template>

<style scoped>
.taken { font-weight: 400; }
.taken button { min-height: 44px; color: var(--ink-soft); font-size: 0.9rem; font-weight: 400; }
label { display: block; font-size: 0.9rem; color: var(--ink-soft); margin-bottom: 0.4rem; }
.tick { display: flex; gap: 0.5rem; align-items: center; min-height: 44px; }
.tick input { width: 22px; height: 22px; accent-color: var(--ink); }
</style>
