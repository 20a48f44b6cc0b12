/** Shape, cold and keeping in a cook's words. */
import type { WayChoice } from '#core/plan/chillWays'
import type { Decides, WhenRow, WhenWhat } from '#core/plan/when'
import type { KeepingCode, KeepingNeed, KeepingOption } from '#core/plan/storage'
import { HOME_GUIDANCE } from '#core/plan/storage'
import type { WorkVessel } from '#core/physics/heat/pot'
import { MECHANISM_NAMES } from './names'
import { group, say } from './say'

type Format = ReturnType<typeof useFormat>

export const WHEN_NAMES = group<Record<WhenWhat, { name: string, what: string }>>('cold.WHEN_NAMES')
const DECIDES_WORDS = group<Record<Decides, string>>('cold.DECIDES_WORDS')
/** What decides a row, with what sets it. */
export const decidesWords = (r: WhenRow): string =>
  `${DECIDES_WORDS[r.decides]}${r.mechanism && (r.decides === 'setting' || r.decides === 'strength') ? say('cold.by', { mechanism: MECHANISM_NAMES[r.mechanism] }) : ''}`

/** A way to chill. */
export function wayName(w: Pick<WayChoice, 'way' | 'count' | 'place'>): string {
  switch (w.way) {
    case 'planned':
      return say('cold.asPlanned')
    case 'straightIn':
      return say('cold.straightIn')
    case 'benchFirst':
      return say('cold.benchFirst45Min')
    case 'iceBath':
      return say('cold.stirredOverIceFirst15Min')
    case 'filmNow':
      return say('cold.coveredAtOnce')
    case 'filmLater':
      return say('cold.coveredLater')
    case 'split':
      return say('cold.splitInto', { count: w.count })
    case 'otherFridge':
      return w.place?.name ?? say('cold.anotherFridge')
  }
}
const NEED_WORDS: Record<KeepingNeed, string> = {
  coldEnough: say('cold.coldAllTheTime'),
  coveredWell: say('cold.coveredWell'),
  thawInFridge: say('cold.thawOvernightInTheFridgeNever'),
  starchWeeps: say('cold.starchWeepsAfterFreezing'),
  agarWeeps: say('cold.agarWeepsAfterFreezing'),
  measuredPH: say('cold.pHOrBelowByACalibrated', { pH: HOME_GUIDANCE.pH }),
  measuredHeat: say('cold.heatedToCOrMoreMeasured', { tempC: HOME_GUIDANCE.tempC }),
  homeOnly: say('cold.forAHomeNeverForGuests'),
  foamSinks: say('cold.onlyAirHoldsItUp'),
}
export const needWords = (needs: readonly KeepingNeed[]): string => needs.map(n => NEED_WORDS[n]).join('; ')
const KEEPING_NAMES = group<Record<KeepingCode, string>>('cold.KEEPING_NAMES')
/** A way of keeping, in a line. */
export function keepingWords(o: KeepingOption, fmt: Format): string {
  const days =
    o.code === 'freeze'
      ? say('cold.aboutMonthsAtForQuality', { days: fmt.fixed(o.days / 30), tempC: fmt.temp(o.tempC) })
      : o.code === 'homeGuidance'
        ? say('cold.upToWeeksAt', { days: o.days / 7, tempC: fmt.temp(o.tempC) })
        : say('cold.atOrBelowTheDayOf', { days: o.days === 1 ? say('cold.todayOnly') : say('cold.days', { days: o.days }), tempC: fmt.temp(o.tempC) })
  return `${KEEPING_NAMES[o.code]}: ${days}`
}
const WORK_VESSELS = group<Record<WorkVessel['what'], string>>('cold.WORK_VESSELS')
export const workVesselWords = (w: WorkVessel, fmt: Format): string =>
  say('cold.times', { what: WORK_VESSELS[w.what], holdM3: fmt.litres(w.holdM3), times: fmt.fixed(w.times, 1), ofM3: fmt.litres(w.ofM3) })
