import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useHeldPlaces } from './useHeldPlaces'

describe('places that are held', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())
  const made = () => {
    const list = ref(['a', 'b', 'c'])
    const held = useHeldPlaces(() => list.value, x => x.slice(0, 1))
    const told = () => held.shown.value.map(x => `${x.item} ${x.state}`)
    return { list, told, ...held }
  }
  it('what is pressed stays as done, what follows stays below it, what is new comes last', () => {
    const { list, told, press, enter, leave } = made()
    enter()
    press('b')
    list.value = ['d', 'b2', 'c']
    expect(told()).toEqual(['a gone', 'b taken', 'c there', 'd there'])
    vi.advanceTimersByTime(5000)
    expect(told()).toEqual(['a gone', 'b taken', 'c there', 'd there'])
    leave()
    expect(told()).toEqual(['d there', 'b2 there', 'c there'])
  })
  it('a finger that has left already waits a moment', () => {
    const { list, told, press, enter, leave } = made()
    enter()
    press('a')
    leave()
    list.value = ['b', 'c']
    vi.advanceTimersByTime(1400)
    expect(told()).toEqual(['a taken', 'b there', 'c there'])
    vi.advanceTimersByTime(200)
    expect(told()).toEqual(['b there', 'c there'])
  })
  it('what goes by itself keeps its place for a moment', () => {
    const { list, told } = made()
    list.value = ['b', 'c']
    expect(told()).toEqual(['a gone', 'b there', 'c there'])
    vi.advanceTimersByTime(1600)
    expect(told()).toEqual(['b there', 'c there'])
  })
  it('undone, the list is as it is', () => {
    const { list, told, press, release } = made()
    press('a')
    list.value = ['b']
    release()
    expect(told()).toEqual(['b there'])
  })
})
