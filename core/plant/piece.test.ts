import { describe, expect, it } from 'vitest'
import { evenHeat } from '../physics/thermal/properties'
import { type Face, faceC, layersC, pieceCoreC, pieceLater, pieceMeanC, startPiece } from './piece'

const face = (u: number, airC: number, leavesWM2 = 0): Face => ({ u, airC, leavesWM2 })
const closed = face(0, 0)
const water = { k: 0.6, rho: 1000, cp: evenHeat(4000) }

describe('a piece in small steps', () => {
  it('a slab cooled from both faces follows the series (Carslaw & Jaeger: faces held, centre after one hour)', () => {
    const stated = { ...water, radiusM: 0.05, depthM: 0.06 }
    const held = face(1e6, 0)
    const later = pieceLater(startPiece(stated, 100), { top: held, base: held, side: closed }, 3600)
    // θ = Σ 4/(nπ)·(−1)^((n−1)/2)·exp(−n²π²·α·t/L²), α = 1.5e-7, t = 3600, L = .06.
    const fourier = (1.5e-7 * 3600) / 0.06 ** 2
    const theta = [1, 3, 5].reduce((sum, n) =>
      sum + (4 / (n * Math.PI)) * (-1) ** ((n - 1) / 2) * Math.exp(-((n * Math.PI) ** 2) * fourier), 0)
    expect(pieceCoreC(later)).toBeCloseTo(100 * theta, 0)
  })
  it('a thin piece loses as much as goes through its face: exp(−u·t/(ρ·cp·d)), and steam takes its own', () => {
    const stated = { ...water, radiusM: 0.05, depthM: 0.002 }
    const cooled = pieceLater(startPiece(stated, 60), { top: face(10, 20), base: closed, side: closed }, 600)
    expect(pieceMeanC(cooled)).toBeCloseTo(20 + 40 * Math.exp((-10 * 600) / (1000 * 4000 * 0.002)), 0)
    const steamed = pieceLater(startPiece(stated, 60), { top: face(0, 0, 200), base: closed, side: closed }, 600)
    expect(pieceMeanC(steamed)).toBeCloseTo(60 - (200 * 600) / (1000 * 4000 * 0.002), 5)
  })
  it('closed all round it keeps its heat, however long and however fine', () => {
    const p = startPiece({ ...water, radiusM: 0.02, depthM: 0.02 }, 50)
    p.tempC[0] = 90
    const mean = pieceMeanC(p)
    const later = pieceLater(p, { top: closed, base: closed, side: closed }, 7200)
    expect(pieceMeanC(later)).toBeCloseTo(mean, 6)
    expect(Math.max(...later.tempC) - Math.min(...later.tempC)).toBeLessThan(0.01)
  })
  it('faces, layers and middle lie where they are', () => {
    const p = startPiece({ ...water, radiusM: 0.05, depthM: 0.03 }, 60)
    const later = pieceLater(p, { top: face(200, 5), base: closed, side: closed }, 900)
    const layers = layersC(later)
    expect(layers).toEqual([...layers].sort((a, b) => b - a))
    expect(faceC(later, 'top')).toBeCloseTo(layers.at(-1)!, 9)
    expect(faceC(later, 'base')).toBeCloseTo(layers[0]!, 9)
    expect(pieceCoreC(later)).toBeLessThan(faceC(later, 'base'))
    expect(faceC(later, 'side')).toBeCloseTo(pieceMeanC(later), 1)
  })
})
