import { expect, it } from 'vitest'
import { unbroken } from './unbroken'

it('a figure stays with its unit, and minutes with their hours; words keep their blanks', () => {
  expect(unbroken('Cuts at 25 mm and holds 1 h 15 on the table.')).toBe('Cuts at 25\u00a0mm and holds 1\u00a0h\u00a015 on the table.')
  expect(unbroken('3 °C, 1,186 g, 12 % and 4 days')).toBe('3\u00a0°C, 1,186\u00a0g, 12\u00a0% and 4\u00a0days')
  // No units: glasses, guests, 12 min is one but 12 minutes is a word; a gram is no garden.
  for (const plain of ['6 glasses', '4 guests', '3 limes', 'at 7 set it', '2 garden herbs']) expect(unbroken(plain)).toBe(plain)
})
