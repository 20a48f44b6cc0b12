/**
 * What docs/architecture.md says of adding a juice, an ingredient, a way of making and a kind of dessert, done once:
 * rows
 * are put into the tables, and nothing else is changed. Everything is loaded after that, as a new build would.
 */
import { beforeAll, describe, expect, it, vi } from 'vitest'
import type { Ingredient } from '../base/ingredients/types'
import { FAMILY_FACTS, type FamilyFacts } from './families'
import { SCHOOL_FACTS, type SchoolFacts } from './schools'
import type { Family, School } from './document'

const { rows } = vi.hoisted(() => {
  const sudachi: Ingredient = {
    id: 'sudachi', group: 'juice', standsFor: ['juice'],
    traits: ['lightSkin', 'bitterPeel'], aliases: ['sudachi juice'],
    per100g: { water: 90.5, sucrose: 0.5, monosaccharides: 1.5, fat: 0.1, otherProtein: 0.4, fibre: 0.2, ash: 0.4 },
    acid: { kind: 'citric', low: 4.5, typical: 5.5, high: 6.5 }, pHNative: 2.4, potassiumMg: 140, source: 'invented',
    confidence: 'L',
  }
  const tapioca: Ingredient = {
    id: 'tapioca', group: 'setter', standsFor: ['setter'],
    traits: ['starch'], aliases: ['tapioca starch'], per100g: { water: 11, starch: 88, ash: 0.1 }, pHNative: 6,
    potassiumMg: 11, source: 'invented', confidence: 'L',
  }
  return { rows: [sudachi, tapioca] }
})
vi.mock('../base/ingredients/table', async (original) => {
  const { INGREDIENTS } = await original<{ INGREDIENTS: readonly Ingredient[] }>()
  return { INGREDIENTS: [...INGREDIENTS, ...rows] }
})

const slow = 'slowBath' as School
const jar = 'jar' as Family

beforeAll(() => {
  const schools = SCHOOL_FACTS as Record<School, SchoolFacts>
  const families = FAMILY_FACTS as Record<Family, FamilyFacts>
  const { yolkBath } = schools
  schools[slow] = { ...yolkBath, id: slow, family: jar, heat: { ...yolkBath.heat, targetTempC: 78, holdS: 480 } }
  families[jar] = { ...families.curd, id: jar, schools: [slow], sourCentre: 3, levers: ['egg'], acidProtects: false }
})
/** A curd of four lines, by their ingredients. */
async function curd(juice: string, school: School, extra: Record<string, number> = {}, yolkG = 150) {
  const { createFormula, defaultUse, line } = await import('./create')
  const { counter, kitchen } = await import('../../tests/support/core')
  const id = counter()
  const grams = { yolk_sep: yolkG, sugar: 170, [juice]: 190, butter82: 120, ...extra }
  const lines = Object.entries(grams).map(([i, g]) => line(id(), i, g))
  return { doc: createFormula({ name: 'x', school, use: defaultUse('cut'), lines }, kitchen, id), kitchen }
}

/** What is offered for a tart of this juice, over yolks from too few to enough. */
async function offers(juice: string, extra?: Record<string, number>): Promise<Set<string>> {
  const { adjustments } = await import('../solve/adjust')
  const { assess } = await import('../pipeline/assess')
  const found = new Set<string>()
  for (let yolkG = 120; yolkG <= 240; yolkG += 20) {
    const { doc, kitchen } = await curd(juice, 'yolkBath', extra, yolkG)
    const search = adjustments(doc, kitchen, assess(doc, kitchen))
    let step = search.next()
    while (!step.done) step = search.next()
    step.value.forEach(x => found.add(x.kind))
  }
  return found
}

describe('a new juice', () => {
  it('is swapped to and from, and judged by its traits', async () => {
    const { swapsFor } = await import('../solve/swap')
    const { assess } = await import('../pipeline/assess')
    expect(swapsFor('lemon')).toEqual(expect.arrayContaining(['sudachi', 'mango', 'raspberry']))
    expect(swapsFor('sudachi')).toContain('lemon')
    const { doc, kitchen } = await curd('sudachi', 'yolkBath')
    const a = assess(doc, kitchen)
    expect(a.balance.pH.value).toBeLessThan(3.6)
    expect(a.findings.map(f => f.code)).toContain('lightSkin')
  })
  it.each([['lemon'], ['sudachi'], ['raspberry'], ['mango']])('%s: less of it is offered', async (juice) => {
    expect(await offers(juice, ['lemon', 'sudachi'].includes(juice) ? {} : { citric: 6, sugar: 120 })).toContain('lessJuice')
  })
})

describe('a new setter', () => {
  it('sets as starch does, and stands for the others', async () => {
    const { swapsFor } = await import('../solve/swap')
    const { work } = await import('../pipeline/assess')
    expect(swapsFor('cornflour')).toContain('tapioca')
    const { doc, kitchen } = await curd('lemon', 'yolkBath', { tapioca: 25 })
    expect(work(doc, kitchen).heated.body.starchC).toBeGreaterThan(3)
  })
})

describe('a new kind with a way of making of its own', () => {
  it('is created, heated and judged by its own data', async () => {
    const { assess } = await import('../pipeline/assess')
    const { doc, kitchen } = await curd('lemon', slow)
    expect([doc.family, doc.heat.targetTempC, doc.heat.holdS]).toEqual([jar, 78, 480])
    const a = assess(doc, kitchen)
    expect(a.balance.taste.centre).toBe(3)
    expect(a.verdict.cold.mechanismsPa.eggPa).toBeGreaterThan(0)
    // Its acid is not said to protect it, so a weak one is not told of.
    const weak = await curd('orange', slow)
    expect(assess(weak.doc, kitchen).findings.map(f => f.code)).not.toContain('lowAcid')
    const asCurd = await curd('orange', 'yolkBath')
    expect(assess(asCurd.doc, kitchen).findings.map(f => f.code)).toContain('lowAcid')
  })
})
