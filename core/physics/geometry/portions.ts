/** Portions and cuts: even pours, grids, wedges. Lengths in m, masses in g. */
import { within } from '../../base/errors'

export interface Pour {
  eachG: number
  /** What the scale reads after each, from zero. */
  readingsG: number[]
}

/**
 * An even pour: the same grams into each, and what a scale that is not zeroed in between should read.
 * @example evenPour(600, 6).eachG // 100
 */
export function evenPour(batchG: number, count: number): Pour {
  const n = within(count, 'assembly.count', 1, 2000)
  const eachG = batchG / n
  return { eachG, readingsG: Array.from({ length: n }, (_, i) => eachG * (i + 1)) }
}

export interface Grid {
  columns: number
  rows: number
  /** Size of a piece, m. */
  lengthM: number
  widthM: number
  pieceG: number
  trimG: number
  /** Pieces with a baked edge; none once the edges are trimmed off. */
  edges: number
  pieces: number
}

/** A tray cut into a grid, with an even trim taken off all round first. @param slabG everything in the tray */
export function cutGrid(
  slabG: number,
  tray: { lengthM: number, widthM: number },
  columns: number,
  rows: number,
  trimM: number,
): Grid {
  within(columns, 'grid.columns', 1, 60)
  within(rows, 'grid.rows', 1, 60)
  within(trimM, 'grid.trimM', 0, Math.min(tray.lengthM, tray.widthM) / 2 - 0.005)
  const l = tray.lengthM - 2 * trimM
  const w = tray.widthM - 2 * trimM
  const kept = (slabG * l * w) / (tray.lengthM * tray.widthM)
  const pieces = columns * rows
  const inside = Math.max(0, columns - 2) * Math.max(0, rows - 2)
  return {
    columns,
    rows,
    lengthM: l / columns,
    widthM: w / rows,
    pieceG: kept / pieces,
    trimG: slabG - kept,
    edges: trimM > 0 ? 0 : pieces - inside,
    pieces,
  }
}

/**
 * The grid of at least so many pieces whose pieces are nearest to square; the fewest pieces win, then the squarest.
 * @example suggestGrid(16, { lengthM: 0.2, widthM: 0.2 }) // { columns: 4, rows: 4 }
 */
export function suggestGrid(
  pieces: number,
  tray: { lengthM: number, widthM: number },
): { columns: number, rows: number } {
  let best = { columns: pieces, rows: 1, score: Infinity }
  for (let rows = 1; rows <= pieces; rows++) {
    const columns = Math.ceil(pieces / rows)
    const shape = Math.abs(Math.log(tray.lengthM / columns / (tray.widthM / rows)))
    const score = shape + (3 * (columns * rows - pieces)) / pieces
    if (score < best.score) best = { columns, rows, score }
  }
  return { columns: best.columns, rows: best.rows }
}

export interface Wedges {
  count: number
  angleDeg: number
  /** Along the rim, and straight across it, m. */
  arcM: number
  chordM: number
  pieceG: number
}

/**
 * A round one cut into wedges.
 * @example cutWedges(960, 0.2, 12).pieceG // 80
 */
export function cutWedges(slabG: number, diameterM: number, count: number): Wedges {
  const n = within(count, 'assembly.portions', 1, 60)
  return {
    count: n,
    angleDeg: 360 / n,
    arcM: (Math.PI * diameterM) / n,
    chordM: diameterM * Math.sin(Math.PI / n),
    pieceG: slabG / n,
  }
}
