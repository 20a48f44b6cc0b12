/** Day sheets on the real database: one a day, each save by the version it was made from. */
import type { EntityManager, MikroORM } from '@mikro-orm/postgresql'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase } from '../../tests/support/database'
import { seed } from '../database/seed'
import { sheetSchema } from '../../shared/schemas/day'
import { isDate } from '../../shared/schemas/shape'
import type { DaySheet } from '../../shared/day'
import { loadDay, saveDay } from './days'
import { loadOwner } from './kitchen'

const AT = new Date('2026-11-26T08:00:00Z')
let orm: MikroORM
let drop: () => Promise<void>
const fork = () => orm.em.fork() as EntityManager
beforeAll(async () => {
  ;({ orm, drop } = await openDatabase())
  await orm.getMigrator().up()
  await seed(fork(), AT, true)
})
afterAll(() => drop())
const sheet = (name: string): DaySheet =>
  ({ hands: [{ name, from: '07:00', to: '15:00' }], equipment: [], desserts: [] })

describe('a day sheet', () => {
  it('of a day nobody planned is empty; kept, it comes back, and another day stays empty', async () => {
    const owner = await loadOwner(fork())
    expect(await loadDay(fork(), owner, '2026-12-01')).toMatchObject({ version: 0, sheet: { desserts: [] } })
    await saveDay(fork(), owner, AT, '2026-12-01', { version: 0, sheet: sheet('Ada') })
    expect(await loadDay(fork(), owner, '2026-12-01')).toEqual({ date: '2026-12-01', version: 1, sheet: sheet('Ada') })
    expect((await loadDay(fork(), owner, '2026-12-02')).version).toBe(0)
  })
  it('saved from an older version is refused with what is there; the same sent again is what is there', async () => {
    const owner = await loadOwner(fork())
    const save = (version: number, name: string) =>
      saveDay(fork(), owner, AT, '2026-12-03', { version, sheet: sheet(name) })
    await save(0, 'Ada')
    expect((await save(1, 'Bo')).version).toBe(2)
    expect((await save(1, 'Bo')).version).toBe(2)
    await expect(save(1, 'Cy')).rejects.toEqual(expect.objectContaining({ kind: 'conflict', code: 'changedElsewhere' }))
    expect((await loadDay(fork(), owner, '2026-12-03')).sheet).toEqual(sheet('Bo'))
  })
  it('the demo has its Friday, without the blast chiller, and its Saturday; both can be sent back', async () => {
    const owner = await loadOwner(fork())
    const [friday, saturday] = await Promise.all(['2026-11-27', '2026-11-28'].map(d => loadDay(fork(), owner, d)))
    expect(friday!.sheet.equipment.find(e => e.kind === 'blastChiller')!.isOut).toBe(true)
    expect(saturday!.sheet.equipment.some(e => e.isOut)).toBe(false)
    for (const { sheet, version } of [friday!, saturday!])
      expect(sheetSchema.isValidSync({ version, sheet }, { strict: true })).toBe(true)
    expect(sheetSchema.isValidSync({ version: 1, sheet: { ...friday!.sheet, more: 1 } }, { strict: true })).toBe(false)
    const late = { ...friday!.sheet, hands: [{ name: 'x', from: '24:00', to: '25:00' }] }
    expect(sheetSchema.isValidSync({ version: 1, sheet: late }, { strict: true })).toBe(false)
  })
  it('takes what is on hand, a break and another oven; what is no ingredient, no time and no oven is named', async () => {
    const { sheet: friday } = await loadDay(fork(), await loadOwner(fork()), '2026-11-27')
    const check = (over: Partial<DaySheet>) => {
      try {
        return sheetSchema.validateSync({ version: 1, sheet: { ...friday, ...over } }, { strict: true }) ? '' : 'no'
      } catch (error) {
        return (error as { path: string }).path
      }
    }
    const ines = (from: string) => [{ name: 'Ines', from: '07:00', to: '16:00', pause: { from, to: '12:30' } }]
    const baked = (ovenC: number) => friday.desserts.map((d, i) => (i === 0 ? { ...d, ovenC } : d))
    expect([check({ have: [{ ingredientId: 'egg', massG: 500 }] }), check({ hands: ines('12:00') }), check({ desserts: baked(120) })])
      .toEqual(['', '', ''])
    expect(check({ have: [{ ingredientId: 'moon dust', massG: 5 }] })).toBe('sheet.have[0].ingredientId')
    expect(check({ have: [{ ingredientId: 'egg', massG: -1 }] })).toBe('sheet.have[0].massG')
    expect(check({ hands: ines('noon') })).toBe('sheet.hands[0].pause.from')
    expect([check({ desserts: baked(39) }), check({ desserts: baked(40) }), check({ desserts: baked(301) })])
      .toEqual(['sheet.desserts[0].ovenC', '', 'sheet.desserts[0].ovenC'])
  })
  it('is of a day of the calendar', () => {
    expect(['2026-02-28', '2024-02-29', '2026-02-29', '2026-13-01', '26-01-01', 'today'].map(isDate))
      .toEqual([true, true, false, false, false, false])
  })
})
