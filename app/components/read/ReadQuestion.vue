<script setup lang="ts">
/** What is open about a line, answered in place: most of it with one press. */
import { EGG_GRADES, type EggGrade } from '#core/base/ingredients/measures'
import type { Entry, Question } from '#core/formats/reader/reading'
import { guessOf } from '#core/formats/reader/skeleton'
import { LEAVES } from '#core/physics/set/gelatin'
import { CUP_NAMES } from '~/words/names'
import { questionWords } from '~/words/reading'
import { say } from '~/words/say'

const props = defineProps<{ entry: Entry, question: Question }>()
const emit = defineEmits<{ answer: [value: string | number], leave: [] }>()
const fmt = useFormat()
const grams = ref(0)
const id = useId()
const { options, mayKeep } = useIngredients()
const isLabelOpen = ref(false)
/** A choice as its button says it. */
function words(choice: string | number): string {
  switch (props.question.kind) {
    case 'cups':
      return CUP_NAMES[choice as keyof typeof CUP_NAMES]
    case 'ounce':
      return choice === 'fluid' ? say('new.fluidOunces') : say('new.byWeight')
    case 'fruitPart':
      return choice === 'both' ? say('new.juiceAndZest') : choice === 'zest' ? say('reading.zest') : say('reading.juice')
    case 'leafGrade':
      return `${choice}, ${LEAVES[choice as keyof typeof LEAVES].leafG} g`
    case 'figure':
      return say('new.yesAsWritten')
    case 'amount': {
      const guess = guessOf(choice)
      if (guess !== null) return say('new.aGuess', { g: fmt.grams(guess) })
      return fmt.grams(Number(choice))
    }
    default:
      return typeof choice === 'number' ? fmt.grams(choice) : (EGG_GRADES[choice as EggGrade]?.label ?? String(choice))
  }
}
const asksGrams = computed(() => props.question.kind === 'amount' || props.question.kind === 'figure' || props.question.kind === 'can')
</script>

<template>
  <div class="ask" role="group" :aria-label="questionWords(question)">
    <span class="q">{{ questionWords(question) }}</span>
    <div v-if="question.choices.length" class="opts">
      <UButton
        v-for="c in question.choices" :key="c" size="sm" variant="outline" color="neutral" :label="words(c)"
        @click="emit('answer', c)"
      />
    </div>
    <form v-if="asksGrams" class="opts" @submit.prevent="grams > 0 && emit('answer', grams)">
      <QuantityField
        v-model="grams" kind="mass" :label="$say('new.gramsFor', { text: entry.text })" :max="100000" class="amount"
      />
      <UButton type="submit" size="sm" variant="outline" color="neutral" :label="$say('new.useIt')" />
    </form>
    <div v-if="question.kind === 'ingredient'" class="opts">
      <UButton
        v-if="question.suggested" size="sm" variant="outline" color="neutral"
        :label="$say('new.treatAs', { suggestion: fmt.name(String(question.suggested)).toLowerCase() })"
        @click="emit('answer', question.suggested)"
      />
      <label class="sr" :for="id">{{ $say('new.ingredientFor', { text: entry.text }) }}</label>
      <select :id="id" class="native pick" @change="emit('answer', ($event.target as HTMLSelectElement).value)">
        <option value="" selected disabled>{{ $say('new.pickAnIngredient') }}</option>
        <option v-for="o in options" :key="o.id" :value="o.id">{{ o.name }}</option>
      </select>
      <button v-if="mayKeep" type="button" class="underline leave" @click="isLabelOpen = true">{{ $say('ownLabel.add') }}</button>
      <LabelDialog v-model:open="isLabelOpen" :name="question.words ?? ''" @take="ownId => emit('answer', ownId)" />
    </div>
    <button type="button" class="underline leave" @click="emit('leave')">{{ $say('new.setItAside') }}</button>
  </div>
</template>

<style scoped>
.q { font-weight: 600; color: var(--blood); }
.opts { display: flex; flex-wrap: wrap; gap: 0.4rem; margin: 0.3rem 0; align-items: center; }
.pick { width: auto; max-width: 16rem; }
.amount { width: 7rem; }
.leave { min-height: 44px; }
</style>
