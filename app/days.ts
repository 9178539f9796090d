import { differenceInCalendarDays, isToday, lightFormat } from 'date-fns'

/** The day that it is here, as days are stored: 2026-11-27. */
export const today = (): string => dayOf(new Date().toISOString())

/** The day that it was here at a moment, as days are stored. */
export const dayOf = (at: string): string => lightFormat(new Date(at), 'yyyy-MM-dd')

/** A stored day is one of the calendar, the same in every zone of the clock. */
const written = (day: string, place: string | undefined, how: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat(place, { ...how, timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`))

/**
 * A stored day as people read it, written as the place writes it: 27 Nov 2026, Nov 27, 2026, 27.11.2026.
 * @param place a language with its place (en-GB); that of the browser when left out
 */
export const showDay = (day: string, place?: string): string => written(day, place, { dateStyle: 'medium' })

/** The same, short, for the axis of a chart. */
export const showDayShort = (day: string, place?: string): string =>
  written(day, place, { day: 'numeric', month: 'short', year: '2-digit' })

/** When something was done, a moment as moments are stored: only the clock where it was today, else the day as well. */
export function showMoment(at: string, place?: string): string {
  const moment = new Date(at)
  const clock = { hour: '2-digit', minute: '2-digit' } as const
  const how: Intl.DateTimeFormatOptions = isToday(moment) ? clock : { day: 'numeric', month: 'short', ...clock }
  return new Intl.DateTimeFormat(place, how).format(moment)
}

/** Days of the calendar here from a moment to now. */
export const daysSince = (at: string): number => differenceInCalendarDays(new Date(), new Date(at))
