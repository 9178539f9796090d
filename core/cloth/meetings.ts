import { beforeOpening, findPiece, refOf, type Garment, type Seam } from '../pattern'
import type { Cloth } from './cloth'

/** What was chosen by a person for the stripes of each seam. */
export type Meets = Cloth['meets']
type MarkPair = Seam['marks'][number]

/** A pair of marks, by the one on the first side, on either half of a piece that was opened out. */
const refOfPair = ([first]: MarkPair): string => beforeOpening(refOf(first.pieceId, 'notchId' in first ? first.notchId : first.cornerId))

/** Marks that are sewn on each other on two pieces that are cut from one cloth. */
const pairsOf = (seam: Seam, pieceIds: ReadonlySet<string>): MarkPair[] =>
  seam.marks.filter(([a, b]) => a.pieceId !== b.pieceId && pieceIds.has(a.pieceId) && pieceIds.has(b.pieceId))

/** Where a seam meets on the same stripe while nobody says otherwise: its first notch, or its first mark. */
const usualPair = (pairs: readonly MarkPair[]): MarkPair | undefined =>
  pairs.find((pair) => pair.every((mark) => 'notchId' in mark)) ?? pairs[0]

/**
 * The marks at which a seam meets on the same stripe; null where it need not, or has none on two of these pieces. A choice that has gone
 * counts as none.
 */
export function pairThatMeets(seam: Seam, pieceIds: ReadonlySet<string>, meets: Meets): MarkPair | null {
  const pairs = pairsOf(seam, pieceIds)
  const chosen = meets[beforeOpening(seam.id)]
  if (chosen === null) return null
  return pairs.find((pair) => refOfPair(pair) === chosen) ?? usualPair(pairs) ?? null
}

/** A seam whose stripes can meet, and at which of its marks. */
export interface Meeting {
  seamId: string
  seamName: string
  marks: { id: string; name: string }[]
  /** The one where it meets; null where it need not. */
  metAt: string | null
}

/** What a mark is called on its piece. */
function nameOfMark(garment: Garment, [mark]: MarkPair): string {
  const piece = findPiece(garment, mark.pieceId)
  const name =
    'notchId' in mark ? piece?.notches.find((n) => n.id === mark.notchId)?.name : piece?.corners.find((c) => c.id === mark.cornerId)?.name
  return `${name ?? 'mark'}${'notchId' in mark ? ' notch' : ''}`
}

/** The seams between pieces of one cloth with the marks at which their stripes can meet, in the order of the garment's seams. */
export function meetingsOf(garment: Garment, pieceIds: ReadonlySet<string>, meets: Meets): Meeting[] {
  const own = garment.seams.filter((s) => beforeOpening(s.id) === s.id)
  return own.flatMap((seam): Meeting[] => {
    const met = pairThatMeets(seam, pieceIds, meets)
    const marks = pairsOf(seam, pieceIds).map((pair) => ({ id: refOfPair(pair), name: nameOfMark(garment, pair) }))
    return marks.length === 0 ? [] : [{ seamId: seam.id, seamName: seam.name, marks, metAt: met && refOfPair(met) }]
  })
}
