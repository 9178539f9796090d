import { z } from 'zod'

/** The last moment with a year of four digits: later ones are slips, and are written in another way. */
const LAST_MOMENT = Date.parse('9999-12-31')

/** A moment, as it is stored: what `Date.toISOString` gives. */
export const When = z.string().refine((s) => Date.parse(s) >= 0 && Date.parse(s) <= LAST_MOMENT, { message: 'it is not a time' })
