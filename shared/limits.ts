/** Limits that browser and server share. */
/** Largest body a write may have, bytes. */
export const BODY_LIMIT = 1_000_000
/** Largest picture, bytes. */
export const PHOTO_LIMIT = 6_000_000
/** A whole kitchen's file, bytes. */
export const KITCHEN_FILE_LIMIT = 64_000_000
