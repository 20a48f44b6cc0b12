import { beforeEach, describe, expect, it } from 'vitest'
import type { Finding, FindingCode, VerdictCode } from '#core/pipeline/assessment'
import { assess, work } from '#core/pipeline/assess'
import { readText } from '#core/formats/reader/read'
import { ASSUMPTION_CODES, QUESTION_KINDS } from '#core/formats/reader/reading'
import { ADJUSTMENTS, type Adjustment } from '#core/solve/adjust'
import { outcomeOf } from '#core/solve/outcome'
import { formula, kitchen, make } from '../../tests/support/core'
import { INGREDIENTS } from '#core/base/ingredients/table'
import { type School, SCHOOLS } from '#core/formula/document'
import { pieceFigures } from '#core/pipeline/summary'
import { schoolOf } from '#core/formula/schools'
import { demoKitchen } from '../../server/database/demo'
import { SETTINGS_ADDED, type KitchenRecord } from '../../shared/kitchen'
import { speak } from './findings'
import { BAND_NAMES, CONDITION_NAMES, FAMILY_NAMES, REASON_NAMES, SCHOOL_NAMES } from './names'
import { why, WHY_TOPICS } from './why'
import { documentProblemWords, fieldWords } from './problems'
import { assumptionWords, habitWords, questionWords } from './reading'
import { speakIn } from './say'
import { plateWords } from './stands'
import { adjustmentWords, readout, readyWords, verdictSentence } from './verdict'
import { fixed, useFormat } from '../composables/useFormat'
import { useKitchenStore } from '../stores/kitchen'
import { demoBenches } from '../../tests/support/demo'

const record = (over: Partial<KitchenRecord['settings']> = {}): KitchenRecord => ({
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
    ...over,
  },
})
const use = (over: Partial<KitchenRecord['settings']> = {}) => {
  useKitchenStore().take(record(over))
  return useFormat()
}
beforeEach(() => {
  useKitchenStore().take(record())
})

describe('numbers with their units', () => {
  it('degrees in the kitchen\'s own; a difference converts without the 32', () => {
    expect(use().temp(82)).toBe('82 °C')
    expect(use({ temperatureUnit: 'F' }).temp(82)).toBe('180 °F')
    expect(use({ temperatureUnit: 'F' }).degrees(5)).toBe('9 °F')
    expect(use().temp(-18)).toBe('−18 °C')
  })
  it('times as a cook says them', () => {
    const { duration, clock, day } = use()
    expect([40, 95, 660, 3600, 7500].map(duration)).toEqual(['40 s', '2 min', '11 min', '1 h', '2 h 05'])
    expect(clock('2026-11-28T09:00', 3 * 3600)).toBe('12:00')
    expect(clock('2026-11-28T22:00', 3 * 3600)).toBe('Sun 01:00')
    expect(day('2026-12-04')).toBe('Fri 4 Dec')
  })
  it('masses, lengths, shares', () => {
    const f = use()
    expect([
      f.grams(4.25),
      f.grams(412.4),
      f.grams(12500),
      f.mm(0.0245, 1),
      f.cm(0.24),
      f.cm(0.065),
      f.percent(0.123, 1),
    ]).toEqual(['4.3 g', '412 g', '12.5 kg', '24.5 mm', '24 cm', '6.5 cm', '12.3 %'])
    expect(fixed(1234.5)).toBe('1,235')
  })
  it('names in both vocabularies; every ingredient has one', () => {
    expect(use().name('cornflour')).toBe('Cornflour')
    for (const { id } of INGREDIENTS) expect(use().name(id)).not.toBe(id)
    speakIn('en-US')
    expect(use().name('cornflour')).toBe('Cornstarch')
    expect(use().name('icing')).toBe('Powdered sugar')
    speakIn('en-GB')
  })
})

