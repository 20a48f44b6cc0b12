<script setup lang="ts">
/** What a link opens, to read only: one formula, or one day; the token stands behind the #, no server logs it. */
import type { FormulaDocument } from '#core/formula/document'
import { ingredientName } from '~/words/names'
import type { SharedDay } from '../../shared/shared'
import { heatMeant } from '~/words/cook'
import { doorWords } from '~/words/door'
import { say } from '~/words/say'

type Shared = { kitchen: string } & ({ kind: 'formula', formula: FormulaDocument } | { kind: 'day', date: string, day: SharedDay })
const fmt = useFormat()
const shared = shallowRef<Shared | null>(null)
const wrong = ref('')
useHead({ title: 'Lumbik' })
api<Shared>('/api/shared', { method: 'POST', body: { token: location.hash.slice(1) || '-' } }).then(
  (found) => { shared.value = found },
  (error) => { wrong.value = doorWords(error) },
)
const grams = (g: number) => say('shared.grams', { g: g < 10 ? g.toFixed(1) : Math.round(g) })
</script>

<template>
  <main class="shared" :data-settled="shared || wrong ? 'true' : 'false'">
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-else-if="!shared" role="status">{{ $say('shared.opening') }}</p>
    <template v-else>
      <p class="soft">{{ $say('shared.ofKitchen', { kitchen: shared.kitchen }) }}</p>
      <template v-if="shared.kind === 'formula'">
        <h1 dir="auto">{{ shared.formula.name }}</h1>
        <p>{{ $say('shared.portions', { n: shared.formula.assembly.portions }) }}</p>
        <section v-for="c in shared.formula.components" :key="c.id">
          <h2 dir="auto">{{ c.name }}</h2>
          <p v-if="c.process && c.process.heat.method !== 'none'" class="num">
            {{ heatMeant(c.process.heat, fmt) }}
          </p>
          <ul>
            <li v-for="l in c.lines" :key="l.id">
              <span>{{ ingredientName(l.ingredientId) }}</span>
              <span class="num">{{ grams(l.massG) }}</span>
            </li>
          </ul>
        </section>
      </template>
      <template v-else>
        <h1 class="num">{{ shared.date }}</h1>
        <p v-if="shared.day.desserts.length === 0">{{ $say('shared.noSteps') }}</p>
        <ul>
          <li v-for="(d, i) in shared.day.desserts" :key="i">
            <span dir="auto">{{ d.name }}{{ d.count ? ` × ${d.count}` : '' }}</span>
            <span class="num">{{ $say('shared.servedAt') }} {{ d.serveAt }}</span>
          </li>
        </ul>
      </template>
    </template>
  </main>
</template>

<style scoped>
.shared { max-width: 40rem; margin: 0 auto; padding: 2rem 1.25rem 4rem; }
h1 { font-size: 1.85rem; } h2 { font-size: 1.2rem; margin-top: 1.4rem; }
ul { list-style: none; padding: 0; }
li { display: flex; justify-content: space-between; gap: 1rem; border-bottom: 1px solid var(--hairline); min-height: 40px; align-items: center; }
.wrong { color: var(--blood); font-weight: 600; }
</style>
