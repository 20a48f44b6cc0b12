/**
 * A wish in a cook's own words, read: "3 kg lemons, 20 whites, no oven until four, vegetarian, for 24 by seven". What
 * there is goes by the reader of recipes; what cannot be had, may not be in it, for how many and by when is told by its
 * piece.
 */
import { type Diet, DIETS, type Have, more, plainWish, type Wish } from '../schedule/canMake'
import { EQUIPMENT_WORDS, timeOf } from '../schedule/pasted'
import { type ReadHouse, readWhole } from './reader/read'
import type { Answers } from './reader/reading'
import { guessOf } from './reader/skeleton'

const NO = /^(?:no|without|not any|(?:the\s+)?(?:\w+\s+)?(?:is|are)\s+(?:taken|broken|out))\b/i
const LEAD = /^(?:i|we)(?:'ve|\s+have)?(?:\s+got)?\s+|^(?:there\s+(?:is|are)|got|have|with|about|some)\s+/i
const PARTS: Readonly<Record<Diet, RegExp>> = {
  gelatine: /gelatin/i, milk: /dairy|milk|lactose|butter|cream/i, eggs: /\beggs?\b/i, gluten: /gluten|wheat|flour/i,
  nuts: /\bnuts?\b|almond|hazelnut|pistachio/i, alcohol: /alcohol|spirit|liqueur|wine/i,
}
const WHOLE_DIETS: readonly [RegExp, readonly Diet[]][] = [
  [/\bvegan\b/i, ['gelatine', 'milk', 'eggs']], [/\bvegetarians?\b/i, ['gelatine']],
  [/\bhalal\b|\bkosher\b/i, ['gelatine', 'alcohol']], [/\bcoeliacs?\b|\bceliacs?\b/i, ['gluten']],
]
const FOR_SO_MANY = /^(?:for|serves?)?\s*(\d{1,5})\s*(?:covers?|people|portions?|guests?|pieces?)$|^(?:for|serves?)\s+(\d{1,5})$/i
const IN_HOURS = /^(?:ready\s+|served\s+)?(?:in|within)\s+(\d+(?:[.,]\d+)?)\s*(?:hours?|hrs?|h)$/i
const SERVED = /^(?:ready|served?|on the plate|by|at|for)\b/i
const MIN_A_DAY = 24 * 60
const two = (n: number) => String(n).padStart(2, '0')

/**
 * A time of the clock some hours later, HH:MM; past midnight is of the next day.
 * @example later('09:30', 2.5) // '12:00'
 */
export function later(now: string, hours: number): string {
  const [h, m] = now.split(':').map(Number) as [number, number]
  const min = Math.round(60 * h + m + 60 * hours) % MIN_A_DAY
  return `${two(Math.floor(min / 60))}:${two(min % 60)}`
}

/** A time that has gone by this morning is meant of the afternoon, unless "am" is said. */
const stillToCome = (at: string | null, now: string, piece: string): string | null =>
  (at !== null && at < now && at < '12:00' && !/\bam\b/i.test(piece) ? later(at, 12) : at)

/** One piece as something other than what there is. @returns whether it was */
function told(piece: string, now: string, wish: Wish): boolean {
  const timed = timeOf(piece)
  const alone = FOR_SO_MANY.exec(piece)
  const many = alone ?? FOR_SO_MANY.exec(timed.rest.trim())
  if (many) {
    wish.count = Math.max(1, Number(many[1] ?? many[2]))
    if (!alone) wish.serveAt = stillToCome(timed.serveAt, now, piece)
    return true
  }
  const hours = IN_HOURS.exec(piece)
  if (hours) {
    wish.serveAt = later(now, Number(hours[1]!.replace(',', '.')))
    return true
  }
  for (const [words, free] of WHOLE_DIETS) {
    if (!words.test(piece)) continue
    wish.free = DIETS.filter(d => wish.free.includes(d) || free.includes(d))
    return true
  }
  const isFree = /[\s-]free$/i.test(piece)
  if (NO.test(piece) || isFree) {
    const thing = EQUIPMENT_WORDS.find(([words]) => words.test(timed.rest))
    if (thing) wish.without.push({ kind: thing[1], until: stillToCome(timed.serveAt, now, piece) })
    const free = DIETS.filter(d => PARTS[d].test(piece))
    if (!thing) wish.free = DIETS.filter(d => wish.free.includes(d) || free.includes(d))
    return thing !== undefined || free.length > 0
  }
  if (!SERVED.test(piece)) return false
  const { serveAt, rest } = timed
  if (serveAt === null || !/^\s*(?:ready|served?|on the plate|by|at|for)?\s*(?:by|at|for)?\s*$/i.test(rest)) return false
  wish.serveAt = stillToCome(serveAt, now, piece)
  return true
}

/** Said of a thing that lies in the freezer; in packs of so much, where nobody says (judgement), g. */
const FROZEN = /\bfrozen\b/i
const FROZEN_PACK_G = 500

/** What is there, line by line; a fruit is juice and zest, and an open question takes what the reader suggests. */
function stocked(lines: readonly string[], house: ReadHouse): Pick<Wish, 'have' | 'unread'> {
  // A line the reader knows stands first: alone, "3 kg lemons" would be a name.
  const text = ['100 g water', ...lines].join('\n')
  const { reading } = readWhole(text, { ...house })
  const answers: Answers = { shared: {}, lines: {} }
  for (const { question: q, text: own } of reading.lines) {
    if (q === null) continue
    const said = q.kind === 'fruitPart' ? 'both' : guessOf(q.suggested) === null ? q.suggested : null
    if (said === null) continue
    if (q.shared) answers.shared![q.shared] = said
    else answers.lines![own] = said
  }
  const have = new Map<string, Have>()
  const read = new Set<string>()
  const frozen = new Set(lines.filter(l => FROZEN.test(l)))
  for (const l of readWhole(text, { ...house, answers }).reading.lines.slice(1)) {
    const known = l.items.filter(x => x.ingredientId !== null && (x.massG ?? 0) > 0)
    if (known.length > 0) read.add(l.text.trim())
    const isFrozen = [...frozen].some(f => f.includes(l.text.trim()) || l.text.includes(f))
    const packG = isFrozen ? FROZEN_PACK_G : null
    for (const { ingredientId: id, massG } of known) have.set(id!, more(have.get(id!), id!, massG!, packG))
  }
  return {
    have: [...have.values()],
    unread: lines.filter(l => ![...read].some(t => l.includes(t) || t.includes(l))),
  }
}

/**
 * Reads a wish. @param now HH:MM, for "in 5 hours" @param house cups and rules of the kitchen
 * @example wishIn('3 kg lemons, 20 whites, no oven until four', '09:00').without // [{ kind: 'oven', until: '16:00' }]
 */
export function wishIn(text: string, now: string, house: ReadHouse = {}): Wish {
  const wish = plainWish()
  const lines = text.split(/[\n;]|,(?!\d)|\b(?:and|but)\b(?=\s*(?:\d|no\b|without\b|for\b|by\b))/i)
    .map(p => p.trim().replace(LEAD, '').replace(/\s+of\s+(?=\p{L})/u, ' ').replace(/[.!]+$/, '').trim())
    .filter(p => p !== '' && !told(p, now, wish))
  return lines.length === 0 ? wish : { ...wish, ...stocked(lines, house) }
}
