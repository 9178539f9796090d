import { formatLength, type Ruler } from '../units'
import { USE_NAMES, type Use } from './cloth'
import { lengthToBuy, type Lay } from './make-lay'

/** What is said of a lay on paper: from which cloth and how much, and how it lies. */
export function layWords(lay: Lay, use: Use, ruler: Ruler): { name: string; lines: string[] } {
  const { cloth, used } = lay
  const length = (mm: number) => formatLength(mm, ruler)
  const lies = [cloth.isFolded ? 'folded along its length' : 'flat', ...(cloth.isOneWay ? ['all pieces one way'] : [])].join(', ')
  return {
    name: `${USE_NAMES[use]}: ${length(lengthToBuy(lay))}`,
    lines: [
      `${length(cloth.widthMm)} wide, ${lies}. ${Math.round(used * 100)} % of it is used.`,
      ...(cloth.repeatMm > 0 ? [`Stripes across it repeat every ${length(cloth.repeatMm)}.`] : []),
      ...(cloth.repeatAcrossMm > 0
        ? [`Stripes along it repeat every ${length(cloth.repeatAcrossMm)}; one lies on the ${cloth.isFolded ? 'fold' : 'lower border'}.`]
        : []),
    ],
  }
}
