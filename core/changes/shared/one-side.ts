import { distance, measureLength } from '../../geometry'
import { openOut, opensOut } from '../../moves'
import { beforeOpening, edgePath, findPiece, otherHalf, shapeOf, type Garment, type Piece, type Seam, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { bodySides, otherSide, sideOfPart, type Side } from '../../seams'
import { EQUAL_MM } from '../../tolerances'
import { findBrokenOutline } from '../check-outlines'
import { SideSchema, type BodySide } from '../pinned'
import type { Applied, Caution, Field, HeldPromise, TouchedPiece } from '../types'
import { isOwn, middleOf, mirrorToSide } from './mirror-to-side'

/** On which side of the body a change is done: on both alike where nothing is said. */
export const DoneOnSchema = SideSchema.optional()

const SIDE_FIELD: Field = {
  type: 'choice',
  key: 'side',
  label: 'On the body',
  options: [
    { value: 'both', label: 'both sides alike' },
    { value: 'left', label: 'the left side only' },
    { value: 'right', label: 'the right side only' },
  ],
}

/** The choice of a side, as the form shows it, where the pieces can be told left from right. */
export const sideFields = (garment: Garment): Field[] => (bodySides(garment).size > 0 ? [SIDE_FIELD] : [])

/** What a stop is called that is done on one side. */
export const titleOnSide = (title: string, side: BodySide = 'both'): string => (side === 'both' ? title : `${title}, ${side} side`)

/** The names of pieces, as in a sentence. */
export const namesOf = (pieces: readonly Piece[]): string => {
  const names = pieces.map((p) => p.name)
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`
}

/** The pieces that are opened out after a change, and were not before it. */
export const openedBetween = (before: Garment, after: Garment): Piece[] =>
  before.pieces.filter((piece) => {
    const now = findPiece(after, piece.id)
    return opensOut(piece) && (findPiece(after, otherHalf(piece.id)) !== undefined || (now !== undefined && !opensOut(now)))
  })

/** Both garments with the pieces opened out that differ between them, alike. */
function openedAlike(before: Garment, after: Garment): Result<{ was: Garment; is: Garment; opened: Piece[] }> {
  const isChanged = (piece: Piece): boolean => {
    const now = findPiece(after, piece.id)
    return now !== piece && JSON.stringify(now?.shapes) !== JSON.stringify(piece.shapes)
  }
  const sides = bodySides(before)
  let [was, is] = [before, after]
  const opened: Piece[] = []
  for (const piece of before.pieces.filter(isChanged)) {
    if (!opensOut(piece) && piece.edges.some((e) => sideOfPart(piece, e.id) !== null)) continue
    const side = opensOut(piece) ? sides.get(piece.id) : undefined
    if (!side)
      return refuse(
        'no-sides',
        piece.name,
        'which of its halves is the left one cannot be told.',
        'Do it on both sides, or draw the piece on the fold.',
      )
    const names = [side, otherSide(side)] as const
    was = openOut(was, piece.id, names)
    is = openOut(is, piece.id, names)
    opened.push(piece)
  }
  return ok({ was, is, opened })
}

/** The same record with each part from the side of the body that it lies on. */
function parted<T>(piece: Piece, side: Side, on: Record<string, T>, off: Record<string, T>): Record<string, T> {
  const isOn = (id: string) => sideOfPart(piece, id) === side
  return Object.fromEntries([...Object.entries(on).filter(([id]) => isOn(id)), ...Object.entries(off).filter(([id]) => !isOn(id))])
}

/** A whole piece with one half of it as it is in another: both run from the fold round to the fold. */
function halfOf(was: Piece, is: Piece, side: Side): Result<Piece> {
  const takesOwn = sideOfPart(was, was.edges.find((e) => isOwn(e.id))!.id) === side
  const [own, other] = takesOwn ? [is, was] : [was, is]
  for (const sizeId of Object.keys(was.shapes)) {
    const [old, now] = [middleOf(was, sizeId), middleOf(is, sizeId)]
    if (old.some((p, i) => distance(p, now[i]!) > EQUAL_MM))
      return refuse('one-side-middle', was.name, 'this moves its middle, which both sides share.', 'Do it on both sides.')
  }
  const count = own.edges.filter((e) => isOwn(e.id)).length
  const otherCount = other.edges.filter((e) => isOwn(e.id)).length
  const part = <T extends { id: string }>(of: (piece: Piece) => readonly T[]): T[] => [
    ...of(own).filter((x) => isOwn(x.id)),
    ...of(other).filter((x) => !isOwn(x.id)),
  ]
  const shapes = Object.fromEntries(
    Object.entries(was.shapes).map(([id, old]): [string, Shape] => {
      const now = shapeOf(is, id)
      return [
        id,
        {
          // Lines that run through both halves stay where they were, and so does the grain.
          ...old,
          edges: parted(was, side, now.edges, old.edges),
          notches: parted(was, side, now.notches, old.notches),
          points: parted(was, side, now.points, old.points),
          lines: { ...old.lines, ...linesOf(was, side, now) },
        },
      ]
    }),
  )
  return ok({
    ...was,
    edges: part((p) => p.edges),
    corners: [...own.corners.slice(0, count + 1), ...other.corners.slice(otherCount + 1)],
    notches: part((p) => p.notches),
    darts: part((p) => p.darts),
    points: part((p) => p.points),
    shapes,
  })
}

/** Lines that are there twice, one in each half, where they lie on the side. */
const linesOf = (piece: Piece, side: Side, shape: Shape): Shape['lines'] =>
  Object.fromEntries(
    Object.entries(shape.lines).filter(
      ([id]) =>
        piece.lines.some((l) => l.id === otherHalf(beforeOpening(id))) &&
        piece.lines.some((l) => l.id === id) &&
        sideOfPart(piece, id) === side,
    ),
  )

/** Is anything of a piece that lies on a side another after the change? */
const changesOn = (was: Piece, is: Piece, side: Side): boolean =>
  was !== is &&
  Object.keys(was.shapes).some((id) => {
    const [old, now] = [shapeOf(was, id), shapeOf(is, id)]
    return (['edges', 'notches', 'points'] as const).some((part) =>
      Object.entries(now[part]).some(([at, x]) => sideOfPart(is, at) === side && JSON.stringify(x) !== JSON.stringify(old[part][at])),
    )
  })

/** On which side of the body a seam lies, as one of its parts says. */
function sideOfSeam(garment: Garment, seam: Seam): Side | null {
  for (const { pieceId, edgeId } of seam.sides.flat()) {
    const side = sideOfPart(findPiece(garment, pieceId)!, edgeId)
    if (side) return side
  }
  return null
}

/** The edges of a piece that lie on a side of the body, or of both pieces of a pair, in a size: their lengths, mm. */
const edgesOn = (garment: Garment, pieceId: string, side: Side, sizeId: string): Map<string, number> =>
  new Map(
    garment.pieces
      .filter((p) => beforeOpening(p.id) === beforeOpening(pieceId))
      .flatMap((piece) =>
        piece.edges
          .filter((e) => sideOfPart(piece, e.id) === side)
          .map((e): [string, number] => [`${piece.id} ${e.id}`, measureLength(edgePath(shapeOf(piece, sizeId), e.id))]),
      ),
  )

/** Every edge of a piece on a side of the body is as long on one garment as on another. */
function heldEdges(label: string, wanted: Garment, is: Garment, piece: Piece, side: Side, sizeId: string): HeldPromise {
  const [was, now] = [wanted, is].map((garment) => edgesOn(garment, piece.id, side, sizeId)) as [Map<string, number>, Map<string, number>]
  const sum = (edges: Map<string, number>) => [...edges.values()].reduce((all, mm) => all + mm, 0)
  const held = was.size === now.size && [...now].every(([id, mm]) => Math.abs(mm - (was.get(id) ?? Infinity)) <= EQUAL_MM)
  return { label, where: piece.name, before: sum(was), after: sum(now), unit: 'mm', allowed: EQUAL_MM, held }
}

/**
 * What a change did to both sides of the body alike, done on one of them: the pieces that it altered are opened out, a piece on the fold as
 * a whole one, a pair as two; the other side stays as it was. What both sides share, the middle of a piece, may not move. Promises of the
 * change are those of both sides; that the one is as they are, and that the other is as it was, is promised beside them.
 * Refuses: a piece whose sides cannot be told, a change that moves a middle or has nothing on that side, one that leaves an outline
 * crossing itself.
 *
 * @param before the garment before the change
 * @param applied what it did to both sides
 */
export function onOneSide<I>(before: Garment, applied: Applied<I>, side: Side, sizeId: string): Result<Applied<I>> {
  const both = openedAlike(before, applied.garment)
  if (!both.ok) return both
  const { was, is, opened } = both.value
  const changed = was.pieces.filter((piece) => changesOn(piece, findPiece(is, piece.id)!, side))
  if (changed.length === 0)
    return refuse(
      'not-on-side',
      'garment',
      `nothing of what it changes lies on the ${side} side.`,
      `Choose a piece of the ${side} side, or both sides.`,
    )
  const pieces: Piece[] = []
  for (const piece of was.pieces) {
    const now = findPiece(is, piece.id)!
    const lies = new Set(piece.edges.map((e) => sideOfPart(piece, e.id)))
    const own = lies.size > 1 && now !== piece ? halfOf(piece, now, side) : ok(lies.has(side) ? now : piece)
    if (!own.ok) return own
    pieces.push(own.value)
  }
  const seams = is.seams.map((seam) => (sideOfSeam(is, seam) === side ? seam : (was.seams.find((s) => s.id === seam.id) ?? seam)))
  const garment = { ...was, pieces, seams }
  const broken = findBrokenOutline(was, garment)
  if (broken !== null) return refuse('broken-outline', broken.where, `${broken.what}.`, 'Try a smaller figure.')
  const off = otherSide(side)
  const held = changed.flatMap((piece) => [
    heldEdges(`${side} side, edges as on both sides`, is, garment, piece, side, sizeId),
    heldEdges(`${off} side, edges`, was, garment, piece, off, sizeId),
  ])
  return ok({
    ...applied,
    garment,
    touched: touchedOn(applied.touched, was, garment, side, sizeId),
    held: [...applied.held, ...held],
    moves: [],
    arrows: undefined,
    cautions: [...openedCaution<I>(opened), ...applied.cautions],
    alike: applied,
  })
}

/** The pieces that a change is about, on the side that it is done on, each once. */
function touchedOn(touched: readonly TouchedPiece[], was: Garment, garment: Garment, side: Side, sizeId: string): TouchedPiece[] {
  const there = touched.map((t): TouchedPiece => {
    const level = t.levels[0]?.line.from ?? shapeOf(findPiece(garment, t.pieceId)!, sizeId).grain.from
    const to = mirrorToSide(garment, t.pieceId, level, side, sizeId)
    if (!to) return t
    const levels = t.levels.map((l) => ({ ...l, line: { from: to.mirror(l.line.from), to: to.mirror(l.line.to) } }))
    return { ...t, pieceId: to.pieceId, levels }
  })
  const isChanged = (id: string) => findPiece(garment, id) !== findPiece(was, id)
  return there.filter((t, i) => isChanged(t.pieceId) && there.findIndex((o) => o.pieceId === t.pieceId) === i)
}

function openedCaution<I>(opened: readonly Piece[]): Caution<I>[] {
  const [first, ...others] = opened
  if (!first) return []
  const each = others.length > 0 ? ', each piece for its side' : ''
  return [
    {
      code: 'opened-out',
      pieceId: first.id,
      message: `Opened out: ${namesOf(opened)}. Left and right are cut differently now${each}.`,
    },
  ]
}
