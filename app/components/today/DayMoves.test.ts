import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import type { Move } from '#core/schedule/replan'
import DayMoves from './DayMoves.vue'

const names = { dessert: (id: string) => id, equipment: (id: string) => id, task: (key: string) => `the ${key}` }
const move = (key: string, from: [string, string | null], to: [string, string | null]): Move => ({
  key, name: key, from: { start: `2026-11-28T${from[0]}:00`, who: from[1] }, to: { start: `2026-11-28T${to[0]}:00`, who: to[1] },
})
const MOVES = [
  move('tart/bake', ['10:00', 'Ines'], ['10:20', 'Ines']), move('fool/whip', ['11:00', 'Ines'], ['11:00', 'Tomas']),
  move('posset/chill', ['12:00', null], ['12:30', null]),
]
const mounted = (moves: Move[]) => mountSuspended(DayMoves, { props: { moves, names } })

describe('who must know of a change', () => {
  it('each person with theirs: later, handed over, taken on; what goes on alone is told to nobody', async () => {
    const w = await mounted(MOVES)
    const of = (who: string) => w.get(`[data-must-know=${who}]`).text()
    expect(of('Ines')).toContain('the tart/bake: 10:20, not 10:00')
    expect(of('Ines')).toContain('the fool/whip is for Tomas now, at 11:00')
    expect(of('Tomas')).toContain('the fool/whip at 11:00, instead of Ines')
    expect(w.text()).toContain('the posset/chill: 12:30, not 12:00')
  })
  it('is ticked off person by person; the next change begins anew; nothing moved says nothing', async () => {
    const w = await mounted(MOVES.slice(0, 2))
    await w.get('[data-told]').trigger('click')
    expect(w.findAll('[data-must-know]')).toHaveLength(1)
    await w.get('[data-told]').trigger('click')
    expect(w.find('[data-moves]').exists()).toBe(false)
    await w.setProps({ moves: [...MOVES] })
    expect(w.findAll('[data-must-know]')).toHaveLength(2)
    await w.get('header button').trigger('click')
    expect(w.find('[data-moves]').exists()).toBe(false)
    expect((await mounted([])).find('[data-moves]').exists()).toBe(false)
  })
})
