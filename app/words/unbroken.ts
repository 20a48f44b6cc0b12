const FIGURE = /(\d) (?=(?:g|kg|mg|mm|cm|m|ml|l|s|min|h|days?|W|Pa|%|°C|°F)(?![\p{L}\d]))/gu
const HOURS = /(\d\u00a0h) (?=\d\d\b)/g
/**
 * A sentence in which no figure stands on another line than its unit: for what is shown large, never for what is
 * exported.
 * @example unbroken('holds 1 h 15') // 'holds 1\u00a0h\u00a015'
 */
export const unbroken = (text: string): string => text.replace(FIGURE, '$1\u00a0').replace(HOURS, '$1\u00a0')
