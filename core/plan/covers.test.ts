/** A formula for so many people: its vessels, its portions, its grams. */
import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../tests/support/core'
import { twoFillings } from '../../tests/support/desserts'
import { benchOf, fillingOf } from '../formula/bench'
import { assess } from '../pipeline/assess'
import { placed } from '../pipeline/stack'
import { forCovers } from './covers'

const glasses = () => formula({ cream48: 600, sugar: 150, lemon: 90 }, undefined, { school: 'reduced', use: 'glass' })
const grams = (b: ReturnType<typeof glasses>) => fillingOf(b).lines.reduce((s, l) => s + l.massG, 0)

describe('for so many people', () => {
  it('nobody said: as it is written', () => {
    const b = glasses()
    expect(forCovers(b, kitchen, null)).toBe(b)
  })
  it('as many glasses and portions, each as full as before', () => {
    const b = glasses()
    const many = forCovers(b, kitchen, 64)
    expect([many.assembly.portions, many.assembly.count]).toEqual([64, 64])
    const each = (x: typeof b) => assess(x, kitchen).shape.portionG
    // What stays in the pan stays once, and more boils away of more: a portion within a twentieth.
    expect(each(many) / each(b)).toBeGreaterThan(0.95)
    expect(each(many) / each(b)).toBeLessThan(1.05)
    expect(grams(many) / grams(b)).toBeLessThan(64 / b.assembly.portions + 1e-9)
  })
  it('the same people, the same grams to the tenth', () => {
    const b = glasses()
    const same = forCovers(b, kitchen, b.assembly.portions)
    expect(grams(same)).toBeCloseTo(grams(b), 0)
  })
  it('a dessert of two fillings grows in both', () => {
    const b = benchOf(twoFillings().planned)
    const twice = forCovers(b, kitchen, 2 * b.assembly.portions)
    const of = (x: typeof b, id: string) => x.components.find(c => c.id === id)!.lines.reduce((s, l) => s + l.massG, 0)
    const by = b.components.filter(c => c.process || c.id === b.componentId).map(c => of(twice, c.id) / of(b, c.id))
    expect(by[0]).toBeCloseTo(by[1]!, 2)
    expect(by[0]!).toBeGreaterThan(1.9)
    expect(twice.assembly.count).toBe(2 * b.assembly.count)
    expect(() => placed(twice, kitchen)).not.toThrow()
  })
})
