/** The part of `quadprog` that is used; arrays count from 1. */
declare module 'quadprog' {
  const quadprog: {
    solveQP: (D: number[][], d: number[], A: number[][], b: number[]) => { solution: number[], message: string }
  }
  export default quadprog
}
