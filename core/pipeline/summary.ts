/** The few figures of an assessment that a list or a thumbnail needs. */
import type { FormulaDocument } from '../formula/document'
import type { Sharpness } from '../physics/matter/taste'
import type { BandId, UseKind } from '../physics/set/bands'
import type { SetResult } from '../physics/set/state'
import type { Assessment, VerdictCode } from './assessment'

/** What a drawing of the piece needs. */
export interface PieceFigures {
  use: UseKind
  heightM: number
  widthM: number
  crustM: number
  crustForm: 'shell' | 'base'
  cold: Pick<SetResult, 'slump' | 'tempC' | 'standsM' | 'cutsM'>
  plate: Pick<SetResult, 'slump' | 'tempC' | 'standsM' | 'cutsM'>
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

const figures = (s: SetResult) => ({ slump: s.slump, tempC: s.tempC, standsM: s.standsM, cutsM: s.cutsM })

/** Figures for the drawing of a piece. */
export const pieceFigures = (doc: FormulaDocument, a: Assessment): PieceFigures => ({
  use: doc.use.kind,
  heightM: a.shape.pieceHeightM,
  widthM: doc.use.pieceWidthM,
  crustM: doc.assembly.crustM,
  crustForm: doc.assembly.crustForm,
  cold: figures(a.verdict.cold),
  plate: figures(a.verdict.plate),
})

/** Shortens an assessment. */
export const summarise = (doc: FormulaDocument, a: Assessment): Summary => ({
  engineVersion: a.engineVersion,
  code: a.verdict.code,
  band: a.verdict.cold.band,
  plateBand: a.verdict.plate.band,
  sharpness: a.balance.sharpness,
  coldPa: a.verdict.cold.tauPa.value,
  platePa: a.verdict.plate.tauPa.value,
  pH: a.balance.pH.value,
  safe: a.chill.safe,
  piece: pieceFigures(doc, a),
})
