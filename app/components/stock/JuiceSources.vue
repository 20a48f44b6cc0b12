<script setup lang="ts">
/** Squeezed, bottled, tinned, frozen: acid, scent, fruits and cost side by side, for the same acid in the formula. */
import { type Bench, fillingOf } from '#core/formula/bench'
import { BOUGHT, type BoughtJuice, type JuiceAsk, juiceSources, PLAIN_ASK, TOOLS } from '#core/plan/juiceSource'
import { group } from '~/words/say'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const kitchen = useKitchenStore()
const TOOL_NAMES = group<Record<keyof typeof TOOLS, string>>('juiceSources.TOOLS')
const FROM_NAMES = group<Record<'squeezed' | BoughtJuice, string>>('juiceSources.FROM')
const ask = useKept<JuiceAsk>('lumbik:juice-ask', { ...PLAIN_ASK, isWarm: true })
/** Lines whose juice a fruit gives. */
const juices = computed(() => fillingOf(props.doc).lines.filter(l =>
  l.massG > 0 && kitchen.core && juiceSources(l, ask.value, kitchen.core).length > 0))
const chosen = ref('')
const line = computed(() => juices.value.find(l => l.id === chosen.value) ?? juices.value[0])
const rows = computed(() => (line.value && kitchen.core
  ? juiceSources(line.value, ask.value, kitchen.core) : []))
const currency = computed(() => kitchen.record?.settings.currency ?? '')
const money = (x: number | null) => (x === null ? '—' : `${currency.value} ${fmt.fixed(x, 2)}`)
const setKg = (from: BoughtJuice, v: number | null) => {
  const { [from]: _, ...others } = ask.value.perKg
  ask.value = { ...ask.value, perKg: v === null ? others : { ...others, [from]: v } }
}
const BOUGHT_FROM = Object.keys(BOUGHT) as BoughtJuice[]
</script>

<template>
  <section v-if="line" class="sources" data-juice-sources>
    <h2 class="section-title">{{ $say('juiceSources.title') }}</h2>
    <div class="fields">
      <div v-if="juices.length > 1">
        <label class="field-label" for="juice-of">{{ $say('juiceSources.of') }}</label>
        <select id="juice-of" v-model="chosen" class="native">
          <option v-for="l in juices" :key="l.id" :value="l.id">{{ fmt.name(l.ingredientId) }}</option>
        </select>
      </div>
      <div>
        <label class="field-label" for="juice-tool">{{ $say('juiceSources.tool') }}</label>
        <select id="juice-tool" v-model="ask.tool" class="native">
          <option v-for="(_, k) in TOOLS" :key="k" :value="k">{{ TOOL_NAMES[k] }}</option>
        </select>
      </div>
      <label class="check"><input v-model="ask.isRolled" type="checkbox"> {{ $say('juiceSources.rolled') }}</label>
      <label class="check"><input v-model="ask.isWarm" type="checkbox"> {{ $say('juiceSources.warm') }}</label>
      <FigureField v-model="ask.perFruit" :label="$say('juiceSources.perFruit')" :unit="currency" :min="0" :max="100" />
      <FigureField
        v-for="f in BOUGHT_FROM" :key="f" :model-value="ask.perKg[f] ?? null" :unit="currency" :min="0" :max="1000"
        :label="$say('juiceSources.perKg', { from: FROM_NAMES[f] })" @update:model-value="v => setKg(f, v)"
      />
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ $say('juiceSources.from') }}</th>
          <th scope="col" class="r">{{ $say('juiceSources.acid') }}</th>
          <th scope="col" class="r">{{ $say('juiceSources.need') }}</th>
          <th scope="col" class="r">{{ $say('juiceSources.fruits') }}</th>
          <th scope="col" class="r">{{ $say('juiceSources.scent') }}</th>
          <th scope="col" class="r">{{ $say('juiceSources.cost') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in rows" :key="s.from" :data-source="s.from">
          <th scope="row">{{ FROM_NAMES[s.from] }}</th>
          <td class="r num">{{ fmt.fixed(s.acidPercent, 1) }} %</td>
          <td class="r num">{{ fmt.grams(s.massG) }}</td>
          <td class="r num">
            {{
              s.fruits === null
                ? $say('juiceSources.none') : $say('juiceSources.each', { n: s.fruits, g: fmt.grams(s.eachG!) })
            }}
          </td>
          <td class="r num">{{ fmt.percent(s.scent) }}</td>
          <td class="r num">{{ money(s.cost) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="soft small">{{ $say('juiceSources.practice') }}</p>
  </section>
</template>

<style scoped>
.sources { margin-top: 1.6rem; }
.fields { display: flex; flex-wrap: wrap; gap: 0.6rem 1.4rem; align-items: end; margin-bottom: 0.6rem; }
.check { display: inline-flex; gap: 0.5rem; align-items: center; min-height: 44px; }
.check input { width: 22px; height: 22px; accent-color: var(--ink); }
table { width: 100%; max-width: 56rem; border-collapse: collapse; }
th { text-align: left; font-weight: 600; padding: 0.45rem 0.6rem 0.45rem 0; } td { padding: 0.45rem 0.6rem 0.45rem 0; }
.r { text-align: right; }
thead th { color: var(--ink-soft); font-weight: 400; border-bottom: 1px solid var(--ink); }
tbody tr { border-bottom: 1px solid var(--hairline); }
@media (max-width: 620px) { table { font-size: 0.9rem; } }
</style>
