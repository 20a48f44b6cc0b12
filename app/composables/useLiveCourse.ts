/** The filter beside a piece in the cold or the oven: fed by what its logger reads, asked how long it still takes. */
import { courseFrom, courseLeft, type CourseLaw, type LiveCourse, observeAir, observeCourse } from '#core/live/course'
import type { Read } from './courses'

export function useLiveCourse(of: {
  /** The course foretold from the start of this place on, and what it goes by. */
  foretold: Ref<{ timeS: readonly number[], tempC: readonly number[] } | null>
  law: CourseLaw
  /** Where it is to be, °C; null: nobody asks. */
  levelC: Ref<number | null>
  /** Of the middle, s from the start of this place. */
  core: Ref<readonly Read[]>
  /** How much warmer the air is than stated, K; null: nobody reads it. */
  warmerK?: Ref<number | null>
  nowS: Ref<number>
}) {
  const live = shallowRef<LiveCourse | null>(null)
  let fed = 0
  watch([of.foretold, of.core], ([foretold, core]) => {
    const [first] = core
    if (!foretold || !first) return
    if (!live.value || core.length < fed) {
      live.value = courseFrom(foretold.timeS, foretold.tempC, first.value, of.law)
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
