import { mountSuspended } from '@nuxt/test-utils/runtime'
import { beforeEach, describe, expect, it } from 'vitest'
import { assess } from '#core/pipeline/assess'
import { pieceFigures, type PieceFigures } from '#core/pipeline/summary'
import { formula, kitchen, YOLK_CURD } from '../../../tests/support/core'
import CutFace from './CutFace.vue'
import { useKitchenStore } from '../../stores/kitchen'
import type { KitchenRecord } from '../../../shared/kitchen'

const state = (slump: number, tempC: number) => ({ slump, tempC, standsM: 0.05, cutsM: 0.025, ringSlumpM: 0 })
const piece = (over: Partial<PieceFigures> = {}): PieceFigures => ({
  use: 'cut',
  heightM: 0.025,
  widthM: 0.06,
  crustM: 0.004,
  crustForm: 'shell',
  cold: state(0, 4),
  plate: state(0.2, 17),
  ...over,
})
const bounds = (d: string) => {
  const points = [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(m => [Number(m[1]), Number(m[2])] as const)
  const xs = points.map(p => p[0])
  const ys = points.map(p => p[1])
  return { w: Math.max(...xs) - Math.min(...xs), h: Math.max(...ys) - Math.min(...ys) }
}

describe('the cut face', () => {
  beforeEach(() => {
    useKitchenStore().take({ settings: { temperatureUnit: 'C' } } as unknown as KitchenRecord)
  })
  it('is to scale: the piece is as wide against its height as it is in the tin', async () => {
    const w = await mountSuspended(CutFace, { props: { piece: piece({ plate: state(0, 17) }) } })
    const fills = w.findAll('path[clip-path]').map(p => bounds(p.attributes('d')!))
    expect(fills).toHaveLength(2)
    for (const f of fills) expect(Math.abs(f.w / f.h / (0.06 / 0.025) - 1)).toBeLessThan(0.05)
  })
  it('says standing and sagging in words, with the height that was meant as a dashed line', async () => {
    const w = await mountSuspended(CutFace, { props: { piece: piece() } })
    expect(w.text()).toContain('stands')
    expect(w.text()).toContain('sags 5 mm')
    expect(w.text()).toContain('cuts to 25 mm')
    expect(w.findAll('[stroke-dasharray]')).toHaveLength(1)
    const [cold, plate] = w.findAll('path[clip-path]').map(p => bounds(p.attributes('d')!))
    expect(plate!.h / cold!.h).toBeCloseTo(0.8, 1)
    expect(plate!.w).toBeGreaterThan(cold!.w)
  })
  it.each(['spooned', 'glass', 'piped', 'cut', 'turnedOut'] as const)('draws what is %s', async (use) => {
    const doc = formula(YOLK_CURD, () => {}, { use })
    const w = await mountSuspended(CutFace, {
      props: { piece: pieceFigures(doc, assess(doc, kitchen)), small: true },
    })
    expect(w.findAll('path[clip-path]')).toHaveLength(2)
    expect(w.html()).not.toContain('NaN')
    expect(w.get('svg').attributes('aria-label')).toContain('From the fridge')
  })
})
