import { add, distance, dot, flattenPath, intersectPaths, mapPath, scale, subtract, type Path, type Point } from '../../geometry'
import { outwardOf } from '../../darts'
import { containsPoint } from '../../moves'
import {
  doubleDartFigures,
  doubleDartsOf,
  findPiece,
  outlineOf,
  ruleDoubleDart,
  shapeOf,
  type DoubleDartFigures,
  type Garment,
  type InnerLine,
  type Piece,
  type Shape,
  mapShapes,
} from '../../pattern'
import { refuse, ok, type Result } from '../../result'
import { EQUAL_MM, FLATTEN_MM, SEAM_GOOD_MM } from '../../tolerances'
import { lengthToken } from '../../units'
import { findLargest } from '../find-largest'
import type { Applied, Caution, ChangeContext } from '../types'
import { figuresOf, findDoubleDart, type FoundDoubleDart } from './find'
import { heldByDoubleDart } from './held'
import type { DoubleDartInputs } from './schema'

/** A dart inside a piece that takes in more than this stands off the body: shared out, it lies flat, mm. */
const WIDE_MM = 40

/** A tip nearer to the apex than this makes a point there, mm (craft 6.11). */
const APEX_CLEAR_MM = 25

/** The dart's line with its inputs in one size: a new one ruled, another stretched from its widest place to each tip and across, then slid. */
function drawDart(path: Path | null, d: DoubleDartFigures, now: DoubleDartInputs, outward: Point): Path {
  const widthTimes = path ? (d.intakeMm + now.amountMm) / d.intakeMm : 1
  const slide = add(scale(d.down, -now.raiseMm), scale(outward, now.outMm))
  const move = (p: Point): Point => {
    const v = subtract(p, d.middle)
    const along = dot(v, d.down)
    const stretched = along * (along < 0 ? now.upperMm / d.upperMm : now.lowerMm / d.lowerMm)
    return add(add(d.middle, slide), add(scale(d.down, stretched), scale(d.across, dot(v, d.across) * widthTimes)))
  }
  return now.legs === 'ruled' || !path
    ? ruleDoubleDart(move(d.upper), move(d.lower), now.upperMm, d.intakeMm + now.amountMm)
    : mapPath(path, move)
}

/** Does the dart lie in the piece, clear of its outline and of the other darts? */
function fits(piece: Piece, shape: Shape, lineId: string): boolean {
  const path = shape.lines[lineId]!
  const outline = outlineOf(piece, shape)
  const flat = flattenPath(outline, FLATTEN_MM)
  if (path.some((s) => !containsPoint(flat, s.from)) || intersectPaths(path, outline).length > 0) return false
  return doubleDartsOf(piece).every((other) => other.id === lineId || intersectPaths(path, shape.lines[other.id]!).length === 0)
}

/** The garment with the dart drawn by its inputs, or without it when nothing is left of it; a new one gets a name of its own. */
function drawn(garment: Garment, found: FoundDoubleDart, inputs: DoubleDartInputs): { garment: Garment; lineId: string } {
  const named = (n: number) => (n === 1 ? found.name : `${found.name} ${n}`)
  let n = 1
  while (found.piece.lines.some((l) => l.id === `waist-dart-${n}` || l.name === named(n))) n++
  const lineId = found.lineId ?? `waist-dart-${n}`
  const name = found.lineId ? found.name : named(n)
  const base = figuresOf(found, garment, garment.baseSizeId)
  const gone = base.intakeMm + inputs.amountMm <= EQUAL_MM
  const line: InnerLine = { id: lineId, name, role: 'dart' }
  const shaped = mapShapes(garment, found.piece.id, (piece, shape, sizeId) => {
    const { [lineId]: _old, ...lines } = shape.lines
    if (gone) return { ...shape, lines }
    const own = figuresOf(found, garment, sizeId)
    // The reaches are those of the base size; another size keeps its own difference from them.
    const now = {
      ...inputs,
      upperMm: own.upperMm + inputs.upperMm - base.upperMm,
      lowerMm: own.lowerMm + inputs.lowerMm - base.lowerMm,
    }
    return {
      ...shape,
      lines: {
        ...lines,
        [lineId]: drawDart(found.lineId ? shape.lines[found.lineId]! : null, own, now, outwardOf(piece, shape, own.middle)),
      },
    }
  })
  const listed = (lines: readonly InnerLine[]) => (gone ? lines.filter((l) => l.id !== lineId) : found.lineId ? lines : [...lines, line])
  const pieces = shaped.pieces.map((p) => (p.id === found.piece.id ? { ...p, lines: [...listed(p.lines)] } : p))
  return { garment: { ...shaped, pieces }, lineId }
}

