import { format, parseISO } from 'date-fns'

/** The day that it is here, as days are stored: 2026-11-27. */
export const today = (): string => format(new Date(), 'yyyy-MM-dd')

/** A stored day as people read it: 27 Nov 2026. It is a day of the calendar, the same in every zone of the clock. */
export const showDay = (day: string): string => format(parseISO(day), 'd MMM yyyy')

/** The same, short, for the axis of a chart: 27 Nov 26. */
export const showDayShort = (day: string): string => format(parseISO(day), 'd MMM yy')
