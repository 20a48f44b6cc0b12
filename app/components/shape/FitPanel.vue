<script setup lang="ts">
/**
 * The formula in another tin: the factor, whole eggs, the depth that gives, and what becomes of its time in the
 * oven.
 */
import type { Assessment } from '#core/pipeline/assessment'
import { vesselOf, type Bench } from '#core/formula/bench'
import type { Vessel } from '#core/physics/geometry/cavity'
import { documentProblemWords } from '~/words/problems'
import type { FitAnswer } from '~/workers/solve.worker'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
/** Where it goes: the one it is in, until another is chosen. */
const other = shallowRef<{ key: string, vessel: Vessel, vesselId: string | null } | null>(null)
const picked = computed(
  () => other.value ?? { key: '', vessel: vesselOf(props.doc, kitchen.core!), vesselId: props.doc.assembly.vesselId },
)
const count = ref(props.doc.assembly.count)
const sameDepth = ref(true)
const depthM = ref(Math.round(props.assessment.shape.depthM * 1000) / 1000)
const wholeEggs = ref(true)
const answer = shallowRef<FitAnswer | null>(null)
const problem = ref('')
watch(
  [picked, count, sameDepth, depthM, wholeEggs, () => props.doc],
  async () => {
    if (!kitchen.core) return
    const got = await solver.run({
      kind: 'fit',
      doc: props.doc,
      kitchen: kitchen.core,
      wish: {
        vessel: picked.value.vessel,
        vesselId: picked.value.vesselId,
        count: count.value,
        depthM: sameDepth.value ? null : depthM.value,
        wholeEggs: wholeEggs.value,
      },
    })
    if (!got) return
    problem.value = 'problem' in got ? documentProblemWords(got.problem) : ''
    answer.value = 'value' in got ? got.value : null
  },
  { immediate: true },
)
/** Before and after, drawn to one scale. */
const drawn = computed(() => {
  if (!answer.value) return []
  const { plan } = answer.value
  const all = [
    {
      name: say('words.now'),
      vessel: vesselOf(props.doc, kitchen.core!),
      assembly: props.doc.assembly,
      depthM: plan.depthBeforeM,
      over: false,
    },
    {
      name: say('fitPanel.inThisOne'),
      vessel: plan.doc.assembly.vessel,
      assembly: plan.doc.assembly,
      depthM: plan.depthM,
      over: plan.headroomM < 0,
    },
  ]
  const sum = all.reduce((s, d) => s + d.vessel.lengthM, 0)
  return all.map(d => ({ ...d, share: 92 * d.vessel.lengthM / sum }))
})
const toast = useToast()
function take() {
  if (!answer.value) return
  ws.replace(answer.value.plan.doc)
  ws.endGesture()
  toast.add({
    title: `× ${fmt.fixed(answer.value.plan.factor, 2)}, ${fmt.mm(answer.value.plan.depthM, 1)} deep.`,
    description: say('fitPanel.undoBringsTheOldTinBack'),
  })
  other.value = null
}
const eggWord = (id: string, n: number) =>
  `${fmt.fixed(n, Math.abs(n - Math.round(n)) < 0.03 ? 0 : 1)} ${{ egg: n > 1.03 ? say('fitPanel.eggs') : say('fitPanel.egg'), yolk_sep: n > 1.03 ? say('fitPanel.yolks') : say('fitPanel.yolk'), white: n > 1.03 ? say('fitPanel.whites') : say('fitPanel.white') }[id] ?? id}`
</script>

