/**
 * The same cook another way: other batches, tins, starts, burners and heights above the sea, each run through the
 * whole pipeline.
 */
import { InputError } from '../base/errors'
import { type Bench, vesselOf } from '../formula/bench'
import { scaleFormula } from '../formula/edits'
import type { Kitchen } from '../kitchen/kitchen'
import { assess } from '../pipeline/assess'

export const VARIANTS = [
  'planned',
  'halfBatch',
  'doubleBatch',
  'fourfoldBatch',
  'moreHeat',
  'seaLevel',
  'highUp',
  'doubleSameTin',
  'doubleTwoTins',
  'otherMaterial',
  'fanToggled',
  'warmStart',
  'bathToggled',
] as const
export type VariantCode = (typeof VARIANTS)[number]

export interface CookVariant {
  code: VariantCode
  depthM: number
  /** Until the target, and off the heat, s; null: never. */
  reachedS: number | null
  endS: number
  marginK: number | null
  evaporatedG: number
  /** Runs over the rim of this tin; the time is that of one deep enough. */
  overflows: boolean
}

/** Height of "high up", m, and warmth of a warm start, °C. */
export const HIGH_UP_M = 1500
export const WARM_START_C = 60

interface Case {
  code: VariantCode
  doc: Bench
  kitchen: Kitchen
  /** Height of the real rim over the crust, m, where the tin was taken deeper. */
  rimM?: number
}
function casesOf(doc: Bench, kitchen: Kitchen): Case[] {
  const { heat } = doc
  const same = (code: VariantCode, next: Bench): Case => ({ code, doc: next, kitchen })
  const times = (n: number) => scaleFormula(doc, n)
  if (heat.method === 'none') return []
  if (heat.method === 'oven') {
    const vessel = vesselOf(doc, kitchen)
    const material = vessel.material === 'glass' ? ('metal' as const) : ('glass' as const)
    const double = times(2)
    // Twice the mix and some room; no tin is higher than .4 m.
    const taller = Math.min(2.2, 0.4 / vessel.heightM)
    const deep: Bench = {
      ...double,
      assembly: {
        ...double.assembly,
        vesselId: null,
        vessel: {
          ...vessel,
          heightM: taller * vessel.heightM,
          heldM3: vessel.heldM3 === null ? null : taller * vessel.heldM3,
        },
      },
    }
    return [
      same('planned', doc),
      { ...same('doubleSameTin', deep), rimM: vessel.heightM - doc.assembly.crustM },
      same('doubleTwoTins', { ...double, assembly: { ...double.assembly, count: 2 * doc.assembly.count } }),
      same('otherMaterial', {
        ...doc,
        assembly: { ...doc.assembly, vesselId: null, vessel: { ...vessel, material } },
      }),
      same('fanToggled', { ...doc, heat: { ...heat, oven: { ...heat.oven, fan: !heat.oven.fan } } }),
      same('warmStart', { ...doc, heat: { ...heat, startTempC: WARM_START_C } }),
      same('bathToggled', { ...doc, heat: { ...heat, oven: { ...heat.oven, bath: !heat.oven.bath } } }),
    ]
  }
  const out = [
    same('planned', doc),
    same('halfBatch', times(0.5)),
    same('doubleBatch', times(2)),
    same('fourfoldBatch', times(4)),
  ]
  if (heat.method === 'direct' || heat.method === 'microwave')
    out.push(same('moreHeat', { ...doc, heat: { ...heat, burnerW: Math.min(5000, 1.5 * heat.burnerW) } }))
  return [
    ...out,
    { code: 'seaLevel', doc, kitchen: { ...kitchen, altitudeM: 0 } },
    { code: 'highUp', doc, kitchen: { ...kitchen, altitudeM: HIGH_UP_M } },
  ]
}

/** Every way that is possible. It yields between runs, so that a worker can give up. */
export function* cookVariants(doc: Bench, kitchen: Kitchen): Generator<undefined, CookVariant[]> {
  const out: CookVariant[] = []
  for (const c of casesOf(doc, kitchen)) {
    yield
    try {
      const { heat, shape } = assess(c.doc, c.kitchen)
      out.push({
        code: c.code,
        depthM: shape.depthM,
        reachedS: heat.reachedS,
        endS: heat.endS,
        marginK: heat.marginK,
        evaporatedG: heat.evaporatedG,
        overflows: c.rimM === undefined ? shape.fillShare > 1 : shape.depthM > c.rimM,
      })
    } catch (error) {
      // A way that cannot be (a field out of its limits) is left out.
      if (!(error instanceof InputError)) throw error
    }
  }
  return out
}
