import { describe, expect, it } from 'vitest'
import { directionOf } from './direction'

describe('the side a text begins on', () => {
  it.each([
    ['', 'ltr'],
    ['1 · 2', 'ltr'],
    ['200 g sugar', 'ltr'],
    ['סוכר 200 g', 'rtl'],
    ['300 סוכר', 'rtl'],
    ['200 g סוכר', 'ltr'],
    ['٣٠٠ سكر', 'rtl'],
  ] as const)('%s: %s', (text, side) => {
    expect(directionOf(text)).toBe(side)
  })
})
