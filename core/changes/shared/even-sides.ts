import { scale, type Path, alongGrain } from '../../geometry'
import { displacePath } from '../../moves'
import {
  edgePath,
  findPiece,
  frameOf,
  grainDirection,
  neighbours,
  shapeOf,
  type EdgeRole,
  type RunEdge,
  type Garment,
  type Seam,
  surplusOf,
} from '../../pattern'
import { SEAM_KEPT_MM } from '../../tolerances'
import { nearestWanted } from './evened'

/** Sides of a seam that came out further apart than this are evened at their lower end, mm: a fifth of what may remain. */
const EVEN_MM = SEAM_KEPT_MM / 5

/** A seam that is off its wanted ease by no more than this as bought was meant to have that ease, mm; by more it was drawn so. */
const MEANT_MM = 1

/** Rounds of moving an end: it slants, and its neighbour is drawn to it. */
const ROUNDS = 4

/** Seams that run down a body or a limb: their lower ends lie at a hem, a waist or an opening. */
const SIDES: EdgeRole[] = ['side', 'outseam', 'inseam', 'underarm']

/** The lower end of a side that was moved along the grain so that its seam is even. */
export interface EvenedEnd {
  seam: Seam
  pieceId: string
  /** The edge that begins at the corner which was moved. */
  cornerOf: string
  /** Down when positive, mm. */
  mm: number
}

/** The end of a run of edges that lies lower on its piece, with the edge beside it there; null where it goes on along the same side. */
function lowerEnd(garment: Garment, runs: readonly RunEdge[], sizeId: string) {
  const ends = [runs[0]!, runs[runs.length - 1]!].map((run, i) => {
    const piece = findPiece(garment, run.pieceId)!
    const shape = shapeOf(piece, sizeId)
    const path = edgePath(shape, run.edgeId)
    const atStart = i === 0 ? !run.reversed : run.reversed
    const corner = atStart ? path[0]!.from : path[path.length - 1]!.to
    return { piece, shape, edgeId: run.edgeId, atStart, level: alongGrain(corner, grainDirection(shape)) }
  })
  const end = ends[0]!.level > ends[1]!.level ? ends[0]! : ends[1]!
  const { before, after } = neighbours(end.piece, end.edgeId)
  const beside = end.atStart ? before : after
  return runs.some((r) => r.pieceId === end.piece.id && r.edgeId === beside.id) || beside.role === 'dart-leg' ? null : { ...end, beside }
}

/** A garment whose run of edges ends so much further down its piece, mm, the edge beside it drawn to the new corner. */
function letDown(garment: Garment, end: NonNullable<ReturnType<typeof lowerEnd>>, mm: number, sizeId: string): Garment {
  const { piece, shape, edgeId, atStart, beside } = end
  const grain = grainDirection(shape)
  const by = scale(grain, mm)
  const none = { x: 0, y: 0 }
  const { down, across } = frameOf(piece, shape)
  const moved = (path: Path, measured: typeof down, start: boolean, eased: boolean) =>
    displacePath(path, measured, start ? by : none, start ? none : by, eased ? { eased: true } : {})
  const edges = {
    ...shape.edges,
    [edgeId]: moved(edgePath(shape, edgeId), down, atStart, false),
    [beside.id]: moved(edgePath(shape, beside.id), across, !atStart, true),
  }
  return {
    ...garment,
    pieces: garment.pieces.map((p) => (p.id === piece.id ? { ...p, shapes: { ...p.shapes, [sizeId]: { ...shape, edges } } } : p)),
  }
}

/**
 * Two sides of a seam that were redrawn at different slants change their lengths a little differently. The first side is let down,
 * or taken up, at its lower corner, along the grain, until the seam has the ease that it wants; the edge beside it follows. Always
 * the first, so that a change and its opposite give the garment again. Only seams whose pieces were both changed: a partner that
 * was left out stays off.
 *
 * @param before the garment before the change
 * @param options the sizes that the new one was made from; whether one side may have been changed alone, which is then the one evened
 * @returns the garment, and the ends that were moved; a side that cannot be evened so stays, and its seam's promise says by how much
 */
export function evenSides(
  before: Garment,
  after: Garment,
  sizeId: string,
  { from = [sizeId], alone = false }: { from?: readonly string[]; alone?: boolean } = {},
): { garment: Garment; ends: EvenedEnd[] } {
  const isChanged = (run: RunEdge) => findPiece(before, run.pieceId)?.shapes[sizeId] !== findPiece(after, run.pieceId)?.shapes[sizeId]
  const roleOf = (run: RunEdge) => findPiece(after, run.pieceId)!.edges.find((e) => e.id === run.edgeId)!.role
  const ends: EvenedEnd[] = []
  const garment = after.seams.reduce((now, seam) => {
    const runs = seam.sides.flat()
    const changed = seam.sides.map((side) => side.some(isChanged))
    if (!runs.every((r) => SIDES.includes(roleOf(r))) || !(alone ? changed.some(Boolean) : changed.every(Boolean))) return now
    const side = changed[0] ? 0 : 1
    const target = wantedSurplus(before, after, seam, sizeId, from)
    const missing = (g: Garment) => target - surplusOf(g, seam, sizeId)
    const off = missing(now)
    if (Math.abs(off) <= EVEN_MM) return now
    const found = lowerEnd(now, seam.sides[side], sizeId)
    if (!found) return now
    let [mm, tried] = [0, now]
    for (let round = 0; round < ROUNDS && Math.abs(missing(tried)) > EVEN_MM / 10; round++) {
      mm += side === 0 ? missing(tried) : -missing(tried)
      tried = letDown(now, found, mm, sizeId)
    }
    if (!(Math.abs(missing(tried)) < EVEN_MM)) return now
    const next = neighbours(found.piece, found.edgeId).after
    ends.push({ seam, pieceId: found.piece.id, cornerOf: found.atStart ? found.edgeId : next.id, mm })
    return tried
  }, after)
  return { garment, ends }
}

/** The surplus that a seam is meant to have: its wanted ease, or what it was drawn with where that is plainly another. */
function wantedSurplus(before: Garment, after: Garment, seam: Seam, sizeId: string, from: readonly string[]): number {
  const is = surplusOf(after, seam, sizeId)
  const drawn = from.map((id) => surplusOf(before, seam, id))
  if (drawn.some((mm) => Math.abs(mm - nearestWanted(seam, mm)) <= MEANT_MM)) return nearestWanted(seam, is)
  return drawn.reduce((a, b) => (Math.abs(b - is) < Math.abs(a - is) ? b : a))
}
