/**
 * A text cut into pieces that may each be something: lines, rows of a table, bulleted runs, the strings of a recipe in
 * JSON. Every piece knows its span; what lies between pieces is blank.
 */
export interface Piece {
  /** Where it stands, [from, to), without blanks around it. */
  span: [number, number]
  /** Where its words begin, after bullets, numbers and boxes. */
  body: number
  /** A list sign or box stood before it. */
  bullet: boolean
  numbered: boolean
  /** `#` headings of Markdown. */
  marked: boolean
  /** What a page's data says it is. */
  given: 'ingredient' | 'step' | 'name' | 'setAside' | null
  /** Cells of a table's row, as spans; null where it is none. */
  cells: [number, number][] | null
}

const BULLET = /^(?:(?:[-*+•·–—‣▪●○◦▢☐☑☒✓✔✅⬜🔹🔸♦►▸]|\[[ xX]?\]|&#97\d\d;|\p{Extended_Pictographic}\uFE0F?)\s*)+(?=\S)/u
const NUMBER = /^\(?\d{1,2}[.)]\s+(?=[\p{L}\d½¼¾⅓⅔])/u
const RULE = /^[\s|:=_*~-]+$/

/** A line's cells: by bars, tabs, or by commas and semicolons where the whole table has them. */
function cellsOf(text: string, from: number, sign: string): [number, number][] {
  const out: [number, number][] = []
  let at = 0
  for (const part of text.split(sign)) {
    const lead = part.length - part.trimStart().length
    out.push([from + at + lead, from + at + part.trimEnd().length])
    at += part.length + sign.length
  }
  return out.filter(([a, b], i) => b > a || (i > 0 && i < out.length - 1))
}

/** The sign that holds a text's columns apart, if it is a table: in at least two rows of as many cells. */
function columnSign(lines: readonly string[]): string | null {
  for (const sign of ['|', '\t', ';', ',']) {
    const counts = lines.filter(l => l.trim()).map(l => l.split(sign).length - 1)
    const most = Math.max(0, ...counts)
    if (most < (sign === '|' || sign === '\t' ? 1 : 2)) continue
    const rows = counts.filter(n => n === most).length
    const first = lines.find(l => l.trim())!
    const header = sign === '|' || sign === '\t' || (first.split(sign).length - 1 === most && isHeader(first, sign))
    if (header && rows >= 2 && rows >= counts.filter(n => n > 0).length * 0.6) return sign
  }
  return null
}
/** A first row of short words without figures. */
const isHeader = (line: string, sign: string) =>
  line.split(sign).every((c, i) => c.trim().length < 25 && !(i === 0 ? /\d/ : /^\s*\d|\d\s*(?:g|kg|ml|l|cups?)\b/i).test(c))

/** @example piecesOf('- 200 g sugar\n- 3 eggs').length // 2 */
export function piecesOf(text: string): Piece[] {
  const given = jsonPieces(text)
  if (given) return given
  const out: Piece[] = []
  const raw = text.split('\n')
  const sign = columnSign(raw)
  let at = 0
  for (const line of raw) {
    const lead = line.length - line.trimStart().length
    const body = line.trim()
    if (body) out.push(...ofLine(body, at + lead, sign))
    at += line.length + 1
  }
  return out
}

function ofLine(body: string, from: number, sign: string | null): Piece[] {
  const plain: Omit<Piece, 'span' | 'body'> = { bullet: false, numbered: false, marked: false, given: null, cells: null }
  if (RULE.test(body)) return [{ ...plain, span: [from, from + body.length], body: from, given: 'setAside' }]
  if (sign && body.includes(sign)) {
    const cells = cellsOf(body, from, sign)
    if (cells.length > 1) return [{ ...plain, span: [from, from + body.length], body: from, cells }]
  }
  // Several bulleted things in one line.
  const runs = body.split(/\s+(?=[•▢☐☑●]\s*\S)/u)
  let at = from
  return runs.map((run) => {
    const start = text0(body, from, at, run)
    at = start + run.length
    // "**Base**" is a heading as "## Base" is.
    const hash = /^#{1,6}\s+/.exec(run) ?? (/^([*_]{1,3})[^*_\d]{2,40}\1:?$/.test(run) ? /^[*_]+/.exec(run) : null)
    const bullet = hash ? null : BULLET.exec(run)
    const after = (hash ?? bullet)?.[0].length ?? 0
    const number = NUMBER.exec(run.slice(after))
    return {
      ...plain, span: [start, start + run.length], body: start + after + (number?.[0].length ?? 0),
      bullet: bullet !== null, numbered: number !== null, marked: hash !== null,
    }
  })
}
const text0 = (body: string, from: number, at: number, run: string) => from + body.indexOf(run, at - from)

type Json = Record<string, unknown>
const isJson = (x: unknown): x is Json => typeof x === 'object' && x !== null && !Array.isArray(x)
const list = (x: unknown): unknown[] => (Array.isArray(x) ? x : x === undefined || x === null ? [] : [x])

/** A schema.org Recipe out of JSON, of a page's script or of a graph; null when there is none. */
function recipeIn(text: string): Json | null {
  const script = /<script[^>]*application\/ld\+json[^>]*>([\s\S]*?)<\/script>/i.exec(text)?.[1]
  const source = (script ?? text).trim()
  if (!/^[[{]/.test(source)) return null
  try {
    const all = list(JSON.parse(source)).filter(isJson).flatMap(x => [x, ...list(x['@graph']).filter(isJson)])
    return all.find(x => list(x['@type']).includes('Recipe')) ?? null
  } catch {
    return null
  }
}

function stepsOf(x: unknown): string[] {
  return list(x).flatMap((s) => {
    if (typeof s === 'string') return [s]
    if (!isJson(s)) return []
    if (s.itemListElement) return [...(typeof s.name === 'string' ? [s.name] : []), ...stepsOf(s.itemListElement)]
    return typeof s.text === 'string' ? [s.text] : typeof s.name === 'string' ? [s.name] : []
  })
}

/** The strings of a page's data, each where it stands; everything around them is set aside. */
function jsonPieces(text: string): Piece[] | null {
  const recipe = recipeIn(text)
  if (!recipe) return null
  const out: Piece[] = []
  const find = (s: string, given: NonNullable<Piece['given']>) => {
    for (const quoted of [JSON.stringify(s).slice(1, -1), s, JSON.stringify(s).slice(1, -1).replace(/\//g, '\\/')]) {
      for (let at = text.indexOf(quoted); at >= 0 && quoted; at = text.indexOf(quoted, at + 1)) {
        if (out.some(p => at < p.span[1] && at + quoted.length > p.span[0])) continue
        out.push({
          span: [at, at + quoted.length], body: at, bullet: false, numbered: false, marked: false, given, cells: null,
        })
        return
      }
    }
  }
  if (typeof recipe.name === 'string') find(recipe.name, 'name')
  for (const s of list(recipe.recipeIngredient ?? recipe.ingredients)) if (typeof s === 'string') find(s, 'ingredient')
  for (const s of stepsOf(recipe.recipeInstructions)) find(s, 'step')
  return out.sort((a, b) => a.span[0] - b.span[0])
}
