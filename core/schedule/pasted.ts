/** A line of what is wanted, read: "lemon tart 24 by 14:30, posset 64 at 19:00"; steps a cook writes in a line. */
import type { EquipmentKind } from './day'
import type { StepInput } from './read'

/** What was read of one dessert; what it did not say is null. */
export interface Wanted {
  name: string
  count: number | null
  /** Vessels are counted, not covers. */
  countOf?: 'vessels'
  /** HH:MM. */
  serveAt: string | null
}
/** "14:30", "2.30 pm", "7pm", "half past two", "noon". */
const TIME = /\b(?:at|by|for|until|from)?\s*(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm)?(?=\s*(?:$|[,;.)\n]))/i
const NAMED: readonly [RegExp, string][] = [
  [/\b(?:at|by|for)?\s*noon\b/i, '12:00'], [/\b(?:at|by|for)?\s*midnight\b/i, '00:00'],
]
const HOURS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const SPOKEN = new RegExp(`\\b(?:at|by|for)?\\s*(half past|quarter past|quarter to)?\\s*\\b(${HOURS.join('|')})\\b(?:\\s*o.?clock)?\\s*$`, 'i')
const two = (n: number) => String(n).padStart(2, '0')
/** Without am or pm an hour before this is of the afternoon. */
const MORNING_FROM = 7

/**
 * The time at the end of a piece, and what stands before it.
 * @example timeOf('oven until four').serveAt // '16:00'
 */
export function timeOf(piece: string): { serveAt: string | null, rest: string } {
  for (const [words, at] of NAMED) if (words.test(piece)) return { serveAt: at, rest: piece.replace(words, ' ') }
  const spoken = SPOKEN.exec(piece)
  if (spoken) {
    const add = { 'half past': 30, 'quarter past': 15, 'quarter to': -15 }[spoken[1]?.toLowerCase() ?? ''] ?? 0
    const hour = HOURS.indexOf(spoken[2]!.toLowerCase()) + 1
    const minutes = 60 * (hour < MORNING_FROM ? hour + 12 : hour) + add
    return { serveAt: `${two(Math.floor(minutes / 60) % 24)}:${two(minutes % 60)}`, rest: piece.slice(0, spoken.index) }
  }
  const m = TIME.exec(piece)
  const said = m && (m[2] !== undefined || m[3] !== undefined || /\b(?:at|by|for|until|from)\s*\d/i.test(m[0]))
  if (!m || !said) return { serveAt: null, rest: piece }
  const [hour, minute, half] = [Number(m[1]), Number(m[2] ?? 0), m[3]?.toLowerCase()]
  const full = half === 'pm' && hour < 12 ? hour + 12 : half === 'am' && hour === 12 ? 0
    : half === undefined && m[2] === undefined && hour < MORNING_FROM ? hour + 12 : hour
  if (full > 23 || minute > 59) return { serveAt: null, rest: piece }
  return { serveAt: `${two(full)}:${two(minute)}`, rest: piece.slice(0, m.index) + piece.slice(m.index + m[0].length) }
}
/** "24", "24 x", "× 24", "for 24", "24 portions", "2 tins of". */
const COUNT = /(?:^|\s)(?:[x×]|for)?\s*(\d+(?:\.\d+)?)\s*([x×]|covers?|portions?|glasses|people|pieces?|pots?|tins?|trays?|rings?|bowls?|vessels?)?(?=\s|$)/i
const OF_VESSELS = /^(?:tin|tray|ring|bowl|vessel)/i

/**
 * Desserts wanted, one a line or parted by commas; a time said once counts for those before it that have none.
 * @example wantedIn('lemon tart 24 by 14:30, posset 64 at 19:00').map(w => w.serveAt) // ['14:30', '19:00']
 */
export function wantedIn(text: string): Wanted[] {
  const pieces = text.split(/[\n;]|,(?!\d)|\band\b(?=[^,;\n]*\d)/i).map(p => p.trim()).filter(Boolean)
  const out = pieces.flatMap((piece): Wanted[] => {
    const { serveAt, rest } = timeOf(piece)
    const counted = COUNT.exec(rest)
    const left = counted ? rest.slice(0, counted.index) + ' ' + rest.slice(counted.index + counted[0].length) : rest
    const name = left.replace(/^\s*(?:and|of)\b/i, '').replace(/\s+/g, ' ').replace(/^[\s:–-]+|[\s:–-]+$/g, '')
    const ofVessels = OF_VESSELS.test(counted?.[2] ?? '') ? { countOf: 'vessels' as const } : {}
    return name ? [{ name, count: counted ? Number(counted[1]) : null, ...ofVessels, serveAt }] : []
  })
  for (let i = out.length - 2; i >= 0; i--) out[i]!.serveAt ??= out[i + 1]!.serveAt
  return out
}

