import type { FoldedStop } from '../changes'
import { formatLength, type Ruler } from '../units'

/** A stop as it stands on paper: its title, with its amount and the sign of it; a figure that is a place has no sign. */
export const stopInWords = (
  { title, amountMm, isPlace }: Omit<FoldedStop['words'], 'isPlace'> & { isPlace?: boolean },
  ruler: Ruler,
): string => (amountMm === null ? title : `${title} ${formatLength(amountMm, ruler, { signed: !isPlace })}`)

/** The stops that were done, as they stand on every piece. */
export const changesInWords = (stops: readonly Pick<FoldedStop, 'status' | 'words'>[], ruler: Ruler): string[] =>
  stops.filter((s) => s.status === 'applied').map((s) => stopInWords(s.words, ruler))
