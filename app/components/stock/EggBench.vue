<script setup lang="ts">
/** Eggs: shells to crack, whole-egg rounding, what is left over and what could take it, cartons. */
import { fillingOf, type Bench } from '#core/formula/bench'
import { EGG_GRADES } from '#core/base/ingredients/measures'
import { atWholeCount, clingingWhite, countEggs, withCarton } from '#core/formula/eggs'
import type { EggUse, FormulaList, FormulaListItem } from '../../../shared/schemas/wire'
import { say } from '~/words/say'

const props = defineProps<{ doc: Bench }>()
const fmt = useFormat()
const ws = useWorkspaceStore()
const kitchen = useKitchenStore()
const toast = useToast()
const grade = computed(() => kitchen.record?.settings.eggGrade ?? 'euL')
const g = computed(() => EGG_GRADES[grade.value])
const eggs = computed(() => countEggs(fillingOf(props.doc).lines, grade.value))
const lineOf = (id: string) => fillingOf(props.doc).lines.find(l => l.id === id)!
const PART = { whole: ['egg', 'eggs'], yolk: ['yolk', 'yolks'], white: ['white', 'whites'] } as const

/** What in the shelf would use what is left. */
const shelf = shallowRef<(FormulaListItem & { eggs: EggUse })[]>([])
onMounted(async () => {
  try {
    shelf.value = (await api<FormulaList>('/api/formulas', { query: { eggs: '1' } })).items.flatMap(i =>
      i.eggs && i.id !== ws.id ? [{ ...i, eggs: i.eggs }] : [],
    )
  } catch {
    shelf.value = []
  }
})
const users = (key: 'whiteG' | 'yolkG') =>
  shelf.value
    .filter(i => i.eggs[key] > 0)
    .sort((a, b) => a.eggs[key] - b.eggs[key])
    .slice(0, 4)

type Counted = (typeof eggs.value.lines)[number]
function put(doc: Bench) {
  ws.replace(doc)
  ws.endGesture()
}
function keepWhole(c: Counted) {
  if (!lineOf(c.lineId).piece) put(atWholeCount(props.doc, c, false))
  else ws.change('', (d) => { delete fillingOf(d).lines.find(l => l.id === c.lineId)!.piece })
}
function carton(lineId: string, cartonId: 'yolk' | 'yolk_sugared' | 'white_carton') {
  const made = withCarton(props.doc, lineId, cartonId)
  put(made.doc)
  toast.add({
    title: say('eggBench.fromTheCarton', { massG: fmt.grams(made.massG) }),
    description:
      made.sugarG > 0
        ? say('eggBench.itBringsOfSugarTakenOff', { sugarG: fmt.grams(made.sugarG) })
        : made.whiteG > 0
          ? say('eggBench.theWhiteThatClingsToA', { whiteG: fmt.grams(made.whiteG) })
          : say('eggBench.theSameWeight'),
  })
}
</script>

