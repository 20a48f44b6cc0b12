/** What runs in threads, here in the test's own: a posted text as read, and every refusal by its field. */
import { describe, expect, it } from 'vitest'
import { readBody } from './tasks'

const bytes = (body: unknown) => new TextEncoder().encode(typeof body === 'string' ? body : JSON.stringify(body))
const post = (body: unknown, cups: 'us' | null = null) => readBody({ body: bytes(body), house: { cups } })

describe('POST /api/read', () => {
  it('reads by the kitchen\'s cups, and by the answers given', () => {
    const grams = (answer: ReturnType<typeof post>) =>
      'text' in answer ? (JSON.parse(answer.text) as { lines: { items: { massG: number | null }[] }[] }).lines[0]!.items[0]!.massG : NaN
    const text = '1 cup caster sugar'
    expect(grams(post({ text }))).toBeNull()
    expect(grams(post({ text }, 'us'))).toBeCloseTo(203.5, 1)
    expect(grams(post({ text, answers: { cups: 'metric' } }))).toBe(215)
    expect(grams(post({ text, answers: { 0: 180 } }))).toBe(180)
    const house = { cups: null, ownCanG: { condensed: 305 } }
    expect(grams(readBody({ body: bytes({ text: '2 cans condensed milk' }), house }))).toBe(610)
  })
  it.each<[string, unknown, number, string, string]>([
    ['no JSON', '{', 400, '', 'notJson'],
    ['a list', [], 422, '', 'typeError'],
    ['no text', {}, 422, 'text', 'missing'],
    ['a text that is none', { text: 3 }, 422, 'text', 'typeError'],
    ['NUL', { text: 'a\u0000' }, 422, 'text', 'badText'],
    ['too long', { text: 'x\n'.repeat(4000) }, 422, 'text', 'tooLong'],
    ['answers that are none', { text: 'x', answers: 'y' }, 422, 'answers', 'typeError'],
    ['a key nobody knows', { text: 'x', extra: 1 }, 422, '', 'noUnknown'],
    ['a deep answer', { text: 'x', answers: JSON.parse('['.repeat(30) + ']'.repeat(30)) as unknown }, 422, expect.any(String) as string, 'tooDeep'],
  ])('%s is refused', (_, body, status, path, code) => {
    expect(post(body)).toMatchObject({ status, problem: { path, code } })
  })
})
