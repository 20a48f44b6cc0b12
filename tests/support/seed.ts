/** One seed for every property test, so that a run can be repeated; change it, or raise the runs, to look further. */
import fc from 'fast-check'

fc.configureGlobal({ seed: 20261128 })
