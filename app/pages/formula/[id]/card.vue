<script setup lang="ts">
/**
 * The bench card: one page, big type, weights, degrees and cues in order; on paper, or full screen with the
 * screen kept awake.
 */
import { portionOf } from '#core/plan/nutrition'
import { FAMILY_NAMES, USE_NAMES } from '~/words/names'
import { say } from '~/words/say'

const route = useRoute()
const id = computed(() => String((route.params as { id: string }).id))
const { doc, assessment, missing } = await useSheet(id.value)
const fmt = useFormat()
useHead({
  title: computed(() => (doc.value ? say('card.benchCard', { name: doc.value.name }) : say('card.benchCard2'))),
  style: [{ key: 'sheet', innerHTML: '@page { size: A4; margin: 9mm }' }],
})
const host = useTemplateRef<HTMLElement>('host')
const { isFullscreen, toggle, isSupported: canFill } = useFullscreen(host)
const awake = useWakeLock()
watch([isFullscreen], ([on]) => {
  if (awake.isSupported.value) void (on ? awake.request('screen') : awake.release()).catch(() => {})
})
const print = () => window.print()
/** "Print" in the workspace prints the card: it comes here to do so, once. */
watch([doc, assessment], async ([d, a], _, onCleanup) => {
  if (!d || !a || route.query.print === undefined) return
  let here = true
  onCleanup(() => { here = false })
  await document.fonts.ready
  await nextTick()
  if (!here) return
  await navigateTo({ path: route.path }, { replace: true })
  print()
}, { immediate: true })
const stops = computed(() => assessment.value?.findings.filter(f => f.severity === 'stop') ?? [])
</script>

<template>
  <main ref="host" class="sheet" :data-sheet="doc && assessment ? 'ready' : 'working'">
    <p v-if="missing">
      {{ $say('card.thisFormulaIsNotHere') }}
      <NuxtLink class="underline" to="/shelf">{{ $say('card.backToTheShelf') }}</NuxtLink>
    </p>
    <template v-else-if="doc && assessment">
      <div class="no-print bar">
        <NuxtLink class="underline" :to="`/formula/${id}/serve`">{{ $say('card.back') }}</NuxtLink>
        <UButton
          v-if="canFill" variant="outline" color="neutral"
          :label="isFullscreen ? $say('card.leaveFullScreen') : $say('card.fullScreenKeptAwake')" @click="toggle"
        />
        <UButton :label="$say('card.print')" @click="print" />
        <span class="soft small" role="status">
          {{
            awake.isActive.value
              ? $say('card.theScreenStaysOn')
              : awake.isSupported.value
                ? ''
                : $say('card.thisBrowserCannotKeepTheScreen')
          }}
        </span>
      </div>
      <header>
        <h1 dir="auto">{{ doc.name }}</h1>
        <p>
          {{
            $say('card.portionsOf',
                 { name: FAMILY_NAMES[doc.family].name,
                   name2: USE_NAMES[doc.use.kind].name.toLowerCase(),
                   portions: doc.assembly.portions,
                   portionG: fmt.grams(portionOf(doc, assessment)) })
          }}<template v-if="doc.serve.startAt">
            {{ ` ${$say('card.served', { startAt: fmt.day(doc.serve.startAt), servedAfterS: fmt.clock(doc.serve.startAt, assessment.serve.servedAfterS) })}` }}
          </template>
          <template v-if="assessment.serve.useBy">
            {{ ` ${$say('card.useByEndOf', { serve: fmt.day(assessment.serve.useBy) })}` }}
          </template>
        </p>
      </header>
      <CautionList v-if="stops.length" class="stops" :findings="stops" />
      <div class="two">
        <WeighUp :doc="doc" :assessment="assessment" class="first" />
        <section class="second">
          <h2>{{ $say('card.order') }}</h2>
          <OrderList :doc="doc" :assessment="assessment" card />
        </section>
      </div>
    </template>
    <p v-else class="soft">{{ $say('card.workingItOut') }}</p>
  </main>
</template>

<style scoped>
.sheet { padding: 1.25rem 1.75rem 2rem; background: var(--paper); overflow: auto; }
.bar { display: flex; flex-wrap: wrap; gap: 1rem; align-items: center; margin-bottom: 1rem; }
.bar > a { min-height: 44px; display: inline-flex; align-items: center; }
.two { display: grid; grid-template-columns: minmax(0, 23rem) minmax(0, 1fr); gap: 0 2.5rem; align-items: start; }
.second h2 { font-size: 1.3rem; margin: 0.6rem 0 0.2rem; }
h1 { font-size: 2.2rem; margin: 0 0 0.2rem; } header p { font-size: 1.15rem; margin: 0 0 0.8rem; }
@media (max-width: 900px) { .two { grid-template-columns: minmax(0, 1fr); } }
@media (max-width: 760px) { .sheet { padding: 1rem; } h1 { font-size: 1.7rem; } }
@media print {
  .sheet { padding: 0; background: white; }
  h1 { font-size: 20pt; }
  header p { font-size: 14pt; margin-bottom: 1mm; }
  .stops, .stops :deep(li) { font-size: 14pt; line-height: 1.15; }
  /* Two columns that flow on to the next sheet: what is weighed, then what is done. */
  .two { display: block; columns: 2; column-gap: 7mm; column-rule: 0.3mm solid #999; }
  .second h2 { font-size: 15pt; margin: 2mm 0 0.5mm; break-after: avoid; }
}
</style>
