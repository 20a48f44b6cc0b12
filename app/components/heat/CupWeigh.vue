<script setup lang="ts">
/** What cream gained, by weighing one cup of it before and after it is whipped. */
import { overrunByCup } from '#core/physics/set/whipping'

defineProps<{ label: string }>()
const emit = defineEmits<{ take: [overrun: number] }>()
const fmt = useFormat()
const before = ref(0)
const after = ref(0)
const weighed = computed(() => before.value > 0 && after.value > 0 ? overrunByCup(before.value, after.value) : null)
</script>

<template>
  <details class="cup no-print">
    <summary>{{ $say('whip.weighACup') }}</summary>
    <div class="row">
      <QuantityField
        v-model="before" kind="mass" show-label :label="$say('whip.cupBefore')" :max="2000" :blank="$say('whip.notYet')"
      />
      <QuantityField
        v-model="after" kind="mass" show-label :label="$say('whip.cupAfter')" :max="2000" :blank="$say('whip.notYet')"
      />
      <b v-if="weighed !== null" class="num" data-cup>{{ $say('whip.gained', { overrun: fmt.percent(weighed) }) }}</b>
      <UButton
        size="sm" variant="outline" color="neutral" :disabled="weighed === null" :label="label" @click="emit('take', weighed!)"
      />
    </div>
    <p v-if="before > 0 && after > before" class="wrong" role="alert">{{ $say('whip.heavier') }}</p>
  </details>
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 0.4rem 1.2rem; align-items: end; }
.row b { align-self: center; }
p { margin: 0; }
summary {
  min-height: 44px; display: inline-flex; align-items: center; cursor: pointer; text-decoration: underline;
  color: var(--ink-soft);
}
.wrong { color: var(--blood); }
</style>