/** Shapes, moves or makes a double-ended dart (craft 6.11; its edges are not touched). */
export function applyDoubleDart(garment: Garment, inputs: DoubleDartInputs, context: ChangeContext): Result<Applied<DoubleDartInputs>> {
  const found = findDoubleDart(garment, inputs.dart)
  if (!found) return refuse('reference-gone', 'dart', 'the dart this was made for has gone.', 'Delete the change, or choose another dart.')
  const base = figuresOf(found, garment, garment.baseSizeId)
  if (base.intakeMm + inputs.amountMm < -EQUAL_MM)
    return refuse(
      'takes-too-much',
      `${found.piece.name}, ${found.name}`,
      `it takes in ${lengthToken(base.intakeMm)}, and cannot be let out by more.`,
      'Let it out by less.',
      -base.intakeMm,
    )
  const sound = (amountMm: number) => {
    const tried = drawn(garment, found, { ...inputs, amountMm })
    const piece = findPiece(tried.garment, found.piece.id)!
    return piece.lines.every((l) => l.id !== tried.lineId) || garment.sizes.every((s) => fits(piece, shapeOf(piece, s.id), tried.lineId))
  }
  if (!sound(inputs.amountMm))
    return refuse(
      'no-room',
      `${found.piece.name}, ${found.name}`,
      'it would run over an edge of the piece, or over another dart.',
      'Make it narrower or shorter, or place it elsewhere.',
      findLargest(inputs.amountMm, sound),
    )
  const { garment: after, lineId } = drawn(garment, found, inputs)
  return ok({
    garment: after,
    touched: [{ pieceId: found.piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByDoubleDart(garment, after, found, lineId, inputs, context.sizeId),
    cautions: cautionsOf(after, found, lineId, inputs, context.sizeId),
  })
}

function cautionsOf(
  after: Garment,
  found: FoundDoubleDart,
  lineId: string,
  inputs: DoubleDartInputs,
  sizeId: string,
): Caution<DoubleDartInputs>[] {
  const piece = findPiece(after, found.piece.id)!
  if (!piece.lines.some((l) => l.id === lineId)) return []
  const shape = shapeOf(piece, sizeId)
  const d = doubleDartFigures(shape, lineId)
  const said: Caution<DoubleDartInputs>[] = []
  const about = { pieceId: piece.id }
  if (d.intakeMm > WIDE_MM)
    said.push({
      ...about,
      code: 'wide-dart',
      message: `The ${found.name} takes in ${lengthToken(d.intakeMm)}: so much in one place stands off the body. Leave part of it to the side seams, or to a second dart.`,
    })
  const apex = piece.points.find((p) => p.role === 'apex')
  const tip = apex && distance(d.upper, shape.points[apex.id]!)
  if (tip !== undefined && tip < APEX_CLEAR_MM)
    said.push({
      ...about,
      code: 'tip-near-apex',
      message: `The ${found.name} ends ${lengthToken(tip)} from the apex: it would make a point there. Make it shorter above its widest place.`,
      mend: { label: 'Make it shorter', inputs: { ...inputs, upperMm: Math.max(5, inputs.upperMm - (APEX_CLEAR_MM - tip)) } },
    })
  const [a, b] = d.legsMm
  if (inputs.legs === 'keep' && Math.max(Math.abs(a.above - b.above), Math.abs(a.below - b.below)) > SEAM_GOOD_MM)
    said.push({
      ...about,
      code: 'unequal-legs',
      message: `The legs of the ${found.name} are not alike: ${lengthToken(a.above)} and ${lengthToken(b.above)} above, ${lengthToken(a.below)} and ${lengthToken(b.below)} below its widest place.`,
      mend: { label: 'Rule them anew', inputs: { ...inputs, legs: 'ruled' } },
    })
  return said
}
