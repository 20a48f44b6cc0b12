/** Limits that browser and server share. */
/** Largest body a write may have, bytes. */
export const BODY_LIMIT = 1_000_000
/** Largest picture, bytes. */
export const PHOTO_LIMIT = 6_000_000