<template>
  <section class="fit" :data-fit="solver.running.value ? 'working' : answer ? 'settled' : 'idle'">
    <p class="lead">{{ $say('fitPanel.a913InAn8') }}</p>
    <div class="fields">
      <VesselSelect
        class="which" :label="$say('fitPanel.into')" :value="picked.key" :own="$say('fitPanel.theOneItIsIn')"
        @pick="(v, id, key) => other = { key, vessel: v, vesselId: id }" @own="other = null"
      />
      <QuantityField v-model="count" field="assembly.count" kind="count" show-label :label="$say('fitPanel.howMany')" />
      <div>
        <span class="field-label">{{ $say('fitPanel.depth') }}</span>
        <div class="choices" role="group" :aria-label="$say('fitPanel.depth')">
          <button type="button" :aria-pressed="sameDepth" @click="sameDepth = true">
            {{ $say('fitPanel.asNow') }}
          </button>
          <button type="button" :aria-pressed="!sameDepth" @click="sameDepth = false">
            {{ $say('fitPanel.another') }}
          </button>
        </div>
      </div>
      <QuantityField
        v-if="!sameDepth" v-model="depthM" field="assembly.depth" kind="length" show-label
        :label="$say('fitPanel.fillTo')"
      />
      <div>
        <span class="field-label">{{ $say('fitPanel.eggs2') }}</span>
        <div class="choices" role="group" :aria-label="$say('fitPanel.eggs2')">
          <button type="button" :aria-pressed="wholeEggs" @click="wholeEggs = true">
            {{ $say('fitPanel.whole') }}
          </button>
          <button type="button" :aria-pressed="!wholeEggs" @click="wholeEggs = false">
            {{ $say('fitPanel.toTheGram') }}
          </button>
        </div>
      </div>
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <template v-if="answer">
      <p class="answer" data-answer="fit">
        <b class="display">× {{ fmt.fixed(answer.plan.factor, 2) }}</b> <template
          v-if="Math.abs(answer.plan.factor - answer.plan.exactFactor) > 0.005"
        >
          {{ $say('fitPanel.wouldBeExact', { exactFactor: fmt.fixed(answer.plan.exactFactor, 2) }) }}
        </template>
        <template v-for="e in answer.plan.eggs" :key="e.ingredientId">
          {{ $say('fitPanel.become', { from: eggWord(e.ingredientId, e.from) }) }}
          <b>{{ eggWord(e.ingredientId, e.to) }}</b>
        </template>
      </p>
      <div class="pair">
        <figure v-for="d in drawn" :key="d.name" :style="{ width: `${d.share}%` }">
          <VesselDrawing
            :vessel="d.vessel" :assembly="d.assembly" :depth-m="d.depthM" :over="d.over"
            :label="$say('fitPanel.deep', { name: d.name, depthM: fmt.mm(d.depthM) })"
          />
          <figcaption class="soft small">{{ d.name }}</figcaption>
        </figure>
      </div>
      <dl class="facts">
        <div>
          <dt>{{ $say('fitPanel.depth2') }}</dt>
          <dd data-fact="fit-depth">
            {{ fmt.mm(answer.after.depthM, 1) }}<small>{{ $say('fitPanel.was', { depthBeforeM: fmt.mm(answer.plan.depthBeforeM, 1) }) }}</small>
          </dd>
        </div>
        <div>
          <dt>{{ $say('fitPanel.headroom') }}</dt>
          <dd :class="{ bad: answer.plan.headroomM < 0 }">
            {{
              answer.plan.headroomM < 0
                ? $say('fitPanel.tooMuch', { headroomM: fmt.mm(-answer.plan.headroomM, 1) })
                : fmt.mm(answer.plan.headroomM, 1)
            }}
          </dd>
        </div>
        <div v-if="doc.heat.method !== 'none'">
          <dt>{{ doc.heat.method === 'oven' ? $say('fitPanel.timeInTheOven') : $say('fitPanel.timeOnTheHeat') }}</dt>
          <dd data-fact="fit-time">
            {{ fmt.duration(answer.after.endS) }}<small>{{ $say('fitPanel.was2', { endS: fmt.duration(answer.before.endS) }) }}</small>
          </dd>
        </div>
        <div>
          <dt>{{ $say('fitPanel.setThroughAfterPouring') }}</dt>
          <dd>
            {{ answer.after.readyS === null ? $say('fitPanel.notInADay') : fmt.duration(answer.after.readyS) }}<small>
              {{
                $say('fitPanel.was3',
                     { readyS: answer.before.readyS === null
                       ? $say('fitPanel.notInADay')
                       : fmt.duration(answer.before.readyS) })
              }}
            </small>
          </dd>
        </div>
        <div>
          <dt>{{ $say('fitPanel.inTheTin') }}</dt>
          <dd>
            {{ fmt.grams(answer.after.batchG) }}<small>{{ $say('fitPanel.was4', { batchG: fmt.grams(answer.before.batchG) }) }}</small>
          </dd>
        </div>
      </dl>
      <p class="soft small">
        {{
          $say('fitPanel.portionsBecome',
               { stay: answer.after.depthM > answer.before.depthM * 1.05
                   ? $say('fitPanel.deeperHeatAndColdHaveFurther')
                   : answer.after.depthM < answer.before.depthM * 0.95
                     ? $say('fitPanel.shallowerItCooksAndCoolsSooner')
                     : $say('fitPanel.aboutAsDeepAsBeforeTimes'),
                 portions: answer.plan.doc.assembly.portions })
        }}
      </p>
      <UButton :label="$say('fitPanel.putItInThisOne')" @click="take" />
    </template>
    <p v-else-if="solver.running.value" class="soft">
      {{ $say('fitPanel.workingItOut') }}
      <UButton size="sm" variant="outline" color="neutral" :label="$say('fitPanel.stop')" @click="solver.cancel()" />
    </p>
  </section>
</template>

<style scoped>
.lead { margin: 0 0 0.8rem; }
.fields { display: flex; flex-wrap: wrap; gap: 0.9rem 1.4rem; align-items: end; }
.which { flex: 1 1 14rem; max-width: 22rem; } .fields > .quantity { width: 8rem; }
.answer { font-size: 1.1rem; margin: 1rem 0 0.6rem; } .answer .display { font-size: 1.9rem; }
.pair { display: flex; gap: 4%; align-items: flex-end; max-width: 36rem; } .pair figure { margin: 0; min-width: 0; }
.bad { color: var(--blood); }
</style>
