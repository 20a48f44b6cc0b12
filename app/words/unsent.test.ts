import { beforeEach, describe, expect, it } from 'vitest'
import { merge } from '../../shared/merge'
import { kitchenDocument, type KitchenRecord } from '../../shared/kitchen'
import { demoFormulas, LOTS, OVENS, BURNERS, PANS, PLACES, SETTINGS, VESSELS } from '../../server/database/demo'
import { type Bench, benchOf, fillingOf, type Planned, putBack } from '#core/formula/bench'
import { useFormat } from '../composables/useFormat'
import { useKitchenStore } from '../stores/kitchen'
import { clashName, clashValue, unsentList, unsentName } from './unsent'

const kitchen: KitchenRecord = {
  id: 'k',
  name: 'Tea room',
  version: 1,
  revision: 1,
  settings: SETTINGS,
  places: PLACES,
  vessels: VESSELS,
  ovens: OVENS,
  burners: BURNERS,
  pans: PANS,
  lots: LOTS.map(l => ({ ...l, version: 1 })),
}
beforeEach(() => useKitchenStore().take(kitchen))

/** What two people's changes of one document are asked as. */
function asked<T>(base: T, mine: (d: T) => void, theirs: (d: T) => void) {
  const [a, b] = [structuredClone(base), structuredClone(base)]
  mine(a)
  theirs(b)
  const fmt = useFormat()
  return merge(base, a, b).clashes.map(c => [
    clashName(c, a, fmt),
    clashValue(c, 'mine', fmt),
    clashValue(c, 'theirs', fmt),
  ])
}

describe('what two people changed, in a cook\'s words', () => {
  const tart = demoFormulas()[0]!.document
  const onBench = (edit: (d: Bench) => void) => (d: Planned) => {
    const bench = structuredClone(benchOf(d))
    edit(bench)
    Object.assign(d, putBack(bench))
  }
  const sugar = (d: Bench) => fillingOf(d).lines.find(l => l.ingredientId === 'sugar')!
  it('a line by its ingredient, with grams', () => {
    expect(
      asked(
        tart,
        onBench(d => void (sugar(d).massG = 250)),
        onBench(d => void (sugar(d).massG = 240)),
      ),
    ).toEqual([['Caster sugar, grams', '250 g', '240 g']])
  })
  it('a line taken out that the other changed', () => {
    const out = (d: Bench) =>
      void (fillingOf(d).lines = fillingOf(d).lines.filter(l => l.ingredientId !== 'sugar'))
    expect(asked(tart, onBench(d => void (sugar(d).massG = 250)), onBench(out))).toEqual([
      ['Caster sugar', '250 g', 'taken out'],
    ])
  })
  it('temperatures, times, lengths and choices with their units and words', () => {
    expect(
      asked(
        tart,
        onBench(d => void (d.heat.targetTempC = 82)),
        onBench(d => void (d.heat.targetTempC = 80)),
      ),
    ).toEqual([['target temperature', '82.0 °C', '80.0 °C']])
    expect(
      asked(
        tart,
        onBench(d => void (d.use.pieceHeightM = 0.03)),
        onBench(d => void (d.use.pieceHeightM = 0.02)),
      )[0]!.slice(1),
    ).toEqual(['30 mm', '20 mm'])
    expect(
      asked(
        tart,
        onBench(d => void (d.chill[1]!.timeS = 3600)),
        onBench(d => void (d.chill[1]!.timeS = 7200)),
      ),
    ).toEqual([['leg in the cold, time', '1 h', '2 h']])
    expect(
      asked(
        tart,
        onBench(d => void (d.name = 'Mine')),
        onBench(d => void (d.name = 'Theirs')),
      ),
    ).toEqual([['name', '“Mine”', '“Theirs”']])
  })
  it('the kitchen\'s own: a tin by its name, a setting by its word', () => {
    const doc = kitchenDocument(kitchen)
    expect(
      asked(
        doc,
        k => void (k.vessels[0]!.name = 'A'),
        k => void (k.vessels[0]!.name = 'B'),
      ),
    ).toEqual([['“A”, name', '“A”', '“B”']])
    expect(
      asked(
        doc,
        k => void (k.settings.altitudeM = 500),
        k => void (k.settings.altitudeM = 900),
      )[0]!.slice(1),
    ).toEqual(['500 m', '900 m'])
    expect(
      asked(
        doc,
        k => void (k.settings.prices.egg = 5),
        k => void (k.settings.prices.egg = 6),
      )[0]![0],
    ).toMatch(/^price, /)
  })
})

it('what is unsent is named; of many, their number', () => {
  expect([unsentName({ kind: 'kitchen', name: 'x' }), unsentName({ kind: 'lot', name: 'North crate' })]).toEqual([
    'the kitchen',
    '“North crate”',
  ])
  expect([unsentList(['“A”']), unsentList(['“A”', 'the kitchen']), unsentList(['a', 'b', 'c'])]).toEqual([
    '“A”',
    '“A” and the kitchen',
    '3 things',
  ])
})
