/** What the method states of itself: the tin, the oven, the temperature it is taken to, the portions. */
import { fahrenheitToCelsius, INCH_M } from '../../base/units'
import type { VesselKind } from '../../physics/geometry/cavity'
import { actsOf } from './acts'
import { speaksOf } from './classify'
import { type Heat, heatsOf, minutesOf } from './heats'
import { apart, type Lexicon, stem, TOKEN } from './lexicon'
import { STEP_END, toPlain } from './plain'
import type { Read } from './read'
import type { ReadOven, ReadVessel } from './reading'

const flat = (text: string) => toPlain(text).text.toLowerCase().replace(/\s+/g, ' ')

/** @param asides names and lines that were set aside */
export function portionsOf(asides: readonly string[], lexicon: Lexicon): number | null {
  for (const raw of asides)
    for (const source of lexicon.words.portions) {
      const said = countsInFigures(flat(raw).replace(/^["{(\s]+/, ''), lexicon)
      const m = new RegExp(source.normalize('NFD').replace(/[\u0300-\u036F]/g, ''), 'iu').exec(said)
      if (m && Number(m[1]) > 0) return Number(m[1])
    }
  const yields = asides.map(a => /"recipeYield"\s*:\s*\[?\s*"?(\d{1,3})/.exec(a)).find(Boolean)
  return yields ? Number(yields[1]) : null
}

/** "Serves eight" as "serves 8". */
const countsInFigures = (text: string, { words }: Lexicon): string =>
  Object.entries(words.numbers).filter(([, n]) => n >= 2 && Number.isInteger(n) && n < 100).reduce(
    (t, [word, n]) => t.replace(new RegExp(`(?<!\\p{L})${flat(word)}(?!\\p{L})`, 'gu'), String(n)), text)

const GAS_C = [0, 140, 150, 160, 180, 190, 200, 220, 230, 240]
/** Gas marks 1–9 in °C (British trade table). */
const gasC = (mark: number) => GAS_C[mark] ?? null

/** Minutes named after a place in a text. */
const minutesAfter = (text: string, from: number, lexicon: Lexicon): number | null =>
  minutesOf(text, lexicon).find(m => m.at >= from)?.minutes ?? null

/** Sentences of the method, plain. */
export function sentencesOf(r: Read): string[] {
  const steps = r.parts.filter(p => p.kind === 'step').map(p => r.text.slice(...p.span))
  return inFigures(steps.map(flat).join(' \u2029 '), r.lexicon)
    .split(STEP_END).map(s => s.trim()).filter(Boolean)
}

/** "A hundred and forty" as 140; null where what follows is no number. */
function inHundreds(n: string, rest: string | undefined, numbers: Record<string, number>): string | null {
  const of = { a: 1, one: 1, two: 2, three: 3 }[n]! * 100
  const [ten, one] = (rest ?? '').split(/[\s-]/)
  const t = numbers[ten ?? '']
  if (t === undefined || t < 10) return null
  const o = numbers[one ?? '']
  return o !== undefined && o < 10 ? String(of + t + o) : `${of + t}${one ? ` ${one}` : ''}`
}

/** "Eighty two" as 82. */
function inFigures(text: string, { words }: Lexicon): string {
  const tens = Object.entries(words.numbers).filter(([, n]) => n >= 20 && n < 100)
  const ones = new Map(Object.entries(words.numbers).filter(([, n]) => n >= 1 && n < 10 && Number.isInteger(n)))
  const hundreds = text.replace(/\b(a|one|two|three) hundred(?:\s+and)?(?:\s+(?!(?:g|grams?|ml|mils?|millilit)\b)(\p{L}+(?:[\s-]\p{L}+)?))?/gu,
    (all, n: string, rest: string | undefined) => inHundreds(n, rest, words.numbers) ?? all)
  return tens.reduce((t, [word, n]) =>
    t.replace(new RegExp(`(?<!\\p{L})${flat(word)}(?:[\\s-]+(\\p{L}+))?(?!\\p{L})`, 'gu'), (all, next: string | undefined) => {
      const one = next === undefined ? 0 : ones.get(next)
      return one === undefined ? `${n} ${next}` : String(n + one)
    }), hundreds)
}

/** The filling's time in the oven: the last bake; a crust's own counts only where there is no other. */
function ovenOf(sentences: readonly string[], lexicon: Lexicon): ReadOven | null {
  let found: ReadOven | null = null
  let ofCrust: ReadOven | null = null
  let pre: Heat | null = null
  const { crustSigns, notOfIt, fillSigns } = lexicon.words
  for (const s of sentences) {
    // "Roll out, line the ring. Bake blind": the crust's own time.
    const bakesCrust = speaksOf(s.slice(0, 24), lexicon.words.roles.crust, lexicon) && !/\b(?:pour|fill|over)/.test(s)
    const isCrust = BLIND.test(s) || bakesCrust
      || (speaksOf(s, crustSigns, lexicon) && !speaksOf(s, fillSigns, lexicon))
    const bakes = speaksOf(s, lexicon.words.oven.bake, lexicon)
    const gas = /\bgas(?:\s*(?:mark|stufe))?\s*(\d)\b/.exec(s)
    const named = heatsOf(s)
    const heats = (named.length === 0 && bakes ? bareHeats(s) : named).filter(h => h.tempC >= 90 && h.tempC <= 280)
    // Boiled sugar is no oven.
    if (speaksOf(s, lexicon.words.syrups, lexicon) && heats.every(h => h.tempC < 150)) continue
    const plain = heats.find(h => !h.fan) ?? heats[0]
    const gasHeat = gas && gasC(Number(gas[1]))
    const byGas = gasHeat ? { tempC: gasHeat, fan: false, isF: false, at: gas!.index, end: gas!.index } : null
    const heat: Heat | null = plain ?? byGas
    if (!bakes && !(heat && heat.tempC > 110)) continue
    const bakeAt = bakes ? Math.max(0, bakePlace(s, lexicon)) : 0
    const after = minutesAfter(s, bakeAt, lexicon) ?? minutesAfter(s, 0, lexicon)
    if (heat && after === null && !found) pre = heat
    const at = heat ?? pre
    if (!at || (after === null && found)) continue
    if (isCrust) pre ??= at
    const own = { tempC: round(at.tempC), fan: at.fan && heats.every(h => h.fan), minutes: after }
    if (isCrust) ofCrust = own
    else found = own
  }
  // What is cooked in a pot goes into a baked shell and never sees the oven.
  const overWater = sentences.some(s => speaksOf(s, notOfIt, lexicon) && !BLIND.test(s))
  const inPot = overWater || peakOf(sentences, lexicon) !== null
  return found ?? (inPot ? null : ofCrust)
}
/** "Bake at 350 for 10 min", "four 180": a figure without degrees; beyond what °C ovens have it is °F. */
function bareHeats(s: string): Heat[] {
  return [...s.matchAll(/(?<![\d.,x×-])(1[2-9]\d|2[0-9]\d|[34]\d\d)(?![\d.,]|\s*(?:°|degree|[cf]\b|g\b|gr\b|ml|min|x\b|-))/gi)].map(m => ({
    tempC: Number(m[1]) > 260 ? fahrenheitToCelsius(Number(m[1])) : Number(m[1]), fan: false, isF: Number(m[1]) > 260,
    at: m.index, end: m.index + m[0].length,
  }))
}
const BLIND = /\bblind\b|\ba blanc\b|\bin bianco\b|\ben blanco\b/
const bakePlace = (s: string, lexicon: Lexicon) =>
  Math.max(...lexicon.words.oven.bake.map(w => s.lastIndexOf(flat(w))))
const round = (x: number) => Math.round(x * 10) / 10

/** What it is cooked or baked to: a heat of food, told by a word of reaching or a thermometer. */
function peakOf(sentences: readonly string[], lexicon: Lexicon): number | null {
  let peak: number | null = null
  for (const s of sentences)
    for (const h of heatsOf(s)) {
      if (h.tempC < 55 || h.tempC > 105) continue
      const before = s.slice(Math.max(0, h.at - 24), h.at)
      // What follows a boil is where it has cooled to.
      if (cools(before, lexicon) || (h.tempC < 95 && boils(s.slice(0, h.at), lexicon))) continue
      const reach = speaksOf(before.split(/[,;]/).at(-1)!, lexicon.words.reach, lexicon)
      const cooked = actsOf(before, 0, lexicon).at(-1)?.does === 'heat' && h.tempC < 96
      if (reach || cooked || /thermom/.test(s)) peak = round(h.tempC)
    }
  return peak ?? barePeak(sentences, lexicon)
}

/** Whether words speak of cooling down. */
const cools = (text: string, { words }: Lexicon) =>
  words.acts.cool.map(w => flat(w).replace('*', '')).some(w => text.includes(w))

const boils = (text: string, lexicon: Lexicon) => actsOf(text, 0, lexicon).some(a => a.does === 'boil')

/** "Take it to eighty two": a figure no unit follows, where something is cooked. */
function barePeak(sentences: readonly string[], lexicon: Lexicon): number | null {
  const { acts, reach } = lexicon.words
  for (const s of sentences) {
    if (!speaksOf(s, [...acts.heat, ...acts.bath].filter(w => !w.includes('*')), lexicon)) continue
    if (cools(s, lexicon)) continue
    for (const m of s.matchAll(/(\p{L}+)\s+((?:7|8)\d)(?=\s*(?:$|[,.;)]|\p{L}{3,}))(?!\s*(?:min|hour|gram|cup|stunden|heures))/gu))
      if (reach.some(w => flat(w) === m[1])) return Number(m[2])
  }
  return null
}

interface Named { kind: VesselKind, at: number, end: number, phrase: string }

/**
 * Vessels a text in plain letters names.
 * @example vesselsIn('pour into glasses', lexiconOf('en'))[0].kind // 'glass'
 */
export function vesselsIn(s: string, lexicon: Lexicon): Named[] {
  const words = [...apart(s, lexicon.locale).matchAll(TOKEN)].filter(m => /\p{L}/u.test(m[0]))
  const stems = words.map(m => stem(m[0], lexicon.locale))
  const out: Named[] = []
  for (const [kind, phrases] of Object.entries(lexicon.words.vessels))
    for (const phrase of phrases) {
      const want = (apart(flat(phrase), lexicon.locale).match(TOKEN) ?? []).map(w => stem(w, lexicon.locale))
      for (let i = 0; i + want.length <= stems.length; i++)
        if (want.every((w, k) => w === stems[i + k] || w === words[i + k]![0])) {
          const last = words[i + want.length - 1]!
          out.push({ kind: kind as VesselKind, at: words[i]!.index, end: last.index + last[0].length, phrase })
        }
    }
  return out.sort((a, b) => b.phrase.length - a.phrase.length)
    .filter((v, i, all) => !all.slice(0, i).some(o => v.at >= o.at && v.end <= o.end))
}

const SIZE = /(\d{1,2}(?:[.,]\d)?(?:\s+1\/2)?)\s*(?:"|-?\s*(cm|inch(?:es)?|in\b))?(?:\s*(?:x|by|×)\s*(\d{1,2}(?:[.,]\d)?)\s*(?:"|-?\s*(cm|inch(?:es)?|in\b))?)?(?:\s*(?:x|by)\s*(\d{1,2}(?:[.,]\d)?)\s*(?:"|-?\s*(cm|inch(?:es)?|in\b))?)?/gi

/** Sizes in metres near a vessel. */
function sizesOf(s: string, en: boolean): { at: number, end: number, m: number[] }[] {
  // "26er Springform" is one of 26 cm.
  const out = [...s.matchAll(/(?<!\d)(\d\d)er\b/g)]
    .map(m => ({ at: m.index, end: m.index + m[0].length, m: [Number(m[1]) / 100] }))
  for (const m of s.matchAll(SIZE)) {
    const unit = [m[6], m[4], m[2]].find(Boolean) ?? (/"/.test(m[0]) ? 'inch' : null)
    const pair = [m[1], m[3]].map(Number)
    // "20x20": no unit, but a tin's size; small ones in English are inches.
    const isPair = m[3] !== undefined && pair.every(x => x >= 7 && x <= 60)
    const bare = isPair ? (en && Math.max(...pair) <= 18 ? INCH_M : 0.01) : null
    const scale = unit === null ? bare : /^in/.test(unit) ? INCH_M : 0.01
    if (scale === null) continue
    const metres = (x: string) => Math.round(Number(x.replace(',', '.').split(' ')[0]) * scale * 1e4) / 1e4
    const sizes = [m[1], m[3], m[5]].filter(x => x !== undefined).map(metres)
    if (sizes.some(x => x > 0.03)) out.push({ at: m.index, end: m.index + m[0].length, m: sizes })
  }
  return out
}

/** What a title or a list may name by its size; a cup there is a measure. */
const TINS: readonly VesselKind[] = ['pieDish', 'tartRing', 'tartShell', 'round', 'rectangle']
/** The tin, dish or glasses: one with a size before one without, the last before the first. */
function vesselOf(sentences: readonly string[], lexicon: Lexicon, sized = false): ReadVessel | null {
  let best: { v: ReadVessel, score: number } | null = null
  for (const s of sentences) {
    for (const named of vesselsIn(s, lexicon)) {
      const near = sizesOf(s, lexicon.locale === 'en')
        .map(x => ({ ...x, off: Math.min(Math.abs(x.at - named.end), Math.abs(named.at - x.end)) }))
        .filter(x => x.off < 40).sort((a, b) => a.off - b.off)[0]
      const count = countBefore(s, named, lexicon) ?? countAfter(s, named)
      const around = s.slice(Math.max(0, named.at - 30), named.end + 24)
      const v = shaped(named.kind, near?.m ?? null, count, around, lexicon)
      const small = ['glass', 'ramekin', 'mould', 'stemmed'].includes(v.kind)
      if (sized && (!near || !TINS.includes(named.kind))) continue
      const score = (near ? 4 : 0) + (small && count ? 3 : 0) - (v.kind === 'bowl' ? 2 : 0)
      if (score > 0 && (!best || score >= best.score)) best = { v, score }
    }
  }
  return best?.v ?? null
}

/** "Glasses x6". */
const countAfter = (s: string, { end }: Named): number | null =>
  Number(/^\s*[x×]\s*(\d{1,3})(?!\s*(?:cm|mm|inch|\d))/.exec(s.slice(end))?.[1] ?? 0) || null

/** "6 glasses", "sechs Gläser", "24 small ramekins". */
function countBefore(s: string, named: Named, lexicon: Lexicon): number | null {
  const before = s.slice(Math.max(0, named.at - 60), named.at)
    .replace(/\([^)]*\)/g, ' ').replace(/\d+\s*-?\s*(?:ml|cl|oz|ounces?|g)\b/g, ' ').slice(-30)
  const m = /(\d{1,3})(?![\d.,]*\s*(?:cm|mm|inch|"|-?\s*ounce|ml|g\b))\s+(?:[\p{L}\d-]+\s+){0,2}$/u.exec(before)
  if (m && !/\d\s*-?\s*(?:cm|inch|min)/.test(m[0])) return Number(m[1])
  const words = before.trim().split(/\s+/).slice(-3).reverse()
  for (const w of words) {
    const n = Object.entries(lexicon.words.numbers).find(([word]) => flat(word) === w)?.[1]
    if (n !== undefined && n >= 2 && Number.isInteger(n)) return n
  }
  return null
}

function shaped(
  kind: VesselKind, m: number[] | null, count: number | null, around: string, lexicon: Lexicon,
): ReadVessel {
  const v: ReadVessel = { kind, lengthM: null, widthM: null, diameterM: null, heightM: null, count }
  if (!m) return v
  const square = speaksOf(around, lexicon.words.square, lexicon)
  const isRound = speaksOf(around, lexicon.words.roundWord, lexicon)
  const two = m.length >= 2 && m[1]! > 0.08
  if (two || (square && !isRound)) {
    const [a, b] = two ? [Math.max(m[0]!, m[1]!), Math.min(m[0]!, m[1]!)] : [m[0]!, m[0]!]
    return { ...v, kind: kind === 'tartRing' ? kind : 'rectangle', lengthM: a, widthM: b, heightM: m[two ? 2 : 1] ?? null }
  }
  return {
    ...v, kind: kind === 'rectangle' ? 'round' : kind, diameterM: m[0]!, heightM: m[1] ?? null,
  }
}

/** Tin, oven and peak of a text. */
export function factsOf(r: Read): { vessel: ReadVessel | null, oven: ReadOven | null, peakC: number | null } {
  const sentences = sentencesOf(r)
  const { lexicon } = r
  // "A 26 cm springform" in the title, "1 baked 9-inch pie shell" in the list.
  const beside = r.parts.filter(p => p.kind === 'name' || p.kind === 'ingredient').map(p => flat(r.text.slice(...p.span)))
  return {
    vessel: vesselOf(sentences, lexicon) ?? vesselOf(beside, lexicon, true),
    oven: ovenOf(sentences, lexicon),
    peakC: peakOf(sentences, lexicon),
  }
}
