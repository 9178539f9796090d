import type { Piece } from '../../pattern'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { used } from '../shared/reading/amounts'
import { isHeight, saidLevel } from '../shared/reading/levels'
import type { LevelsInputs } from '../shared/levels/schema'
import type { Reading } from '../types'

export const LONGER: readonly Concept[] = ['longer', 'too-short']
export const SHORTER: readonly Concept[] = ['shorter', 'too-long']

/** The same wish, as if its place were said in these words alone. */
export const saidAs = (wish: Wish, ...words: Concept[]): Wish => ({
  ...wish,
  said: new Set(words),
  tokens: words.map((concept) => ({ is: 'concept', concept, text: concept })),
})

/** “1/2 above the elbow and 3/4 below”: two lines at once, each with its share. */
export function readTwoLines(
  pieces: readonly Piece[],
  uses: readonly Concept[],
  wish: Wish,
  way: 1 | -1,
  sizeId: string,
): Reading<LevelsInputs>[] {
  const name = wish.tokens.flatMap((t) => (t.is === 'concept' && isHeight(t.concept) ? [t.concept] : []))[0]
  const of = (word: Concept) => wish.amounts.find((a) => a.beside.has(word))
  const [one] = wish.amounts
  const isShared = wish.amounts.length === 1
  const [above, below] = [of('above'), of('below')]
  if (!name || (!isShared && (!above || !below || above === below)) || wish.amounts.some((a) => a.sign !== 0)) return []
  const partsMm = isShared ? [one!.mm / 2, one!.mm / 2] : [above!.mm, below!.mm]
  const wholeMm = partsMm[0]! + partsMm[1]!
  return pieces.slice(0, 1).flatMap((piece): Reading<LevelsInputs>[] => {
    const levels = (['above', 'below'] as const).map((word) => saidLevel(piece, sizeId, saidAs(wish, word, name)))
    if (!levels[0] || !levels[1] || wholeMm === 0) return []
    const lines = [levels[0], levels[1]].map((l, i) => ({ ...l.level, id: `line-${i + 1}`, share: partsMm[i]! / wholeMm }))
    return [
      {
        inputs: { amountMm: way * wholeMm, pieceId: piece.id, levels: lines, leftOut: [] },
        uses: [...used(wish, ...LONGER, ...SHORTER, 'above', 'below', 'length', 'each'), name, ...uses],
        // One figure for two lines may be meant for each.
        sure: !isShared,
        towards: way,
        how: (['above', 'below'] as const)
          .map((word, i) => `${lengthToken(partsMm[i]!)} ${word} the ${name} (${levels[i]!.where})`)
          .join(', '),
      },
    ]
  })
}
