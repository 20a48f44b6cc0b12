/** Which figures a calibration tells, and which it cannot know yet: what is shown is what is accepted. */
import type { Theta } from '../kitchen/spreads'
import type { Calibration, Found } from './calibrate'

/** Known: by less than this share of what was open before; worth telling: this share of it off what is stated. */
const KNOWN = 0.8
const TELLS = 0.25

/** Open before, in the value's own unit: of a factor its logarithm's spread, of an offset its degrees. */
const isKnown = (p: Found) => p.batches > 0 && p.spread < KNOWN * p.prior.spread

/**
 * What a calibration tells of a kitchen, and what it leaves open.
 * @example toldBy({ parameters: [] }).told.length // 0
 */
export const toldBy = ({ parameters }: Pick<Calibration, 'parameters'>): { told: Found[], open: Found[] } => ({
  told: parameters.filter(p => isKnown(p) && Math.abs(p.value - p.prior.value) > TELLS * p.prior.spread),
  open: parameters.filter(p => !isKnown(p)),
})
/** What counts once it is accepted. @example thetaBy({ parameters: [] }) // {} */
export const thetaBy = (c: Pick<Calibration, 'parameters'>): Theta =>
  Object.fromEntries(toldBy(c).told.map(p => [p.id, p.value]))
