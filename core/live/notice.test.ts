import { describe, expect, it } from 'vitest'
import { type Notice, noticed, type Seen, seen, startSeen } from './notice'

/** Readings one after the other, each with what was expected of it. */
function shown(rows: readonly { atS: number, tempC: number, expectedC: number, mixC?: number }[], from = startSeen()) {
  return rows.reduce<Seen>((s, { atS, tempC, expectedC, mixC }) =>
    seen(s, { atS, tempC }, { at: expectedC, variance: 0.04, tempC: mixC ?? expectedC, boilC: 101 }), from)
}
/** As it should be, with so much off from some reading on. */
const row = (n: number, off: (i: number) => number = () => 0, fromS = 0) =>
  Array.from({ length: n }, (_, i) => {
    const atS = fromS + 2 * (i + 1)
    const expectedC = 20 + 0.2 * atS
    return { atS, tempC: expectedC + off(i), expectedC }
  })
const said = (s: Seen): Notice[] => noticed(s).map(n => n.what)

describe('what readings say besides the temperature', () => {
  it('nothing, while they are as expected', () => {
    expect(said(shown(row(60)))).toEqual([])
    expect(shown(row(60)).speaks).toBe(true)
  })
  it('a change of the heat: many a little over what was expected, in the same way; not the same to and fro', () => {
    // After fifteen readings without flicker σ is √(.04 + .12²) = .233 K: a mean of 3.6 · .378 σ is .32 K.
    const over = (k: number) => shown(row(30, i => (i < 15 ? 0 : k)))
    expect(said(over(0.28))).toEqual([])
    expect(said(over(0.4))).toContain('heatChanged')
    expect(said(over(-0.4))).toContain('heatChanged')
    expect(said(shown(row(30, i => (i % 2 ? 0.75 : -0.75))))).not.toContain('heatChanged')
    // Not while the pot is still being found.
    expect(said(shown(row(6, () => 0.75)))).toEqual([])
  })
  it('a probe out of the pot, or on the metal: a jump no mix makes; what it shows then is not the mix', () => {
    const away = (jumpK: number) => shown(row(3, i => (i ? jumpK : 0), 60), shown(row(30)))
    expect(said(away(-20))).toEqual(['probeOut'])
    expect(said(away(12))).toEqual(['probeOnMetal'])
    expect(away(-20).speaks).toBe(false)
    // 3 K are no jump: a stirred mix may differ so.
    expect(said(away(-3))).not.toContain('probeOut')
    // Back in the mix.
    expect(said(shown(row(4, () => 0, 66), away(-20)))).toEqual([])
  })
  it('a display that stands: 25 s while two degrees were to come', () => {
    const stuck = (forS: number, k: number) => shown(
      Array.from({ length: forS / 2 }, (_, i) => ({ atS: 62 + 2 * i, tempC: 32, expectedC: 32 + k * 2 * i })),
      shown(row(30)),
    )
    expect(said(stuck(20, 0.2))).toEqual([])
    expect(said(stuck(40, 0.2))).toContain('stuck')
    expect(stuck(40, 0.2).speaks).toBe(false)
    // Where nothing was to come, standing is no fault.
    expect(said(stuck(40, 0.003))).toEqual([])
  })
  it('a mix nobody stirs flickers; one that is told so is trusted less', () => {
    const flickers = (k: number) => shown(row(60, i => (i % 2 ? k : -k)))
    expect(said(flickers(0.3))).toEqual([])
    expect(said(flickers(1.2))).toContain('uneven')
    expect(flickers(1.2).noiseK).toBeGreaterThan(4 * flickers(0.1).noiseK)
  })
  it('boiling begun: within 1.2 K of where it boils', () => {
    const at = (mixC: number) => said(shown([{ atS: 300, tempC: mixC, expectedC: mixC, mixC }], shown(row(30))))
    expect(at(99.7)).toEqual([])
    expect(at(99.9)).toEqual(['boiling'])
  })
})

it('a display that steps by half a degree flickers by no less than its step lets it', () => {
  const rows = (stepK: number) => {
    let s = startSeen()
    for (let i = 0; i < 60; i++) {
      const tempC = Math.round((20 + 0.1 * i) / stepK) * stepK
      s = seen(s, { atS: 2 * i, tempC }, { at: tempC, variance: 0.01, tempC, boilC: 100 })
    }
    return s
  }
  expect(rows(0.5)).toMatchObject({ stepK: 0.5, noiseK: 0.225 })
  expect(rows(0.1).stepK).toBeCloseTo(0.1, 9)
  expect(rows(0.1).noiseK).toBe(0.12)
})
