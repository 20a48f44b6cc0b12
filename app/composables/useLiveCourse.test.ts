import { describe, expect, it } from 'vitest'
import { effectScope, nextTick, ref, shallowRef } from 'vue'
import { COLD_COURSE, pacesByClock } from '#core/live/course'
import type { Read } from './courses'
import { useLiveCourse } from './useLiveCourse'

/** A piece that falls from 80 to 4 °C, by e in an hour. */
const falls = (paceS: number) => (s: number) => 4 + 76 * Math.exp(-s / paceS)
const timeS = Array.from({ length: 400 }, (_, i) => 60 * i)
const PACES = pacesByClock(timeS, timeS.map(falls(3600)))
const TO_C = 21
/** By hand: 4 + 76·e^(−t/τ) = 21. */
const reaches = (paceS: number) => paceS * Math.log(76 / 17)
const readings = (paceS: number, untilS: number): Read[] =>
  Array.from({ length: Math.floor(untilS / 60) + 1 }, (_, i) => ({ s: 60 * i, value: falls(paceS)(60 * i) }))

function live(core: Read[] = [], nowAtS = 0) {
  const levelC = ref<number | null>(TO_C)
  const of = { paces: shallowRef(PACES), endC: ref(4), core: shallowRef(core), nowS: ref(nowAtS), levelC }
  const scope = effectScope()
  const left = scope.run(() => useLiveCourse({ ...of, law: COLD_COURSE }))!
  return { ...of, left, scope }
}

describe('how long a piece in the cold still takes', () => {
  it('is not said before anything was read, nor where nobody asks', async () => {
    const at = live()
    expect(at.left.value).toBeNull()
    at.core.value = readings(3600, 1800)
    at.levelC.value = null
    await nextTick()
    expect(at.left.value).toBeNull()
    at.scope.stop()
  })
  it.each([3600, 4700])('follows the readings of a piece that falls by e in %d s', async (paceS) => {
    const at = live(readings(paceS, 2400), 2400)
    const { low, high, value } = at.left.value!
    expect(low).toBeLessThan(reaches(paceS) - 2400)
    expect(high).toBeGreaterThan(reaches(paceS) - 2400)
    expect(Math.abs(value / (reaches(paceS) - 2400) - 1)).toBeLessThan(0.15)
    at.scope.stop()
  })
  it('counts down with the clock between readings, and takes more readings as they come', async () => {
    const at = live(readings(3600, 1200), 1200)
    const before = at.left.value!.value
    at.nowS.value = 1230
    expect(at.left.value!.value).toBeCloseTo(before - 30, 9)
    at.core.value = readings(3600, 2400)
    at.nowS.value = 2400
    await nextTick()
    expect(at.left.value!.value).toBeLessThan(before - 900)
    expect(at.left.value!.high - at.left.value!.low).toBeLessThan(before)
    at.scope.stop()
  })
  it('begins anew where another series is read', async () => {
    const at = live(readings(4700, 2400), 2400)
    const slow = at.left.value!.value
    at.core.value = readings(3600, 1200)
    at.nowS.value = 1200
    await nextTick()
    const alone = live(readings(3600, 1200), 1200)
    expect(at.left.value!.value).toBeCloseTo(alone.left.value!.value, 6)
    expect(slow).not.toBeCloseTo(at.left.value!.value, 0)
    for (const s of [at.scope, alone.scope]) s.stop()
  })
})
