/**
 * What was foretold of a batch beside what came out, in the units a cook measures in: a ring in millimetres, a clock in
 * minutes. Of what was made, by the weights and times it was made with.
 */
import { type Outcome, spoonWordOf, type SpoonWord } from '../book/outcome'
import { type BatchRecord, eventsOf } from '../book/record'
import { KITCHEN_LAWS, type Theta } from '../kitchen/spreads'
import { corrected } from '../physics/set/bands'
import { loadReading, slumpReading, spreadReading } from '../physics/set/kitchenTests'
import { expectedFrom, figuresSeen, stagesOf } from './seen'

/** A figure with its 80 % range. */
export interface Foretold {
  value: number
  low: number
  high: number
}
/** One σ in the 80 % range of a normal. */
const Z80 = 1.2816
const about = (value: number, sigma: number): Foretold =>
  ({ value, low: value - Z80 * sigma, high: value + Z80 * sigma })

/** What each find of an outcome is foretold to be, in its own unit; null: it has no such figure. */
export type OutcomeForetold = Record<
  'ringSankM' | 'spreadM' | 'loadKg' | 'stoodM' | 'massG' | 'pH' | 'brix' | 'sharp' | 'sweet', Foretold | null
> & { spoon: SpoonWord }

/** A puddle is looked at up to here, m. */
const MOST_SPREAD_M = 0.5

/** Model spreads beside the instrument's: pH, °Brix, points of taste, share of the mass, share of the height lost. */
const MODEL = { pH: 0.1, brix: 1.5, taste: 1, massShare: 0.03, slumpShare: 0.35 }

/**
 * What would be found of a batch as it was made.
 * @throws {InputError} as the pipeline
 * @example foretold(record, {}).massG.value > 0 // true
 */
export function foretold(record: BatchRecord, theta: Theta): OutcomeForetold {
  const stages = stagesOf(record, theta)
  const at = expectedFrom(record, theta, stages)
  const pa = stages.settled.cold.tauPa.value
  const { density } = stages.heated.body.phases
  const factor = Math.exp(Z80 * KITCHEN_LAWS.setFactor.sigma)
  const byStress = (reading: (pa: number) => number | null): Foretold | null => {
    const [value, a, b] = [pa, pa / factor, pa * factor].map(reading)
    return value == null || a == null || b == null ? null : { value, low: Math.min(a, b), high: Math.max(a, b) }
  }
  const h = stages.bench.use.pieceHeightM
  const lost = Math.max(0, h - at.stood! / 1000)
  return {
    ringSankM: byStress(p => slumpReading(p, density)),
    spreadM: byStress(p => Math.min(MOST_SPREAD_M, spreadReading(p, density))),
    loadKg: byStress(p => loadReading(p, density)),
    stoodM: {
      value: h - lost, low: h - lost * (1 + MODEL.slumpShare * Z80), high: h - lost * (1 - MODEL.slumpShare * Z80),
    },
    massG: about(at.massG!, MODEL.massShare * at.massG!),
    pH: about(at['pH.done']!, MODEL.pH),
    brix: about(at.brix!, MODEL.brix),
    sharp: about(at.sharp!, MODEL.taste),
    sweet: about(at.sweet!, MODEL.taste),
    spoon: spoonWordOf(corrected(pa, density)),
  }
}

/** A figure that was foretold and measured; spread: one σ of measuring it, in its unit. */
export interface Beside {
  id: string
  unit: string
  predicted: number
  measured: number
  sigma: number
}
/** Of the figures of a batch those that are told beside one another, with what they are told in. */
const TOLD: Record<string, string> = {
  oven: '°C',
  pot50: 'min', pot90: 'min', heatMin: 'min', steamG: 'g', ovenMin: 'min', core30: 'min', core15: 'min', core10: 'min',
  'pH.mix': 'pH', 'pH.done': 'pH', brix: '°Bx', massG: 'g', stood: 'mm', sharp: 'points', sweet: 'points',
}
/** The air of a fridge is told by its place: `air.fan`. */
const toldIn = (id: string): string | undefined => (id.startsWith('air.') ? '°C' : TOLD[id])
const TESTS = [['ringSankM', 'ring', 'mm', 1000], ['spreadM', 'spread', 'mm', 1000], ['loadKg', 'load', 'kg', 1]] as const

/**
 * Everything that was measured of a batch, beside what was foretold of it.
 * @throws {InputError} as the pipeline
 * @example besideOf({ ...record, events: [], readings: [] }, {}).length // 0
 */
export function besideOf(record: BatchRecord, theta: Theta): Beside[] {
  const figures = figuresSeen(record)
  if (figures.length === 0) return []
  const expected = expectedFrom(record, theta, stagesOf(record, theta))
  const told = figures.filter(f => toldIn(f.id) && Number.isFinite(expected[f.id] ?? NaN)).map(f =>
    ({ id: f.id, unit: toldIn(f.id)!, predicted: expected[f.id]!, measured: f.value, sigma: f.sigma }))
  const outcome: Outcome | undefined = eventsOf(record.events, 'outcome').at(-1)?.outcome
  if (!outcome) return told
  const ahead = foretold(record, theta)
  const tests = TESTS.flatMap(([key, id, unit, times]) => {
    const [measured, said] = [outcome[key], ahead[key]]
    if (measured === null || said === null) return []
    return [{
      id, unit, measured: times * measured, predicted: times * said.value,
      sigma: (times * (said.high - said.low)) / 2 / Z80,
    }]
  })
  return [...tests, ...told]
}
