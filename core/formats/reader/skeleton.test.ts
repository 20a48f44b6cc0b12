/** Recipes told without amounts and with corrections: what holds, what is guessed, and that a guess is told as one. */
import { describe, expect, it } from 'vitest'
import { readText } from './read'
import type { Entry } from './reading'
import { guessOf } from './skeleton'

const held = (text: string) => readText(text).lines.filter(l => l.kind === 'ingredient' && !l.leftOut)
  .map(l => l.items.map(i => `${i.ingredientId} ${i.massG}`).join())
const guesses = (text: string) => Object.fromEntries(readText(text).lines
  .flatMap(l => (l.question?.kind === 'amount' ? [[l.items[0]?.ingredientId, guessOf(l.question.suggested)]] : [])))

describe('a correction', () => {
  it('holds in place of what was said of the same; without a name, of the line before', () => {
    expect(held('200 g sugar\n3 eggs\nno, 4 eggs\n150 g lemon juice\nsorry, make that 250 g sugar\n100 g butter\nactually 120 g'))
      .toEqual(['egg 207.2', 'lemon 150', 'sugar 250', 'butter82 120'])
  })
  it('the last of several wins, and is told', () => {
    const lines = readText('200 g sugar\nno, 220 g sugar\nactually 240 g sugar\n3 eggs').lines
    expect(lines.map(l => l.leftOut)).toEqual([true, true, false, false])
    expect(lines[2]!.assumptions.map(a => a.code)).toContain('corrected')
  })
  it('two lines of one thing without such a word both stand; what corrects nothing is a line', () => {
    expect(held('100 g sugar\n3 eggs\n50 g sugar')).toEqual(['sugar 100', 'egg 155.4', 'sugar 50'])
    expect(held('3 eggs\nactually 100 g sugar')).toEqual(['egg 155.4', 'sugar 100'])
  })
})

describe('no amounts', () => {
  const POSSET = '600 g double cream\nsugar\nlemon juice'
  it('on the scale of what is weighed: 600 g of cream take about 145 of sugar and 110 of juice', () => {
    expect(guesses(POSSET)).toEqual({ sugar: 145, lemon: 110 })
  })
  it('nothing weighed: eight portions of 90 g, or the portions that are told', () => {
    const bare = 'Lemon curd\nlemon juice\nsugar\negg yolks\nbutter\nzest'
    const sum = (g: Record<string, number>) => Object.values(g).reduce((s, x) => s + x, 0)
    expect(Math.abs(sum(guesses(bare)) - 8 * 90)).toBeLessThan(15)
    expect(Math.abs(sum(guesses(`Serves 4\n\n${bare}`)) - 4 * 90)).toBeLessThan(15)
  })
  it('a guess is never taken by itself; taken, it is told as a guess; the cook\'s own figure is not', () => {
    const line = (answer: string | number): Entry =>
      readText(POSSET, { answers: { lines: { sugar: answer } } }).lines.find(l => l.text === 'sugar')!
    expect(held(POSSET)).toContain('sugar null')
    expect([line('guess:145').items[0]!.massG, line('guess:145').assumptions.map(a => a.code)]).toEqual([145, ['guessed']])
    expect([line(160).items[0]!.massG, line(160).assumptions.map(a => a.code)]).toEqual([160, ['answered']])
  })
  it('what the kind does not name is not guessed', () => {
    expect(guesses('600 g double cream\nlemon juice\nsalt')).toEqual({ lemon: 110, salt: null })
    expect([guessOf('guess:12.5'), guessOf('meant'), guessOf(12)]).toEqual([12.5, null, null])
  })
})
