/** Whose measures a text is read by: told by its words, shown in one line, changed with one answer. */
import type { CupSystem } from '../../base/units'
import { LOCALES, type Answers, type Habits, type Locale } from './reading'
import { lexiconOf, stem } from './lexicon'
import { toPlain } from './plain'

type Sign = readonly [RegExp, string]
/** Words that give a kitchen away (common practice). */
const SIGNS: Record<'us' | 'gb' | 'au', readonly Sign[]> = {
  us: [
    [/\d\s?°?\s?f\b/, '°F'], [/\bsticks?\b/, 'stick'], [/\bcorn ?starch\b/, 'cornstarch'], [/\bheavy (?:whipping )?cream\b/, 'heavy cream'],
    [/\ball[- ]purpose\b/, 'all-purpose'], [/\b(?:powdered|confectioners'?) sugar\b/, 'powdered sugar'], [/\bgraham\b/, 'graham'],
    [/\bkosher\b/, 'kosher'], [/\bhalf[- ]and[- ]half\b/, 'half-and-half'], [/\bsuperfine\b/, 'superfine'], [/\bmold\b/, 'mold'],
    [/\bgelatin\b/, 'gelatin'], [/\benvelopes?\b/, 'envelope'], [/\bcups?\b(?=[\s\S]*\b(?:tsps?|tbsps?|teaspoons?|tablespoons?)\b)/, 'cups and spoons'],
    [/\bgranulated\b/, 'granulated'], [/\bcream cheese\b[\s\S]*\boz\b|\boz\b[\s\S]*\bcream cheese\b/, 'cream cheese by the ounce'],
    [/\b(?:bittersweet|semisweet)\b/, 'bittersweet'],
  ],
  gb: [
    [/\bgas (?:mark )?\d/, 'gas mark'], [/\bcaster\b/, 'caster'], [/\bcornflour\b/, 'cornflour'], [/\bdouble cream\b/, 'double cream'],
    [/\bicing sugar\b/, 'icing sugar'], [/\bplain flour\b/, 'plain flour'], [/\bdigestives?\b/, 'digestives'], [/\bgelatine\b/, 'gelatine'],
    [/\bsultanas?\b/, 'sultanas'], [/\bmascarpone\b/, 'mascarpone'],
  ],
  au: [
    [/\bthickened cream\b/, 'thickened cream'], [/\bfan[- ]forced\b/, 'fan-forced'], [/\bcups?\s*\(\s*250\s?ml\)/, 'cup of 250 ml'],
    [/\b(?:tablespoons?|tbsps?)\s*\(\s*(?:20|40|60|80)\s?ml\)/, 'tablespoon of 20 ml'], [/\bplain sweet biscuits?\b/, 'sweet biscuits'],
  ],
}

/** The language a text is in: the one that knows most of its words. */
export function localeOf(text: string): Locale {
  const words = toPlain(text.slice(0, 4000)).text.toLowerCase().match(/\p{L}{3,}/gu) ?? []
  const known = LOCALES.map((locale) => {
    const { all } = lexiconOf(locale)
    return { locale, n: words.reduce((sum, w) => sum + (all.has(stem(w, locale)) || all.has(w) ? 1 : 0), 0) }
  })
  return known.reduce((best, x) => (x.n > best.n ? x : best), { locale: 'en' as Locale, n: 0 }).locale
}

const COUNTRIES: Record<Habits['country'], Pick<Habits, 'eggs'>> = {
  us: { eggs: { large: 'usL', plain: 'usL' } },
  gb: { eggs: { large: 'euL', plain: 'euM' } },
  au: { eggs: { large: 'euL', plain: 'euM' } },
  metric: { eggs: { large: 'euL', plain: 'euM' } },
}

/**
 * @param kitchen the kitchen's own cups, if it has said so
 * @example habitsOf('1 cup heavy cream', 'en', {}).country // 'us'
 */
export function habitsOf(text: string, locale: Locale, answers: Answers, kitchen: CupSystem | null = null): Habits {
  const plain = toPlain(text.slice(0, 20_000)).text.toLowerCase()
  const count = (of: readonly Sign[]) => of.filter(([sign]) => sign.test(plain)).map(([, word]) => word)
  const told = { us: count(SIGNS.us), gb: count(SIGNS.gb), au: count(SIGNS.au) }
  const hasCups = /\bcups?\b|(?<!\d)\d\s?c\b/.test(plain)
  const eightOunces = /\b(?:oz|ounces?|lbs?|pounds?)\b/.test(plain)
  const said = answers.shared?.country as Habits['country'] | undefined
  const country: Habits['country'] = said ?? (locale !== 'en' ? 'metric'
    : told.au.length > 0 && told.au.length >= told.us.length ? 'au'
      : told.us.length > told.gb.length ? 'us'
        : told.gb.length > 0 ? 'gb'
          : hasCups ? 'us' : 'metric')
  const contradicts = hasCups && country === 'gb' && !said
  const ownCups: Record<Habits['country'], CupSystem | null> = {
    us: 'us', au: 'australian',
    gb: contradicts ? null : 'metric',
    metric: locale === 'en' && (hasCups || eightOunces || /\bpints?\b|\bfl\b/.test(plain)) ? null : 'metric',
  }
  const answered = answers.shared?.cups as CupSystem | undefined
  const cups = answered ?? (ownCups[country] === null ? kitchen : ownCups[country])
  // A British pint and ounce are imperial whatever the spoons are.
  return {
    country,
    cups,
    ...COUNTRIES[country],
    because: country === 'metric' ? [] : told[country].slice(0, 3).concat(told[country].length ? [] : ['cups']),
    matters: hasCups || /\b(?:tbsps?|tsps?|pints?|eggs?|yolks?|oz)\b/.test(plain),
  }
}
