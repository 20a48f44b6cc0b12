import { solveFor } from '../../base/solveFor'

/**
 * Vessels: what a crust and an insert leave of them, volume and depth of fill, the cylinder that cools alike, the
 * lean of
 * a glass. Lengths in m, volumes in m³.
 *
 * Two forms. A frustum widens evenly from base to rim: width(z) = rim·(t + (1 − t)·z/H), so V(z) = A·H·(s³ − t³)/(3(1
 * − t))
 * with s = t + (1 − t)·z/H. A bowl is half an ellipsoid: V(z) = A·H·(ζ² − ζ³/3), ζ = z/H (Cavalieri; two thirds of
 * A·H full).
 * What was measured by the water it holds keeps its form and is widened or narrowed to that volume.
 */

/**
 * A straight-sided vessel of a size.
 * @example plainVessel('round', 'metal', 0.2, 0.2, 0.05).taper // 1
 */
export const plainVessel = (
  kind: VesselKind,
  material: Material,
  lengthM: number,
  widthM: number,
  heightM: number,
): Vessel => ({ kind, material, lengthM, widthM, heightM, taper: 1, heldM3: null })

export const VESSEL_KINDS = [
  'round',
  'rectangle',
  'tartRing',
  'tartShell',
  'pieDish',
  'ramekin',
  'glass',
  'stemmed',
  'mould',
  'bowl',
] as const
export type VesselKind = (typeof VESSEL_KINDS)[number]
export const MATERIALS = ['metal', 'glass', 'ceramic', 'plastic', 'silicone'] as const
export type Material = (typeof MATERIALS)[number]

/**
 * A tin, dish, glass, ring or mould, inside measures. `lengthM` is the diameter of a round one at the rim; `widthM`
 * counts for rectangles only.
 */
export interface Vessel {
  kind: VesselKind
  material: Material
  lengthM: number
  widthM: number
  heightM: number
  /** Width at the base over width at the rim; 1: straight sides. A bowl has none: it is round below. */
  taper: number
  /** What it holds to the rim by the water it took, m³; null: by its size. */
  heldM3: number | null
}

export interface Cavity {
  form: 'frustum' | 'ellipsoid'
  /** At the rim, m² and m. */
  rimAreaM2: number
  rimPerimeterM: number
  /** Height from the bottom of the filling to the rim, m. */
  heightM: number
  /** Width at the base over width at the rim. */
  taper: number
  /** Room that fruit or an insert takes, m³. */
  insertM3: number
}

/** Kinds that are round below. */
export const ROUND_BELOW: readonly VesselKind[] = ['bowl', 'stemmed']
/** What a crust and an insert take of a vessel. */
export interface Lining {
  crustM: number
  crustForm: 'shell' | 'base'
  insertM3: number
}
export const UNLINED: Lining = { crustM: 0, crustForm: 'shell', insertM3: 0 }

const LEAST_M = 0.001
/** Volume of a form to a height, m³. */
const formVolume = (c: Pick<Cavity, 'form' | 'rimAreaM2' | 'heightM' | 'taper'>, z: number): number => {
  const x = Math.min(Math.max(z / c.heightM, 0), 1)
  if (c.form === 'ellipsoid') return c.rimAreaM2 * c.heightM * (x * x - x ** 3 / 3)
  if (Math.abs(1 - c.taper) < 1e-6) return c.rimAreaM2 * c.heightM * x
  const s = c.taper + (1 - c.taper) * x
  return (c.rimAreaM2 * c.heightM * (s ** 3 - c.taper ** 3)) / (3 * (1 - c.taper))
}

/**
 * What a lining leaves of a vessel. A shell lies on the base and stands up the sides; a base alone takes height only.
 * @example cavityOf(plainVessel('round', 'metal', 0.2, 0.2, 0.05)).rimAreaM2 // 0.03142
 */
export function cavityOf(v: Vessel, lining: Lining = UNLINED): Cavity {
  const form = ROUND_BELOW.includes(v.kind) ? ('ellipsoid' as const) : ('frustum' as const)
  const rectangle = v.kind === 'rectangle'
  // Measured by water: as wide as it takes to hold that.
  const bySize = formVolume(
    {
      form,
      rimAreaM2: rectangle ? v.lengthM * v.widthM : (Math.PI * v.lengthM ** 2) / 4,
      heightM: v.heightM,
      taper: v.taper,
    },
    v.heightM,
  )
  const wider = v.heldM3 === null ? 1 : Math.sqrt(v.heldM3 / bySize)
  const side = lining.crustForm === 'shell' ? lining.crustM : 0
  const inner = (x: number) => Math.max(x * wider - 2 * side, LEAST_M)
  const heightM = Math.max(v.heightM - lining.crustM, LEAST_M)
  // Narrowest just above the crust.
  const narrow = (x: number) =>
    Math.max(x * wider * (v.taper + ((1 - v.taper) * lining.crustM) / v.heightM) - 2 * side, LEAST_M)
  const taper = Math.min(1, narrow(v.lengthM) / inner(v.lengthM))
  const common = { form, heightM, taper: form === 'ellipsoid' ? 1 : taper, insertM3: lining.insertM3 }
  if (rectangle)
    return {
      ...common,
      rimAreaM2: inner(v.lengthM) * inner(v.widthM),
      rimPerimeterM: 2 * (inner(v.lengthM) + inner(v.widthM)),
    }
  return { ...common, rimAreaM2: (Math.PI * inner(v.lengthM) ** 2) / 4, rimPerimeterM: Math.PI * inner(v.lengthM) }
}

