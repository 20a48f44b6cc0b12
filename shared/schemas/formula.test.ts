import { readFileSync } from 'node:fs'
import Ajv from 'ajv'
import { describe, expect, it } from 'vitest'
import { formula, kitchen, YOLK_CURD } from '../../tests/support/core'
import { fillingOf, type FormulaDocument } from '#core/formula/document'
import { readDocument } from './formula'
import { demoFormulas } from '../../server/database/demo'

const validate = new Ajv({ strict: false, allErrors: false }).compile(
  JSON.parse(readFileSync(new URL('../../docs/formula.schema.json', import.meta.url), 'utf8')),
)
const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T

describe('a document that is whole', () => {
  it('passes both the wire\'s check and the published JSON Schema, and comes back as it was', () => {
    const docs = [
      formula(),
      formula(YOLK_CURD, (d) => {
        fillingOf(d).lines[2]!.strength = { kind: 'measured', acidPercent: 5.1, pH: 2.4 }
        d.heat.course = { given: { rampKPerMin: 3, peakTempC: 80, holdS: 30 } }
      }),
      ...demoFormulas().map(d => d.document),
    ]
    for (const doc of docs) {
      expect(validate(plain(doc)), JSON.stringify(validate.errors)).toBe(true)
      expect(readDocument(plain(doc), kitchen)).toEqual({ ok: true, doc: plain(doc) })
    }
  })
  it('an empty draft is a draft, not an error', () => {
    expect(
      readDocument(
        plain(
          formula(YOLK_CURD, (d) => {
            fillingOf(d).lines = []
            fillingOf(d).steps = []
          }),
        ),
        kitchen,
      ).ok,
    ).toBe(true)
  })
})

describe('what cannot be taken names its field, in both', () => {
  type Edit = (d: FormulaDocument & Record<string, unknown>) => void
  const cases: [string, Edit, string, boolean][] = [
    [
      'another format',
      (d) => {
        ;(d as Record<string, unknown>).format = 'recipe'
      },
      'format',
      true,
    ],
    [
      'a newer version',
      (d) => {
        ;(d as Record<string, unknown>).version = 99
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
      (d) => {
        d.secret = 1
      },
      '',
      true,
    ],
    [
      'a missing part',
      (d) => {
        delete (d as Partial<FormulaDocument>).chill
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
      'two fillings',
      (d) => {
        d.components.push({ ...plain(fillingOf(d)), id: 'again' })
      },
      'components',
      false,
    ],
  ]
  it.each(cases)('%s', (_, edit, path, inSchema) => {
    const doc = plain(formula()) as FormulaDocument & Record<string, unknown>
    edit(doc)
    const result = readDocument(doc, kitchen)
    expect(result.ok).toBe(false)
    if (!result.ok && path) expect(result.problem.path).toBe(path)
    if (inSchema) expect(validate(doc)).toBe(false)
  })
  it.each([null, 7, 'text', [], {}])('%j is not a formula', (input) => {
    expect(readDocument(input, kitchen)).toMatchObject({ ok: false, problem: { path: 'format' } })
  })
  it('a version 1 document is migrated on the way in', () => {
    const {
      use,
      heat: { holdS, ...heat },
      ...rest
    } = formula()
    const old = {
      ...rest,
      version: 1,
      use: use.kind,
      pieceHeightM: use.pieceHeightM,
      pieceWidthM: use.pieceWidthM,
      tableTempC: use.tableTempC,
      tableTimeS: use.tableTimeS,
      heat: { ...heat, holdMin: holdS / 60 },
    }
    expect(readDocument(plain(old), kitchen)).toEqual({ ok: true, doc: plain(formula()) })
  })
  it('a version 2 document gains an oven it does not use and a set of which everything follows', () => {
    const {
      set: _,
      heat: { until: __, oven: ___, ...heat },
      ...rest
    } = formula()
    expect(readDocument(plain({ ...rest, heat, version: 2 }), kitchen)).toEqual({ ok: true, doc: plain(formula()) })
  })
  it('a way of making of another kind of dessert is refused', () => {
    expect(readDocument({ ...plain(formula()), school: 'reduced' }, kitchen)).toMatchObject({
      ok: false,
      problem: { path: 'school', code: 'otherFamily' },
    })
  })
})