describe('findings', () => {
  const params = {
    setter: 'plant',
    cause: 'amylase',
    limit: 5,
    lossPercent: 30,
    baseC: 20,
    mixC: 12,
    fromC: 30,
    score: 5,
    freezingC: -3,
    firmS: 1500,
    thawedS: 5400,
    fatPercent: 51,
    percent: 15,
    acidPercent: 0.1,
    pH: 4.9,
    gPerKg: 12, countsGPerKg: 12,
    overG: 30,
    mm: 1,
    tempC: 71,
    share: 0.4,
    grainMm: 0.45, holdsFromC: 38, never: 0, holdsG: 340, overrun: 0.2, strain: 0.25, bears: 0.2, surely: 1,
    overset: 0.3, everyMin: 15,
    marginK: 0.7,
    minutes: 0.4,
    needMinutes: 2,
    toC: 21,
    withinS: 7200,
    takesS: 9000,
    limitC: 5,
    readyS: 12000,
    hours: 4,
    tauPa: 100,
    needPa: 300,
    afterS: 900,
    maxPa: 400,
    list: 'egg,milk',
    lot: 'crate 3',
  }
  const CODES: FindingCode[] = [
    'notModelled',
    'phaseInversion',
    'waterLow',
    'noEgg',
    'noSetter',
    'noAcid',
    'coarseGel',
    'lowAcid',
    'bitterZest',
    'scrubPeel',
    'tooSharp',
    'tasteFlat',
    'alcohol',
    'acidShort',
    'acidCurdles',
    'acidTooHot',
    'gelatinAcid',
    'rawProtease',
    'wontRelease',
    'ringLeaks',
    'rollCracks',
    'edgeSets',
    'creamOils',
    'sugarGritty',
    'meringueGritty',
    'hardlyWhips',
    'acidThickens',
    'agarAcid',
    'starchUndercooked',
    'starchAcid',
    'amylase',
    'gelatinStrings',
    'butterSplits',
    'overflows',
    'headroomLow',
    'potStalls',
    'ovenStalls',
    'grainy',
    'scrambled',
    'grainyNear',
    'underset',
    'lethalityLow',
    'measure71',
    'oversetsInDepth',
    'boilOver',
    'rawEgg',
    'rawFlour',
    'boilingSugar',
    'microwaveJug',
    'hotIntoGlass',
    'glassOven',
    'filmTooHot',
    'uncovered',
    'coolsTooSlowly',
    'coolsAtLimit',
    'fridgeWarm',
    'frozen',
    'thawing',
    'servedBeforeSet',
    'counterTooLong',
    'weeps',
    'holdsHours',
    'looseCold',
    'sagsOnTable',
    'tooFirm',
    'lightSkin',
    'medicines',
    'reactivePan',
    'allergens',
    'animalGelatin',
    'noStart',
    'lotDate',
  ]
  const say = (code: FindingCode, over: Finding['params'] = {}) =>
    speak({ code, severity: 'look', station: 'heat', path: '', params: { ...params, ...over } }, use())
  it.each(CODES)('%s has words, and no hole in them', (code) => {
    const { title, text } = say(code)
    expect(title.length).toBeGreaterThan(5)
    expect(`${title} ${text}`).not.toMatch(/NaN|undefined|null|\{/)
  })
  it('cautions that can hurt someone say what to do and defer to the kitchen\'s own plan', () => {
    for (const code of [
      'lethalityLow',
      'rawEgg',
      'rawFlour',
      'coolsTooSlowly',
      'coolsAtLimit',
      'counterTooLong',
      'measure71',
    ] as const)
      expect(say(code).text).toContain('your own food-safety plan')
    for (const shell of [0, 1])
      expect(say('rawEgg', { shell, guests: 1 }).text).toMatch(/guests are at risk.*asteurised.*pregnant, very young, old or ill/)
    expect(say('rawEgg', { shell: 1 }).text).toMatch(/pasteurised.*pregnant, very young, old or ill/)
    expect(say('lethalityLow').text).toMatch(/pasteurised.*pregnant, very young, old or ill/)
    expect(say('coolsTooSlowly', { takesS: -1 }).text).toContain('does not reach')
  })
})

describe('why', () => {
  const kitchens = demoKitchen()
  const all = demoBenches().map(d => ({ doc: d.document, a: assess(d.document, kitchens) }))
  it.each(WHY_TOPICS)(
    '%s has a reason, a source and a spread for every kind of dessert, and no hole in them',
    (topic) => {
      for (const { doc, a } of all) {
        const note = why(topic, doc, a, use())
        for (const text of [note.title, note.how, note.source, note.spread, ...note.inputs.flat()]) {
          expect(text.length).toBeGreaterThan(0)
          expect(text).not.toMatch(/NaN|undefined|null|Infinity/)
        }
        expect(note.how).toMatch(/[.]$/)
      }
    },
  )
  it('safety defers to the kitchen\'s own plan', () => {
    for (const topic of ['lethality', 'useBy'] as const)
      expect(why(topic, all[0]!.doc, all[0]!.a, use()).spread).toMatch(/your own/i)
  })
  it('every verdict and readout of every kind reads as a sentence', () => {
    for (const { doc, a } of all) {
      expect(verdictSentence(doc, a, use())).toMatch(/^([A-Z][^.]*\.\s?)+$/)
      for (const station of ['stock', 'balance', 'shape', 'heat', 'chill', 'serve'] as const)
        for (const text of readout(station, doc, a, use())) expect(text).not.toMatch(/NaN|undefined/)
      for (const f of a.findings)
        expect(`${speak(f, use()).title} ${speak(f, use()).text}`).not.toMatch(/NaN|undefined|\{/)
    }
  })
  it('kinds, ways of making, reasons and conditions all have names', () => {
    for (const s of SCHOOLS) {
      expect(SCHOOL_NAMES[s].how).toMatch(/\.$/)
      for (const r of [...schoolOf(s).gives, ...schoolOf(s).costs]) expect(REASON_NAMES[r]).toBeTruthy()
      expect(CONDITION_NAMES[schoolOf(s).decides]).toBeTruthy()
      expect(FAMILY_NAMES[schoolOf(s).family].name).toBeTruthy()
    }
  })
})

describe('the verdict', () => {
  const doc = formula()
  const a = assess(doc, kitchen)
  it.each(['good', 'sagsOnTable', 'looseCold', 'runny', 'grainy', 'tooFirm', 'servedBeforeSet'] as VerdictCode[])(
    '%s is one plain sentence for every use',
    (code) => {
      for (const kind of ['spooned', 'glass', 'piped', 'cut', 'turnedOut'] as const) {
        const text = verdictSentence(
          { ...doc, use: { ...doc.use, kind } },
          { ...a, verdict: { ...a.verdict, code } },
          use(),
        )
        expect(text).toMatch(/^([A-Z][^.]*\.\s?)+$/)
        expect(text).not.toMatch(/undefined|NaN/)
      }
    },
  )
  it('says when it is ready, by the clock if there is one', () => {
    expect(readyWords(doc, a, use())).toMatch(/^Ready from 1\d:\d\d\.$/)
    expect(readyWords({ ...doc, serve: { ...doc.serve, startAt: '' } }, a, use())).toMatch(
      /^Ready .* after you start\.$/,
    )
    expect(
      readyWords(doc, { ...a, serve: { ...a.serve, readyAfterS: null }, chill: { ...a.chill, readyS: null } }, use()),
    ).toContain('Does not get there')
  })
  it('every stop of the ribbon has two short lines with units', () => {
    for (const station of ['stock', 'balance', 'shape', 'heat', 'chill', 'serve'] as const) {
      const lines = readout(station, doc, a, use())
      expect(lines).toHaveLength(2)
      for (const line of lines) expect(line.length).toBeLessThan(28)
    }
    expect(readout('balance', doc, a, use())[1]).toBe(BAND_NAMES[a.verdict.cold.band])
  })
  it('fruit in pieces or dry is told as that, a coulis as what runs', () => {
    const told = (school: School) => {
      const d = make(school)
      const own = assess(d, kitchen)
      return [verdictSentence(d, own, use()), readout('balance', d, own, use())[1], plateWords(pieceFigures(d, own), use())].join(' ')
    }
    expect(told('peelPowder')).toMatch(/^A dry powder; .* a dry powder a dry powder$/)
    expect(told('roastedFruit')).toMatch(/^In pieces; .* in pieces in pieces$/)
    // Its three days are not called the food code's.
    const days = (school: School) => why('useBy', make(school), assess(make(school), kitchen), use()).source
    expect([days('coulis'), days('boundSauce')]).toEqual([expect.stringContaining('common practice'), expect.stringContaining('Food Code')])
    expect(told('coulis')).toMatch(/^Pourable from the fridge; .* runs$/)
  })
  const outcome = outcomeOf(work(doc, kitchen))
  it.each(ADJUSTMENTS)('the offer %s reads as something to do', (kind) => {
    const x: Adjustment = {
      kind,
      from: 100,
      to: kind === 'holdShorter' ? 0 : 120,
      unit: 'g',
      ingredientId: 'yolk_sep',
      changesUse: kind === 'lowerPiece' || kind === 'shorterTable',
      moves: { before: { ...outcome, grainy: 0.12 }, after: { ...outcome, grainy: 0.3, sour: 9 } },
      doc,
    }
    const { label, brings } = adjustmentWords(x, use())
    const own = kind === 'longerChill' || kind === 'iceBathFirst' || kind === 'moreVessels'
    expect(brings.includes('grainy in 12 → 30 % of batches')).toBe(!own)
    expect(brings.includes('sharper')).toBe(!own)
    expect(brings.includes('changes the use')).toBe(x.changesUse)
    expect(brings).not.toMatch(/Pa\b/)
    expect(label).toMatch(/^[\dA-Z]/)
    expect(label).not.toMatch(/undefined|NaN/)
  })
})

describe('reading and problems', () => {
  it('says the assumption as the kitchen would', () => {
    const [line] = readText('1 1/2 cups granulated sugar\n1 stick butter').lines
    expect(assumptionWords(line!.assumptions[0]!, use())).toBe('US cup 236.6 ml')
    expect(habitWords(readText('1 cup heavy cream').habits, use())).toContain('American')
  })
  it('every assumption and question has words', () => {
    const params = {
      system: 'us', measure: 'cup', ml: 236.6, gPerMl: 1.03, grade: 'usL', eachG: 3, shellG: 60, fruit: 'lemon medium',
      part: 'zest', count: 2, value: 1.5, words: 'x', percent: 20,
    }
    for (const code of ASSUMPTION_CODES) {
      const words = assumptionWords({ code, params }, use())
      expect(words.length, code).toBeGreaterThan(5)
      expect(words).not.toMatch(/undefined|NaN|\{/)
    }
    for (const kind of QUESTION_KINDS)
      for (const words of ['', 'dust'])
        expect(questionWords({ kind, words, choices: [], suggested: null, shared: null })).toMatch(/\?$/)
  })
  it('a problem names its field in words and by path', () => {
    expect(documentProblemWords({ path: 'document.heat.targetTempC', code: 'tooLarge', params: { max: 105 } })).toBe(
      'The target temperature (heat.targetTempC) is too large: at most 105.',
    )
    expect(documentProblemWords({ path: 'assembly.insertM3', code: 'tooLarge', params: { max: 2.49e-4 } })).toContain(
      'at most 249 ml.',
    )
    expect(documentProblemWords({ path: 'assembly.crustM', code: 'tooLarge', params: { max: 0.02 } })).toContain(
      'at most 20 mm.',
    )
    expect(documentProblemWords({ path: 'version', code: 'tooLarge', params: {} })).toContain('newer version')
    expect(
      documentProblemWords({ path: 'components.0.lines.1.ingredientId', code: 'unknownIngredient', params: {} }),
    ).toContain('is not one that Lumbik knows')
    for (const code of [
      'negative',
      'tooSmall',
      'notANumber',
      'required',
      'oneOf',
      'noUnknown',
      'unknownLine',
      'sameId',
      'typeError',
      'notJson',
      'something',
    ])
      expect(documentProblemWords({ path: 'use.tableTimeS', code, params: {} })).toMatch(/\.$/)
    expect(fieldWords('somewhere.else')).toBe('somewhere.else')
  })
})
