/**
 * Tins and dishes by the size they are sold under, with their true inside measures: an inch is 25.4 mm, a "23 cm" tin
 * is a
 * 9-inch one rounded, and most tins narrow a little towards the base. Sizes and tapers are common trade sizes, from
 * memory
 * (M); a kitchen that measures its own, or the water it holds, knows better. Checked against trade volume tables in
 * tests.
 */
import { INCH_M } from '../../base/units'
import { cavityOf, cavityVolume, type Material, plainVessel, UNLINED, type Vessel, type VesselKind } from './cavity'

export interface NominalVessel {
  id: string
  market: 'us' | 'metric'
  name: string
  vessel: Vessel
  /** Of the insert its set has a mould for, full, m³; absent: it has none. */
  insertM3?: number
}

const row = (
  market: NominalVessel['market'],
  id: string,
  name: string,
  kind: VesselKind,
  material: Material,
  unit: number,
  l: number,
  w: number,
  h: number,
  taper = 1,
): NominalVessel => ({
  id,
  market,
  name,
  vessel: { kind, material, lengthM: l * unit, widthM: w * unit, heightM: h * unit, taper, heldM3: null },
})
const us = (
  id: string,
  name: string,
  kind: VesselKind,
  material: Material,
  l: number,
  w: number,
  h: number,
  taper = 1,
) => row('us', id, name, kind, material, INCH_M, l, w, h, taper)
const metric = (
  id: string,
  name: string,
  kind: VesselKind,
  material: Material,
  l: number,
  w: number,
  h: number,
  taper = 1,
) => row('metric', id, name, kind, material, 0.01, l, w, h, taper)

/** A mould that comes with one for its insert, of a size in cm. */
const withInsert = (
  n: NominalVessel, kind: VesselKind, l: number, w: number, h: number,
): NominalVessel => ({
  ...n, insertM3: cavityVolume(cavityOf(plainVessel(kind, 'silicone', l / 100, w / 100, h / 100), UNLINED)),
})

