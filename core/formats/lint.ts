/**
 * The lint: what a formula's text forgot to say, says twice, or says against itself. Each finding carries where it is
 * and
 * a fix that can be taken with a click; the words stand outside the core.
 */
import { findIngredient } from '../base/ingredients/ingredients'
import { DENSITIES, EGG_GRADES, type EggGrade } from '../base/ingredients/measures'
import { fahrenheitToCelsius, INCH_M, OUNCE_G } from '../base/units'
import { type Answers, type LeafGrade, type ReadLine, readText } from './readText'
import { asText, recipeText, unmarked } from './recipeText'

export const LINT_CODES = [
  'listedUnused',
  'usedUnlisted',
  'amountMissing',
  'fruitTwice',
  'percentagesOff',
  'tinNoSize',
  'zestNeverAdded',
  'twoTemperatures',
  'gelatinNoGrade',
  'yolkWeight',
  'mixedCups',
  'vesselOverflows',
  'vesselShallow',
] as const
export type LintCode = (typeof LINT_CODES)[number]

/** A fix by the text or by an answer. */
export type LintFix =
  | { kind: 'removeLine', line: string }
  | { kind: 'replaceLine', line: string, text: string }
  | { kind: 'addLine', text: string }
  | { kind: 'addStep', text: string }
  | { kind: 'replaceStep', step: string, text: string }
  | { kind: 'cups', cups: 'us' | 'metric' }
  | { kind: 'leafGrade', grade: LeafGrade }
  | { kind: 'can', ingredientId: string, canG: number }
  | { kind: 'eggGrade', word: string, grade: EggGrade }
  /** The cook has to say it at the line. */
  | { kind: 'answerLine', index: number }

export interface Lint {
  code: LintCode
  /** Line or step it is about. */
  at: string
  params: Readonly<Record<string, string | number>>
  fixes: LintFix[]
}

