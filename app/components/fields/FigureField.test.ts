import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import FigureField from './FigureField.vue'
import TapChoices from './TapChoices.vue'

const field = (modelValue: number | null = null) =>
  mountSuspended(FigureField, { props: { modelValue, label: 'pH', unit: 'pH', min: 1, max: 9 } })

describe('a figure somebody may have measured', () => {
  it('is empty until it is typed, and empty again is nothing, not naught', async () => {
    const w = await field()
    const input = w.get('input')
    expect(input.element.value).toBe('')
    expect(w.emitted('update:modelValue')).toBeUndefined()
    await input.setValue('3,1')
    await input.setValue('')
    expect(w.emitted('update:modelValue')).toEqual([[3.1], [null]])
  })
  it.each([['0.99', false], ['1', true], ['9', true], ['9.01', false], ['two', false], ['−3', false]])(
    'takes "%s": %s; what it does not take it says with its limits', async (text, isTaken) => {
      const w = await field()
      await w.get('input').setValue(text)
      expect(w.emitted('update:modelValue') !== undefined).toBe(isTaken)
      expect(w.find('[role=alert]').exists()).toBe(!isTaken)
      if (!isTaken) expect(w.get('[role=alert]').text()).toMatch(/1.*9/)
      expect(w.get('input').attributes('aria-invalid')).toBe(isTaken ? undefined : 'true')
    })
  it('follows what is changed elsewhere, and leaves alone what is being typed', async () => {
    const w = await field(3)
    await w.setProps({ modelValue: 4 })
    expect(w.get('input').element.value).toBe('4')
    await w.get('input').setValue('4.')
    await w.setProps({ modelValue: 4 })
    expect(w.get('input').element.value).toBe('4.')
  })
})

describe('words to tap', () => {
  const taps = (modelValue: string[], many: boolean) => mountSuspended(TapChoices as never, {
    props: { modelValue, many, label: 'Cut', options: [['clean', 'Clean'], ['soft', 'Soft']] } as never,
  })
  it('one at a time; tapped again it is taken back', async () => {
    const w = await taps(['clean'], false)
    const [clean, soft] = w.findAll('button')
    expect([clean!.attributes('aria-pressed'), soft!.attributes('aria-pressed')]).toEqual(['true', 'false'])
    await soft!.trigger('click')
    await w.setProps({ modelValue: ['soft'] } as never)
    await soft!.trigger('click')
    expect(w.emitted('update:modelValue')).toEqual([[['soft']], [[]]])
  })
  it('several where several can be', async () => {
    const w = await taps(['clean'], true)
    await w.findAll('button')[1]!.trigger('click')
    expect(w.emitted('update:modelValue')).toEqual([[['clean', 'soft']]])
    expect(w.get('[role=group]').text()).toContain('Cut')
  })
})
