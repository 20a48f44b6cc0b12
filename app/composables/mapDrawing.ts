/**
 * A field of the map as shapes: filled bands, sharpness lines, the grainy corner, and where their words can stand.
 * Made in
 * the worker, so that the page only draws paths. Coordinates run 0–1 from the lower left corner.
 */
import { contours } from 'd3-contour'
import { BANDS, type BandId } from '#core/physics/set/bands'
import { AROMA_EDGES, type AromaWord, aromaWord } from '#core/physics/matter/aroma'
import { SHARPNESS, SHARPNESS_EDGES, type Sharpness } from '#core/physics/matter/taste'
import type { MapField, Reach } from '#core/solve/map'
import { BAND_NAMES, SHORT_VERDICT } from '../words/names'

/** Size of the drawing's own units: paths are written in them. */
export const MAP_UNITS = 1000

export interface MapDrawing {
  n: number
  /** From soft to firm: everything at least as firm as the band, laid over one another. */
  bands: {
    band: BandId
    path: string
    /** Where its word stands, or null when there is no room. */
    label: WordPlace | null
  }[]
  sharpness: { edge: number, path: string }[]
  /** Words of sharpness along the right and the upper edge. */
  edgeWords: { sharpness: Sharpness, side: 'right' | 'top', at: number }[]
  /** Where one scent turns into the next, and their words along the lower and the left edge, inside. */
  scent: string[]
  scentWords: { aroma: AromaWord, side: 'bottom' | 'left', at: number }[]
  grainy: { path: string, label: WordPlace | null } | null
  /** Where it meets the use; null: nowhere on this map. */
  meets: { path: string, label: WordPlace | null } | null
  /** How the map would come to show such a place, where it shows none. */
  reach: Reach | null
}

/** A word in one line or two, and the middle of its first one. */
export interface WordPlace {
  x: number
  y: number
  lines: string[]
}

export type Ring = readonly (readonly number[])[]

/** A contour of a square field, as rings in cells. */
export const contourRings = (values: number[], n: number, threshold: number): Ring[] =>
  contours().size([n, n]).contour(values, threshold).coordinates.flat() as unknown as Ring[]

/** Only the inside of a contour: runs along the frame are not lines. */
export const openRuns = (rings: readonly Ring[], n: number): Ring[] =>
  rings.flatMap((ring) => {
    const onEdge = ([x, y]: readonly number[]) => x! <= 0.501 || y! <= 0.501 || x! >= n - 0.501 || y! >= n - 0.501
    const out: (readonly number[])[][] = [[]]
    for (let i = 0; i < ring.length; i++) {
      const [a, b] = [ring[i]!, ring[(i + 1) % ring.length]!]
      if (onEdge(a) && onEdge(b)) {
        if (out.at(-1)!.length) out.push([])
        continue
      }
      if (out.at(-1)!.length === 0) out.at(-1)!.push(a)
      out.at(-1)!.push(b)
    }
    return out.filter(r => r.length > 1)
  })

/** Field values as a smooth grid: stresses by their logarithm. */
const lnOf = (values: readonly number[]) => values.map(v => Math.log(Math.max(v, 0.1)))

