import { mountSuspended } from '@nuxt/test-utils/runtime'
import { beforeEach, describe, expect, it } from 'vitest'
import QuantityField from './QuantityField.vue'
import { useKitchenStore } from '../../stores/kitchen'
import type { KitchenRecord } from '../../../shared/kitchen'

const settings = (temperatureUnit: 'C' | 'F') => ({ settings: { temperatureUnit } }) as unknown as KitchenRecord
const mount = (props: Record<string, unknown>) =>
  mountSuspended(QuantityField, {
    props: { modelValue: 100, kind: 'mass', label: 'Sugar', max: 1000, ...props } as never,
  })
const last = (w: Awaited<ReturnType<typeof mount>>) => w.emitted('update:modelValue')?.at(-1)?.[0]

describe('a number with its unit', () => {
  beforeEach(() => {
    useKitchenStore().take(settings('C'))
  })
  it('shows the value and its unit, and says both to a reader', async () => {
    const w = await mount({})
    const input = w.get('input')
    expect(input.element.value).toBe('100')
    expect(w.text()).toContain('g')
    expect(input.attributes('aria-valuetext')).toBe('100 g')
  })
  it('steps with the arrow keys, five times with Shift, and stops at its limits', async () => {
    const w = await mount({ step: 5 })
    await w.get('input').trigger('keydown', { key: 'ArrowUp' })
    expect(last(w)).toBe(105)
    await w.get('input').trigger('keydown', { key: 'ArrowUp', shiftKey: true })
    expect(last(w)).toBe(130)
    const low = await mount({ modelValue: 2, step: 5 })
    await low.get('input').trigger('keydown', { key: 'ArrowDown' })
    expect(last(low)).toBe(0)
  })
  it.each([
    ['150', 150],
    ['12,5', 12.5],
    ['80 g', 80],
    ['.5', 0.5],
  ])('takes "%s"', async (text, value) => {
    const w = await mount({})
    await w.get('input').setValue(text)
    expect(last(w)).toBe(value)
  })
  it.each([
    ['', 'a number is needed'],
    ['some', 'is not a number'],
    ['1e9', 'is not a number'],
    ['-3', 'between 0 g and 1000 g'],
    ['2000', 'between 0 g and 1000 g'],
  ])('refuses "%s", says why by name, and keeps the last good one', async (text, why) => {
    const w = await mount({})
    await w.get('input').setValue(text)
    expect(w.get('[role=alert]').text()).toContain(why)
    expect(w.get('[role=alert]').text()).toContain('Sugar')
    expect(w.emitted('update:modelValue')).toBeUndefined()
    await w.get('input').trigger('blur')
    expect(w.get('input').element.value).toBe('100')
    expect(w.find('[role=alert]').exists()).toBe(false)
  })
  it('speaks the kitchen\'s degrees and keeps °C inside', async () => {
    useKitchenStore().take(settings('F'))
    const w = await mount({ kind: 'temperature', modelValue: 82, max: 105 })
    expect(w.get('input').element.value).toBe('179.6')
    await w.get('input').setValue('185')
    expect(last(w)).toBeCloseTo(85, 9)
  })
  it('minutes are seconds inside, millimetres metres; a count is whole', async () => {
    const minutes = await mount({ kind: 'minutes', modelValue: 90, max: 3600 })
    expect(minutes.get('input').element.value).toBe('1.5')
    await minutes.get('input').setValue('2')
    expect(last(minutes)).toBeCloseTo(120, 9)
    const mm = await mount({ kind: 'length', modelValue: 0.024, max: 1 })
    expect(mm.get('input').element.value).toBe('24')
    const count = await mount({ kind: 'count', modelValue: 3, max: 10 })
    await count.get('input').setValue('4.4')
    expect(last(count)).toBe(4)
  })
  it('follows a value changed elsewhere, but never under the cook\'s fingers', async () => {
    const w = await mount({})
    await w.setProps({ modelValue: 140 } as never)
    expect(w.get('input').element.value).toBe('140')
    await w.get('input').trigger('focus')
    await w.get('input').setValue('141.')
    expect(w.get('input').element.value).toBe('141.')
  })
  it('takes sums and other units, and says what they come to', async () => {
    useKitchenStore().take({
      settings: { temperatureUnit: 'C', cups: 'us', eggGrade: 'usL' },
    } as unknown as KitchenRecord)
    const w = await mount({ ingredientId: 'lemon', max: 5000 })
    await w.get('input').setValue('150+20')
    expect(last(w)).toBe(170)
    expect(w.text()).toContain('= 170 g')
    await w.get('input').setValue('2 cups')
    expect(last(w) as number).toBeCloseTo(487.4, 1)
    const yolk = await mount({ ingredientId: 'yolk_sep' })
    await yolk.get('input').setValue('3 yolks')
    expect(last(yolk)).toBe(51)
  })
  it('asks whose cups, and waits while a sum or a unit is being written', async () => {
    const w = await mount({ ingredientId: 'lemon' })
    for (const open of ['150+', '2 c', '2 cu']) {
      await w.get('input').setValue(open)
      expect(w.find('[role=alert]').exists()).toBe(false)
    }
    await w.get('input').setValue('2 cups')
    expect(w.get('[role=alert]').text()).toContain('whose') })
  it('half an amount is never taken: the old value stays until it is said whose cups, then those count', async () => {
    const w = await mount({ ingredientId: 'lemon', max: 5000 })
    const input = w.get('input')
    await input.trigger('focus')
    await input.setValue('2')
    expect(last(w)).toBe(2)
    await input.setValue('2 cups')
    expect(last(w)).toBe(100)
    await input.trigger('blur')
    expect(last(w)).toBe(100)
    const choices = w.findAll('[role=alert] button')
    expect(choices).toHaveLength(4)
    await choices[0]!.trigger('click')
    expect(last(w) as number).toBeCloseTo(487.4, 1)
    expect(w.find('[role=alert]').exists()).toBe(false)
    for (const half of ['3 tb', '4 zorks']) {
      await input.trigger('focus')
      await input.setValue('3')
      await input.setValue(half)
      await input.trigger('keydown', { key: 'Enter' })
      await input.trigger('blur')
      expect(last(w), half).toBe(100)
    }
  })
  it('is dragged by its unit, a step every few pixels, and ends the gesture', async () => {
    const w = await mount({ step: 5 })
    const unit = w.get('.unit')
    Object.assign(unit.element, { setPointerCapture: () => {} })
    await unit.trigger('pointerdown', { clientX: 100, pointerId: 1 })
    await unit.trigger('pointermove', { clientX: 120, pointerId: 1 })
    expect(last(w)).toBe(115)
    await unit.trigger('pointermove', { clientX: 88, pointerId: 1 })
    expect(last(w)).toBe(90)
    await unit.trigger('pointerup', { pointerId: 1 })
    expect(w.emitted('done')).toHaveLength(1)
  })
  it('an empty field that means nothing yet says so, and empties again', async () => {
    const w = await mount({ modelValue: 0, blank: 'not weighed' })
    expect(w.get('input').element.value).toBe('')
    expect(w.get('input').attributes('placeholder')).toBe('not weighed')
    await w.get('input').setValue('12')
    await w.get('input').setValue('')
    expect(last(w)).toBe(0)
    expect(w.find('[role=alert]').exists()).toBe(false)
  })
})
