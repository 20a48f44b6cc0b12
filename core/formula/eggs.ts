/** Eggs: grades and counts against grams, whole-egg rounding, surplus whites and yolks, cartons. */
import { findIngredient, hasTrait, OFFERED, part } from '../base/ingredients/ingredients'
import { EGG_GRADES, type EggGrade } from '../base/ingredients/measures'
import { fillingOf, type Bench } from './bench'
import type { Line } from './document'
import { scaleFormula, withMass } from './edits'

export type EggPart = 'whole' | 'yolk' | 'white'
/**
 * What of an egg from the shell a line is; null for cartons, powder and anything else.
 * @example eggPart('yolk_sep') // 'yolk'
 */
export function eggPart(ingredientId: string): EggPart | null {
  if (!hasTrait(ingredientId, 'fromShell')) return null
  return hasTrait(ingredientId, 'wholeEgg') ? 'whole' : hasTrait(ingredientId, 'yolk') ? 'yolk' : 'white'
}
/**
 * Grams of a part of one egg.
 * @example eggEachG('yolk', 'usL') // 17
 */
export const eggEachG = (eggPartOf: EggPart, grade: EggGrade): number =>
  ({ whole: EGG_GRADES[grade].wholeG, yolk: EGG_GRADES[grade].yolkG, white: EGG_GRADES[grade].whiteG })[eggPartOf]

/**
 * Grams of yolk that is a line of its own: from the shell or a carton.
 * @example yolkMass(lines) // 170
 */
export const yolkMass = (lines: readonly Line[]): number =>
  lines.reduce((s, l) => s + (hasTrait(l.ingredientId, 'yolk') ? l.massG : 0), 0)

/**
 * White that clings to a separated yolk, as a share of its weight: the white protein of the row against that of
 * white.
 */
export const clingingWhite = (): number =>
  part(findIngredient('yolk_sep')!, 'eggWhiteProtein') / part(findIngredient('white')!, 'eggWhiteProtein')

/**
 * Shells for a number of eggs: a shortage under a hundredth of them, or a twentieth of one, cracks no other.
 * @example shellsFor(20.15) // 20
 */
export const shellsFor = (n: number): number => Math.max(0, Math.ceil(Math.min(n * 0.99, n - 0.05) - 1e-9))

export interface EggCount {
  /** Shells to crack in all, rounded up. */
  eggs: number
  lines: { lineId: string, part: EggPart, count: number, eachG: number, nearest: number, nearestG: number }[]
  /** Left over once the shells are cracked, in eggs and grams. */
  surplus: { whites: number, whitesG: number, yolks: number, yolksG: number }
}

/**
 * Eggs that lines from the shell need, in a grade: whole ones first, then as many separated as yolks or whites ask
 * for.
 * @example countEggs(lines, 'usL').eggs // 10
 */
export function countEggs(lines: readonly Line[], grade: EggGrade): EggCount {
  const found = lines.flatMap((line) => {
    const p = eggPart(line.ingredientId)
    if (!p || !(line.massG > 0)) return []
    const eachG =
      line.piece && line.piece.kind === (p === 'whole' ? 'egg' : p) ? line.piece.eachG : eggEachG(p, grade)
    const count = line.massG / eachG
    const nearest = Math.max(1, Math.round(count))
    return [{ lineId: line.id, part: p, count, eachG, nearest, nearestG: nearest * eachG }]
  })
  const sum = (p: EggPart) => found.filter(f => f.part === p).reduce((s, f) => s + f.count, 0)
  const whole = shellsFor(sum('whole'))
  const yolks = shellsFor(sum('yolk'))
  const whites = shellsFor(sum('white'))
  const separated = Math.max(yolks, whites)
  const g = EGG_GRADES[grade]
  return {
    eggs: whole + separated,
    lines: found,
    surplus: {
      whites: separated - whites,
      whitesG: (separated - whites) * g.whiteG,
      yolks: separated - yolks,
      yolksG: (separated - yolks) * g.yolkG,
    },
  }
}

/**
 * A carton in place of separated yolk: as much of it as carries the same yolk protein, and what the other lines give
 * way: a sugared yolk brings its sugar, and pure yolk lacks the white that clings to a separated one.
 */
export function yolkCarton(massG: number, cartonId: string): { massG: number, sugarG: number, whiteG: number } {
  const from = findIngredient('yolk_sep')!
  const to = findIngredient(cartonId)!
  const carton = (massG * part(from, 'yolkProtein')) / part(to, 'yolkProtein')
  const white = massG * part(from, 'eggWhiteProtein') - carton * part(to, 'eggWhiteProtein')
  return {
    massG: carton,
    sugarG: (carton * part(to, 'sucrose')) / 100,
    whiteG: Math.max(0, white / part(findIngredient('white')!, 'eggWhiteProtein')),
  }
}

const tenths = (g: number) => Math.round(g * 10) / 10
const pieceKind = { whole: 'egg', yolk: 'yolk', white: 'white' } as const

/** The formula with a line at the nearest whole count, counted from now on; with `all`, everything scaled to it. */
export function atWholeCount(doc: Bench, c: EggCount['lines'][number], all: boolean): Bench {
  const next = withMass(all ? scaleFormula(doc, c.nearest / c.count) : doc, c.lineId, tenths(c.nearestG))
  return {
    ...next,
    components: next.components.map(x => ({
      ...x,
      lines: x.lines.map(l => (l.id === c.lineId ? { ...l, piece: { kind: pieceKind[c.part], eachG: c.eachG } } : l)),
    })),
  }
}

/**
 * The formula with a shell line taken from a carton; the sugar a yolk carton brings comes off the sugar line. White
 * weighs the same.
 */
export function withCarton(
  doc: Bench,
  lineId: string,
  cartonId: 'yolk' | 'yolk_sugared' | 'white_carton',
): { doc: Bench, massG: number, sugarG: number, whiteG: number } {
  const line = fillingOf(doc).lines.find(l => l.id === lineId)!
  const made =
    cartonId === 'white_carton' ? { massG: line.massG, sugarG: 0, whiteG: 0 } : yolkCarton(line.massG, cartonId)
  const sugar = fillingOf(doc).lines.find(l => l.ingredientId === OFFERED.sugar)
  const { piece: _, ...rest } = line
  const lines = fillingOf(doc).lines.map(l =>
    l.id === lineId
      ? { ...rest, ingredientId: cartonId, massG: tenths(made.massG), sourceText: '', assumption: '' }
      : l.id === sugar?.id
        ? { ...l, massG: Math.max(0, tenths(l.massG - made.sugarG)) }
        : l,
  )
  return {
    ...made,
    doc: { ...doc, components: doc.components.map(c => (c.id === doc.componentId ? { ...c, lines } : c)) },
  }
}
