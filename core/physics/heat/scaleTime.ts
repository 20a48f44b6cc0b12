/**
 * A time for another size, with a rule for each process:
 *
 *   bake     t·(d₂/d₁)^1.22                     depth decides (fitted to the oven model between 10 and 25 mm)
 *   reduce   t·(m₂/m₁)·(P₁/P₂)                  water to boil off over the power that is left for it (energy balance)
 *   microwave t·(m₂/m₁)·(P₁/P₂)                 every gram takes the same heat
 *   chill    t·(L₂/h + 4L₂²/π²k)/(L₁/h + 4L₁²/π²k)   film and conduction in series, L half the depth (slab, Carslaw &
 * Jaeger)
 *   whip     t                                  the whisk works a spoonful at a time; the bowl sets the limit
 */
import { within } from '../../base/errors'

export const TIMED = ['bake', 'reduce', 'microwave', 'chill', 'whip'] as const
export type Timed = (typeof TIMED)[number]
export const BAKE_EXPONENT = 1.22
/**
 * Still to moving air with radiation, W/(m²·K), and a filling's conductivity, W/(m·K) (middle of the ranges of
 * `places` and `properties`).
 */
const CHILL_H = 12
const CHILL_K = 0.42

/**
 * Depths in m for bake and chill, masses in g and powers in W for the others; what a process does not ask is ignored.
 */
export interface TimeWish {
  process: Timed
  timeS: number
  depthM: [from: number, to: number]
  massG: [from: number, to: number]
  powerW: [from: number, to: number]
}

/** The time for the other size, s. @throws {InputError} naming the field */
export function scaleTime(w: TimeWish): number {
  within(w.timeS, 'time.timeS', 1, 7 * 24 * 3600)
  const ratio = ([from, to]: [number, number], path: string) =>
    within(to, `${path}.to`, 1e-4, 1e7) / within(from, `${path}.from`, 1e-4, 1e7)
  switch (w.process) {
    case 'bake':
      return w.timeS * ratio(w.depthM, 'time.depthM') ** BAKE_EXPONENT
    case 'reduce':
    case 'microwave':
      return (w.timeS * ratio(w.massG, 'time.massG')) / ratio(w.powerW, 'time.powerW')
    case 'chill': {
      ratio(w.depthM, 'time.depthM')
      const [from, to] = w.depthM.map(d => d / 2 / CHILL_H + (4 * (d / 2) ** 2) / (Math.PI ** 2 * CHILL_K)) as [
        number,
        number,
      ]
      return (w.timeS * to) / from
    }
    case 'whip':
      return w.timeS
  }
}
