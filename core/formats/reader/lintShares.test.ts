import { describe, expect, it } from 'vitest'
import { lintOf, takeFix } from './lint'
import { readWhole } from './read'

const found = (text: string) => lintOf(readWhole(text)).filter(l => l.code === 'shareWrong')
const told = (text: string) => found(text).map(l => `${l.lines} ${l.params.said} ${l.params.is} ${l.params.of}`)

describe('a share claimed beside grams', () => {
  const REST = 'lemon juice 150 g (25 %)\ndouble cream 48 % 300 g (50 %)\nyolks 30 g (5 %)'
  it('of the whole is what the grams make it: a rounded one passes, one beyond rounding is told', () => {
    expect(told(`sugar 120 g (20 %)\n${REST}`)).toEqual([])
    // 120 of 600 g: .6 points are rounding, .7 are not.
    expect(told(`sugar 120 g (20.6 %)\n${REST}`)).toEqual([])
    expect(told(`sugar 120 g (19.3 %)\n${REST}`)).toEqual(['0 19.3 20 whole'])
    expect(told(`sugar 120 g (24 %)\n${REST}`)).toEqual(['0 24 20 whole'])
  })
  it('may be of one line, as bakers count, or of cream and sugar', () => {
    expect(told('double cream 500 g 100 %\nsugar 150 g 30 %\nlemon juice 100 g 20 %')).toEqual([])
    expect(told('double cream 500 g 100 %\nsugar 150 g 30 %\nlemon juice 100 g 25 %')).toEqual(['2 25 20 cream48'])
    expect(told('400 g double cream\n100 g sugar\n75 g lemon juice, 15 %')).toEqual([])
    // 75 g is 13 % of all, 15 % of cream and sugar, 18.8 % of the cream.
    expect(told('400 g double cream\n100 g sugar\n75 g lemon juice, 10 %')).toEqual(['2 10 13 whole'])
  })
  it('is of what it names', () => {
    const text = (said: string) => `300 g double cream\n60 g lemon juice (${said})\n90 g sugar`
    expect(told(text('20 % of the cream'))).toEqual([])
    expect(told(text('15 % of the cream'))).toEqual(['1 15 20 cream48'])
    expect(told(text('15.4 % of the cream and sugar'))).toEqual([])
    expect(told(text('20 % of the cream and sugar'))).toEqual(['1 20 15.4 named'])
  })
  it('is no fat, cocoa, acid or less of something', () => {
    for (const text of ['300 g cream 36 %\n90 g sugar', '200 g dark chocolate 70 %\n300 g cream 30 %',
      '60 g lemon juice (5 % acid)\n300 g double cream\n90 g sugar, 20 % less'])
      expect(told(text)).toEqual([])
  })
  it('says nothing while a weight is open', () => {
    expect(found('300 g double cream\nlemon juice (25 %)\n90 g sugar (5 %)')).toEqual([])
  })
  it('is put right by its fix', () => {
    const text = `sugar 120 g (24 %)\n${REST}`
    const fixed = takeFix(text, {}, found(text)[0]!.fixes[0]!).text
    expect(fixed).toBe(`sugar 120 g (20 %)\n${REST}`)
    expect(found(fixed)).toEqual([])
  })
})
