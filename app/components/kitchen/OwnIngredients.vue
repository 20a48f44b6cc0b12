<script setup lang="ts">
/** The kitchen's own ingredients: entered from their packages, used like the table's. */
import { labelOf } from '#core/base/ingredients/label'
import { ALLERGEN_NAMES, LABEL_KIND_NAMES } from '~/words/names'

const fmt = useFormat()
const { own, drop } = useIngredients()
const isOpen = ref(false)
const editing = ref<string | null>(null)
const rows = computed(() => own.value.map(id => ({ id, label: labelOf(id)! }))
  .sort((a, b) => a.label.name.localeCompare(b.label.name)))
function edit(id: string | null) {
  editing.value = id
  isOpen.value = true
}
</script>

<template>
  <section class="wide" data-kitchen-part="ingredients">
    <h2 class="section-title">{{ $say('ownLabel.ofYourOwn') }}</h2>
    <p class="soft small">{{ rows.length ? $say('ownLabel.ofYourOwnHow') : $say('ownLabel.noneYet') }}</p>
    <ul>
      <li v-for="{ id, label } in rows" :key="id" :data-own="label.name">
        <button type="button" class="what" @click="edit(id)">
          <b>{{ label.name }}</b>
          <span class="soft">{{ LABEL_KIND_NAMES[label.kind] }},
            {{ $say('ownLabel.inShort', { fat: fmt.grams(label.fat!), sugars: fmt.grams(label.sugars!), protein: fmt.grams(label.protein!) }) }}</span>
          <span v-if="label.allergens.length" class="soft">{{ $say('ownLabel.holds', { list: label.allergens.map(a => ALLERGEN_NAMES[a]).join(', ') }) }}</span>
        </button>
        <UButton
          variant="ghost" color="neutral" icon="i-lucide-x" :aria-label="$say('ownLabel.takeOut', { name: label.name })"
          @click="drop(id)"
        />
      </li>
    </ul>
    <UButton variant="outline" color="neutral" size="sm" :label="$say('ownLabel.add')" @click="edit(null)" />
    <LabelDialog v-model:open="isOpen" :editing="editing" />
  </section>
</template>

<style scoped>
section { border-top: 1px solid var(--ink); padding-top: 0.7rem; }
.wide { grid-column: 1 / -1; }
ul {
  list-style: none; margin: 0.3rem 0 0.6rem; padding: 0; display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 22rem), 1fr)); gap: 0 1.8rem;
}
li { display: flex; align-items: center; border-bottom: 1px solid var(--hairline); }
.what { flex: 1; text-align: left; min-height: 52px; padding: 0.3rem 0; display: grid; align-content: center; cursor: pointer; }
</style>