export function drawMap(field: MapField, at: 'cold' | 'plate'): MapDrawing {
  const { n } = field
  const stress = lnOf(at === 'cold' ? field.coldStarPa : field.plateStarPa)
  const unit = MAP_UNITS / (n - 1)
  const px = (x: number) => Math.min(MAP_UNITS, Math.max(0, (x - 0.5) * unit)).toFixed(1)
  const py = (y: number) => Math.min(MAP_UNITS, Math.max(0, MAP_UNITS - (y - 0.5) * unit)).toFixed(1)
  const path = (rings: readonly Ring[], close: boolean) =>
    rings.map(r => `M${r.map(([x, y]) => `${px(x!)} ${py(y!)}`).join('L')}${close ? 'Z' : ''}`).join('')
  const shape = (values: number[], threshold: number) => contourRings(values, n, threshold)
  const inBand = (i: number) => (k: number) =>
    stress[k]! >= Math.log(Math.max(BANDS[i]!.fromPa, 0.1)) &&
    (i + 1 >= BANDS.length || stress[k]! < Math.log(BANDS[i + 1]!.fromPa))
  const zone = (k: number) => SHARPNESS_EDGES.filter(e => field.sharp[k]! >= e).length
  const grainyIn = (k: number) => field.b[k]! >= field.grainyAt
  const anyGrainy = field.b.some(b => b >= field.grainyAt)
  const meetsIn = (k: number) => field.meets[k]! > 0
  const anyMeets = field.meets.some(m => m > 0)
  const meetsLabel = anyMeets ? placeFor(SHORT_VERDICT.good, n, meetsIn, zone) : null
  // No other word runs into that one.
  const free = meetsLabel ? outsideOf(meetsLabel, n) : () => true
  return {
    n,
    meets: anyMeets ? { path: path(shape(field.meets, 0), true), label: meetsLabel } : null,
    reach: null,
    bands: BANDS.map((b, i) => ({
      band: b.id,
      path: i === 0 ? `M0 0H${MAP_UNITS}V${MAP_UNITS}H0Z` : path(shape(stress, Math.log(b.fromPa)), true),
      label: placeFor(BAND_NAMES[b.id], n, k => inBand(i)(k) && free(k), k => zone(k) + (grainyIn(k) ? 100 : 0)),
    })).filter((b, i) => i === 0 || b.path !== ''),
    sharpness: SHARPNESS_EDGES.slice(1, 5)
      .map(edge => ({ edge, path: path(openRuns(shape(field.sharp, edge), n), false) }))
      .filter(s => s.path !== ''),
    edgeWords: edgeWords(field),
    scent: field.aromaGPerKg === null ? [] : AROMA_EDGES
      .map(e => path(openRuns(shape(field.aromaGPerKg!, e), n).filter(r => r.length > n / 8), false))
      .filter(p => p !== ''),
    scentWords: scentWords(field),
    grainy: anyGrainy
      ? {
          path: path(shape(field.b, field.grainyAt), true),
          label: placeFor('grainy', n, k => grainyIn(k) && free(k), zone),
        }
      : null,
  }
}

/** Drawn width of a letter and height of a word, in the drawing's units. */
const LETTER = 25
const WORD_HIGH = 64

/** Cells that a word already drawn leaves free. */
function outsideOf(word: WordPlace, n: number): (k: number) => boolean {
  const unit = MAP_UNITS / (n - 1)
  const half = (Math.max(...word.lines.map(l => l.length)) * LETTER) / 2 + 6
  const low = word.y - WORD_HIGH / 2
  const high = low + word.lines.length * WORD_HIGH
  return (k) => {
    const x = (k % n) * unit
    const y = MAP_UNITS - Math.floor(k / n) * unit
    return Math.abs(x - word.x) > half || y < low || y > high
  }
}

/** Where a name fits: in one line, else in two. */
export function placeFor(
  name: string,
  n: number,
  inside: (k: number) => boolean,
  zone: (k: number) => number = () => 0,
): WordPlace | null {
  const one = boxFor(name.length, 1, n, inside, zone)
  if (one) return { ...one, lines: [name] }
  const words = name.split(' ')
  const lines = [
    words.slice(0, Math.ceil(words.length / 2)).join(' '),
    words.slice(Math.ceil(words.length / 2)).join(' '),
  ]
  const two = words.length > 1 ? boxFor(Math.max(...lines.map(l => l.length)), 2, n, inside, zone) : null
  return two && { x: two.x, y: two.y - 20, lines }
}

/**
 * Where a box of letters fits into a region: the middle of the place, nearest to the region's own middle, whose box
 * lies inside it
 * and, if it can, is crossed by no line of `zone`. Null when there is no such place.
 */
