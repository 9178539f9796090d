import { figureMm, type MeasureSet } from '../body'
import { applyAffine, boundsOf, dot, intersectPaths, line, mapPath, mix, type Affine, type Path, type Point } from '../geometry'
import { levelOfCorner } from '../measure'
import {
  cornerPoint,
  cornersBetween,
  edgePath,
  familyOf,
  frameOf,
  halfOf,
  isBody,
  outlineOf,
  shapeOf,
  timesRound,
  type EdgeRole,
  type Garment,
  type InnerLineRole,
  type Piece,
  type Shape,
} from '../pattern'

/** From which side a figure is seen. */
export type View = 'front' | 'back'

/**
 * A piece hung on the figure, mm: the middle of the body at x = 0, the side of the piece to the right, the body's waist at y = 0,
 * y growing downward.
 */
export interface HungPiece {
  pieceId: string
  name: string
  view: View
  outline: Path
  /** A half piece: its mirror image hangs on the other half of the figure. */
  isHalf: boolean
  darts: Path
  /** Where its own lines for bust, waist, hip and knee hang, and how far out they reach. */
  levels: Partial<Record<InnerLineRole, { y: number; outMm: number }>>
  /** The bust point, where one is marked. */
  apex: Point | null
}

const CENTRE: EdgeRole[] = ['centre-front', 'centre-back']
/** Further out than any piece reaches, mm. */
const FAR_MM = 5000
const LINES: readonly InnerLineRole[] = ['bust', 'waist', 'hip', 'knee']

/** Grain coordinate of the corner where two roles meet, the topmost of several; null where they do not. */
function cornerLevel(piece: Piece, shape: Shape, a: readonly EdgeRole[], b: readonly EdgeRole[]): number | null {
  const levels = cornersBetween(piece, [...a], [...b]).flatMap((id) => levelOfCorner(piece, shape, id) ?? [])
  return levels.length > 0 ? Math.min(...levels) : null
}

/** Where a piece hangs from: a level on it, and the body's level that it lies at; null for a piece that hangs from nothing. */
function anchorOf(piece: Piece, shape: Shape, view: View, set: MeasureSet | null, waistY: number): { level: number; y: number } | null {
  const isTop = familyOf(piece) === 'bodice'
  const waistLine = piece.lines.find((l) => l.role === 'waist')
  const path = waistLine ? shape.lines[waistLine.id]! : null
  const { down } = frameOf(piece, shape)
  const waist =
    (path && dot(mix(path[0]!.from, path[path.length - 1]!.to, 0.5), down)) ??
    cornerLevel(piece, shape, ['waist'], [...CENTRE, 'side', 'outseam', 'crotch'])
  if (!isTop) {
    const top = cornerLevel(piece, shape, ['waist'], [...CENTRE, 'side', 'outseam', 'crotch'])
    return top === null ? null : { level: top, y: waistY }
  }
  const from = view === 'front' ? cornerLevel(piece, shape, ['neck'], ['shoulder']) : cornerLevel(piece, shape, ['neck'], CENTRE)
  if (from === null) return waist === null ? null : { level: waist, y: 0 }
  const body = figureMm(set, view === 'front' ? 'front-to-waist' : 'back-neck-to-waist')
  // Without the figure of the body its waist is taken to lie where the piece has it.
  const lengthMm = body ?? (waist === null ? null : waist - from)
  return lengthMm === null ? null : { level: from, y: -lengthMm }
}

/** How a piece is laid: its middle on the middle of the figure, its side to the right. */
function layOf(piece: Piece, shape: Shape, anchor: { level: number; y: number }): Affine {
  const { down, across, middle } = frameOf(piece, shape)
  const isLeg = familyOf(piece) === 'leg'
  const [corner] = isLeg ? cornersBetween(piece, ['waist'], ['crotch']) : []
  const edge = corner === undefined ? null : piece.edges.find((e) => e.role === 'crotch')!
  const crotch = edge ? edgePath(shape, edge.id) : null
  const top =
    crotch && dot(crotch[0]!.from, down) < dot(crotch[crotch.length - 1]!.to, down) ? crotch[0]!.from : crotch?.[crotch.length - 1]!.to
  const at = top ? dot(top, across) : middle
  const box = boundsOf(outlineOf(piece, shape).map((s) => ({ ...s, kind: 'line' as const })))
  const inside = dot({ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 }, across)
  const way = inside < at - 1 ? -1 : 1
  return { a: way * across.x, c: way * across.y, e: -way * at, b: down.x, d: down.y, f: anchor.y - anchor.level }
}

/**
 * The pieces of body, skirt and legs hung on the figure of a wearer: bodices from the shoulder at the neck in front and from the nape
 * at the back, skirts from where the bodice ends, or from the waist (craft 9, tissue fitting). Sleeves, bands and other pieces are
 * not hung.
 */
export function hangPieces(garment: Garment, set: MeasureSet | null, sizeId = garment.baseSizeId): HungPiece[] {
  const hung: HungPiece[] = []
  const ends: Partial<Record<View, number>> = {}
  const kinds = (isTop: boolean) => garment.pieces.filter((p) => isBody(p) && (familyOf(p) === 'bodice') === isTop)
  for (const piece of [...kinds(true), ...kinds(false)]) {
    const view = halfOf(piece)!
    const shape = shapeOf(piece, sizeId)
    const anchor = anchorOf(piece, shape, view, set, ends[view] ?? 0)
    if (!anchor) continue
    const lay = layOf(piece, shape, anchor)
    const move = (p: Point) => applyAffine(lay, p)
    const outline = mapPath(outlineOf(piece, shape), move)
    const outAt = (y: number): number | null => {
      const met = intersectPaths(outline, [line({ x: -FAR_MM, y }, { x: FAR_MM, y })])
      return met.length > 0 ? Math.max(...met.map((m) => m.point.x)) : null
    }
    const levels: HungPiece['levels'] = Object.fromEntries(
      piece.lines.flatMap((l) => {
        if (!LINES.includes(l.role)) return []
        const path = mapPath(shape.lines[l.id]!, move)
        const ends = [path[0]!.from, path[path.length - 1]!.to]
        return [
          [l.role, { y: (ends[0]!.y + ends[1]!.y) / 2, outMm: outAt((ends[0]!.y + ends[1]!.y) / 2) ?? Math.max(...ends.map((p) => p.x)) }],
        ]
      }),
    )
    const edge = cornersBetween(piece, ['waist'], ['side', 'outseam'])[0]
    const waistAt = edge === undefined ? null : cornerPoint(piece, shape, edge)
    if (waistAt && !levels.waist) {
      const at = move(waistAt)
      const centre = cornersBetween(piece, ['waist'], CENTRE)[0]
      const centreAt = centre === undefined ? undefined : cornerPoint(piece, shape, centre)
      levels.waist = { y: centreAt ? move(centreAt).y : at.y, outMm: at.x }
    }
    const marked = piece.points.find((p) => p.role === 'apex')
    hung.push({
      pieceId: piece.id,
      name: piece.name,
      view,
      outline,
      isHalf: timesRound(garment, piece) > 1,
      darts: piece.darts.flatMap((d) => d.legs.flatMap((id) => mapPath(edgePath(shape, id), move))),
      levels,
      apex: marked ? move(shape.points[marked.id]!) : null,
    })
    const waist = cornerLevel(piece, shape, ['waist'], CENTRE)
    if (familyOf(piece) === 'bodice' && waist !== null) ends[view] = anchor.y + waist - anchor.level
  }
  return hung
}
