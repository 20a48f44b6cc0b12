<script setup lang="ts">
/** The same cook with another batch, tin, start or height above the sea; and a time for another size. */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { scaleTime, TIMED, type Timed } from '#core/physics/heat/scaleTime'
import type { CookVariant } from '#core/plan/variants'
import { TABLE_UI, RIGHT, unseen } from '~/composables/tableStyle'
import { TIMED_WORDS, variantWords } from '~/words/cook'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench, assessment: Assessment }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const solver = useSolver()
const rows = shallowRef<CookVariant[]>([])
watch([() => props.doc, () => kitchen.core], async () => {
  if (!kitchen.core) return
  const got = await solver.run({ kind: 'variants', doc: props.doc, kitchen: kitchen.core })
  if (got && 'value' in got) rows.value = got.value
}, { immediate: true })
const planned = computed(() => rows.value.find(r => r.code === 'planned'))
const columns = [
  { id: 'way', header: unseen(say('labelPanel.what')) },
  { id: 'time', header: say('otherWays.offTheHeat'), meta: RIGHT },
  { id: 'than', header: say('otherWays.thanPlanned'), meta: RIGHT },
  { id: 'depth', header: 'depth', meta: RIGHT },
  { id: 'margin', header: say('otherWays.beforeGrainy'), meta: RIGHT },
]
const share = (r: CookVariant) => planned.value && planned.value.endS > 0 ? r.endS / planned.value.endS - 1 : 0

const process = ref<Timed>(
  props.doc.heat.method === 'oven' ? 'bake' : props.doc.heat.method === 'microwave' ? 'microwave' : 'reduce',
)
const from = reactive({ timeS: 25 * 60, depthM: 0.02, massG: 750, powerW: 600 })
const to = reactive({ depthM: 0.03, massG: 1500, powerW: 600 })
const scaled = computed(() => {
  try {
    return scaleTime({
      process: process.value,
      timeS: from.timeS,
      depthM: [from.depthM, to.depthM],
      massG: [from.massG, to.massG],
      powerW: [from.powerW, to.powerW],
    })
  } catch {
    return null
  }
})
</script>

<template>
  <div class="ways" :data-variants="solver.running.value ? 'working' : 'settled'">
    <h2 class="section-title">{{ $say('otherWays.theSameCookOtherwise') }}</h2>
    <p v-if="doc.heat.method === 'none'" class="soft">{{ $say('otherWays.nothingIsHeatedHere') }}</p>
    <UTable v-else class="stack" :data="rows" :columns="columns" :ui="TABLE_UI">
      <template #way-cell="{ row }">
        <span :data-variant="row.original.code">
          <b>{{ variantWords(row.original.code, doc, fmt).name }}</b> <span class="soft small">{{ variantWords(row.original.code, doc, fmt).why }}</span> <span v-if="row.original.overflows" class="bad small">{{ $say('otherWays.runsOverThisRimTheTime') }}</span>
        </span>
      </template>
      <template #time-cell="{ row }">
        <b class="num">
          {{ row.original.reachedS === null ? $say('otherWays.neverThere') : fmt.duration(row.original.endS) }}
        </b>
      </template>
      <template #than-cell="{ row }">
        {{
          row.original.code === 'planned'
            ? ''
            : Math.abs(share(row.original)) < 0.015
              ? $say('otherWays.theSame')
              : `${share(row.original) > 0 ? '+' : '−'} ${fmt.percent(Math.abs(share(row.original)))}`
        }}
      </template>
      <template #depth-cell="{ row }">{{ fmt.mm(row.original.depthM) }}</template>
      <template #margin-cell="{ row }">
        {{
          row.original.marginK === null
            ? '—'
            : row.original.marginK > 0
              ? fmt.degrees(row.original.marginK, 1)
              : $say('otherWays.pastIt')
        }}
      </template>
    </UTable>
    <p v-if="solver.running.value" class="soft small">
      {{ $say('otherWays.workingItOut') }}
      <button type="button" class="underline" @click="solver.cancel()">{{ $say('otherWays.stop') }}</button>
    </p>
    <h2 class="section-title">{{ $say('otherWays.aTimeForAnotherSize') }}</h2>
    <div class="choices" role="group" :aria-label="$say('otherWays.process')">
      <button v-for="p in TIMED" :key="p" type="button" :aria-pressed="process === p" @click="process = p">
        {{ TIMED_WORDS[p].name }}
      </button>
    </div>
    <div class="fields">
      <QuantityField
        v-model="from.timeS" kind="minutes" show-label :label="$say('otherWays.itTook')" :min="1" :max="600000"
      />
      <template v-if="process === 'bake' || process === 'chill'">
        <QuantityField
          v-model="from.depthM" kind="length" show-label :label="$say('otherWays.atADepthOf')" :min="0.002" :max="0.3"
        />
        <QuantityField
          v-model="to.depthM" kind="length" show-label :label="$say('otherWays.nowAt')" :min="0.002" :max="0.3"
        />
      </template>
      <template v-else-if="process !== 'whip'">
        <QuantityField v-model="from.massG" kind="mass" show-label :label="$say('otherWays.with')" :min="1" />
        <QuantityField
          v-model="from.powerW" kind="power" show-label :label="$say('otherWays.on')" :min="50" :max="12000"
        />
        <QuantityField v-model="to.massG" kind="mass" show-label :label="$say('otherWays.nowWith')" :min="1" />
        <QuantityField
          v-model="to.powerW" kind="power" show-label :label="$say('otherWays.on')" :min="50" :max="12000"
        />
      </template>
    </div>
    <p class="answer" data-answer="scaled">
      <b class="display">{{ scaled === null ? '—' : fmt.duration(scaled) }}</b> <span class="soft">{{ $say('otherWays.beginToLookAFifthSooner', { rule: TIMED_WORDS[process].rule }) }}</span>
    </p>
  </div>
</template>

<style scoped>
.bad { color: var(--blood); }
.ways :deep(td:not(:first-child)) { white-space: nowrap; }
h2 { margin-top: 1.2rem; } h2:first-child { margin-top: 0; }
.fields { display: flex; flex-wrap: wrap; gap: 0.9rem 1.4rem; margin-top: 0.6rem; } .fields > .quantity { width: 8rem; }
.answer .display { font-size: 1.9rem; margin-right: 0.5rem; }
</style>
