/** What the Book says: no hole in any sentence, each limit of a wording just under and just over. */
import { beforeEach, describe, expect, it } from 'vitest'
import { FAULTS } from '#core/book/outcome'
import type { CoolingStage } from '#core/book/cooling'
import { demoKitchen } from '../../server/database/demo'
import { useFormat } from '../composables/useFormat'
import { useKitchenStore } from '../stores/kitchen'
import type { KitchenRecord } from '../../shared/kitchen'
import messages from './messages/en-GB.json'
import { besideName, clockWords, differenceWords, FAULT_NAMES, figureWords, leftWords, stageWords } from './batch'
import { causeWords, nextWords, questionWords, rescueWords, shareWords } from './blame'
import { learnedWords, teachesWords } from './learned'

const ID = '11111111-1111-4111-8111-111111111111'
const record = (temperatureUnit: 'C' | 'F' = 'C') => ({
  ...demoKitchen(), id: ID, name: 'Test', version: 1, revision: 1, lots: [],
  settings: { temperatureUnit },
}) as unknown as KitchenRecord
const START = '2026-11-28T09:00:00.000Z'
const whole = (s: string) => expect(s).not.toMatch(/NaN|undefined|null|Infinity|\[object|[{}]/)
beforeEach(() => useKitchenStore().take(record()))

describe('a clock and what is left', () => {
  it.each([[0, '0:00'], [-4, '0:00'], [59.4, '0:59'], [59.6, '1:00'], [3599, '59:59'], [3600, '1:00:00'], [7325, '2:02:05']])(
    '%d s is %s', (s, words) => expect(clockWords(s)).toBe(words))
  it.each([
    [{ low: 20, high: 89 }, '20–89 s'], [{ low: 30, high: 90 }, '1–2 min'], [{ low: 100, high: 130 }, '2 min'],
    [{ low: -50, high: 40 }, '0–40 s'], [{ low: 3600, high: 7199 }, '60–120 min'], [{ low: 3600, high: 7200 }, '1.0–2.0 h'],
  ])('%o is %s', (range, words) => expect(leftWords(range)).toBe(words))
})

describe('what the code asks of a cooling batch', () => {
  const stage = (state: CoolingStage['state']): CoolingStage =>
    ({ toC: 21, withinS: 7200, dueS: 7500, takesS: state === 'met' ? 5000 : null, state })
  it('each state has its own sentence, with the degrees; what is still to come says until when', () => {
    const said = (['met', 'missed', 'due', 'unmeasured'] as const).map(s => stageWords(stage(s), START, useFormat()))
    expect(new Set(said).size).toBe(4)
    for (const s of said) {
      whole(s)
      expect(s).toContain('21 °C')
    }
    expect(said[2]).toContain('11:05')
  })
  it('in the kitchen\'s own degrees', () => {
    useKitchenStore().take(record('F'))
    expect(stageWords(stage('met'), START, useFormat())).toContain('70 °F')
  })
})

it('a difference is named from one spread on, up and down', () => {
  const words = (measured: number) => differenceWords({ predicted: 10, measured, sigma: 2 })
  expect(new Set([words(11.99), words(8.01)]).size).toBe(1)
  expect(new Set([words(11.99), words(12), words(8)]).size).toBe(3)
})
it('every figure has the digits and the word of its unit', () => {
  const fmt = useFormat()
  const figures = [[11.26, 'min'], [412.6, 'g'], [2.914, 'pH'], [1.254, 'kg'], [7.15, 'mm']] as const
  expect(figures.map(([value, unit]) => figureWords(value, unit, fmt)))
    .toEqual(['11.3 min', '413 g', '2.91', '1.25 kg', '7.2 mm'])
  expect(figureWords(4.26, '°C', fmt)).toBe('4.3 °C')
  expect([besideName('air.fan'), besideName('pH.mix'), besideName('heatMin')])
    .toEqual(['fridge, its air', 'pH of the mix', 'pot, on the heat'])
})
it('every fault has a name', () => {
  for (const f of FAULTS) expect(FAULT_NAMES[f]?.length, f).toBeGreaterThan(2)
})

describe('what may have gone wrong, in words', () => {
  const fmt = useFormat
  it('every cause in both directions, by its line where it has one, never with a hole', () => {
    for (const id of Object.keys(messages.blame.CAUSES)) {
      const [high, low] = (['high', 'low'] as const).map(d => causeWords(`${id}.left`, d, 'Lemon juice'))
      for (const s of [high!, low!, causeWords(id, null, '')]) {
        whole(s)
        expect(s).toMatch(/^[A-Z]/)
      }
      if (!/^(line|reduction|chilled|opened)/.test(id)) expect(high, id).not.toBe(low)
    }
    expect(causeWords('lineForgotten', null, '')).toContain(messages.blame.aLine.slice(1))
  })
  it.each([[0.099, 'less than 1 in 10'], [0.1, 'about 1 in 10'], [0.949, 'about 9 in 10'], [0.95, 'almost surely']])(
    'a share of %d is %s', (share, words) => expect(shareWords(share)).toBe(words))
  it('questions, rescues and changes say their figures with units', () => {
    const params = { hours: 2.5, minutes: 20, targetC: 82, toC: 60, eggG: 36, massG: 4.5, lineId: 'x' }
    for (const code of Object.keys(messages.blame.QUESTIONS)) whole(questionWords({ code, params }, () => 'Sugar'))
    for (const code of Object.keys(messages.blame.NEXT)) whole(nextWords({ code, params }, fmt()))
    for (const code of Object.keys(messages.blame.TONIGHT))
      for (const safety of Object.keys(messages.blame.SAFETY)) {
        const said = rescueWords({ code, params, safety }, fmt())
        whole(said.what)
        expect(said.safety.length).toBeGreaterThan(10)
      }
    expect(rescueWords({ code: 'cookAgain', params, safety: 'asItIs' }, fmt()).what).toContain('82 °C with 36 g')
    expect(rescueWords({ code: 'chillLonger', params, safety: 'asItIs' }, fmt()).what).toContain('2.5 h')
    expect(rescueWords({ code: 'chillLonger', params: { hours: 3 }, safety: 'asItIs' }, fmt()).what).toContain('3 h')
    expect(questionWords({ code: 'askLine', params: {} }, () => '')).toContain(messages.blame.aLine)
  })
})

describe('what a kitchen has learned, in words', () => {
  const kitchen = record()
  const says = (id: string, value: number) => learnedWords({ id, value, spread: 0.05 }, kitchen, useFormat()).says
  it('a factor is a share of what is stated, an offset degrees with its way', () => {
    const ring = kitchen.burners[0]!
    const name = `${ring.name.charAt(0).toUpperCase()}${ring.name.slice(1)}`
    expect(says(`burnerFactor.${ring.id}`, 0.8)).toBe(`${name} gives 80 % of what is stated.`)
    expect(says('probeBiasK', 1.44)).toBe('The thermometer shows 1.4 °C too much.')
    expect(says('probeBiasK', -1.44)).toBe('The thermometer shows 1.4 °C too little.')
    expect(says(`ovenOffsetK.${kitchen.ovens[0]!.id}`, -6)).toContain('6.0 °C colder')
    expect(says(`fridgeAirOffsetK.${kitchen.places[0]!.id}`, 2)).toContain('2.0 °C warmer')
  })
  it('what is not among the kitchen\'s things any more is named by what it is', () => {
    expect(says('burnerFactor.gone', 1.1)).toMatch(/^The ring gives 110 %/)
    expect(says('lossFactor.sieve', 1.3)).toMatch(/^The sieve keeps/)
    expect(says('lossFactor.pan', 1.3)).toMatch(/^The pan keeps/)
  })
  it('every figure says which measurement would tell it', () => {
    for (const kind of Object.keys(messages.learned.SENTENCES)) {
      whole(says(kind, 1.2))
      whole(teachesWords(kind, kitchen))
      expect(teachesWords(kind, kitchen)).toContain(
        messages.learned.MEASURES[kind as keyof typeof messages.learned.MEASURES])
    }
  })
})