/** Words by which steps speak of an ingredient, by row or by group. */
const SPOKEN: Readonly<Record<string, RegExp>> = {
  sugar: /\b(?:sugar|caramel|syrup)\b/i,
  icing: /\b(?:icing|powdered|confectioners'?) sugar\b|\bsugar\b/i,
  honey: /\bhoney\b/i,
  glucose_syr: /\b(?:glucose|corn) syrup\b|\bglucose\b/i,
  egg: /\beggs?\b/i,
  yolk_sep: /\byolks?\b|\beggs?\b/i,
  yolk: /\byolks?\b/i,
  white: /\b(?:egg )?whites?\b/i,
  zest: /\b(?:zest|rind|peel)\b/i,
  salt: /\bsalt\b/i,
  water: /\bwater\b/i,
  gelatin: /\bgelatine?\b|\bleaves\b|\bsheets?\b/i,
  agar: /\bagar\b/i,
  cornflour: /\b(?:corn ?flour|corn ?starch|starch)\b/i,
  flour: /\bflour\b/i,
  citric: /\bcitric\b|\bacid\b/i,
  condensed: /\bcondensed(?: milk)?\b|\bmilk\b/i,
  evaporated: /\bevaporated\b|\bmilk\b/i,
  milk: /\bmilk\b/i,
  vanilla: /\bvanilla\b/i,
  creme_fr: /\bcr[eè]me fra[iî]che\b/i,
  yoghurt: /\byogh?urt\b/i,
  greek: /\byogh?urt\b/i,
  mascarpone: /\bmascarpone\b/i,
  cream_cheese: /\b(?:cream|soft) cheese\b/i,
}
const GROUP: Readonly<Record<string, RegExp>> = {
  juice: /\bjuices?\b|\bpur[eé]e\b|\bpulp\b|\bwine\b/i,
  butter: /\bbutter\b/i,
  dairy: /\bcream\b|\bmilk\b|\bdairy\b/i,
  biscuit: /\b(?:biscuits?|crumbs?|crackers?|cookies|sponge|shortbread)\b/i,
  chocolate: /\bchocolate\b/i,
  nut: /\b(?:almonds?|hazelnuts?|pistachios?|nuts?)\b/i,
  sugar: /\bsugar\b/i,
  egg: /\beggs?\b/i,
}
const spokenOf = (id: string): RegExp | null => SPOKEN[id] ?? GROUP[findIngredient(id)?.group ?? ''] ?? null

/** "Whisk everything together" uses whatever is listed. */
const EVERYTHING =
  /\b(?:all (?:the )?(?:other |remaining )?ingredients|everything|the (?:rest|remaining) (?:of the )?ingredients|all together)\b/i
/** Water that is a bath, ice or a rinse, fat for the tin, a finish on the plate: not of the formula. */
const NOT_OF_IT =
  /\b(?:simmering|boiling|hot|iced?|cold|bath of|pan of|over|barely simmering|soak(?:ed)? in|running)\s+(?:cold\s+)?water\b|\bwater bath\b|\bice[- ]?bath\b|\bbutter(?:ed)? (?:a|the|your) (?:tin|dish|pan|ring)\b|\bbuttered\b|\begg(?:y)? wash\b|\beggshells?\b|\bcream of\b|\b(?:whites?) (?:for|kept|aside|reserved)\b|\breserv\w+ (?:the )?whites\b/gi

/** Ingredients a step may name without their being listed: only what a formula is made of. */
const ASKED_FOR = [
  'sugar',
  'butter82',
  'zest',
  'salt',
  'gelatin',
  'cornflour',
  'flour',
  'honey',
  'milk',
  'condensed',
  'agar',
  'vanilla',
] as const

/** Checks a text as read. @param read lines with the answers given so far */
export function lintText(
  text: string,
  answers: Answers = {},
  read: readonly ReadLine[] = readText(text, answers),
): Lint[] {
  const { steps } = recipeText(text)
  const out: Lint[] = []
  const lines = read.filter(l => !l.leftOut && !l.heading && !l.comment)
  const add = (code: LintCode, at: string, params: Lint['params'], fixes: LintFix[]) =>
    out.push({ code, at, params, fixes })

  for (const l of lines) {
    if (l.question?.kind === 'amount' && l.question.reason === 'missing')
      add('amountMissing', l.text, {}, [
        { kind: 'answerLine', index: l.index },
        { kind: 'removeLine', line: l.text },
      ])
    if (l.question?.kind === 'can')
      add(
        'tinNoSize',
        l.text,
        { ingredientId: l.items[0]!.ingredientId! },
        l.question.options
          .slice(0, 3)
          .map(canG => ({ kind: 'can' as const, ingredientId: l.items[0]!.ingredientId!, canG })),
      )
    if (l.question?.kind === 'leafGrade')
      add(
        'gelatinNoGrade',
        l.text,
        {},
        l.question.options.map(grade => ({ kind: 'leafGrade' as const, grade })),
      )
    if (
      l.items.some(
        i => i.ingredientId === 'gelatin' && i.basis && ['weighed', 'ounce', 'measure'].includes(i.basis.kind),
      ) &&
      !/\b\d{2,3}\s*bloom\b|\b(?:bronze|silver|gold|platinum|powder|powdered)\b/i.test(l.text)
    )
      add('gelatinNoGrade', l.text, {}, [
        { kind: 'replaceLine', line: l.text, text: l.text.replace(/gelatine?/i, m => `powdered ${m}`) },
        { kind: 'replaceLine', line: l.text, text: l.text.replace(/gelatine?/i, m => `gold leaf ${m}`) },
      ])
    const parts = ['zest', 'peel', 'juice', 'segments'].filter(p =>
      new RegExp(`\\b${p}(?:d|ed|s)?\\b|\\b${p === 'zest' ? 'rind' : p}\\b`, 'i').test(l.text),
    )
    for (const [a, b] of [
      ['zest', 'peel'],
      ['juice', 'segments'],
    ] as const)
      if (parts.includes(a) && parts.includes(b) && /\d|\b(?:one|two|three|four|an?)\b/i.test(l.text))
        add('fruitTwice', l.text, { first: a, second: b }, [
          {
            kind: 'replaceLine',
            line: l.text,
            text: l.text
              .replace(new RegExp(`\\s*(?:,|and|&)?\\s*\\b${b}(?:ed)?\\b`, 'i'), '')
              .replace(/^\s*(?:and|,)\s*/i, ''),
          },
        ])
    yolkWeight(l, add)
  }
  percentages(lines, add)
  cups(lines, answers, add)
  if (steps.length > 0) {
    used(lines, steps, add)
    for (const step of steps) temperatures(step, add)
  }
  vessel(text, lines, add)
  return out
}

type Add = (code: LintCode, at: string, params: Lint['params'], fixes: LintFix[]) => void

/** A yolk's stated weight against every grade: half an ounce is a medium one's, not a large one's. */
function yolkWeight(l: ReadLine, add: Add): void {
  const yolk = l.items.find(i => i.ingredientId === 'yolk_sep' && i.piece && i.basis?.kind === 'written')
  const each = yolk
    ? yolk.piece!.eachG
    : /\byolks?\b.*?(?:half an|1\/2|½) (?:oz|ounce)(?: each)?/i.test(l.text)
      ? OUNCE_G / 2
      : null
  if (each === null) return
  const size = /\bextra[ -]large\b/i.test(l.text)
    ? ['euXL', 'usXL']
    : /\blarge\b/i.test(l.text)
      ? ['euL', 'usL']
      : /\bmedium\b/i.test(l.text)
        ? ['euM', 'usM']
        : Object.keys(EGG_GRADES)
  const fits = (size as EggGrade[]).some(g => Math.abs(each / EGG_GRADES[g].yolkG - 1) <= 0.1)
  if (fits) return
  const near = (size as EggGrade[])[size.length === 2 ? 1 : 0]!
  const count = yolk ? Math.round(yolk.massG! / each) : 0
  add(
    'yolkWeight',
    l.text,
    { eachG: each, gradeG: EGG_GRADES[near].yolkG, grade: EGG_GRADES[near].label },
    count
      ? [
          { kind: 'replaceLine', line: l.text, text: l.text.replace(/\s*\([^)]*\)/, '') },
          { kind: 'replaceLine', line: l.text, text: `${Math.round(yolk!.massG!)} g yolk` },
        ]
      : [],
  )
}