/**
 * Volume a cavity holds to a height, beside its insert, m³; 0 while the insert alone fills it.
 * @example volumeTo(cavityOf(plainVessel('rectangle', 'metal', 0.2, 0.1, 0.05)), 0.02) // 0.0004
 */
export const volumeTo = (c: Cavity, heightM: number): number => Math.max(0, formVolume(c, heightM) - c.insertM3)
/**
 * Volume a cavity holds to the rim, m³.
 * @example cavityVolume(cavityOf(plainVessel('rectangle', 'metal', 0.2, 0.1, 0.05))) // 0.001
 */
export const cavityVolume = (c: Cavity): number => volumeTo(c, c.heightM)

/** Share of the rim's width at a height, 0–1. */
const widthShare = (c: Cavity, z: number): number => {
  const x = Math.min(Math.max(z / c.heightM, 0), 1)
  return c.form === 'ellipsoid' ? Math.sqrt(Math.max(0, 1 - (1 - x) ** 2)) : c.taper + (1 - c.taper) * x
}
/**
 * Open surface at a height, m².
 * @example areaAt(cavityOf(plainVessel('rectangle', 'metal', 0.2, 0.1, 0.05)), 0.02) // 0.02
 */
export const areaAt = (c: Cavity, heightM: number): number => c.rimAreaM2 * widthShare(c, heightM) ** 2

/**
 * Depth of a volume shared by `count` vessels, m; above the rim it goes on as wide as the rim.
 * @example depthOf(0.0004, cavityOf(plainVessel('rectangle', 'metal', 0.2, 0.1, 0.05)), 1) // 0.02
 */
export function depthOf(volumeM3: number, c: Cavity, count: number): number {
  const v = volumeM3 / count + c.insertM3
  const full = formVolume(c, c.heightM)
  if (v >= full) return c.heightM + (v - full) / c.rimAreaM2
  if (c.form === 'frustum') {
    if (Math.abs(1 - c.taper) < 1e-6) return v / c.rimAreaM2
    const s = Math.cbrt(c.taper ** 3 + (3 * (1 - c.taper) * v) / (c.rimAreaM2 * c.heightM))
    return (c.heightM * (s - c.taper)) / (1 - c.taper)
  }
  return solveFor(h => formVolume(c, h), v, 0, c.heightM)
}

/**
 * Radius of the cylinder that cools alike at a depth of fill: the one with the same ratio of area to edge, 2A/P, at its
 * mean width. Exact for a straight round vessel; for a rectangle the base and top count fully and the sides on the
 * average
 * (judgement; error grows in deep narrow loaf tins and steep bowls).
 * @example equivalentRadius(cavityOf(plainVessel('round', 'metal', 0.2, 0.2, 0.05)), 0.03) // 0.1
 */
export function equivalentRadius(c: Cavity, depthM: number): number {
  const depth = Math.min(Math.max(depthM, LEAST_M), c.heightM)
  const share = Math.sqrt(formVolume(c, depth) / depth / c.rimAreaM2)
  return ((2 * c.rimAreaM2) / c.rimPerimeterM) * share
}

/**
 * Wetted wall of the sides at a depth, m² (mean edge times depth).
 * @example sideArea(cavityOf(plainVessel('rectangle', 'metal', 0.2, 0.1, 0.05)), 0.02) // 0.012
 */
export const sideArea = (c: Cavity, depthM: number): number =>
  ((c.rimPerimeterM * (widthShare(c, 0) + widthShare(c, depthM))) / 2) * depthM

export interface Lean {
  /** Fill at the low and the high side, m. */
  lowM: number
  highM: number
  /** The most it can lean before the rim spills or the base shows, degrees. */
  mostDeg: number
}

/**
 * A round glass that leans while it sets: the surface stays level, so one side stands `R·tan θ` higher. Straight
 * sides are taken.
 * @example leanOf(cavityOf(plainVessel('glass', 'glass', 0.06, 0.06, 0.08)), 0.04, 10).highM // 0.04529
 */
export function leanOf(c: Cavity, depthM: number, tiltDeg: number): Lean {
  const radius = ((c.rimPerimeterM / (2 * Math.PI)) * (1 + c.taper)) / 2
  const rise = radius * Math.tan((tiltDeg * Math.PI) / 180)
  const room = Math.min(c.heightM - depthM, depthM)
  return {
    lowM: depthM - rise,
    highM: depthM + rise,
    mostDeg: Math.max(0, (Math.atan(room / radius) * 180) / Math.PI),
  }
}

/** Factor that brings a batch to a wanted depth in a cavity. @param lossG kept back whatever the batch, g */
export const factorToDepth = (
  c: Cavity,
  count: number,
  density: number,
  wantedDepthM: number,
  filledG: number,
  panG: number,
): number => (volumeTo(c, wantedDepthM) * count * density * 1000 + panG) / (filledG + panG)
