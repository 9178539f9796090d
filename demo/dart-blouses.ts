import { measureLength } from '../core/geometry'
import { finishTip, moveDart } from '../core/darts'
import { dartIn, findPiece, shapeOf, type Dart, type Garment, type Piece } from '../core/pattern'
import { draftBlouse } from './blouse'

/** Fronts of the lamplighter's blouse with its shape in other places: the same angle about the same apex. */
const FRONT = 'front'
const SIZE = 'one'

const front = (garment: Garment): Piece => findPiece(garment, FRONT)!
const apex = (garment: Garment) => () => shapeOf(front(garment), SIZE).points.apex!

/** A dart moved, or a share of it, with its tip drawn back and called after its place. */
function turned(garment: Garment, edgeId: string, along: number, share: number, tipBackMm: number, name: string): Garment {
  const length = measureLength(shapeOf(front(garment), SIZE).edges[edgeId]!)
  const at = apex(garment)
  const mouthOf = () => ({ edgeId, fromMm: length * along, toMm: length * along })
  const moved = moveDart(garment, { pieceId: FRONT, dartId: 'side-dart', apexOf: at, mouthOf, share, trued: true })
  return called(finishTip(moved.garment, FRONT, moved.dartId, at, tipBackMm), moved.dartId, name)
}

/** A dart called by another name, with its legs and corners. */
function called(garment: Garment, dartId: string, name: string): Garment {
  const piece = front(garment)
  const old = dartIn(piece, dartId).name
  const rename = <T extends { name: string }>(x: T): T => ({
    ...x,
    name: x.name.startsWith(`${old},`) ? x.name.replace(old, name) : x.name,
  })
  const made: Piece = {
    ...piece,
    edges: piece.edges.map(rename),
    corners: piece.corners.map(rename),
    darts: piece.darts.map((d): Dart => (d.id === dartId ? { ...d, name } : d)),
  }
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === FRONT ? made : p)) }
}

/** Without its sleeve: the armhole is finished by itself. */
function sleeveless(garment: Garment): Garment {
  const uses = (pieceId: string) => garment.seams.filter((s) => s.sides.flat().some((r) => r.pieceId === pieceId)).map((s) => s.id)
  const gone = new Set(uses('sleeve'))
  return { ...garment, pieces: garment.pieces.filter((p) => p.id !== 'sleeve'), seams: garment.seams.filter((s) => !gone.has(s.id)) }
}

/** A front with its dart from the armhole. */
export const draftArmholeDart = (): Garment => turned(draftBlouse(), 'armhole', 0.6, 1, 50, 'armhole dart')

/** A front whose dart slants up from low on the side. */
export const draftSlantedDart = (): Garment => turned(draftBlouse(), 'side-lower', 0.22, 1, 38, 'slanted dart')

/** A front with a dart from the side and one from the shoulder. */
export const draftTwoDarts = (): Garment => turned(draftBlouse(), 'shoulder', 0.5, 0.45, 50, 'shoulder dart')

/** A sleeveless blouse, whose armhole was found to gape in a fitting. */
export const draftSleeveless = (): Garment => sleeveless(draftBlouse())

/** A front without darts. */
export const draftDartless = (): Garment => draftBlouse(false)