/** Percentages of the whole add up to 100; baker's ones have a line that is 100. */
function percentages(lines: readonly ReadLine[], add: Add): void {
  const stated = lines.filter(l => l.items[0]?.basis?.kind === 'percent')
  if (stated.length < 2) return
  const values = stated.map(l => l.items[0]!.massG! / 10)
  const sum = values.reduce((s, v) => s + v, 0)
  if (Math.abs(sum - 100) <= 1.5 || values.some(v => Math.abs(v - 100) < 0.5)) return
  const largest = stated[values.indexOf(Math.max(...values))]!
  const rest = 100 - (sum - Math.max(...values))
  add(
    'percentagesOff',
    largest.text,
    { sum: Math.round(10 * sum) / 10 },
    rest > 0
      ? [
          {
            kind: 'replaceLine',
            line: largest.text,
            text: largest.text.replace(/\d+(?:\.\d+)?\s*%/, `${Math.round(10 * rest) / 10} %`),
          },
        ]
      : [],
  )
}

/** Cups of two countries in one text: said so outright, or sticks and US words beside metric cups. */
function cups(lines: readonly ReadLine[], answers: Answers, add: Add): void {
  const whose = new Map<string, string>()
  for (const l of lines) {
    const said = /\b(us|american|metric|australian|imperial|uk)\s+(?:cups?|tbsps?|tablespoons?|pints?|fl)/i
      .exec(l.text)?.[1]
      ?.toLowerCase()
    if (said) whose.set(said === 'american' ? 'us' : said === 'uk' ? 'imperial' : said, l.text)
    else if (/\bsticks?\b/i.test(l.text) || /\bgraham\b|\bconfectioners\b|\bcornstarch\b/i.test(l.text))
      whose.set('us', l.text)
  }
  if (
    answers.cups &&
    lines.some(l => l.items.some(i => i.basis?.kind === 'measure' && i.basis.measure !== 'teaspoon'))
  )
    whose.set(answers.cups, whose.get(answers.cups) ?? lines[0]!.text)
  if (whose.size > 1)
    add('mixedCups', [...whose.values()][0]!, { systems: [...whose.keys()].join(' + ') }, [
      { kind: 'cups', cups: 'us' },
      { kind: 'cups', cups: 'metric' },
    ])
}

