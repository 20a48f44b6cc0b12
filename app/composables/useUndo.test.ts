import { describe, expect, it } from 'vitest'
import { useUndo } from './useUndo'

describe('undo by snapshots', () => {
  const at = (n: number) => ({ n })
  it('one step a gesture; an unnamed change is always a step of its own', () => {
    const u = useUndo<{ n: number }>()
    expect([u.canUndo.value, u.back(at(9))]).toEqual([false, null])
    u.note(at(0), 'drag')
    u.note(at(1), 'drag')
    u.note(at(2))
    expect(u.back(at(3))).toEqual(at(2))
    expect(u.back(at(2))).toEqual(at(0))
    expect([u.canUndo.value, u.canRedo.value]).toEqual([false, true])
    expect(u.forward(at(0))).toEqual(at(2))
    expect(u.forward(at(2))).toEqual(at(3))
    expect(u.forward(at(3))).toBeNull()
  })
  it('an ended gesture begins anew; a change ends what could be redone; somebody else\'s comes into every step', () => {
    const u = useUndo<{ n: number }>()
    u.note(at(0), 'drag')
    u.endGesture()
    u.note(at(1), 'drag')
    u.each(s => at(s.n + 10))
    expect(u.back(at(2))).toEqual(at(11))
    u.note(at(11))
    expect(u.canRedo.value).toBe(false)
    u.forget()
    expect(u.canUndo.value).toBe(false)
  })
  it('keeps two hundred steps', () => {
    const u = useUndo<{ n: number }>()
    for (let n = 0; n < 250; n++) u.note(at(n))
    let steps = 0
    while (u.back(at(999))) steps++
    expect(steps).toBe(200)
  })
})