function boxFor(
  letters: number,
  rows: number,
  n: number,
  inside: (k: number) => boolean,
  zone: (k: number) => number,
): { x: number, y: number } | null {
  const unit = MAP_UNITS / (n - 1)
  const half = [Math.ceil(((letters * LETTER) / 2 + 6) / unit), Math.ceil((rows * WORD_HIGH) / 2 / unit)] as const
  // Summed areas: how many cells of a box are inside, and how much the zone changes along its rows.
  const sums = (value: (k: number) => number) => {
    const t = new Float64Array((n + 1) * (n + 1))
    for (let j = 0; j < n; j++)
      for (let i = 0; i < n; i++)
        t[(j + 1) * (n + 1) + i + 1] =
          value(j * n + i) + t[j * (n + 1) + i + 1]! + t[(j + 1) * (n + 1) + i]! - t[j * (n + 1) + i]!
    return (i0: number, j0: number, i1: number, j1: number) =>
      t[(j1 + 1) * (n + 1) + i1 + 1]! -
      t[j0 * (n + 1) + i1 + 1]! -
      t[(j1 + 1) * (n + 1) + i0]! +
      t[j0 * (n + 1) + i0]!
  }
  const filled = sums(k => (inside(k) ? 1 : 0))
  const crossed = sums(k =>
    (k % n < n - 1 && zone(k) !== zone(k + 1)) || (k + n < n * n && zone(k) !== zone(k + n)) ? 1 : 0,
  )
  let cells = 0
  let [mx, my] = [0, 0]
  for (let k = 0; k < n * n; k++) {
    if (!inside(k)) continue
    cells++
    mx += k % n
    my += Math.floor(k / n)
  }
  if (cells === 0) return null
  let best: { i: number, j: number, cost: number } | null = null
  for (let j = half[1]; j < n - half[1]; j++) {
    for (let i = half[0]; i < n - half[0]; i++) {
      const box = [i - half[0], j - half[1], i + half[0], j + half[1]] as const
      if (filled(...box) < (2 * half[0] + 1) * (2 * half[1] + 1)) continue
      const cost = Math.hypot(i - mx / cells, j - my / cells) + (crossed(...box) > 0 ? n : 0)
      if (!best || cost < best.cost) best = { i, j, cost }
    }
  }
  return best ? { x: best.i * unit, y: MAP_UNITS - best.j * unit } : null
}

/** Runs of one word long enough for it, with their middles, 0–1. */
function stretches<W>(words: readonly W[], room: number): { word: W, at: number }[] {
  const out: { word: W, at: number }[] = []
  let from = 0
  for (let i = 1; i <= words.length; i++) {
    if (i < words.length && words[i] === words[from]) continue
    if ((i - from) / words.length > room) out.push({ word: words[from]!, at: (from + i - 1) / 2 / (words.length - 1) })
    from = i
  }
  return out
}

/** Words of scent along the two edges that those of sharpness leave free; none where all of an edge is one. */
function scentWords({ n, aromaGPerKg: g }: MapField): MapDrawing['scentWords'] {
  if (!g) return []
  const along = (side: 'bottom' | 'left', room: number, value: (i: number) => number) => {
    const words = stretches(Array.from({ length: n }, (_, i) => aromaWord(value(i))), room)
    return words.length > 1 ? words.map(s => ({ aroma: s.word, side, at: s.at })) : []
  }
  return [...along('bottom', 0.14, i => g[i]!), ...along('left', 0.07, j => g[j * n]!)]
}

/** Words along the edges, in the middle of their stretch; too short a stretch has none. */
function edgeWords(field: MapField): MapDrawing['edgeWords'] {
  const { n, sharp } = field
  const word = (r: number) => SHARPNESS[Math.max(0, SHARPNESS_EDGES.slice(1, 5).filter(e => r >= e).length)]!
  const along = (side: 'right' | 'top', value: (i: number) => number) =>
    stretches(Array.from({ length: n }, (_, i) => word(value(i))), side === 'right' ? 0.07 : 0.16)
      .map(s => ({ sharpness: s.word, side, at: s.at }))
  return [...along('right', j => sharp[j * n + n - 1]!), ...along('top', i => sharp[(n - 1) * n + i]!)]
}
