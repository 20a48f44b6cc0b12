import { beforeEach, describe, expect, it } from 'vitest'
import { LINT_CODES, type LintFix, lintOf } from '#core/formats/reader/lint'
import { NEEDED_STEPS } from '#core/formats/reader/lintSteps'
import { readWhole } from '#core/formats/reader/read'
import { axesOf } from '#core/solve/map'
import { levers } from '#core/solve/elasticity'
import { WAYS, type Stop } from '#core/solve/rebalance'
import { KEEPS, type SwapWarning } from '#core/solve/swap'
import { RATIOS } from '#core/formula/percent'
import { FRUITS } from '#core/base/ingredients/measures'
import { INGREDIENTS } from '#core/base/ingredients/table'
import { LOT_METHODS } from '#core/kitchen/strength'
import { formula, kitchen } from '../../tests/support/core'
import { SETTINGS_ADDED, type KitchenRecord } from '../../shared/kitchen'
import { useFormat } from '../composables/useFormat'
import { useKitchenStore } from '../stores/kitchen'
import {
  axisShown,
  axisWords,
  basisOfWords,
  changeWords,
  differenceWords,
  KEEPS_WORDS,
  leverWords,
  processWords,
  RATIO_WORDS,
  shareWords,
  stopWords,
  swapWarningWords,
  WAY_WORDS,
} from './balance'
import { fixWords, lintWords } from './lint'
import { fruitName, leftoverWords, METHOD_WORDS } from './stock'

const doc = formula()
const id = doc.components[0]!.lines[0]!.id
const fine = (text: string) => {
  expect(text.length).toBeGreaterThan(1)
  expect(text).not.toMatch(/undefined|NaN|null|\[object/)
}
beforeEach(() => {
  useKitchenStore().take({
    id: 'k',
    name: 'Test kitchen',
    version: 1,
    revision: 1,
    places: [],
    vessels: [],
    ovens: [],
    burners: [],
    pans: [],
    lots: [],
    settings: {
      vocabulary: 'gb',
      temperatureUnit: 'C',
      cups: null,
      eggGrade: 'euL',
      altitudeM: 0,
      roomTempC: 20,
      foodCode: 'us',
      business: true,
      ...SETTINGS_ADDED,
    },
  } satisfies KitchenRecord)
})

describe('words of the balance', () => {
  it('every way, keep, ratio, method and fruit has words', () => {
    for (const w of WAYS) fine(WAY_WORDS[w])
    for (const k of KEEPS) fine(KEEPS_WORDS[k])
    for (const r of RATIOS) fine(RATIO_WORDS[r])
    for (const m of LOT_METHODS) fine(METHOD_WORDS[m].name)
    for (const f of FRUITS) expect(fruitName(f)).toMatch(/, (?:small|medium|large)$/)
    for (const i of INGREDIENTS) fine(leftoverWords(i.id))
  })
  it('orange against lemon is "a sixth", as cooks say it', () => {
    expect(shareWords(0.9 / 5.5)).toBe('a sixth')
    expect(shareWords(0.5)).toBe('half')
    const fmt = useFormat()
    expect(
      swapWarningWords(
        { kind: 'acidWeak', share: 0.164, citricG: 4.14, lemonG: 82.4, sets: false },
        'lemon',
        'orange',
        fmt,
      ),
    ).toBe(
      'Sweet orange juice carries a sixth of lemon juice\'s acid: weight for weight this will not set. Add about 4.1 g citric acid or 80 ml lemon juice.',
    )
    const others: SwapWarning[] = [
      { kind: 'acidStrong', share: 2 },
      { kind: 'noLongerHolds', code: 'runny' },
      { kind: 'fatLess', waterG: 20 },
      { kind: 'waterMore', waterG: 12 },
      { kind: 'cannotKeepSet', reach: 0.4 },
    ]
    for (const w of others) expect(swapWarningWords(w, 'lemon', 'yuzu', fmt)).toMatch(/\.$/)
  })
  it('changes, stops, process, differences, axes and levers read as words', () => {
    const fmt = useFormat()
    expect([1, 1.12, 0.8, 3.5, 0.9961, 1.0041, 1.0094, 1.0096].map(r => changeWords(r, fmt))).toEqual([
      'as before',
      '+12 %',
      '−20 %',
      '3.5 times', 'as before', '+0.4 %', '+0.9 %', '+1 %',
    ])
    const stops: Stop[] = [
      { kind: 'bound', lineId: 'x', ingredientId: 'lemon' },
      { kind: 'pinned' },
      { kind: 'yolkLimit' },
      { kind: 'costLimit' },
      { kind: 'grainy' },
      { kind: 'noSetter' },
    ]
    for (const s of stops) fine(stopWords(s, fmt))
    expect(processWords({ kind: 'boil', from: 60, to: 240 }, fmt)).toBe('boil 3 min longer')
    for (const kind of ['target', 'hold', 'chill'] as const) fine(processWords({ kind, from: 60, to: 80 }, fmt))
    expect(
      differenceWords(
        { kind: 'line', ingredientId: 'sugar', from: 170, to: 120, otherId: null, strength: false },
        fmt,
      ),
    ).toBe('caster sugar 170 g → 120 g')
    expect(
      differenceWords(
        { kind: 'line', ingredientId: 'orange', from: 90, to: 90, otherId: 'lemon', strength: false },
        fmt,
      ),
    ).toContain('→')
    for (const kind of ['way', 'heat', 'chill', 'vessel', 'use'] as const) fine(differenceWords({ kind }, fmt))
    for (const axis of axesOf(doc)) fine(axisWords(axis, doc, fmt).name)
    expect(axisShown({ kind: 'hold' }, 90, fmt)).toBe(1.5)
    for (const l of levers(doc, kitchen)) {
      fine(leverWords(l, fmt).label)
      fine(leverWords(l, fmt).brings)
    }
    expect(basisOfWords({ kind: 'line', lineId: id }, doc, fmt)).toBe('egg yolk = 100')
  })
  it('every finding of the lint says what, why, and offers its fixes', () => {
    const fmt = useFormat()
    const params = {
      ingredientId: 'sugar', first: 110, second: 120, sum: 110, eachG: 14, gradeG: 17, grade: 'US large', mixMl: 900,
      vesselMl: 600, listed: 200, used: 250, said: 24, is: 20, of: 'sugar', what: 'heat',
    }
    for (const code of LINT_CODES)
      for (const more of [{}, { inside: 25, beside: 20, of: 'whole' }] as Record<string, number | string>[]) {
        const { title, why } = lintWords({ code, lines: [0], params: { ...params, ...more }, fixes: [] }, '1 tin', fmt)
        fine(title)
        fine(why)
      }
    for (const what of NEEDED_STEPS) fine(lintWords({ code: 'stepNever', lines: [0], params: { what }, fixes: [] }, '', fmt).title)
    const text = '1 tin condensed milk\n3 sheets gelatine\nzest of 1 lemon\nMethod\n1. Whisk the milk with honey in a bowl.'
    const fixes: LintFix[] = [
      { kind: 'answer', key: 'cups', value: 'us' },
      { kind: 'goTo', line: 0 },
      { kind: 'replace', span: [0, 1], before: 'a', after: 'x'.repeat(90) },
      ...lintOf(readWhole(text)).flatMap(l => l.fixes),
    ]
    expect(fixes.length).toBeGreaterThan(8)
    for (const f of fixes) fine(fixWords(f, fmt))
  })
})