export const NOMINAL_VESSELS: readonly NominalVessel[] = [
  us('us-sq8', '8 × 8 in square', 'rectangle', 'metal', 8, 8, 2, 0.96),
  us('us-sq9', '9 × 9 in square', 'rectangle', 'metal', 9, 9, 2, 0.96),
  us('us-9x13', '9 × 13 in', 'rectangle', 'metal', 13, 9, 2, 0.95),
  us('us-7x11', '7 × 11 in', 'rectangle', 'metal', 11, 7, 2, 0.95),
  us('us-loaf9', '9 × 5 in loaf', 'rectangle', 'metal', 9, 5, 2.75, 0.88),
  us('us-quarter', 'quarter-sheet tray, 9½ × 13', 'rectangle', 'metal', 12, 8.5, 1, 0.95),
  us('us-half', 'half-sheet tray, 13 × 18', 'rectangle', 'metal', 17, 12, 1, 0.96),
  us('us-rd8', '8 in round', 'round', 'metal', 8, 8, 2),
  us('us-rd9', '9 in round', 'round', 'metal', 9, 9, 2),
  us('us-pie9', '9 in pie dish', 'pieDish', 'glass', 9, 9, 1.25, 0.78),
  us('us-pie95', '9½ in deep pie dish', 'pieDish', 'ceramic', 9.5, 9.5, 2, 0.75),
  us('us-tart9', '9 in fluted tart shell', 'tartShell', 'metal', 9, 9, 1, 0.95),
  us('us-ram6', '6 oz ramekin', 'ramekin', 'ceramic', 3.25, 3.25, 1.5, 0.88),
  us('us-ram4', '4 oz ramekin', 'ramekin', 'ceramic', 2.8, 2.8, 1.35, 0.88),
  us('us-spring9', '9 in springform', 'round', 'metal', 9, 9, 2.5),
  us('us-jar8', '8 oz jar', 'glass', 'glass', 2.6, 2.6, 3),
  us('us-muffin', 'muffin case in its tin', 'ramekin', 'metal', 2.75, 2.75, 1.35, 0.75),
  metric('m-sq20', '20 cm square', 'rectangle', 'metal', 20, 20, 5),
  metric('m-sq23', '23 cm square', 'rectangle', 'metal', 23, 23, 5),
  metric('m-20x30', '20 × 30 cm traybake', 'rectangle', 'metal', 30, 20, 4),
  metric('m-23x33', '23 × 33 cm', 'rectangle', 'metal', 33, 23, 5, 0.95),
  metric('m-loaf900', '900 g loaf', 'rectangle', 'metal', 21, 11, 7, 0.85),
  metric('m-rd20', '20 cm round', 'round', 'metal', 20, 20, 5),
  metric('m-rd23', '23 cm round', 'round', 'metal', 23, 23, 5),
  metric('m-ring18', '18 cm ring', 'tartRing', 'metal', 18, 18, 4.5),
  metric('m-ring24', '24 cm tart ring', 'tartRing', 'metal', 24, 24, 2),
  metric('m-tart23', '23 cm fluted tart shell', 'tartShell', 'metal', 23, 23, 2.5, 0.95),
  metric('m-tart10', '10 cm fluted tartlet', 'tartShell', 'metal', 10, 10, 2, 0.85),
  metric('m-tart6', '6 cm tartlet, sloped', 'tartShell', 'metal', 6, 6, 1.8, 0.72),
  metric('m-pie23', '23 cm pie dish', 'pieDish', 'ceramic', 23, 23, 3.5, 0.78),
  metric('m-ram8', '8 cm ramekin', 'ramekin', 'ceramic', 8, 8, 4.5, 0.94),
  metric('m-glass', '200 ml tumbler', 'glass', 'glass', 7, 7, 6.5, 0.8),
  metric('m-coupe', 'stemmed glass', 'stemmed', 'glass', 8.5, 8.5, 5.5),
  metric('m-dome', '6 cm dome, silicone', 'mould', 'silicone', 6, 6, 3.5, 0.55),
  metric('m-bowl', '22 cm serving bowl', 'bowl', 'ceramic', 22, 22, 9),
  metric('m-spring20', '20 cm springform', 'round', 'metal', 20, 20, 7),
  metric('m-spring23', '23 cm springform', 'round', 'metal', 23, 23, 7),
  metric('m-siloaf', '24 cm loaf, silicone', 'rectangle', 'silicone', 24, 10.5, 6.5, 0.88),
  metric('m-sphere', '7 cm half sphere, silicone', 'bowl', 'silicone', 7, 7, 3.5),
  metric('m-jar120', '120 ml jar', 'glass', 'glass', 5.4, 5.4, 5.4),
  metric('m-jar228', '228 ml jar', 'glass', 'glass', 6.5, 6.5, 7),
  metric('m-jar370', '370 ml jar', 'glass', 'glass', 7.2, 7.2, 9.3),
  metric('m-squeeze', '350 ml squeeze bottle', 'glass', 'plastic', 6, 6, 12.6),
  metric('m-eggcup', 'egg cup', 'ramekin', 'ceramic', 4.6, 4.6, 3.6, 0.7),
  metric('m-mug', 'mug', 'glass', 'ceramic', 8, 8, 6.8, 0.95),
  metric('m-paper', '7 cm paper case in its tin', 'ramekin', 'metal', 7, 7, 3.5, 0.72),
  metric('m-flute', 'flute', 'stemmed', 'glass', 5, 5, 13.5),
  withInsert(
    metric('m-ring18i', '18 cm ring with a 14 cm insert', 'tartRing', 'metal', 18, 18, 4.5), 'round', 14, 14, 1.5),
  withInsert(
    metric('m-domei', '7 cm dome with a 4 cm insert', 'bowl', 'silicone', 7, 7, 4.2), 'bowl', 4, 4, 2),
  withInsert(
    metric('m-logi', '25 cm log with its insert', 'rectangle', 'silicone', 25, 8.5, 7, 0.8), 'rectangle', 23, 4, 4),
]
/**
 * Room of the insert that a vessel by its trade size comes with, m³; 0: none.
 * @example insertOf('m-domei') // 0.0000168
 */
export const insertOf = (id: string): number => NOMINAL_VESSELS.find(n => n.id === id)?.insertM3 ?? 0
/**
 * Measures that suit a kind, to start from.
 * @example typicalVessel('ramekin').kind // 'ramekin'
 */
export const typicalVessel = (kind: VesselKind): Vessel =>
  NOMINAL_VESSELS.find(n => n.market === 'metric' && n.vessel.kind === kind)!.vessel
