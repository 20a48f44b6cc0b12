/** The demo's formulas as they lie on the bench. */
import { benchOf } from '../../core/formula/bench'
import { demoFormulas } from '../../server/database/demo'

export const demoBenches = () => demoFormulas().map(({ id, document }) => ({ id, document: benchOf(document) }))
