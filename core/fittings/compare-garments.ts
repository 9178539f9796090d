import { applyAffine, chain, dot, mapPath, slideBy, turnAbout, turnRad, type Affine, type Path, type Point } from '../geometry'
import { figureMm, type MeasureSet } from '../body'
import { finishedMeasures, measureGarment, type Measure } from '../measure'
import {
  cornerPoint,
  cornersBetween,
  frameOf,
  grainDirection,
  outlineOf,
  shapeOf,
  type EdgeRole,
  type Garment,
  type Piece,
} from '../pattern'
import { makeWorksheet, type Sizing } from '../size'

/** One side of a comparison: a garment as it is, in one size, with what it is measured and worn by. */
export interface ComparedSide {
  garment: Garment
  sizeId: string
  sizing: Sizing
  body: MeasureSet | null
}

/** The point at which the pieces are laid on each other, their grains along one another. */
export const ANCHORS = ['top', 'shoulder-neck', 'underarm', 'waist', 'hem'] as const
export type Anchor = (typeof ANCHORS)[number]

const MEETS: Record<Exclude<Anchor, 'top'>, readonly [EdgeRole[], EdgeRole[]]> = {
  'shoulder-neck': [['shoulder'], ['neck']],
  underarm: [
    ['armhole', 'cap'],
    ['side', 'underarm'],
  ],
  waist: [['waist'], ['side', 'outseam']],
  hem: [
    ['hem', 'leg-opening'],
    ['side', 'outseam', 'underarm'],
  ],
}

/** One piece of both, laid on each other; null where the other garment has no such piece. */
export interface ComparedPiece {
  id: string
  name: string
  /** The outline of the first, as it lies. */
  first: Path | null
  /** The outline of the second, laid on the first. */
  second: Path | null
  /** They were laid together at this point, in the first’s place. */
  at: Point | null
}

/** A figure of both, mm; null where one does not have it. */
export interface ComparedMeasure {
  id: string
  group: Measure['group'] | 'ease'
  label: string
  where: string
  firstMm: number | null
  secondMm: number | null
}

/** The middle of a piece at its upper end. */
function topOf(piece: Piece, side: ComparedSide): Point {
  const shape = shapeOf(piece, side.sizeId)
  const { down, across, middle } = frameOf(piece, shape)
  const top = Math.min(...outlineOf(piece, shape).map((s) => dot(s.from, down)))
  return { x: down.x * top + across.x * middle, y: down.y * top + across.y * middle }
}

function anchorOf(piece: Piece, side: ComparedSide, anchor: Anchor): Point | null {
  if (anchor === 'top') return topOf(piece, side)
  const [corner] = cornersBetween(piece, ...MEETS[anchor])
  return corner === undefined ? null : (cornerPoint(piece, shapeOf(piece, side.sizeId), corner) ?? null)
}

/** Lays a piece of the second on the first: point on point, grain along grain. A piece without that point is laid by its upper end. */
export function laidOn(first: Piece, second: Piece, a: ComparedSide, b: ComparedSide, anchor: Anchor): { move: Affine; at: Point } {
  const own = anchorOf(first, a, anchor)
  const other = anchorOf(second, b, anchor)
  const [at, from] = own && other ? [own, other] : [topOf(first, a), topOf(second, b)]
  const turn = turnRad(grainDirection(shapeOf(second, b.sizeId)), grainDirection(shapeOf(first, a.sizeId)))
  return { move: chain(slideBy({ x: at.x - from.x, y: at.y - from.y }), turnAbout(from, turn)), at }
}

/** The piece of another garment that is meant by a piece: of its kind, with the same id, else the same name. */
export function likeOf(piece: Piece, pieces: readonly Piece[]): Piece | undefined {
  const ofKind = pieces.filter((p) => p.kind === piece.kind)
  return ofKind.find((p) => p.id === piece.id) ?? ofKind.find((p) => p.name === piece.name)
}

/** Is there something to lay on each other: has the other garment a piece like it for at least half of this one’s? */
export const canCompare = (garment: Garment, other: Garment): boolean =>
  garment.pieces.filter((p) => likeOf(p, other.pieces)).length * 2 >= garment.pieces.length

/** The outlines of two garments, piece on piece. */
export function comparePieces(a: ComparedSide, b: ComparedSide, anchor: Anchor): ComparedPiece[] {
  const outline = (piece: Piece, side: ComparedSide) => outlineOf(piece, shapeOf(piece, side.sizeId))
  const matched = a.garment.pieces.map((first): ComparedPiece => {
    const second = likeOf(first, b.garment.pieces)
    if (!second) return { id: first.id, name: first.name, first: outline(first, a), second: null, at: null }
    const { move, at } = laidOn(first, second, a, b, anchor)
    const laid = mapPath(outline(second, b), (p) => applyAffine(move, p))
    return { id: first.id, name: first.name, first: outline(first, a), second: laid, at }
  })
  const alone = b.garment.pieces
    .filter((p) => !a.garment.pieces.some((first) => likeOf(first, b.garment.pieces) === p))
    .map((p): ComparedPiece => ({ id: `second ${p.id}`, name: p.name, first: null, second: outline(p, b), at: null }))
  return [...matched, ...alone]
}

/** Finished measures less the body, where that is known, mm. */
function easeOf({ garment, sizing, body, sizeId }: ComparedSide): Map<string, { label: string; mm: number }> {
  const finished = new Map(finishedMeasures(garment, sizeId, sizing).map((m) => [m.id.slice('finished:'.length), m.mm]))
  return new Map(
    makeWorksheet(garment, sizing, body).rows.flatMap(({ zone }) => {
      const own = zone.measureId === null ? undefined : figureMm(body, zone.measureId)
      const mm = finished.get(zone.id)
      return own === undefined || mm === undefined ? [] : [[zone.id, { label: zone.name, mm: mm - own }] as const]
    }),
  )
}

/** Every figure of two garments side by side: finished measures, ease, seams, widths, edges and darts. */
export function compareFigures(a: ComparedSide, b: ComparedSide): ComparedMeasure[] {
  const [first, second] = [a, b].map((s) => new Map(measureGarment(s.garment, s.sizeId, s.sizing).map((m) => [m.id, m]))) as [
    Map<string, Measure>,
    Map<string, Measure>,
  ]
  const ids = [...new Set([...first.keys(), ...second.keys()])]
  const rows = ids.map((id): ComparedMeasure => {
    const { group, label, where } = (first.get(id) ?? second.get(id))!
    return { id, group, label, where, firstMm: first.get(id)?.mm ?? null, secondMm: second.get(id)?.mm ?? null }
  })
  const [easeA, easeB] = [easeOf(a), easeOf(b)]
  const eases = [...new Set([...easeA.keys(), ...easeB.keys()])].map((id): ComparedMeasure => ({
    id: `ease:${id}`,
    group: 'ease',
    label: (easeA.get(id) ?? easeB.get(id))!.label,
    where: 'ease',
    firstMm: easeA.get(id)?.mm ?? null,
    secondMm: easeB.get(id)?.mm ?? null,
  }))
  return [...rows.filter((r) => r.group === 'finished'), ...eases, ...rows.filter((r) => r.group !== 'finished')]
}
