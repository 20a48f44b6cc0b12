/** A limit only tells what hangs from what is slow: beside other work on both cores the longest take minutes, ms. */
export const HANGS_MS = 600_000
