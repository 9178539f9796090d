import { MOST_ALONG_MM, MOST_PINNED_MM } from '~~/core/changes'
import { lengthToken, writeLengths } from '~~/core/units'
import { sayFault } from '~/messages'
import { usePrefs } from '~/stores/prefs'

/** Is a typed amount one that is measured or pinned in a fitting? One that is larger is said, and not taken. */
export function isPinnable(mm: number, most = MOST_PINNED_MM): boolean {
  if (mm <= most) return true
  sayFault(writeLengths(`No more than ${lengthToken(most)} is measured or pinned in a fitting: type it again.`, usePrefs().ruler))
  return false
}

/** Can something lie so far along an edge? */
export const isOnAnEdge = (mm: number): boolean => isPinnable(mm, MOST_ALONG_MM)
