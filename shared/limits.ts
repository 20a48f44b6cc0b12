/** Limits that browser and server share. */
/** Largest body a write may have, bytes. */
export const BODY_LIMIT = 1_000_000