/** Listed and never used, used and never listed. */
function used(lines: readonly ReadLine[], steps: readonly string[], add: Add): void {
  const all = steps.join(' \n ').replace(NOT_OF_IT, ' ')
  const listed = new Set(lines.flatMap(l => l.items.map(i => i.ingredientId).filter((x): x is string => x !== null)))
  if (!EVERYTHING.test(all)) {
    for (const l of lines) {
      for (const i of l.items) {
        const spoken = i.ingredientId && spokenOf(i.ingredientId)
        if (!spoken || spoken.test(all)) continue
        // A fruit by its own name ("the lemons") is a mention too.
        if (
          findIngredient(i.ingredientId!)!.group === 'juice' &&
          /\b(?:lemons?|limes?|oranges?|grapefruits?|bergamots?|yuzus?|calamansis?|passion)\b/i.test(all)
        )
          continue
        const name = findIngredient(i.ingredientId!)!.aliases[0]!
        if (i.ingredientId === 'zest')
          add('zestNeverAdded', l.text, {}, [
            { kind: 'addStep', text: 'Add the zest with the juice.' },
            { kind: 'removeLine', line: l.text },
          ])
        else
          add('listedUnused', l.text, { ingredientId: i.ingredientId! }, [
            { kind: 'addStep', text: `Add the ${name}.` },
            { kind: 'removeLine', line: l.text },
          ])
      }
    }
  }
  for (const id of ASKED_FOR) {
    const row = findIngredient(id)!
    const group = [...listed].some(
      x => x === id || ((id === 'sugar' || id === 'butter82') && findIngredient(x)!.group === row.group),
    )
    const covered =
      group ||
      (id === 'milk' && [...listed].some(x => findIngredient(x)!.group === 'dairy')) ||
      (id === 'condensed' && listed.has('milk'))
    const spoken =
      id === 'condensed'
        ? /\bcondensed milk\b/i
        : id === 'zest'
          ? /\b(?:zest|rind)\b/i
          : id === 'milk'
            ? /(?<!condensed |evaporated |coconut )\bmilk\b/i
            : id === 'cornflour'
              ? /\b(?:corn ?flour|corn ?starch)\b/i
              : id === 'flour'
                ? /(?<!corn ?)\bflour\b/i
                : id === 'gelatin'
                  ? /\bgelatine?\b/i
                  : spokenOf(id)!
    if (covered || !spoken.test(all)) continue
    const step = steps.find(s => spoken.test(s.replace(NOT_OF_IT, ' ')))!
    add('usedUnlisted', step, { ingredientId: id }, [{ kind: 'addLine', text: row.aliases[0]! }])
  }
}

/** Temperatures of a step: two that do not say the same, and are no range or course. */
function temperatures(step: string, add: Add): void {
  const found = [...step.matchAll(/(\d{2,3})\s*(?:°|º|degrees?)?\s*(C|F)\b/gi)].map(m => ({
    text: m[0],
    at: m.index,
    c: m[2]!.toUpperCase() === 'F' ? fahrenheitToCelsius(Number(m[1])) : Number(m[1]),
    f: m[2]!.toUpperCase() === 'F',
  }))
  for (let i = 1; i < found.length; i++) {
    const [a, b] = [found[i - 1]!, found[i]!]
    const between = step.slice(a.at + a.text.length, b.at)
    const pair = a.f !== b.f && /^\s*[(/,;]?\s*(?:or|about|=)?\s*$/i.test(between)
    // A written pair may be rounded by 5 K; from one to another, or a range, is meant so.
    if (
      pair
        ? Math.abs(a.c - b.c) <= 5
        : Math.abs(a.c - b.c) <= 3 ||
          /\b(?:to|then|until|from|and then|down|cool|before|rest|reaches)\b|[-–]/i.test(between)
    )
      continue
    add('twoTemperatures', step, { first: a.text, second: b.text }, [
      {
        kind: 'replaceStep',
        step,
        text: step.slice(0, b.at - between.length) + step.slice(b.at + b.text.length).replace(/^\s*\)/, ''),
      },
      { kind: 'replaceStep', step, text: step.slice(0, a.at) + step.slice(b.at) },
    ])
    return
  }
}

