import { describe, expect, it } from 'vitest'
import { meantBy, stepsIn, wantedIn } from './pasted'

describe('what is wanted, as it is written', () => {
  it.each([
    ['lemon tart 24 by 14:30, posset 64 at 19:00', [['lemon tart', 24, '14:30'], ['posset', 64, '19:00']]],
    ['64 possets at 7pm', [['possets', 64, '19:00']]],
    ['lime pie x 3 for 2.30 pm\nbars: 40 by noon', [['lime pie', 3, '14:30'], ['bars', 40, '12:00']]],
    ['curd 12, bars 20 by 9:15', [['curd', 12, '09:15'], ['bars', 20, '09:15']]],
    ['lemon tart 24 by half past two', [['lemon tart', 24, '14:30']]],
    ['8 lemon tarts and 30 bars at 16:00', [['lemon tarts', 8, '16:00'], ['bars', 30, '16:00']]],
    ['trifle at 5', [['trifle', null, '17:00']]],
    ['scone curd', [['scone curd', null, null]]],
    ['', []],
  ] as const)('%s', (text, wanted) => {
    expect(wantedIn(text).map(w => [w.name, w.count, w.serveAt])).toEqual(wanted)
  })
  it('a time that cannot be is none', () => {
    expect(wantedIn('tart 6 at 27:00')[0]!.serveAt).toBeNull()
  })
  it('is found on the shelf by its words, not by chance', () => {
    const shelf = ['Lemon tart for the palm court', 'Bitter orange curd in glasses', 'Vine-house posset']
    expect([meantBy('lemon tarts', shelf), meantBy('possets', shelf), meantBy('orange curd', shelf)]).toEqual([0, 2, 1])
    expect(meantBy('pavlova', shelf)).toBeNull()
    expect(meantBy('', shelf)).toBeNull()
  })
})

describe('steps in a line', () => {
  const read = (text: string) =>
    stepsIn(text).map(s => [s.name, s.minutes, s.attended, s.uses!.map(u => u.kind).join()])
  it.each([
    ['weigh 10, boil on the ring 12 min, chill in the fridge 3 h, portion 1 h 30',
      [['weigh', 10, true, ''], ['boil', 12, true, 'ring'], ['chill', 180, false, 'fridge'], ['portion', 90, true, '']]],
    ['temper 10; whip in the mixer 5; press the crumb 8 alone',
      [['temper', 10, false, ''], ['whip', 5, true, 'mixer'], ['press the crumb', 8, false, '']]],
    ['think', []],
    ['', []],
  ] as const)('%s', (text, steps) => {
    expect(read(text)).toEqual(steps)
  })
  it('an oven has its degrees, and its door stays shut where that is said', () => {
    const [bake, dry] = stepsIn('bake in the oven 150 C 25 min, dry in the oven 93 °C 90 min, door shut')
    expect(bake!.uses).toEqual([{ kind: 'oven', amount: 1, tempC: 150, closed: false }])
    expect(dry).toMatchObject({ name: 'dry', minutes: 90, attended: false, uses: [{ tempC: 93, closed: true }] })
  })
  it('two of a name are two steps', () => {
    expect(new Set(stepsIn('rest 10, rest 10').map(s => s.id)).size).toBe(2)
  })
})
