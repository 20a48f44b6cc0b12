/**
 * A piece of text in plain letters, with the way back: lower case but for a lone T, no accents, entities and vulgar
 * fractions written out, one kind of dash. Every plain character knows the character it came from, so that nothing is
 * lost when a line is cut.
 */
const ENTITIES: Record<string, string> = {
  'frac12': '½', 'frac14': '¼', 'frac34': '¾', 'frac13': '⅓', 'frac23': '⅔', 'nbsp': ' ', 'amp': '&', 'ndash': '–', 'mdash': '–',
  'deg': '°', 'quot': '"', 'apos': '\'', 'rsquo': '’', 'lsquo': '‘', 'times': '×', 'eacute': 'é', 'egrave': 'è', 'frasl': '/',
  'lt': '<', 'gt': '>', 'bull': '•', 'hellip': '…', 'uuml': 'ü', 'ouml': 'ö', 'auml': 'ä', 'ntilde': 'ñ', 'oelig': 'œ',
}
const FRACTIONS: Record<string, string> = {
  '½': ' 1/2 ', '¼': ' 1/4 ', '¾': ' 3/4 ', '⅓': ' 1/3 ', '⅔': ' 2/3 ', '⅛': ' 1/8 ', '⅜': ' 3/8 ', '⅝': ' 5/8 ', '⅞': ' 7/8 ', '⅕': ' 1/5 ',
}
const LETTERS: Record<string, string> = {
  'œ': 'oe', 'Œ': 'oe', 'æ': 'ae', 'Æ': 'ae', 'ß': 'ss', '⁄': '/', '’': '\'', '‘': '\'', '´': '\'', '–': '-', '—': '-', '−': '-', '‐': '-', '‑': '-',
  '“': '"', '”': '"', '″': '"', '×': ' x ', '\u00A0': ' ', '\u202F': ' ', '\u2009': ' ', '\t': ' ', '\u200B': ' ', '…': ' ', 'º': '°', '℃': '°c', '℉': '°f', '￼': ' ',
}

export interface Plain {
  text: string
  /** Where each plain character stood. */
  from: number[]
}

/**
 * @param raw as written
 * @param offset of it in the whole text
 * @example toPlain('1½ Cups').text // '1 1/2  Cups'
 */
export function toPlain(raw: string, offset = 0): Plain {
  let text = ''
  const from: number[] = []
  const put = (s: string, at: number) => {
    text += s
    for (let i = 0; i < s.length; i++) from.push(offset + at)
  }
  for (let i = 0; i < raw.length; i++) {
    let ch = raw[i]!
    const at = i
    if (ch === '&') {
      const m = /^&(#\d{1,6}|#x[\da-f]{1,5}|[a-z]+\d*);/i.exec(raw.slice(i, i + 12))
      const decoded = m && decode(m[1]!)
      if (m && decoded) {
        ch = decoded
        i += m[0].length - 1
      }
    }
    put(FRACTIONS[ch] ?? LETTERS[ch] ?? bare(ch), at)
  }
  return { text, from }
}

function decode(name: string): string | null {
  if (name[0] !== '#') return ENTITIES[name.toLowerCase()] ?? null
  const code = /^#x/i.test(name) ? Number.parseInt(name.slice(2), 16) : Number(name.slice(1))
  return code > 0 && code < 0x110000 ? String.fromCodePoint(code) : null
}
/** Without accent, lower case; a capital T alone (tablespoon) is told from t where words are matched. */
const bare = (ch: string) => (ch < '\u0080' ? ch : ch.normalize('NFD').replace(/[\u0300-\u036F]/g, '')) || ''

/** Not after a word cut short: "15 Min. bei 180 °C" and "approx. 2" are one sentence. */
const WHOLE_WORD = String.raw`(?<!\b(?:mins?|std|sek|ca|approx|tbsp|tsp|oz|temp|bzw|ev)\.)`
/** Between two sentences. */
export const SENTENCE_END = new RegExp(String.raw`(?<=[.;!])${WHOLE_WORD}\s+|\n`, 'iu')
/** Between two sentences of steps joined by U+2029; a figure goes on with what stands before it. */
export const STEP_END = new RegExp(String.raw`(?<=[.!])${WHOLE_WORD}\s+(?!\d)|\u2029|\\n`)

/** A word as the word files' phrases are kept. @example wordOf('Crème') // 'creme' */
export const wordOf = (text: string): string => toPlain(text).text.toLowerCase().trim()
