/** Which version of a formula comes out as meant most surely, from the batches made by each. */

/** A batch as it counts for its version. */
export interface Judged {
  versionId: string
  /** As meant or not; null: nobody said. */
  asMeant: boolean | null
}
export interface VersionCount {
  versionId: string
  batches: number
  judged: number
  asMeant: number
  /** The share that comes out as meant is at least this, in 9 of 10 such cases. */
  atLeast: number
}
/** One-sided 90 %. */
const Z = 1.2816

/**
 * Lower end of what a share may be, from so many of so many: (p̂ + z²/2n − z·√(p̂(1−p̂)/n + z²/4n²)) / (1 + z²/n).
 * Source: Wilson, J. Am. Stat. Assoc. 22 (1927) (from memory).
 * @example shareAtLeast(0, 0) // 0
 */
export function shareAtLeast(good: number, of: number): number {
  if (of === 0) return 0
  const [p, zz] = [good / of, Z ** 2]
  return (p + zz / (2 * of) - Z * Math.sqrt((p * (1 - p)) / of + zz / (4 * of ** 2))) / (1 + zz / of)
}

/**
 * Versions by how surely they come out as meant, the surest first.
 * @example byVersion([{ versionId: 'a', asMeant: true }])[0].asMeant // 1
 */
export function byVersion(batches: readonly Judged[]): VersionCount[] {
  const ids = [...new Set(batches.map(b => b.versionId))]
  return ids.map((versionId) => {
    const mine = batches.filter(b => b.versionId === versionId)
    const [judged, asMeant] = [mine.filter(b => b.asMeant !== null).length, mine.filter(b => b.asMeant).length]
    return { versionId, batches: mine.length, judged, asMeant, atLeast: shareAtLeast(asMeant, judged) }
  }).sort((a, b) => b.atLeast - a.atLeast || b.batches - a.batches)
}
