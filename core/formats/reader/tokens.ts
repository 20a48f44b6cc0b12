/** A piece as words with their meaning: longest phrases first, slips of the pen forgiven, signs kept. */
import { apart, type Concept, isSlip, type Lexicon, stem, TOKEN } from './lexicon'
import { type Plain, toPlain } from './plain'

export type Meaning = Concept
  | { k: 'word' }
  | { k: 'sign', sign: string }
  | { k: 'degrees', scale: 'c' | 'f' }
export type Token = Meaning & {
  text: string
  /** In the whole text, [from, to). */
  at: [number, number]
  /** Read through a slip of the pen. */
  slip?: boolean
}

/** "150C", "350 f": after such a figure a letter is a heat, no cup. */
const isDegree = (word: string, words: readonly string[], i: number): boolean =>
  (word === 'c' || word === 'f') && (words[i - 1] === '°' || Number(words[i - 1]) >= LEAST_HEAT)
/** Nobody measures so many cups. */
const LEAST_HEAT = 50

/** "T55", "type 45", "tipo 00": how fine a flour is, not how much of it. */
const FLOUR_TYPE = /(?<=(?:farine|farina|harina|mehl|flour)\s+(?:de\s+ble\s+)?)(?:t\s?\d{2,3}|typ[eo]?\s?\d{1,4}|(?<=\d.*)(?:405|550|630|812|1050|1600)(?=\s*(?:$|,|\()))/gi

/** A number as written: 1,250 g is a thousand, 1,5 dl one and a half. */
function numberOf(text: string, unit: string | undefined, locale: string): number {
  const groups = /^(\d{1,3})([.,])(\d{3})$/.exec(text)
  if (groups) {
    const small = unit === undefined || /^(?:g|gr|gm|gms|grams?|grammes?|gramos?|gramm|grammi|ml|mls)$/i.test(unit)
    const own = (groups[2] === ',') === (locale === 'en')
    return groups[1] !== '0' && small && (own || unit !== undefined)
      ? Number(groups[1]! + groups[3]!)
      : Number(`${groups[1]}.${groups[3]}`)
  }
  if (/^\d{1,3}(?:[.,]\d{3})+$/.test(text)) return Number(text.replace(/[.,]/g, ''))
  return Number(text.replace(',', '.').replace(/[.,](?=.*[.,])/g, ''))
}

/**
 * @param raw the piece as written @param offset of it in the whole text
 * @example tokensOf('2 cups sugar', 0, lexiconOf('en')).map(t => t.k) // ['num', 'unit', 'ingredient']
 */
export function tokensOf(raw: string, offset: number, lexicon: Lexicon): Token[] {
  const plain = toPlain(raw, offset)
  const source = apart(plain.text, lexicon.locale).replace(FLOUR_TYPE, m => ' '.repeat(m.length))
  const found = [...source.matchAll(TOKEN)].filter(m => m[0] !== '.' && m[0] !== '\'')
  const words = found.map(m => (m[0] === 'T' ? 'T' : m[0].toLowerCase()))
  const stems = words.map(w => stem(w, lexicon.locale))
  const end = offset + raw.length
  const at = (i: number, n: number): [number, number] => spanOf(plain, found[i]!.index, found[i + n - 1]!, end)
  const out: Token[] = []
  for (let i = 0; i < found.length;) {
    const word = words[i]!
    const degrees = /^°\s?([cf])$/.exec(word)
    if (/^[.,]?\d/.test(word)) {
      out.push({ k: 'num', value: numberOf(word, words[i + 1], lexicon.locale), text: word, at: at(i, 1) })
      i++
    } else if (degrees || isDegree(word, words, i)) {
      out.push({ k: 'degrees', scale: (degrees?.[1] ?? word) as 'c' | 'f', text: word, at: at(i, 1) })
      i++
    } else {
      const match = longest(stems, words, i, lexicon)
      const n = match?.stems.length ?? 1
      const text = words.slice(i, i + n).join(' ')
      if (match) out.push({ ...match.concept, text, at: at(i, n) })
      else if (/^\p{L}/u.test(word)) out.push(...(glued(word, out.at(-1), lexicon, at(i, 1)) ?? [slipped(word, lexicon, at(i, 1))]))
      else out.push({ k: 'sign', sign: word, text, at: at(i, 1) })
      i += n
    }
  }
  return out
}

function longest(stems: readonly string[], words: readonly string[], i: number, lexicon: Lexicon) {
  const exact = words[i] === 'T' ? lexicon.phrases.get('T') : undefined
  if (exact) return exact[0]!
  const own = (list: ReturnType<Lexicon['phrases']['get']>) =>
    list?.find(p => p.stems.every((s, k) => s === stems[i + k] || s === words[i + k]))
  const byStem = own(lexicon.phrases.get(stems[i]!))
  const byWord = words[i] === stems[i] ? undefined : own(lexicon.phrases.get(words[i]!))
  return byWord && (!byStem || byWord.stems.length > byStem.stems.length) ? byWord : byStem
}

/** "250gfarine": a unit and a noun that lost their space. */
function glued(word: string, before: Token | undefined, lexicon: Lexicon, at: [number, number]): Token[] | null {
  if (before?.k !== 'num') return null
  const unit = ['kg', 'gr', 'ml', 'cl', 'dl', 'g', 'l'].find(u => word.startsWith(u) && word.length > u.length + 2)
  const own = unit && lexicon.phrases.get(stem(word.slice(unit.length), lexicon.locale))
  const rest = own && own.find(p => p.stems.length === 1)
  if (!unit || !rest) return null
  const cut = at[0] + unit.length
  return [
    { k: 'unit', unit: unit === 'gr' ? 'g' : unit, text: unit, at: [at[0], cut] },
    { ...rest.concept, text: word.slice(unit.length), at: [cut, at[1]] },
  ]
}

/** Words that too many others look like. */
const NO_SLIPS = ['water', 'salt', 'milk']
/** An unknown word, or a known one with a slip of the pen. */
function slipped(word: string, lexicon: Lexicon, at: [number, number]): Token {
  const near = word.length > 3
    ? lexicon.vocabulary.find(v => isSlip(word, v) && v[0] === word[0] && !NO_SLIPS.includes(v))
    : undefined
  const meant = near && lexicon.phrases.get(stem(near, lexicon.locale))?.find(p => p.stems.length === 1)
  return meant ? { ...meant.concept, text: word, at, slip: true } : { k: 'word', text: word, at }
}

function spanOf(plain: Plain, from: number, last: RegExpExecArray, end: number): [number, number] {
  const to = last.index + last[0].length
  return [plain.from[from]!, to < plain.from.length ? Math.max(plain.from[to]!, plain.from[to - 1]! + 1) : end]
}
