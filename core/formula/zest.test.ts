import { describe, expect, it } from 'vitest'
import type { Line, Step } from './document'
import { zestStrained } from './zest'

const line = (id: string, ingredientId: string, massG: number): Line => ({ id, ingredientId, massG, sourceText: '', assumption: '' })
const LINES = [line('juice', 'lemon', 150), line('pot', 'zest', 6), line('late', 'zest', 2)]
const combine: Step = { id: 'a', kind: 'combine', lineIds: ['juice', 'pot'] }
const strain = (id: string): Step => ({ id, kind: 'strain' })
const late: Step = { id: 'z', kind: 'stirIn', lineIds: ['late'], lineTempC: 20, mixTempC: { given: 60 } }

describe('zest and the sieve', () => {
  it('what is in before the sieve is out, what is stirred in after it is eaten: by weight', () => {
    expect(zestStrained({ lines: LINES, steps: [combine, strain('s'), late] })).toBeCloseTo(6 / 8, 12)
    expect(zestStrained({ lines: LINES, steps: [combine, late, strain('s')] })).toBe(1)
    expect(zestStrained({ lines: LINES, steps: [strain('s'), combine, late] })).toBe(0)
  })
  it('the last of several sieves counts; without a sieve, or without zest, nothing is sieved out', () => {
    expect(zestStrained({ lines: LINES, steps: [combine, strain('s'), late, strain('t')] })).toBe(1)
    expect(zestStrained({ lines: LINES, steps: [combine, late] })).toBe(0)
    expect(zestStrained({ lines: [LINES[0]!, line('pot', 'zest', 0)], steps: [combine, strain('s')] })).toBe(0)
  })
})
