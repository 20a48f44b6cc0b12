<script setup lang="ts">
/** The formula in another tin: the factor, whole eggs, the depth that gives, and what becomes of its time in the oven. */
import type { Assessment } from '#core/pipeline/assessment'
import { vesselOf, type Bench } from '#core/formula/bench'
import type { Vessel } from '#core/physics/geometry/cavity'
import { documentProblemWords } from '~/words/problems'
import type { FitAnswer } from '~/workers/solve.worker'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
/** Where it goes: the one it is in, until another is chosen. */
const other = shallowRef<{ key: string, vessel: Vessel, vesselId: string | null } | null>(null)
const picked = computed(() => other.value ?? { key: '', vessel: vesselOf(props.doc, kitchen.core!), vesselId: props.doc.assembly.vesselId })
const count = ref(props.doc.assembly.count)
const sameDepth = ref(true)
const depthM = ref(Math.round(props.assessment.shape.depthM * 1000) / 1000)
const wholeEggs = ref(true)
const answer = shallowRef<FitAnswer | null>(null)
const problem = ref('')
watch([picked, count, sameDepth, depthM, wholeEggs, () => props.doc], async () => {
  if (!kitchen.core) return
  const got = await solver.run({ kind: 'fit', doc: props.doc, kitchen: kitchen.core, wish: { vessel: picked.value.vessel, vesselId: picked.value.vesselId, count: count.value, depthM: sameDepth.value ? null : depthM.value, wholeEggs: wholeEggs.value } })
  if (!got) return
  problem.value = 'problem' in got ? documentProblemWords(got.problem) : ''
  answer.value = 'value' in got ? got.value : null
}, { immediate: true })
/** Before and after, drawn to one scale. */
const drawn = computed(() => {
  if (!answer.value) return []
  const { plan } = answer.value
  const all = [{ name: 'now', vessel: vesselOf(props.doc, kitchen.core!), assembly: props.doc.assembly, depthM: plan.depthBeforeM, over: false }, { name: 'in this one', vessel: plan.doc.assembly.vessel, assembly: plan.doc.assembly, depthM: plan.depthM, over: plan.headroomM < 0 }]
  const sum = all.reduce((s, d) => s + d.vessel.lengthM, 0)
  return all.map(d => ({ ...d, share: 92 * d.vessel.lengthM / sum }))
})
const toast = useToast()
function take() {
  if (!answer.value) return
  ws.replace(answer.value.plan.doc)
  ws.endGesture()
  toast.add({ title: `× ${fmt.fixed(answer.value.plan.factor, 2)}, ${fmt.mm(answer.value.plan.depthM, 1)} deep.`, description: 'Undo brings the old tin back.' })
  other.value = null
}
const eggWord = (id: string, n: number) => `${fmt.fixed(n, Math.abs(n - Math.round(n)) < 0.03 ? 0 : 1)} ${{ egg: n > 1.03 ? 'eggs' : 'egg', yolk_sep: n > 1.03 ? 'yolks' : 'yolk', white: n > 1.03 ? 'whites' : 'white' }[id] ?? id}`
</script>

<template>
  <section class="fit" :data-fit="solver.running.value ? 'working' : answer ? 'settled' : 'idle'">
    <p class="lead">A 9 × 13 in an 8 × 8, a tin in glasses, one tin in two: what it takes, and what changes.</p>
    <div class="fields">
      <VesselSelect class="which" label="Into" :value="picked.key" own="the one it is in" @pick="(v, id, key) => other = { key, vessel: v, vesselId: id }" @own="other = null" />
      <QuantityField v-model="count" field="assembly.count" kind="count" show-label label="How many" />
      <div><span class="field-label">Depth</span><div class="choices" role="group" aria-label="Depth"><button type="button" :aria-pressed="sameDepth" @click="sameDepth = true">as now</button><button type="button" :aria-pressed="!sameDepth" @click="sameDepth = false">another</button></div></div>
      <QuantityField v-if="!sameDepth" v-model="depthM" field="assembly.depth" kind="length" show-label label="Fill to" />
      <div><span class="field-label">Eggs</span><div class="choices" role="group" aria-label="Eggs"><button type="button" :aria-pressed="wholeEggs" @click="wholeEggs = true">whole</button><button type="button" :aria-pressed="!wholeEggs" @click="wholeEggs = false">to the gram</button></div></div>
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <template v-if="answer">
      <p class="answer" data-answer="fit"><b class="display">× {{ fmt.fixed(answer.plan.factor, 2) }}</b> <template v-if="Math.abs(answer.plan.factor - answer.plan.exactFactor) > 0.005">({{ fmt.fixed(answer.plan.exactFactor, 2) }} would be exact)</template><template v-for="e in answer.plan.eggs" :key="e.ingredientId">; {{ eggWord(e.ingredientId, e.from) }} become <b>{{ eggWord(e.ingredientId, e.to) }}</b></template></p>
      <div class="pair">
        <figure v-for="d in drawn" :key="d.name" :style="{ width: `${d.share}%` }"><VesselDrawing :vessel="d.vessel" :assembly="d.assembly" :depth-m="d.depthM" :over="d.over" :label="`${d.name}: ${fmt.mm(d.depthM)} deep`" /><figcaption class="soft small">{{ d.name }}</figcaption></figure>
      </div>
      <dl class="facts">
        <div><dt>depth</dt><dd data-fact="fit-depth">{{ fmt.mm(answer.after.depthM, 1) }}<small>was {{ fmt.mm(answer.plan.depthBeforeM, 1) }}</small></dd></div>
        <div><dt>headroom</dt><dd :class="{ bad: answer.plan.headroomM < 0 }">{{ answer.plan.headroomM < 0 ? `${fmt.mm(-answer.plan.headroomM, 1)} too much` : fmt.mm(answer.plan.headroomM, 1) }}</dd></div>
        <div v-if="doc.heat.method !== 'none'"><dt>{{ doc.heat.method === 'oven' ? 'time in the oven' : 'time on the heat' }}</dt><dd data-fact="fit-time">{{ fmt.duration(answer.after.endS) }}<small>was {{ fmt.duration(answer.before.endS) }}</small></dd></div>
        <div><dt>set through after pouring</dt><dd>{{ answer.after.readyS === null ? 'not in a day' : fmt.duration(answer.after.readyS) }}<small>was {{ answer.before.readyS === null ? 'not in a day' : fmt.duration(answer.before.readyS) }}</small></dd></div>
        <div><dt>in the tin</dt><dd>{{ fmt.grams(answer.after.batchG) }}<small>was {{ fmt.grams(answer.before.batchG) }}</small></dd></div>
      </dl>
      <p class="soft small">{{ answer.after.depthM > answer.before.depthM * 1.05 ? 'Deeper: heat and cold have further to go.' : answer.after.depthM < answer.before.depthM * 0.95 ? 'Shallower: it cooks and cools sooner; watch it.' : 'About as deep as before: times stay.' }} Portions become {{ answer.plan.doc.assembly.portions }}.</p>
      <UButton label="Put it in this one" @click="take" />
    </template>
    <p v-else-if="solver.running.value" class="soft">Working it out … <UButton size="sm" variant="outline" color="neutral" label="Stop" @click="solver.cancel()" /></p>
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
