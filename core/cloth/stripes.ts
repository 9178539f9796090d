import { beforeOpening, findPiece, type EdgeRole, type Garment, type Piece, type Seam } from '../pattern'
import type { Cloth } from './cloth'
import { edgeAcross, grainAcross, markAcross, markAlong, middleAcross, type LayItem } from './lay-items'
import { pairThatMeets, type Meets } from './meetings'

/** Stripes that meet within this are matched, mm. */
export const STRIPE_MM = 0.5

/** Two marks that are sewn on each other, with where each lies. */
interface Link<E> {
  seamName: string
  ends: [E, E]
}
interface End {
  pieceId: string
  atMm: number
}
/** An end across the grain: to which side of it its piece lies. */
type EndAcross = End & { inward: 1 | -1 }

/** The marks of some seams that meet on one stripe, each with where it lies on its piece. */
function linksOf<E extends End>(
  garment: Garment,
  seams: readonly Seam[],
  here: ReadonlySet<string>,
  meets: Meets,
  place: (piece: Piece, mark: Seam['marks'][number][0]) => Omit<E, 'pieceId'> | null,
): Link<E>[] {
  return seams.flatMap((seam): Link<E>[] => {
    const ends = (pairThatMeets(seam, here, meets) ?? []).flatMap((mark): E[] => {
      const piece = findPiece(garment, mark.pieceId)
      const at = piece ? place(piece, mark) : null
      return at === null ? [] : [{ ...at, pieceId: mark.pieceId } as E]
    })
    const [a, b] = ends
    return a && b ? [{ seamName: seam.name, ends: [a, b] }] : []
  })
}

const restOf = (mm: number, repeatMm: number) => ((mm % repeatMm) + repeatMm) % repeatMm
const isMatched = (offMm: number, repeatMm: number) => {
  const rest = restOf(offMm, repeatMm)
  return Math.min(rest, repeatMm - rest) <= STRIPE_MM
}

/**
 * Where along the cloth each item may lie so that seams meet on the same stripe: its own beginning, to the nearest repeat, mm. Pieces
 * are led from one to the next by the marks of the seams between them that meet; a piece that meets two others keeps to the first.
 *
 * @returns by item, and the names of seams that could not be led so
 */
export function stripePhases(
  garment: Garment,
  items: readonly LayItem[],
  sizeId: string,
  { repeatMm, meets }: Pick<Cloth, 'repeatMm' | 'meets'>,
): { phases: ReadonlyMap<string, number>; unmatched: string[] } {
  // What is cut from another cloth has no stripe to meet.
  const here = new Set(items.map((i) => i.pieceId))
  const links = linksOf<End>(garment, garment.seams, here, meets, (piece, mark) => {
    const atMm = markAlong(piece, sizeId, mark)
    return atMm === null ? null : { atMm }
  })
  const phaseOf = new Map<string, number>()
  const lead = ({ ends: [a, b] }: Link<End>): boolean => {
    const [from, to] = phaseOf.has(a.pieceId) ? [a, b] : [b, a]
    const phase = phaseOf.get(from.pieceId)
    if (phase === undefined || phaseOf.has(to.pieceId)) return false
    phaseOf.set(to.pieceId, restOf(phase + from.atMm - to.atMm, repeatMm))
    return true
  }
  for (const { pieceId } of items) {
    if (!phaseOf.has(pieceId)) phaseOf.set(pieceId, 0)
    // Each round leads at least one more piece, or is the last.
    while (links.filter(lead).length > 0);
  }
  const isOff = ({ ends: [a, b] }: Link<End>) => !isMatched(phaseOf.get(a.pieceId)! + a.atMm - phaseOf.get(b.pieceId)! - b.atMm, repeatMm)
  return {
    phases: new Map(items.map((i) => [i.id, phaseOf.get(i.pieceId) ?? 0])),
    unmatched: [...new Set(links.filter(isOff).map((l) => l.seamName))],
  }
}

/** Edges of seams that run up and down: stripes along the cloth meet there, mirrored in the seam. */
const UPRIGHT: readonly EdgeRole[] = ['side', 'panel', 'inseam', 'outseam', 'underarm']
/** Of these, seams along which a piece without a centre of its own is led. */
const LEADING: readonly EdgeRole[] = ['side', 'panel']

/** Where the centre of a piece lies across its grain, mm: an edge at it, or the middle of a piece that was opened at its fold. */
function centreAcross(piece: Piece, asBought: Piece | undefined, sizeId: string): number | null {
  const edge = piece.edges.find((e) => e.fold || e.role === 'centre-front' || e.role === 'centre-back')
  if (edge) return edgeAcross(piece, sizeId, edge.id)
  return asBought?.edges.some((e) => e.fold) ? middleAcross(piece, sizeId) : null
}

/**
 * Where across its grain each piece has a stripe that runs along the cloth, mm: at its centre; where it has none, so that it meets the
 * piece beside it at the mark of a side or panel seam that meets, as far from the seam on both; else at its grainline, as the crease of a
 * leg and the middle of a sleeve lie.
 *
 * @param asBought the garment before folds were opened
 * @returns by piece, and the names of upright seams at which stripes do not meet
 */
export function stripesAcross(
  garment: Garment,
  asBought: Garment,
  items: readonly LayItem[],
  sizeId: string,
  { repeatAcrossMm, meets }: Pick<Cloth, 'repeatAcrossMm' | 'meets'>,
): { stripes: ReadonlyMap<string, number>; unmatched: string[] } {
  const pieces = [...new Set(items.map((i) => i.pieceId))].map((id) => findPiece(garment, id)!)
  const runsAs = (roles: readonly EdgeRole[]) =>
    garment.seams.filter((s) =>
      s.sides.flat().every((r) => roles.includes(findPiece(garment, r.pieceId)!.edges.find((e) => e.id === r.edgeId)!.role)),
    )
  const here = new Set(pieces.map((p) => p.id))
  const linked = (seams: readonly Seam[]) =>
    linksOf<EndAcross>(garment, seams, here, meets, (piece, mark) => markAcross(piece, sizeId, mark))
  const stripes = new Map<string, number>()
  for (const piece of pieces) {
    const centre = centreAcross(piece, findPiece(asBought, beforeOpening(piece.id)), sizeId)
    if (centre !== null) stripes.set(piece.id, centre)
  }
  const leading = linked(runsAs(LEADING))
  const lead = ({ ends: [a, b] }: Link<EndAcross>): boolean => {
    const [from, to] = stripes.has(a.pieceId) ? [a, b] : [b, a]
    const at = stripes.get(from.pieceId)
    if (at === undefined || stripes.has(to.pieceId)) return false
    stripes.set(to.pieceId, to.atMm + to.inward * from.inward * (at - from.atMm))
    return true
  }
  while (leading.filter(lead).length > 0);
  for (const piece of pieces) if (!stripes.has(piece.id)) stripes.set(piece.id, grainAcross(piece, sizeId))
  const isOff = ({ ends: [a, b] }: Link<EndAcross>) => {
    const [at, other] = [stripes.get(a.pieceId), stripes.get(b.pieceId)]
    if (at === undefined || other === undefined) return false
    return !isMatched((at - a.atMm) * a.inward - (other - b.atMm) * b.inward, repeatAcrossMm)
  }
  return {
    stripes,
    unmatched: [
      ...new Set(
        linked(runsAs(UPRIGHT))
          .filter(isOff)
          .map((l) => l.seamName),
      ),
    ],
  }
}
