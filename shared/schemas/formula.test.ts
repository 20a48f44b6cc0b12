import { readFileSync } from 'node:fs'
import Ajv from 'ajv'
import { describe, expect, it } from 'vitest'
import { formula, kitchen, YOLK_CURD } from '../../tests/support/core'
import older from '#core/checks/older.json'
import { type Bench, benchOf, fillingOf, type Planned, putBack } from '#core/formula/bench'
import {
  BUILT, COATS, COMPONENT_ROLES, FAMILIES, FINISH_KINDS, PART_KINDS, SCHEMA_VERSION, SCHOOLS,
} from '#core/formula/document'
import { ZEST_CUTS } from '#core/physics/matter/aroma'
import { GRAINS } from '#core/physics/matter/dissolving'
import { PEAKS } from '#core/physics/set/whipping'
import { plainOccasion } from '#core/formula/occasion'
import { readDocument } from './formula'
import { demoFormulas } from '../../server/database/demo'

const published = (name: string) =>
  new Ajv({ strict: false, allErrors: false }).compile(
    JSON.parse(readFileSync(new URL(`../../docs/${name}.schema.json`, import.meta.url), 'utf8')),
  )
const validate = published('formula')
const validateOccasion = published('occasion')
const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T
const planned = (edit?: (d: Bench) => void) => plain(putBack(formula(YOLK_CURD, edit)))

/** Every field that may be left out, said. */
function saysEverything(d: Bench): void {
  const filling = fillingOf(d)
  const [first, second, third, fourth] = filling.lines
  Object.assign(first!, { pinned: true, finish: 'dust', piece: { kind: 'yolk', eachG: 17 } })
  Object.assign(second!, { grain: 'caster' })
  Object.assign(third!, { strength: { kind: 'lot', lotId: 'L', name: 'cups', frozenG: 250, brix: 8, fatPercent: 1, acidLnSigma: 0.1 } })
  Object.assign(fourth!, { zest: { of: 'lemon', cut: 'strips', rubbed: true, deep: false } })
  filling.steps.push({
    id: 'fold', kind: 'foldIn', lineIds: [fourth!.id], lineTempC: 5, mixTempC: { given: 20 }, overrun: 0.5, peak: 'soft', byHand: true,
  })
  Object.assign(d.assembly, { coat: 'paper', looseBase: true, built: 'roll' })
  Object.assign(d.heat, { burstS: 20, pouchM: 0.02, stirEveryS: 60 })
  Object.assign(d.heat.oven, { steam: 0.3, atOnce: 2 })
  d.set.whisked = { seconds: 240, byHand: true }
  d.serve.ownS = { heat: 600, steep: 300, rest: 60, strain: 60, portion: 60, temper: 60 }
  const make = { kind: 'blindShell' as const, ratio: 1, sealed: true, restS: 600, bakedS: 1200, unweighted: true, withAcid: true }
  const from = { formulaId: 'f', version: 2, componentId: 'c' }
  d.components.push({ id: 'shell', role: 'crust', name: 'Shell', lines: [], steps: [], make, from })
}

describe('the published schema of a formula', () => {
  const text = readFileSync(new URL('../../docs/formula.schema.json', import.meta.url), 'utf8')
  const enums: string[][] = []
  JSON.parse(text, (key, value) => {
    if (key === 'enum') enums.push(value)
    return value
  })
  it.each([
    ['ways of making', SCHOOLS], ['families', FAMILIES], ['kinds of part', PART_KINDS], ['roles', COMPONENT_ROLES],
    ['what goes onto a portion', FINISH_KINDS], ['coats', COATS], ['ways of building', BUILT], ['cuts of zest', ZEST_CUTS],
    ['grains', GRAINS], ['peaks', PEAKS],
  ] as const)('names all %s', (_, list) => {
    const own = enums.filter(e => e.includes(list[0]))
    expect(own.length).toBeGreaterThan(0)
    for (const e of own) expect([...e].sort()).toEqual([...list].sort())
  })
})