const INCH_CM = INCH_M * 100
/** The vessel a text names, as the volume it holds, ml; null when it names none with its size. */
export function vesselOfText(text: string): { ml: number, text: string } | null {
  const cm = (n: string, unit: string) => Number(n) * (/^(?:in|inch|inches|")/i.test(unit) ? INCH_CM : 1)
  const ramekins =
    /\b(\d+|four|six|eight|ten|twelve)\s+(?:x\s+)?(\d{2,3})[ -]?ml\s+(?:ramekins?|glasses|pots|jars|cups|moulds?|molds?)/i.exec(
      text,
    )
  if (ramekins)
    return {
      ml:
        (Number(ramekins[1]) || { four: 4, six: 6, eight: 8, ten: 10, twelve: 12 }[ramekins[1]!.toLowerCase()]!) *
        Number(ramekins[2]),
      text: ramekins[0],
    }
  const rectangle =
    /\b(\d{1,2}(?:\.\d)?)\s*(?:cm)?\s*(?:x|×|by)\s*(\d{1,2}(?:\.\d)?)[ -]?(cm|inch(?:es)?|in\b|")[^.]{0,30}?\b(?:tin|pan|dish|tray)/i.exec(
      text,
    )
  if (rectangle)
    return {
      ml:
        cm(rectangle[1]!, rectangle[3]!) *
        cm(rectangle[2]!, rectangle[3]!) *
        (/\bdeep\b/i.test(rectangle[0]) ? 5 : 4.5),
      text: rectangle[0],
    }
  const round =
    /\b(\d{1,2}(?:\.\d)?)[ -]?(cm|inch(?:es)?|in\b|")[^.]{0,30}?\b(tart|pie|flan|ring|tin|dish|shell|case)/i.exec(
      text,
    )
  if (round)
    return {
      ml: (Math.PI / 4) * cm(round[1]!, round[2]!) ** 2 * (/pie|dish/i.test(round[0]) ? 3.5 : 2.8),
      text: round[0],
    }
  const bowl = /\b(\d(?:\.\d)?)[ -]?(?:l|litre|liter)s?\s+(?:bowl|dish|mould|mold|jar)/i.exec(text)
  return bowl ? { ml: 1000 * Number(bowl[1]), text: bowl[0] } : null
}

/** The filling's volume against the vessel named. */
function vessel(text: string, lines: readonly ReadLine[], add: Add): void {
  const named = vesselOfText(text)
  const filling = lines.filter(l => l.section === 'filling')
  if (!named || filling.some(l => l.question) || filling.length === 0) return
  const ml = filling
    .flatMap(l => l.items)
    .reduce(
      (s, i) => s + (i.massG ?? 0) / Math.max(0.8, Math.min(1.3, DENSITIES[i.ingredientId ?? '']?.gPerMl ?? 1.05)),
      0,
    )
  if (ml > 1.1 * named.ml)
    add('vesselOverflows', named.text, { mixMl: Math.round(ml), vesselMl: Math.round(named.ml) }, [])
  else if (ml < 0.25 * named.ml)
    add('vesselShallow', named.text, { mixMl: Math.round(ml), vesselMl: Math.round(named.ml) }, [])
}

/**
 * A text with a fix taken, or the answers with it. What came as JSON-LD becomes plain text first, so that it can be
 * written in.
 */
export function takeFix(given: string, answers: Answers, fix: LintFix): { text: string, answers: Answers } {
  const recipe = recipeText(given)
  const text = recipe.format === 'jsonld' ? asText(recipe) : given
  const withText = (t: string) => ({ text: t, answers })
  const rows = text.split('\n')
  /** The row that holds just this line; "salt" is not in "unsalted butter". */
  const rowOf = (line: string) => {
    const bare = (row: string) =>
      unmarked(row.replace(/^\s*#{1,6}\s+/, '').replace(/^\s*\d{1,2}[.)]\s+(?=\p{L})/u, ''))
    const exact = rows.findIndex(r => bare(r) === line)
    return exact >= 0 ? exact : rows.findIndex(r => r.includes(line))
  }
  const withRow = (line: string, edit: (row: string) => string | null) => {
    const at = rowOf(line)
    return withText(at < 0 ? text : rows.flatMap((r, k) => (k === at ? (edit(r) ?? []) : [r])).join('\n'))
  }
  switch (fix.kind) {
    case 'removeLine':
      return withRow(fix.line, () => null)
    case 'replaceLine':
      return withRow(fix.line, row => (row.includes(fix.line) ? row.replace(fix.line, () => fix.text) : fix.text))
    case 'replaceStep':
      return withRow(fix.step, row => (row.includes(fix.step) ? row.replace(fix.step, () => fix.text) : fix.text))
    case 'addLine': {
      const { lines } = recipeText(text)
      const last = lines.filter(l => !l.heading).at(-1)?.text
      const at = last === undefined ? -1 : rows.findLastIndex(r => r.includes(last))
      return withText([...rows.slice(0, at + 1), fix.text, ...rows.slice(at + 1)].join('\n'))
    }
    case 'addStep':
      return withText(
        `${text.trimEnd()}\n${/^\s*\d+[.)]/m.test(text) ? `${recipeText(text).steps.length + 1}. ` : ''}${fix.text}`,
      )
    case 'cups':
      return { text, answers: { ...answers, cups: fix.cups } }
    case 'leafGrade':
      return { text, answers: { ...answers, leafGrade: fix.grade } }
    case 'can':
      return { text, answers: { ...answers, can: { ...answers.can, [fix.ingredientId]: fix.canG } } }
    case 'eggGrade':
      return { text, answers: { ...answers, eggGrade: { ...answers.eggGrade, [fix.word]: fix.grade } } }
    case 'answerLine':
      return { text, answers }
  }
}
