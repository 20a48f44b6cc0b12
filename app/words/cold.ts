/** Shape, cold and keeping in a cook's words. */
import type { WayChoice } from '#core/plan/chillWays'
import type { Decides, WhenRow, WhenWhat } from '#core/plan/when'
import type { KeepingCode, KeepingNeed, KeepingOption } from '#core/plan/storage'
import { HOME_GUIDANCE } from '#core/plan/storage'
import type { WorkVessel } from '#core/physics/heat/pot'
import { MECHANISM_NAMES } from './names'

type Format = ReturnType<typeof useFormat>

export const WHEN_NAMES: Record<WhenWhat, { name: string, what: string }> = {
  cover: { name: 'cover', what: 'earliest, unless the film touches the surface' },
  unmould: { name: 'unmould', what: 'earliest' },
  thawed: { name: 'thawed', what: 'through' },
  cut: { name: 'cut', what: 'earliest' },
  serve: { name: 'serve', what: 'earliest' },
  best: { name: 'at its best', what: 'from' },
}
const DECIDES_WORDS: Record<Decides, string> = {
  steam: 'steam: the middle is down to 45 °C',
  ice: 'a frozen edge',
  thaw: 'the ice is gone',
  strength: 'strong enough for this height',
  setting: 'set through',
}
/** What decides a row, with what sets it. */
export const decidesWords = (r: WhenRow): string =>
  `${DECIDES_WORDS[r.decides]}${r.mechanism && (r.decides === 'setting' || r.decides === 'strength') ? `, by ${MECHANISM_NAMES[r.mechanism]}` : ''}`

/** A way to chill. */
export function wayName(w: Pick<WayChoice, 'way' | 'count' | 'place'>): string {
  switch (w.way) {
    case 'planned':
      return 'as planned'
    case 'straightIn':
      return 'straight in'
    case 'benchFirst':
      return 'bench first, 45 min'
    case 'iceBath':
      return 'stirred over ice first, 15 min'
    case 'filmNow':
      return 'covered at once'
    case 'filmLater':
      return 'covered later'
    case 'split':
      return `split into ${w.count}`
    case 'otherFridge':
      return w.place?.name ?? 'another fridge'
  }
}
const NEED_WORDS: Record<KeepingNeed, string> = {
  coldEnough: 'cold all the time',
  coveredWell: 'covered well',
  thawInFridge: 'thaw overnight in the fridge, never on the bench; then the days count on',
  starchWeeps: 'starch weeps after freezing',
  agarWeeps: 'agar weeps after freezing',
  measuredPH: `pH ${HOME_GUIDANCE.pH} or below, by a calibrated meter on the finished batch`,
  measuredHeat: `heated to ${HOME_GUIDANCE.tempC} °C or more, measured`,
  homeOnly: 'for a home, never for guests',
  foamSinks: 'only air holds it up',
}
export const needWords = (needs: readonly KeepingNeed[]): string => needs.map(n => NEED_WORDS[n]).join('; ')
const KEEPING_NAMES: Record<KeepingCode, string> = {
  code: 'by the food code',
  sameDay: 'the same day',
  freeze: 'frozen',
  homeGuidance: 'home guidance for lemon curd',
}
/** A way of keeping, in a line. */
export function keepingWords(o: KeepingOption, fmt: Format): string {
  const days =
    o.code === 'freeze'
      ? `about ${fmt.fixed(o.days / 30)} months at ${fmt.temp(o.tempC)} for quality`
      : o.code === 'homeGuidance'
        ? `up to ${o.days / 7} weeks at ${fmt.temp(o.tempC)}`
        : `${o.days === 1 ? 'today only' : `${o.days} days`} at ${fmt.temp(o.tempC)} or below, the day of making being day 1`
  return `${KEEPING_NAMES[o.code]}: ${days}`
}
const WORK_VESSELS: Record<WorkVessel['what'], string> = {
  boil: 'a pan for the boil',
  stir: 'a pan to stir in',
  whisk: 'a bowl to whisk in',
  whip: 'a bowl for whipping',
  fold: 'a bowl for folding',
  bath: 'a bowl for the water bath',
}
export const workVesselWords = (w: WorkVessel, fmt: Format): string =>
  `${WORK_VESSELS[w.what]}: ${fmt.litres(w.holdM3)} (${fmt.fixed(w.times, 1)} times ${fmt.litres(w.ofM3)})`
