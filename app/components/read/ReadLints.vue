<script setup lang="ts">
/** What a text leaves open, each with fixes that say what they change. */
import type { Lint, LintFix } from '#core/formats/reader/lint'
import type { Entry } from '#core/formats/reader/reading'
import { fixWords, lintWords } from '~/words/lint'

const props = defineProps<{ lints: Lint[], lines: Entry[] }>()
const emit = defineEmits<{ fix: [fix: LintFix] }>()
const fmt = useFormat()
const { shown, press, enter, leave } = useHeldPlaces(() => props.lints, x => `${x.code} ${JSON.stringify(x.params)}`)
function take(x: Lint, fix: LintFix) {
  press(x)
  emit('fix', fix)
}
</script>

<template>
  <section
    v-if="shown.length" class="lint" :aria-label="$say('new.whatTheTextLeavesOpen')" :data-lints="lints.length"
    @pointerenter="enter" @pointerleave="leave"
  >
    <h3>{{ $say('new.worthALook', { lints: lints.length }) }}</h3>
    <div v-for="({ item: x, state }, k) in shown" :key="k" class="found" :class="state"
         :data-lint="state === 'there' ? x.code : null"
    >
      <b>{{ lintWords(x, lines[x.lines[0] ?? -1]?.text ?? '', fmt).title }}</b>
      <span class="soft why">{{ lintWords(x, '', fmt).why }}</span>
      <div class="opts">
        <span v-if="state !== 'there'" class="soft">{{ $say('new.done') }}</span>
        <UButton
          v-for="(f, j) in x.fixes" :key="j" size="sm" variant="outline" color="neutral" :label="fixWords(f, fmt)"
          class="fix" :disabled="state !== 'there'" @click="take(x, f)"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.lint {
  border: 1px solid var(--ink); border-left-width: 4px; padding: 0.5rem 0.8rem; margin-top: 1.2rem; background: #fffdf7;
}
.lint h3 { font-size: 1.05rem; margin: 0 0 0.2rem; }
.found { border-top: 1px solid var(--hairline); padding: 0.4rem 0; }
.taken b, .gone b { font-weight: 400; color: var(--ink-soft); }
.why { margin-left: 0.4rem; }
.opts { display: flex; flex-wrap: wrap; gap: 0.4rem; margin: 0.3rem 0; }
.fix { white-space: normal; text-align: left; }
</style>