<template>
  <section class="eggs">
    <h2 class="section-title">{{ $say('eggBench.eggs') }}</h2>
    <p>
      {{ $say('eggBench.whole', { label: g.label }) }} <b class="num">{{ g.wholeG }} g</b>{{ $say('eggBench.yolk') }}
      <b class="num">{{ g.yolkG }} g</b>{{ $say('eggBench.white') }}
      <b class="num">{{ g.whiteG }} g</b>{{ $say('eggBench.aboutOfASeparatedYolkIs', { p1: fmt.percent(clingingWhite()) }) }}
      <NuxtLink class="underline" to="/kitchen">{{ $say('eggBench.kitchen') }}</NuxtLink>.
    </p>
    <template v-if="eggs.lines.length">
      <p class="answer" data-answer="eggs">
        <b class="display">{{ eggs.eggs }}</b>
        {{ $say('eggBench.toCrack', { eggs: eggs.eggs === 1 ? $say('eggBench.egg') : $say('eggBench.eggs2') }) }}<template
          v-if="eggs.surplus.whites > 0"
        >
          {{ ';' }} <b>{{ eggs.surplus.whites }}</b>
          {{
            $say('eggBench.leftOver',
                 { whites: PART.white[eggs.surplus.whites === 1 ? 0 : 1], whitesG: fmt.grams(eggs.surplus.whitesG) })
          }}
        </template>
        <template v-if="eggs.surplus.yolks > 0">
          {{ ';' }} <b>{{ eggs.surplus.yolks }}</b>
          {{
            $say('eggBench.leftOver2',
                 { yolks: PART.yolk[eggs.surplus.yolks === 1 ? 0 : 1], yolksG: fmt.grams(eggs.surplus.yolksG) })
          }}
        </template>.
      </p>
      <ul class="lines">
        <li v-for="c in eggs.lines" :key="c.lineId" :data-egg="c.part">
          <span>
            <b>{{ fmt.name(lineOf(c.lineId).ingredientId) }}</b> {{ fmt.grams(lineOf(c.lineId).massG) }}:
            <b class="num">{{ fmt.fixed(c.count, Math.abs(c.count - c.nearest) < 0.03 ? 0 : 1) }}</b>
            {{ $say('eggBench.ofG', { count: PART[c.part][c.count > 1.03 ? 1 : 0], eachG: fmt.fixed(c.eachG, 1) }) }}
          </span>
          <span class="acts">
            <UButton
              size="sm" variant="outline" color="neutral"
              :label="
                lineOf(c.lineId).piece
                  ? $say('eggBench.keptWhole')
                  : $say('eggBench.keepWhole', { nearest: c.nearest })
              "
              :aria-pressed="lineOf(c.lineId).piece ? 'true' : 'false'" @click="keepWhole(c)"
            />
            <UButton
              v-if="Math.abs(c.count - c.nearest) > 0.03" size="sm" variant="outline" color="neutral"
              :label="$say('eggBench.scaleAllTo', { nearest: c.nearest })" @click="put(atWholeCount(doc, c, true))"
            />
            <template v-if="c.part === 'yolk'">
              <UButton
                size="sm" variant="outline" color="neutral" :label="$say('eggBench.fromACarton')"
                @click="carton(c.lineId, 'yolk')"
              />
              <UButton
                size="sm" variant="outline" color="neutral" :label="$say('eggBench.fromASugaredCarton')"
                @click="carton(c.lineId, 'yolk_sugared')"
              />
            </template>
            <UButton
              v-else-if="c.part === 'white'" size="sm" variant="outline" color="neutral"
              :label="$say('eggBench.fromACarton')" @click="carton(c.lineId, 'white_carton')"
            />
          </span>
        </li>
      </ul>
      <template
        v-for="[key, left, name] in ([['whiteG', eggs.surplus.whites, 'whites'], ['yolkG', eggs.surplus.yolks, 'yolks']] as const)"
        :key="key"
      >
        <div v-if="left > 0" class="left" :data-surplus="name">
          <h3>{{ $say('eggBench.whatCouldTakeThe', { name }) }}</h3>
          <ul v-if="users(key).length">
            <li v-for="u in users(key)" :key="u.id">
              <NuxtLink class="underline" :to="`/formula/${u.id}/stock`">{{ u.name }}</NuxtLink>
              {{
                $say('eggBench.takesAbout',
                     { key: fmt.grams(u.eggs[key]),
                       yolkG: fmt.fixed(u.eggs[key] / (key === 'whiteG' ? g.whiteG : g.yolkG), 0) })
              }}
            </li>
          </ul>
          <p v-else class="soft">
            {{
              $say('eggBench.nothingOnTheShelfTakes',
                   { name,
                     sugar: name === 'whites'
                       ? $say('eggBench.theyFreezeWellAMeringueTakes')
                       : $say('eggBench.freezeThemWithATenthOf') })
            }}
          </p>
        </div>
      </template>
    </template>
    <p v-else class="soft">{{ $say('eggBench.noEggsFromTheShellIn') }}</p>
  </section>
</template>

<style scoped>
.answer b.display { font-size: 1.9rem; margin-right: 0.3rem; }
.lines { list-style: none; padding: 0; margin: 0.4rem 0 1rem; border-top: 1px solid var(--ink); }
.lines li {
  display: flex; flex-wrap: wrap; justify-content: space-between; align-items: center; gap: 0.4rem 1rem;
  border-bottom: 1px solid var(--hairline); padding: 0.5rem 0;
}
.acts { display: flex; flex-wrap: wrap; gap: 0.4rem; }
.left ul { margin: 0.3rem 0; padding-left: 1.1rem; list-style: disc; }
h3 { font-size: 1.05rem; margin: 0.6rem 0 0.2rem; }
</style>
