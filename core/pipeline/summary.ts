/** The few figures of an assessment that a list or a thumbnail needs. */
import type { Bench, Planned } from '../formula/bench'
import { type Solid, solidOf } from '../formula/fruit'
import type { Kitchen } from '../kitchen/kitchen'
import type { Sharpness } from '../physics/matter/taste'
import type { BandId, UseKind } from '../physics/set/bands'
import type { SetResult } from '../physics/set/state'
import type { Assessment, VerdictCode } from './assessment'
import { assessDessert, type Part } from './dessert'

/** A piece at one moment: what it loses of its height, how high it is good for, and how far a ring of it sinks. */
export type PieceState = Pick<SetResult, 'slump' | 'tempC' | 'standsM' | 'cutsM' | 'ringSlumpM'>

/** What a drawing of the piece needs. */
export interface PieceFigures {
  use: UseKind
  heightM: number
  widthM: number
  crustM: number
  crustForm: 'shell' | 'base'
  cold: PieceState
  plate: PieceState
  /** The levels from the bottom up, where there are several. */
  layers?: PieceLayer[]
  /** Fruit in pieces or as a powder: it neither stands nor runs. */
  solid?: Solid
}

/** A level of a piece: how thick, how much of its height it loses, whether it is the one on the bench. */
export interface PieceLayer {
  name: string
  thickM: number
  slump: { cold: number, plate: number }
  chosen: boolean
}

export interface Summary {
  engineVersion: string
  code: VerdictCode
  band: BandId
  plateBand: BandId
  sharpness: Sharpness
  coldPa: number
  platePa: number
  pH: number
  safe: boolean
  piece: PieceFigures
}

/**
 * How high a piece of the plate's set would stand if it carried another stress: height goes with stress.
 * @param pa yield stress, Pa @returns m
 * @example standsAt(assessment, assessment.verdict.plate.tauPa.value) // 0.0125
 */
export const standsAt = ({ verdict: { plate } }: Assessment, pa: number): number =>
  (plate.standsM * pa) / Math.max(plate.tauPa.value, 1e-9)

const figures = ({ slump, tempC, standsM, cutsM, ringSlumpM }: SetResult): PieceState =>
  ({ slump, tempC, standsM, cutsM, ringSlumpM })

/** The levels of a piece that has several; those that take no room yet are left out. */
function layersOf(doc: Bench, parts: readonly Part[]): { layers?: PieceLayer[] } {
  const levels = parts.filter(p => p.fromM !== null && p.thickM > 0)
  if (levels.length < 2) return {}
  const layers = levels.map(({ id, name, thickM, slump }) => ({ name, thickM, slump, chosen: id === doc.componentId }))
  return { layers }
}

const solidly = (solid: Solid | null) => (solid ? { solid } : {})
/**
 * Figures for the drawing of a piece. @param parts the components of the dessert it is one of
 * @example pieceFigures(doc, assessment).heightM // 0.025
 */
export const pieceFigures = (doc: Bench, a: Assessment, parts: readonly Part[] = []): PieceFigures => ({
  ...layersOf(doc, parts),
  ...solidly(solidOf(doc.school)),
  use: doc.use.kind,
  heightM: a.shape.pieceHeightM,
  widthM: doc.use.pieceWidthM,
  crustM: doc.assembly.crustM,
  crustForm: doc.assembly.crustForm,
  cold: figures(a.verdict.cold),
  plate: figures(a.verdict.plate),
})

/**
 * Shortens an assessment.
 * @example summarise(doc, assessment).code // 'good'
 */
export const summarise = (doc: Bench, a: Assessment, parts: readonly Part[] = []): Summary => ({
  engineVersion: a.engineVersion,
  code: a.verdict.code,
  band: a.verdict.cold.band,
  plateBand: a.verdict.plate.band,
  sharpness: a.balance.sharpness,
  coldPa: a.verdict.cold.tauPa.value,
  platePa: a.verdict.plate.tauPa.value,
  pH: a.balance.pH.value,
  safe: a.chill.safe,
  piece: pieceFigures(doc, a, parts),
})

/** From good to what is least to be eaten. */
const BY_GRAVITY: readonly VerdictCode[] = [
  'good', 'edge', 'tooFirm', 'servedBeforeSet', 'frozen', 'sagsOnTable', 'looseCold', 'runny', 'grainy',
]

/**
 * The summary of a whole dessert: that of the component that stands worst, the filling where all stand alike.
 * @throws {InputError} naming the field, where the filling or the worst of them cannot be
 * @example summariseDessert(planned, kitchen).code // 'good'
 */
export function summariseDessert(planned: Planned, kitchen: Kitchen): Summary {
  const main = assessDessert(planned, kitchen)
  const gravity = (code: VerdictCode | null) => (code === null ? -1 : BY_GRAVITY.indexOf(code))
  const worst = main.parts.reduce<Part | null>((w, p) =>
    gravity(p.code) > gravity(w?.code ?? main.assessment.verdict.code) ? p : w, null)
  const { bench, assessment, parts } = worst ? assessDessert(planned, kitchen, worst.id) : main
  return summarise(bench, assessment, parts)
}
