<script setup lang="ts">
/**
 * A name as it is typed: taken with each letter, so that nothing waits for the field to be left. An emptied field
 * leaves the name as it was.
 */
const name = defineModel<string>({ required: true })
const emit = defineEmits<{ done: [] }>()
/** What stands in the field while it is being written in: spaces at its ends are no part of the name. */
const text = ref<string | null>(null)
function typed(event: Event) {
  text.value = (event.target as HTMLInputElement).value
  const next = text.value.trim()
  if (next && next !== name.value) name.value = next
}
function left() {
  text.value = null
  emit('done')
}
</script>

<template>
  <input dir="auto" :value="text ?? name" @input="typed" @blur="left">
</template>
