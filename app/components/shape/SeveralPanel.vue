<script setup lang="ts">
/** One bowl into several kinds of vessel, large and small: grams, depth, time of each, and which come out first. */
import { type Bench, vesselOf } from '#core/formula/bench'
import { scaleFormula } from '#core/formula/edits'
import type { Assessment } from '#core/pipeline/assessment'
import { NOMINAL_VESSELS } from '#core/physics/geometry/nominal'
import type { Several, SomeOf } from '#core/plan/several'
import { documentProblemWords } from '~/words/problems'
import { say } from '~/words/say'

interface Row extends SomeOf { key: string, name: string }
const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const solver = useSolver()
/* What was asked stays with the tab, by formula. */
const kept = useKeptByTab<Record<string, Row[]>>('lumbik:several', {})
const nameOf = (key: string) => kitchen.record?.vessels.find(v => v.id === key)?.name
  ?? NOMINAL_VESSELS.find(n => n.id === key)?.name ?? say('severalPanel.itsOwn')
/** The formula's own, as many and as deep as it is filled now. */
function first(): Row {
  const { vesselId, count } = props.doc.assembly
  const vessel = vesselOf(props.doc, kitchen.core!)
  return { key: vesselId ?? '', name: nameOf(vesselId ?? ''), vesselId, vessel, count, depthM: props.assessment.shape.depthM }
}
const rows = computed(() => kept.value[ws.id] ?? [first()])
const put = (next: Row[]) => { kept.value = { ...kept.value, [ws.id]: next } }
const edit = (i: number, part: Partial<Row>) => put(rows.value.map((r, k) => (k === i ? { ...r, ...part } : r)))
const answer = shallowRef<Several | null>(null)
const problem = ref('')
watch([rows, () => props.doc, () => kitchen.core], async () => {
  if (!kitchen.core) return
  const asked = rows.value.map(({ vessel, vesselId, count, depthM }) => ({ vessel, vesselId, count, depthM }))
  const got = await solver.run({ kind: 'several', doc: props.doc, kitchen: kitchen.core, asked })
  if (!got) return
  problem.value = 'problem' in got ? documentProblemWords(got.problem) : ''
  answer.value = 'value' in got ? got.value : null
}, { immediate: true })
const bakes = computed(() => props.doc.heat.method === 'oven')
const place = (i: number) => answer.value!.outFirst.indexOf(i) + 1
function scale() {
  ws.replace(scaleFormula(props.doc, answer.value!.factor))
  ws.endGesture()
}
</script>

<template>
  <section class="several" :data-several="solver.running.value ? 'working' : answer ? 'settled' : 'idle'">
    <p class="lead">{{ $say('severalPanel.how') }}</p>
    <ol class="asked">
      <li v-for="(r, i) in rows" :key="i">
        <VesselSelect
          class="which" :label="$say('severalPanel.into')" :value="r.key" :own="$say('severalPanel.itsOwn')"
          @pick="(vessel, vesselId, key) => edit(i, { key, vessel, vesselId, name: nameOf(key), depthM: null })"
          @own="edit(i, { ...first(), count: r.count })"
        />
        <QuantityField
          field="assembly.count" kind="count" show-label :label="$say('severalPanel.howMany')" :model-value="r.count"
          @update:model-value="v => edit(i, { count: v })"
        />
        <QuantityField
          field="assembly.depth" kind="length" show-label :label="$say('severalPanel.deep')" :model-value="r.depthM ?? 0"
          :blank="$say('severalPanel.toTheRim')" @update:model-value="v => edit(i, { depthM: v > 0 ? v : null })"
        />
        <UButton
          v-if="rows.length > 1" variant="ghost" color="neutral" icon="i-lucide-x"
          :aria-label="$say('severalPanel.without', { name: r.name })" @click="put(rows.filter((_, k) => k !== i))"
        />
      </li>
    </ol>
    <UButton
      variant="outline" color="neutral" size="sm" :label="$say('severalPanel.add')"
      @click="put([...rows, { ...first(), count: 1, depthM: null }])"
    />
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <template v-if="answer">
      <table class="out">
        <thead>
          <tr>
            <th scope="col">{{ $say('severalPanel.vessel') }}</th>
            <th scope="col" class="r">{{ $say('severalPanel.each') }}</th>
            <th scope="col" class="r">{{ $say('severalPanel.depth') }}</th>
            <th v-if="bakes" scope="col" class="r">{{ $say('severalPanel.oven') }}</th>
            <th scope="col" class="r">{{ $say('severalPanel.ready') }}</th>
            <th scope="col">{{ $say('severalPanel.order') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(f, i) in answer.fillings" :key="i" :data-filling="i" :class="{ short: f.isShort }">
            <th scope="row">
              {{ f.count }} × {{ rows[f.of]?.name }}
              <span v-if="f.isShort" class="note">{{ $say('severalPanel.short') }}</span>
            </th>
            <td class="r num">{{ fmt.grams(f.eachG) }}</td>
            <td class="r num">{{ fmt.mm(f.depthM, 0) }}</td>
            <td v-if="bakes" class="r num">{{ f.bakeS === null ? '—' : fmt.duration(f.bakeS) }}</td>
            <td class="r num">{{ f.readyS === null ? $say('severalPanel.notInADay') : fmt.duration(f.readyS) }}</td>
            <td>
              {{
                place(i) === 1 && answer.fillings.length > 1
                  ? $say('severalPanel.outFirst') : $say('severalPanel.nth', { n: place(i) })
              }}
            </td>
          </tr>
        </tbody>
      </table>
      <p data-several-left>
        <template v-if="answer.empty.some(n => n > 0)">
          <b>{{ $say('severalPanel.empty', {
            list: answer.empty.flatMap((n, i) => (n > 0 ? [`${n} × ${rows[i]?.name}`] : [])).join(', ') }) }}</b>
        </template>
        <template v-else-if="answer.overG > 1">{{ $say('severalPanel.over', { g: fmt.grams(answer.overG) }) }}</template>
        <template v-else>{{ $say('severalPanel.allIn') }}</template>
      </p>
      <UButton
        v-if="Math.abs(answer.factor - 1) > 0.01" variant="outline" color="neutral" size="sm"
        :label="$say('severalPanel.scale', { factor: fmt.fixed(answer.factor, 2) })" @click="scale"
      />
    </template>
  </section>
</template>

<style scoped>
.several { display: grid; gap: 0.8rem; justify-items: start; }
.asked { list-style: none; margin: 0; padding: 0; display: grid; gap: 0.6rem; width: 100%; max-width: 52rem; }
.asked li { display: grid; grid-template-columns: minmax(0, 2fr) 7rem 8rem auto; gap: 0.8rem; align-items: end; }
.out { width: 100%; max-width: 52rem; border-collapse: collapse; }
.out th { text-align: left; font-weight: 600; padding: 0.5rem 0.6rem 0.5rem 0; }
thead th { color: var(--ink-soft); font-weight: 400 !important; border-bottom: 1px solid var(--ink); }
.out td { padding: 0.5rem 0.6rem 0.5rem 0; }
.out th.r, .out td.r { text-align: right; }
tbody tr { border-bottom: 1px solid var(--hairline); }
.short th { box-shadow: inset 3px 0 0 var(--blood); padding-left: 0.6rem; }
.note { display: block; font-weight: 400; color: var(--blood); }
.bad { color: var(--blood); }
@media (max-width: 620px) {
  .asked li { grid-template-columns: 1fr 1fr; } .which { grid-column: 1 / -1; }
  .out { font-size: 0.92rem; }
}
</style>
