import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import PictureHandle from './PictureHandle.vue'

const props = {
  label: 'Height', value: 0.024, min: 0.004, max: 0.03, step: 0.001, text: '24 mm', left: '10px', top: '20px', perPx: 0.0005,
}

describe('a point of a picture', () => {
  it('speaks its value and steps by keys, five times with Shift, never past its ends; each is a gesture of its own', async () => {
    const w = await mountSuspended(PictureHandle, { props })
    const el = w.get('[role="slider"]')
    expect(el.attributes()).toMatchObject({ 'aria-valuetext': '24 mm', 'aria-valuenow': '0.024', 'aria-label': 'Height' })
    for (const [key, shiftKey] of [['ArrowUp', false], ['ArrowDown', true], ['PageUp', false], ['Home', false]] as const)
      await el.trigger('keydown', { key, shiftKey })
    expect(w.emitted('change')).toEqual([[0.025], [0.019], [0.03], [0.004]])
    expect(w.emitted('done')).toHaveLength(4)
    await el.trigger('keydown', { key: 'a' })
    expect(w.emitted('change')).toHaveLength(4)
  })
  it('a finger moves it by what a pixel is worth, in whole steps; a press alone changes nothing', async () => {
    const w = await mountSuspended(PictureHandle, { props })
    const el = w.get('[role="slider"]')
    ;(el.element as HTMLElement).setPointerCapture = () => {}
    await el.trigger('pointerdown', { pointerId: 1, clientX: 0, clientY: 100 })
    await el.trigger('pointermove', { pointerId: 1, clientX: 0, clientY: 100 })
    expect(w.emitted('change')).toBeUndefined()
    // Eight pixels up at half a millimetre each.
    await el.trigger('pointermove', { pointerId: 1, clientX: 0, clientY: 92 })
    expect(w.emitted('change')!.at(-1)).toEqual([0.028])
    await el.trigger('pointermove', { pointerId: 1, clientX: 0, clientY: 0 })
    expect(w.emitted('change')!.at(-1)).toEqual([0.03])
    await el.trigger('pointerup', { pointerId: 1 })
    expect(w.emitted('done')).toHaveLength(1)
    await el.trigger('pointermove', { pointerId: 1, clientX: 0, clientY: 60 })
    expect(w.emitted('change')).toHaveLength(2)
  })
})