describe('a document that is whole', () => {
  it('passes both the wire\'s check and the published JSON Schemas, and comes back as it was', () => {
    const docs = [
      planned(),
      planned((d) => {
        fillingOf(d).lines[2]!.strength = { kind: 'measured', acidPercent: 5.1, pH: 2.4 }
        fillingOf(d).lines[1]!.strength = { kind: 'lot', lotId: 'L', name: 'crate', acidPercent: 5 }
        d.heat.course = { given: { rampKPerMin: 3, peakTempC: 80, holdS: 30 } }
      }),
      planned(saysEverything),
      ...demoFormulas().map(d => plain(d.document)),
    ]
    for (const doc of docs) {
      expect(validate(doc.formula), JSON.stringify(validate.errors)).toBe(true)
      expect(validateOccasion(doc.occasion), JSON.stringify(validateOccasion.errors)).toBe(true)
      expect(readDocument(doc, kitchen)).toEqual({ ok: true, doc: { ...doc, kitchen: null } })
    }
  })
  it('a formula alone says no occasion; one that says little of its occasion has the rest plain', () => {
    const { formula } = planned()
    expect(readDocument(formula, kitchen)).toEqual({ ok: true, doc: { formula, occasion: null, kitchen: null } })
    const occasion = { startAt: '2026-11-28T10:00' }
    expect(readDocument({ formula, occasion }, kitchen)).toMatchObject({
      doc: { occasion: { ...plainOccasion(), ...occasion } },
    })
  })
  it('a kitchen comes along, and counts', () => {
    const read = readDocument({ ...planned(), kitchen: { altitudeM: 1600, foodCode: 'uk' } })
    expect(read).toMatchObject({ ok: true, doc: { kitchen: { altitudeM: 1600, foodCode: 'uk', roomTempC: 20 } } })
    for (const [wrong, path] of [
      [{ kitchen: { altitudeM: 99_000 } }, 'kitchen.altitudeM'],
      [{ kitchen: { places: [{ id: 'p' }] } }, 'kitchen.places.0'],
      [{ occasion: { startAt: 'soon' } }, 'serve.startAt'],
      [{ occasion: { have: [{ lineId: 'a', massG: -1 }] } }, 'stock.have.0.massG'],
      [{ occasion: { guests: 3 } }, 'occasion'],
      [{ day: 1 }, 'day'],
    ] as const) {
      const read = readDocument({ ...planned(), ...wrong })
      expect(read.ok || read.problem.path).toContain(path)
    }
  })
  it('an empty draft is a draft, not an error', () => {
    const empty = planned((d) => {
      fillingOf(d).lines = []
      fillingOf(d).steps = []
    })
    expect(readDocument(empty, kitchen).ok).toBe(true)
  })
})

