/** The project's own integrators against odex (Hairer's ODEX) on the same equations. */
import { describe, expect, it } from 'vitest'
import { parts } from '../../../tests/support/core'
import { odexCylinder, odexPot } from '../../../tests/support/reference'
import { panFor, type PotInput, runPot } from '../heat/pot'
import { mix } from '../matter/mix'
import { coolCylinder, type Faces, valueAt } from './conduction'
import { boundaryOf } from './places'
import { evenHeat, fractionsOf, thermalProperties } from './properties'

describe('odex, the same equations', () => {
  it.each(['waterBath', 'direct', 'microwave'] as const)(
    'pot on %s: temperature within .1 K and steam within 1 % all the way up',
    (method) => {
      const m = mix(parts({ egg: 240, sugar: 200, lemon: 200, butter82: 115 }))
      const p = thermalProperties(fractionsOf(m), 60)
      const input: PotInput = {
        massG: m.massG,
        waterG: m.grams.water,
        cp: p.cp,
        pan: panFor(m.massG / 1000 / p.rho),
        startTempC: 18,
        targetTempC: 80,
        holdS: 0,
        method,
        burnerW: method === 'microwave' ? 900 : 300,
        roomTempC: 20,
        altitudeM: 0,
        waterActivity: 0.96,
      }
      const run = runPot(input)
      const times = [0.25, 0.5, 0.75, 0.98].map(x => x * run.reachedS!)
      odexPot(input, times, 1e-7).forEach((r, i) =>
        expect(Math.abs(valueAt(run.history.timeS, run.history.tempC, times[i]!) - r.tempC)).toBeLessThan(0.1),
      )
      const end = odexPot(input, [run.reachedS!], 1e-7)[0]!
      expect(Math.abs(run.evaporatedG / end.evaporatedG - 1)).toBeLessThan(0.01)
      expect(Math.abs(end.tempC - 80)).toBeLessThan(0.05)
    },
  )
  it('a ramekin through bench and fan fridge: core within .35 K at every hour', () => {
    const placing = (kind: 'bench' | 'fanFridge', airTempC: number) => ({
      kind,
      airTempC,
      cover: 'film' as const,
      material: 'ceramic' as const,
      crustM: 0,
      crustForm: 'shell' as const,
      waterActivity: 0.96,
      hcFactor: 1,
    })
    const input = {
      radiusM: 0.0375,
      heightM: 0.03,
      solid: { k: 0.4, rho: 1100, cp: evenHeat(3050) },
      startTempC: 75,
      endS: 5 * 3600,
      jumpsS: [1800],
      boundary: (t: number, faces: Faces) =>
        boundaryOf(t < 1800 ? placing('bench', 20) : placing('fanFridge', 3), faces),
    }
    const run = coolCylinder(input)
    const times = [900, 1800, 3600, 7200, 10800, 14400]
    odexCylinder(input, 8, times, 1e-6).forEach((core, i) =>
      expect(Math.abs(valueAt(run.timeS, run.coreC, times[i]!) - core)).toBeLessThan(0.35),
    )
  })
})
