/** Rows of a table or sheet: its header says which column holds what. */
import type { ComponentRole } from '../../formula/document'
import { isAside, roleOf } from './classify'
import { type Draft, draftsOf } from './drafts'
import type { Lexicon } from './lexicon'
import type { Piece } from './pieces'
import { wordOf } from './plain'
import { type Token, tokensOf } from './tokens'

export interface Row {
  drafts: Draft[]
  tokens: Token[]
  role: ComponentRole | null
  name: string | null
}
type Column = 'name' | 'amount' | 'unit' | 'percent' | 'component' | 'note'

export const isBlank = (raw: string): boolean => !/[\p{L}\d]/u.test(raw)

/** Columns by their header; null where a row is no header. */
function headerOf(cells: readonly string[], lexicon: Lexicon): (Column | null)[] | null {
  const of = (cell: string): Column | null =>
    (Object.entries(lexicon.words.columns) as [Column, string[]][])
      .find(([, words]) => words.some(w => [cell, cell.replace(/\s*\([^)]*\)/, '')].some(c => wordOf(w) === wordOf(c))))?.[0] ?? null
  const columns = cells.map(of)
  if (columns.filter(Boolean).length < 2 || !columns.includes('name')) return null
  // "Ingredient, Cake 1, Notes": what has no name of its own holds the amounts.
  const bare = columns.indexOf(null)
  if (!columns.includes('amount') && !columns.includes('percent') && bare >= 0) columns[bare] = 'amount'
  return columns
}

/** Without a header: the cell with words is the name, the first figure the amount. */
function guess(cells: readonly string[]): (Column | null)[] {
  const name = cells.findIndex(c => /\p{L}{3}/u.test(c) && !/^\d/.test(c))
  const amount = cells.findIndex((c, i) => i !== name && /^[\d.,½¼¾⅓⅔]/.test(c))
  return cells.map((_, i) => (i === name ? 'name' : i === amount ? 'amount' : null))
}

/** Whether a column holds figures without units: then they are grams, eggs too. */
function mostlyBare(pieces: readonly Piece[], text: string, column: number): boolean {
  const cells = pieces.flatMap(p => (p.cells?.[column] ? [text.slice(...p.cells[column])] : [])).slice(1)
  return cells.filter(c => /^[\d.,\s]+$/.test(c)).length > cells.length / 2
}

/** The rows of a text's table by their piece. */
export function rowsOf(pieces: readonly Piece[], text: string, lexicon: Lexicon): Map<number, Row> {
  const out = new Map<number, Row>()
  let columns: (Column | null)[] | null = null
  let unit = ''
  pieces.forEach((piece, i) => {
    if (!piece.cells) return
    const cells = piece.cells.map(([a, b]) => text.slice(a, b))
    const header = columns ? null : headerOf(cells, lexicon)
    if (header) {
      columns = header
      const at = header.indexOf('amount')
      const head = cells[at] ?? ''
      unit = /^(?:g|gr|grams?|gramm|grammes|gramos|grammi)$|\((?:g|gr|grams?)\)|\bin g$/i.test(head) || (!header.includes('unit') && mostlyBare(pieces, text, at)) ? 'g' : ''
      out.set(i, { drafts: [], tokens: [], role: null, name: null })
      return
    }
    const by = columns ?? guess(cells)
    const at = (c: Column) => piece.cells![by.indexOf(c)]
    const read = (span: [number, number] | undefined) =>
      span ? tokensOf(text.slice(...span), span[0], lexicon) : []
    const name = at('name')
    if (!name) return
    // "For the crust: flour 300 g; butter 150 g" is no row.
    if (!columns && draftsOf(read(name)).some(d => d.nouns.length > 0 && d.amounts.some(a => a.unit !== null))) return
    const amount = at('amount') ? read(at('amount')) : read(at('percent'))
    const own = read(at('unit'))
    const bare = amount.length > 0 && amount.every(t => t.k === 'num') && own.length === 0
    const filled: Token[] = bare && unit && amount.length === 1 && at('amount')
      ? [...amount, { k: 'unit', unit, text: unit, at: amount[0]!.at }]
      : [...amount, ...own]
    const tokens = [...filled, ...read(name)]
    const component = at('component')
    const said = component ? text.slice(...component) : null
    const total = isAside(text.slice(...name), lexicon)
    const drafts = total ? [] : draftsOf(tokens).filter(d => d.nouns.length > 0 || d.amounts.length > 0)
    out.set(i, {
      drafts: drafts.slice(0, 1).map(d => ({ ...d, at: piece.span })), tokens,
      role: said ? roleOf(said, lexicon) : null, name: said,
    })
  })
  return out
}
