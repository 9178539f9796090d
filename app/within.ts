import { sayFault } from '~/messages'
import { usePrefs } from '~/stores/prefs'

/** Takes a typed length where it makes sense, or says which do: “A roll is between 10 in and 78 in.” */
export function takeWithin(
  mm: number,
  { least, most, what }: { least: number; most: number; what: string },
  take: (mm: number) => void,
): void {
  const prefs = usePrefs()
  if (mm >= least && mm <= most) take(mm)
  else sayFault(`${what} is between ${prefs.length(least)} and ${prefs.length(most)}: type it again.`)
}
