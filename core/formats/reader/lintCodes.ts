/** What the lint can find, and how a finding is put right. */
import type { Part } from './parts'
import type { Read } from './read'
import type { Token } from './tokens'

export const LINT_CODES = [
  'listedUnused', 'usedUnlisted', 'amountMissing', 'amountsDiffer', 'fruitTwice', 'percentagesOff', 'tinNoSize',
  'vesselUnnamed', 'piecesUnnamed', 'zestNeverAdded', 'twoTemperatures', 'gelatinNoGrade', 'yolkWeight', 'mixedCups',
  'unitsContradict', 'vesselOverflows', 'vesselShallow', 'shareWrong', 'stepTwice', 'stepNever',
] as const
export type LintCode = (typeof LINT_CODES)[number]
export type LintFix =
  | { kind: 'replace', span: [number, number], before: string, after: string }
  | { kind: 'answer', key: string, value: string | number }
  /** The cook has to say it at the line. */
  | { kind: 'goTo', line: number }
export interface Lint {
  code: LintCode
  /** Indices of the entries it is about. */
  lines: number[]
  params: Readonly<Record<string, string | number>>
  fixes: LintFix[]
}

/** What every check looks at. */
export interface Ctx {
  r: Read
  add: (code: LintCode, lines: number[], params?: Lint['params'], fixes?: LintFix[]) => void
  /** Ingredient entries with their index. */
  own: { p: Part, i: number }[]
  steps: { p: Part, i: number, tokens: Token[] }[]
}
