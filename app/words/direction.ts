const STRONG = /\p{L}/u
const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u
/**
 * The side a pasted text begins on, by its first letter (Unicode bidirectional algorithm, rules P2 and P3).
 * `dir="auto"` says the same, but takes the browser a minute and more on a long text in a text area.
 * @example directionOf('300 סוכר') // 'rtl'
 */
export const directionOf = (text: string): 'ltr' | 'rtl' =>
  RIGHT_TO_LEFT.test(STRONG.exec(text)?.[0] ?? '') ? 'rtl' : 'ltr'
