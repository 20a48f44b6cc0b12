/** Next time: a change of the plan where a figure of it is to blame, none where it is not, never beyond its field. */
import { describe, expect, it } from 'vitest'
import { FIELDS } from '../base/fields'
import { formula } from '../../tests/support/core'
import { changedBy } from './change'

const doc = formula()
const by = (code: string, value: number) => changedBy({ code, params: { value } }, doc)
describe('a change for next time', () => {
  it('moves just what it is about', () => {
    expect(by('setFlame', 0.8)!.heat.burnerW).toBe(Math.round(doc.heat.burnerW * 0.8))
    expect({ ...by('setFlame', 0.8)!.heat, burnerW: 0 }).toEqual({ ...doc.heat, burnerW: 0 })
    expect(by('setOven', -9.2)!.heat.oven.offsetK).toBe(Math.round(doc.heat.oven.offsetK - 9.2))
    const fridge = by('setFridge', 1.5)!
    expect(fridge.chill.at(-1)!.place.airTempC).toBeCloseTo(doc.chill.at(-1)!.place.airTempC + 1.5, 9)
    expect(fridge.chill.slice(0, -1)).toEqual(doc.chill.slice(0, -1))
  })
  it('stays within what can be entered; what is no figure of the plan changes nothing', () => {
    expect(by('setFlame', 1e9)!.heat.burnerW).toBe(FIELDS['heat.burnerW'].max)
    expect(by('setOven', 1e9)!.heat.oven.offsetK).toBe(FIELDS['heat.oven.offsetK'].max)
    for (const code of ['calibrateProbe', 'tickLines', 'planCold', 'nothing']) expect(by(code, 1)).toBeNull()
    for (const code of ['setFlame', 'setOven', 'setFridge']) expect(by(code, NaN)).toBeNull()
    expect(by('setFlame', 0)).toBeNull()
  })
})
