/** The filter beside a piece in the cold or the oven: fed by what its logger reads, asked how long it still takes. */
import {
  courseLeft, type CourseLaw, type LiveCourse, observeAir, observeCourse, type Pace, startCourse,
} from '#core/live/course'
import type { Read } from './courses'

export function useLiveCourse(of: {
  /** Its courses from the start of this place on, where they end, and what they go by; null: not worked out yet. */
  paces: Ref<readonly Pace[] | null>
  endC: Ref<number>
  law: CourseLaw
  /** Where it is to be, °C; null: nobody asks. */
  levelC: Ref<number | null>
  /** Of the middle, s from the start of this place. */
  core: Ref<readonly Read[]>
  /** How much warmer the air is than stated, by the mean of its readings, K; null: nobody reads it. */
  warmerK?: Ref<number | null>
  nowS: Ref<number>
}) {
  const live = shallowRef<LiveCourse | null>(null)
  let fed = 0
  watch([of.paces, of.core, of.endC], ([paces, core, endC], [was]) => {
    const [first] = core
    if (!paces || !first) return
    if (paces !== was) live.value = null
    if (!live.value || core.length < fed) {
      live.value = startCourse(paces, { nowC: first.value, endC }, of.law)
      fed = 0
    }
    for (const r of core.slice(fed)) live.value = observeCourse(live.value, { atS: r.s, tempC: r.value })
    fed = core.length
  }, { immediate: true })

  /** As the last reading left it: worked out once a reading, not once a tick. */
  const said = computed(() => {
    const [c, levelC] = [live.value, of.levelC.value]
    if (!c || c.atS === 0 || levelC === null) return null
    const warmerK = of.warmerK?.value ?? null
    const range = courseLeft(warmerK === null ? c : observeAir(c, warmerK), levelC)
    return range && { range, atS: c.atS }
  })
  /** Seconds from now until the middle is there, as a range; null: not known, or never. */
  return computed(() => {
    if (!said.value) return null
    const { range, atS } = said.value
    const goneS = Math.max(0, of.nowS.value - atS)
    return { low: range.low - goneS, value: range.value - goneS, high: range.high - goneS }
  })
}
