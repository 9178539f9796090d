import { MOST_PINNED_MM } from '~~/core/changes'
import { lengthToken, writeLengths } from '~~/core/units'
import { sayFault } from '~/messages'
import { usePrefs } from '~/stores/prefs'

/** Is a typed amount one that is measured or pinned in a fitting? One that is larger is said, and not taken. */
export function isPinnable(mm: number): boolean {
  if (mm <= MOST_PINNED_MM) return true
  sayFault(writeLengths(`No more than ${lengthToken(MOST_PINNED_MM)} is measured or pinned in a fitting: type it again.`, usePrefs().ruler))
  return false
}
