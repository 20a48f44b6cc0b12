/** Random plans of every way of making: shares, heat, size and cold drawn from a seed. */
import fc from 'fast-check'
import type { Bench } from '../../core/formula/bench'
import { SCHOOLS, type School } from '../../core/formula/document'
import { USE_KINDS, type UseKind } from '../../core/physics/set/bands'
import { make, MADE } from './core'

interface Plan {
  school: School
  use: UseKind
  /** ln of what each line is multiplied by. */
  by: number[]
  targetK: number
  holdS: number
  chillH: number
  tableMin: number
}
const plan = fc.record<Plan>({
  school: fc.constantFrom(...SCHOOLS),
  use: fc.constantFrom(...USE_KINDS),
  by: fc.array(fc.double({ min: -0.7, max: 0.7, noNaN: true }), { minLength: 8, maxLength: 8 }),
  targetK: fc.double({ min: -6, max: 6, noNaN: true }),
  holdS: fc.integer({ min: 0, max: 400 }),
  chillH: fc.double({ min: 1, max: 24, noNaN: true }),
  tableMin: fc.integer({ min: 0, max: 90 }),
})

const benchOfPlan = (p: Plan): Bench => {
  const grams = Object.fromEntries(
    Object.entries(MADE[p.school]).map(([id, g], i) => [id, g * Math.exp(p.by[i % p.by.length]!)]))
  return make(p.school, (d) => {
    if (d.heat.method !== 'none') d.heat.targetTempC = Math.min(105, d.heat.targetTempC + p.targetK)
    d.heat.holdS = p.holdS
    d.chill.at(-1)!.timeS = p.chillH * 3600
    d.use.tableTimeS = p.tableMin * 60
  }, grams, p.use)
}

/** So many plans, always the same for a seed. */
export const randomPlans = (n: number, seed: number): Bench[] =>
  fc.sample(plan, { numRuns: n, seed }).map(benchOfPlan)
