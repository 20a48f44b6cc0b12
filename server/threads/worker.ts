/** Entry of a worker thread; bundled beside the server by `modules/threads.ts`. */
export * from './tasks'
