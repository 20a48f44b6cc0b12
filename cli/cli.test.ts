/** The commands as a cook's script meets them: what they print, and how they end. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { commandLine } from '../tests/support/command'
import older from '#core/checks/older.json'
import { main as assess } from './assess'
import { main as ladder } from './ladder'
import { main as read } from './read'
import { parameterTables, withParameters } from './tables'

const { out, err, file, folder } = commandLine()
const curd = () =>
  JSON.parse(readFileSync(new URL('../docs/examples/curd.json', import.meta.url), 'utf8')) as {
    formula: {
      components: { lines: { massG: number }[], steps: unknown[], process: { heat: { targetTempC: number } } }[]
    }
    occasion: object
  }

describe('assess', () => {
  it('one file gives an object, several an array, in the order asked', () => {
    expect(assess([file('a.json', curd())])).toBe(0)
    const one = JSON.parse(out[0]!) as { pH: number, verdict: string }
    expect(one).toMatchObject({ verdict: 'good', family: 'curd' })
    out.length = 0
    const other = curd()
    other.formula.components[0]!.lines[0]!.massG *= 1.3
    expect(assess([file('a.json', curd()), file('b.json', other)])).toBe(0)
    const two = JSON.parse(out[0]!) as { pH: number, cold: { yieldStressPa: number } }[]
    expect(two[0]!.pH).toBe(one.pH)
    expect(two[1]!.cold.yieldStressPa).toBeGreaterThan(two[0]!.cold.yieldStressPa)
  })
  it('takes a formula of every version, alone or with occasion and kitchen', () => {
    const old = older.files.map((f, i) => file(`old-${i}.json`, f.document))
    expect(assess(old)).toBe(0)
    expect((JSON.parse(out[0]!) as { schemaVersion: number }[]).map(r => r.schemaVersion)).toEqual(old.map(() => 6))
    const { formula, occasion } = curd()
    const at = (altitudeM: number) => file(`${altitudeM}.json`, { formula, kitchen: { altitudeM } })
    out.length = 0
    expect(assess([file('alone.json', formula), at(0), at(2500), ...old.slice(0, 1)])).toBe(0)
    const [alone, sea, high] = JSON.parse(out[0]!) as { timesS: object, pH: number }[]
    expect(alone!.timesS).toEqual(sea!.timesS)
    // A bath boils cooler on a mountain, so it heats longer.
    expect(high!.timesS).not.toEqual(sea!.timesS)
    // The sweet lemons in hand belong to the occasion: without it the juice is a typical one.
    out.length = 0
    expect(assess([file('made.json', { formula, occasion })])).toBe(0)
    expect((JSON.parse(out[0]!) as { pH: number }).pH).toBeLessThan(alone!.pH - 0.02)
    expect(assess([file('wrong.json', { formula, kitchen: { altitudeM: 9e4 } })])).toBe(1)
    expect(err[0]).toContain('[kitchen.altitudeM]')
  })
  it('bad input ends with 1, names file and field, and prints nothing else', () => {
    const bad = curd()
    bad.formula.components[0]!.process.heat.targetTempC = 300
    expect(assess([file('bad.json', bad)])).toBe(1)
    expect(err[0]).toMatch(
      /bad\.json: The target temperature \(heat\.targetTempC\) is too large: at most 105\. \[heat\.targetTempC\]/,
    )
    const empty = curd()
    Object.assign(empty.formula.components[0]!, { lines: [], steps: [] })
    expect(assess([file('empty.json', empty)])).toBe(1)
    expect(err[1]).toContain('components.0.lines')
    expect(assess([file('broken.json', '{')])).toBe(1)
    expect(assess([join(folder(), 'absent.json')])).toBe(1)
    expect(assess([])).toBe(1)
    expect(out).toEqual([])
  })
})

describe('ladder', () => {
  const rows = {
    formulas: [
      {
        name: 'any name',
        massG: { cream36: 600, sugar: 150, lemon: 90 },
        process: { evap: 30 },
        expectedBands: ['spoonable'],
      },
      { name: 'another', massG: { lemon: 100, egg: 100, sugar: 100 }, process: {}, expectedBands: ['rubbery'] },
    ],
  }
  it('--json has exactly the documented shape', () => {
    expect(ladder([file('l.json', rows), '--json'])).toBe(0)
    const r = JSON.parse(out[0]!) as { rows: Record<string, unknown>[], inBand: number, total: number }
    expect(Object.keys(r)).toEqual(['rows', 'inBand', 'total'])
    expect(Object.keys(r.rows[0]!)).toEqual([
      'name',
      'pH',
      'yieldStressPa',
      'tauStarPa',
      'mechanismsPa',
      'band',
      'likeliestBand',
      'bandShares',
      'expectedBands',
      'inBand',
    ])
    expect([r.inBand, r.total]).toEqual([1, 2])
  })
  it('in words it says in or out, and the totals', () => {
    expect(ladder([file('l.json', rows)])).toBe(0)
    expect(out[0]).toContain('in  any name')
    expect(out[0]).toContain('OUT another')
    expect(out[0]).toMatch(/1 of 2 in band by the central value, \d by the largest share\.$/)
  })
  it('an unknown ingredient or option ends with 1 and its field', () => {
    expect(ladder([file('x.json', { formulas: [{ name: 'x', massG: { lemonade: 5 } }] })])).toBe(1)
    expect(err[0]).toContain('formulas.0.massG.lemonade')
    expect(
      ladder([file('y.json', { formulas: [{ name: 'x', massG: { lemon: 5 }, process: { speed: 3 } }] }), '--json']),
    ).toBe(1)
    expect(err[1]).toContain('formulas.0.process.speed')
    expect(ladder([])).toBe(1)
    expect(out).toEqual([])
  })
})

describe('tables', () => {
  const science = readFileSync('docs/science.md', 'utf8')
  it('docs/science.md prints the parameters as they are (npm run tables)', () => {
    expect(withParameters(science)).toBe(science)
    expect(parameterTables()).toContain('| `egg.settingZK` | 5.5 K | ×÷ e^0.1 |')
  })
  it('a document without a place for them is refused', () =>
    expect(() => withParameters('# Nothing')).toThrow(/no place/))
})

describe('read', () => {
  const text = 'Posset\n600 ml double cream\n1 cup caster sugar\njuice of 3 lemons\nBoil the cream and sugar, add the juice, pour into 6 glasses.'
  interface Printed {
    name: string
    lines: { kind: string, question: { shared: string } | null, items: { massG: number | null }[] }[]
  }
  const printed = () => JSON.parse(out[0]!) as Printed
  it('one text gives an object, several an array in their order', () => {
    expect(read([file('a.txt', text)])).toBe(0)
    expect(printed()).toMatchObject({ name: 'Posset', family: 'posset', vessel: { kind: 'glass', count: 6 }, lint: [] })
    expect(printed().lines.map(l => l.kind)).toEqual(['name', 'ingredient', 'ingredient', 'ingredient', 'step'])
    out.length = 0
    expect(read([file('a.txt', text), file('b.txt', '3 eggs')])).toBe(0)
    expect((JSON.parse(out[0]!) as Printed[]).map(r => r.name)).toEqual(['Posset', null])
  })
  it('answers by shared key, by number and by text', () => {
    expect(read([file('a.txt', text)])).toBe(0)
    expect(printed().lines[2]!.question!.shared).toBe('cups')
    for (const [answers, massG] of [[{ cups: 'us' }, 203.5], [{ 2: 190 }, 190], [{ '1 cup caster sugar': 200 }, 200]] as const) {
      out.length = 0
      expect(read([file('a.txt', text), '--answers', file('answers.json', answers)])).toBe(0)
      expect(printed().lines[2]!.items[0]!.massG).toBeCloseTo(massG, 0)
    }
    out.length = 0
    expect(read([file('a.txt', text), '--answers', file('answers.json', { leftOut: [1] })])).toBe(0)
    expect(printed().lines[1]!.kind).toBe('setAside')
    out.length = 0
    const twice = file('twice.json', { '2 oz cream': ['cream36', 'weight'] })
    expect(read([file('b.txt', '2 oz cream'), '--answers', twice])).toBe(0)
    expect(printed().lines[0]!.items[0]!.massG).toBeCloseTo(56.7, 1)
  })
  it('says what is wrong with what it was given', () => {
    expect(read([])).toBe(1)
    expect(read([join(folder(), 'absent.txt')])).toBe(1)
    expect(read([file('a.txt', text), '--answers'])).toBe(1)
    expect(read([file('a.txt', text), '--answers', file('bad.json', '[')])).toBe(1)
    expect(read([file('a.txt', text), '--answers', file('list.json', [])])).toBe(1)
    expect(read([file('long.txt', '1 g x\n'.repeat(3001))])).toBe(1)
    expect(err.join('\n')).toMatch(/Usage[\s\S]*no such file[\s\S]*Usage[\s\S]*cannot be read as answers[\s\S]*no object[\s\S]*up to 3000/)
    expect(out).toEqual([])
  })
})
