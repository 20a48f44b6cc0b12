/** What a cause asks for next time, as a change of the plan; null: it is no figure of the plan. */
import type { Bench } from '../formula/bench'
import { inField } from '../pipeline/learned'
import type { Said } from './remedies'

/**
 * A plan with the change that was asked for.
 * @example changedBy({ code: 'setFlame', params: { value: 0.8 } }, doc).heat.burnerW / doc.heat.burnerW // 0.8
 */
export function changedBy({ code, params }: Said, b: Bench): Bench | null {
  const value = Number(params.value)
  switch (code) {
    // What the ring really gives is what the plan goes by.
    case 'setFlame':
      if (!(value > 0)) return null
      return { ...b, heat: { ...b.heat, burnerW: inField('heat.burnerW', Math.round(b.heat.burnerW * value)) } }
    case 'setOven': {
      if (!Number.isFinite(value)) return null
      const offsetK = inField('heat.oven.offsetK', Math.round(b.heat.oven.offsetK + value))
      return { ...b, heat: { ...b.heat, oven: { ...b.heat.oven, offsetK } } }
    }
    case 'setFridge': {
      if (!Number.isFinite(value)) return null
      const last = b.chill.length - 1
      const warmer = (c: number) => inField('chill.*.place.airTempC', Math.round(10 * (c + value)) / 10)
      const chill = b.chill.map((l, i) => i !== last ? l
        : { ...l, placeId: null, place: { ...l.place, airTempC: warmer(l.place.airTempC) } })
      return { ...b, chill }
    }
    default:
      return null
  }
}