describe('what cannot be taken names its field, in both', () => {
  type Loose = Record<string, unknown>
  type Edit = (d: Bench, whole: Planned['formula'] & Loose) => void
  const cases: [string, Edit, string, boolean][] = [
    [
      'another format',
      (_, whole) => {
        ;(whole as Loose).format = 'recipe'
      },
      'format',
      true,
    ],
    [
      'a newer version',
      (_, whole) => {
        ;(whole as Loose).version = 99
      },
      'version',
      true,
    ],
    [
      'mass as text',
      (d) => {
        ;(fillingOf(d).lines[0] as unknown as Record<string, unknown>).massG = '100'
      },
      'components.0.lines.0.massG',
      true,
    ],
    [
      'a negative mass',
      (d) => {
        fillingOf(d).lines[0]!.massG = -5
      },
      'components.0.lines.0.massG',
      true,
    ],
    [
      'an unknown use',
      (d) => {
        ;(d.use as unknown as Record<string, unknown>).kind = 'thrown'
      },
      'use.kind',
      true,
    ],
    [
      'no name',
      (d) => {
        d.name = ''
      },
      'name',
      true,
    ],
    [
      'a field too many',
      (_, whole) => {
        whole.secret = 1
      },
      '',
      true,
    ],
    [
      'a missing part',
      (_, whole) => {
        delete (whole as Partial<Planned['formula']>).chill
      },
      'chill',
      true,
    ],
    [
      'an impossible target',
      (d) => {
        d.heat.targetTempC = 400
      },
      'heat.targetTempC',
      true,
    ],
    [
      'a piece as high as a house',
      (d) => {
        d.use.pieceHeightM = 9
      },
      'use.pieceHeightM',
      true,
    ],
    [
      'half a portion',
      (d) => {
        d.assembly.portions = 2.5
      },
      'assembly.portions',
      true,
    ],
    [
      'neither simulated nor given',
      (d) => {
        ;(d.heat as unknown as Record<string, unknown>).course = {}
      },
      'heat.course.simulated',
      true,
    ],
    [
      'an unknown ingredient',
      (d) => {
        fillingOf(d).lines[1]!.ingredientId = 'stardust'
      },
      'components.0.lines.1.ingredientId',
      false,
    ],
    [
      'a step naming no line',
      (d) => {
        ;(fillingOf(d).steps[0] as { lineIds: string[] }).lineIds.push('ghost')
      },
      'components.0.steps.0.lineIds.3',
      false,
    ],
    [
      'two lines of one id',
      (d) => {
        fillingOf(d).lines[1]!.id = fillingOf(d).lines[0]!.id
      },
      '',
      false,
    ],
    [
      'nothing that is made',
      (_, whole) => {
        for (const c of whole.components) delete c.process
      },
      'components',
      true,
    ],
    [
      'a line twice, in two components',
      (_, whole) => {
        whole.components.push({ ...plain(whole.components[0]!), id: 'again' })
      },
      'components.0.lines.0.id',
      false,
    ],
    [
      'two components of one id',
      (_, whole) => {
        whole.components.push({ id: whole.components[0]!.id, role: 'sauce', name: '', lines: [], steps: [] })
      },
      'components.1.id',
      false,
    ],
    [
      'a layer of nothing',
      (_, whole) => {
        whole.assembly.layers[0]!.componentId = 'ghost'
      },
      'assembly.layers.0.componentId',
      false,
    ],
    [
      'a poured layer that says how thick it is',
      (_, whole) => {
        whole.assembly.layers[0]!.thicknessM = { given: 0.02 }
      },
      'assembly.layers.0.thicknessM',
      false,
    ],
    [
      'a lot in the formula',
      (_, whole) => {
        whole.components[0]!.lines[0]!.strength = { kind: 'lot', lotId: 'L', name: 'crate' }
      },
      'components.0.lines.0.strength',
      true,
    ],
  ]
  it.each(cases)('%s', (_, edit, path, inSchema) => {
    const bench = benchOf(planned())
    const whole = plain(putBack(bench)).formula as Planned['formula'] & Loose
    // The edit of one of the two; what it did not touch of the other is taken from it.
    edit(bench, whole)
    const untouched = plain(putBack(benchOf(planned()))).formula
    const sent = JSON.stringify(whole) === JSON.stringify(untouched) ? plain(putBack(bench)).formula : whole
    const result = readDocument(sent, kitchen)
    expect(result.ok).toBe(false)
    if (!result.ok && path) expect(result.problem.path).toBe(path)
    if (inSchema) expect(validate(sent)).toBe(false)
  })
  it.each([null, 7, 'text', [], {}])('%j is not a formula', (input) => {
    expect(readDocument(input, kitchen)).toMatchObject({ ok: false, problem: { path: 'format' } })
  })
  it.each(older.files.map(f => [f.version, f.name, f.document] as const))(
    'version %i, %s: migrated on the way in, with its occasion',
    (_, name, document) => {
      const read = readDocument(plain(document), kitchen)
      if (!read.ok) throw new Error(JSON.stringify(read.problem))
      const { formula, occasion } = read.doc
      expect([formula.version, formula.name, occasion!.startAt]).toEqual([SCHEMA_VERSION, name, document.serve.startAt])
      expect(validate(plain(formula)), JSON.stringify(validate.errors)).toBe(true)
      expect(validateOccasion(plain(occasion)), JSON.stringify(validateOccasion.errors)).toBe(true)
      // Every gram is where it was.
      const grams = (cs: { lines: { id: string, massG: number }[] }[]) =>
        cs.map(c => c.lines.map(l => [l.id, l.massG]))
      expect(grams(formula.components)).toEqual(grams(document.components))
    },
  )
  it('stock, covers, start and lots leave the formula for the occasion', () => {
    const old = older.files.find(f => f.name === 'A tart with all of its occasion')!.document
    const read = readDocument(plain(old), kitchen)
    if (!read.ok) throw new Error(JSON.stringify(read.problem))
    expect(read.doc.occasion).toMatchObject({ ...old.stock, startAt: old.serve.startAt })
    expect(read.doc.occasion!.lots).toEqual(
      old.components.flatMap(c => c.lines)
        .flatMap(l => ('strength' in l && 'lotId' in (l.strength as object) ? [{ lineId: l.id, strength: l.strength }] : [])),
    )
    expect(read.doc.occasion!.lots).toHaveLength(1)
    expect(JSON.stringify(read.doc.formula)).not.toContain('lot-1')
    expect(read.doc.formula.assembly.layers.map(l => [l.form, l.thicknessM])).toEqual([
      ['shell', { given: old.assembly.crustM }],
      ['fill', { simulated: true }],
      ['top', { given: old.assembly.toppingM }],
    ])
  })
  it('a way of making of another kind of dessert is refused', () => {
    expect(readDocument(planned(d => void (d.school = 'reduced')), kitchen)).toMatchObject({
      ok: false,
      problem: { path: 'school', code: 'otherFamily' },
    })
  })
})
