/** Dates at the wire: as written, and such as there are. */
import { isValid, parseISO } from 'date-fns'
import * as yup from 'yup'

/** 30 February is no date. @example isDay('2026-02-30') // false */
export const isDay = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text)) && Number(text.slice(0, 4)) >= 1900
/** A day and a time of the kitchen's own clock: `2026-11-28T08:30`, with seconds or without. */
export const isMoment = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?$/.test(text) && isDay(text.slice(0, 10)) && isValid(parseISO(text))

export const day = () =>
  yup
    .string()
    .strict()
    .max(10)
    .test('date', '${path} must be a date', v => typeof v !== 'string' || isDay(v))
/** A moment, or '' while there is none. */
export const momentOrNone = () =>
  yup
    .string()
    .strict()
    .max(19)
    .defined()
    .test('date', '${path} must be a date and time', v => v === '' || (typeof v === 'string' && isMoment(v)))