const wordsOf = (text: string) =>
  text.toLowerCase().normalize('NFD').replace(/[^a-z0-9]+/g, ' ').trim().split(' ')
    .map(w => w.replace(/(?:es|s)$/, '')).filter(w => w.length > 2)
/**
 * Which of several names is meant: most of its words in common, none if too few are.
 * @example meantBy('lemon tart', ['Posset', 'Sharp lemon tart']) // 1
 */
export function meantBy(name: string, among: readonly string[]): number | null {
  const mine = wordsOf(name)
  const scores = among.map((other) => {
    const theirs = wordsOf(other)
    const common = mine.filter(w => theirs.includes(w)).length
    return mine.length === 0 ? 0 : common / mine.length + common / (10 * Math.max(1, theirs.length))
  })
  const best = Math.max(0, ...scores)
  return best >= 0.5 ? scores.indexOf(best) : null
}

/** "2 h", "1 h 30", "45 min", "45": minutes; null: none are said. */
const LASTS = /(?:(\d+(?:\.\d+)?)\s*h(?:ours?|rs?)?\s*)?(?:(\d+(?:\.\d+)?)\s*(?:m(?:in(?:utes?)?)?)?)?\s*$/i
/** What goes on by itself, by its verb. */
const BY_ITSELF = /\b(chill|rest|temper|set|freeze|cool|bake|dry|thaw|prove|soak)\w*\b/i
/** What a cook calls a thing to work with. */
export const EQUIPMENT_WORDS: readonly [RegExp, EquipmentKind][] = [
  [/\b(?:on )?(?:the )?(?:ring|hob|stove|burner)\b/i, 'ring'], [/\b(?:in )?(?:the )?oven\b/i, 'oven'],
  [/\b(?:in )?(?:the )?fridge\b/i, 'fridge'], [/\b(?:in )?(?:the )?freezer\b/i, 'freezer'],
  [/\b(?:in )?(?:the )?blast chiller\b/i, 'blastChiller'], [/\b(?:in )?(?:the )?mixer\b/i, 'mixer'],
]
const DEGREES = /(\d{2,3})\s*°?\s*c\b/i
/**
 * Steps a cook writes in one line, one after another: "weigh 10, boil on the ring 12, chill in the fridge 3 h, bake in
 * the oven 150 C 25 min, door shut". Hands are at a step unless its verb goes on by itself, or "alone" is said; what
 * says no time is left out.
 * @example stepsIn('weigh 10, chill in the fridge 3 h').map(s => s.minutes) // [10, 180]
 */
export function stepsIn(text: string): StepInput[] {
  const out: StepInput[] = []
  for (const [i, piece] of text.split(/[,;\n]+/).entries()) {
    const closed = /\bdoor shut\b/i.test(piece)
    // "door shut" after a comma is said of the step before it.
    if (closed && piece.replace(/\bdoor shut\b/i, '').trim() === '') {
      for (const u of out.at(-1)?.uses ?? []) u.closed = true
      continue
    }
    const tempC = DEGREES.exec(piece)
    const bare = piece.replace(/\bdoor shut\b|\balone\b/gi, ' ').replace(DEGREES, ' ').trim()
    const lasts = LASTS.exec(bare)
    const minutes = 60 * Number(lasts?.[1] ?? 0) + Number(lasts?.[2] ?? 0)
    if (!(minutes > 0)) continue
    let name = bare.slice(0, lasts!.index).trim()
    const on = EQUIPMENT_WORDS.find(([words]) => words.test(name))
    if (on) name = name.replace(on[0], ' ').replace(/\s+/g, ' ').trim()
    out.push({
      id: `own-${i}`,
      name: name || String(out.length + 1),
      minutes,
      attended: !(/\balone\b/i.test(piece) || BY_ITSELF.test(name)),
      uses: on ? [{ kind: on[1], amount: 1, tempC: tempC ? Number(tempC[1]) : null, closed }] : [],
    })
  }
  return out
}

const PUT: Readonly<Partial<Record<EquipmentKind, string>>> = {
  ring: 'on the ring', oven: 'in the oven', fridge: 'in the fridge', freezer: 'in the freezer',
  blastChiller: 'in the blast chiller', mixer: 'in the mixer',
}
/**
 * Steps as the line that `stepsIn` reads them from.
 * @example lineOf([{ name: 'weigh', minutes: 10, attended: true }]) // 'weigh 10 min'
 */
export const lineOf = (steps: readonly StepInput[]): string => steps.map((s) => {
  const [use] = s.uses ?? []
  return [
    s.name, use && PUT[use.kind as EquipmentKind], use?.tempC != null && `${use.tempC} C`,
    s.attended === false && !BY_ITSELF.test(s.name) && 'alone', use?.closed && 'door shut', `${s.minutes} min`,
  ].filter(Boolean).join(' ')
}).join(', ')
