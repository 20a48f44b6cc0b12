/** The reader's door. */
export { readText, readWhole, tooLong, type ReadOptions } from './read'
export * from './reading'
