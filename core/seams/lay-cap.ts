import { dot, scale, subtract, type Path, type Point } from '../geometry'
import { findPiece, grainDirection, type Garment, type Shape } from '../pattern'
import { capParts, edgeBeyond, type CapPart } from './cap-parts'
import { topOfCap, type Half, type SleevedArmhole } from './measure-armhole'
import { endOf, startOf } from './walked'

/** One end of a part of a cap: the half that it belongs to, and whether a sleeve seam begins there. */
export interface PartEnd {
  which: 'first' | 'last'
  half: Half
  isSeam: boolean
}

/** A part of a cap on one piece, with where the shoulder meets it and what lies at its ends. */
export interface LaidPart extends CapPart {
  /** Where the shoulder meets it, from its own start, mm; null on a part that lies wholly on one half. */
  topMm: number | null
  ends: PartEnd[]
  /** Is it the whole cap, from underarm to underarm? */
  isWhole: boolean
}

/** The parts of a cap, in the order of its seam. */
export function layParts(garment: Garment, armhole: SleevedArmhole, sizeId: string): LaidPart[] {
  const top = topOfCap(garment, armhole, sizeId)
  const { beginsAt } = armhole.sleeve
  const later: Half = beginsAt === 'front' ? 'back' : 'front'
  const parts = capParts(garment, armhole, sizeId)
  return parts.map((part) => {
    const piece = findPiece(garment, part.pieceId)!
    const topMm = top > part.fromMm && top < part.toMm ? top - part.fromMm : null
    const end = (which: 'first' | 'last'): PartEnd => ({
      which,
      half: topMm === null ? (part.toMm <= top ? beginsAt : later) : which === 'first' ? beginsAt : later,
      isSeam: edgeBeyond(piece, part.runs, which).role !== 'cap',
    })
    return { ...part, topMm, ends: [end('first'), end('last')], isWhole: parts.length === 1 }
  })
}

/** Across, from the first end of a part toward its last. */
export function onwardOf(shape: Shape, path: Path): Point {
  const down = grainDirection(shape)
  const across = { x: down.y, y: -down.x }
  return scale(across, Math.sign(dot(subtract(endOf(path), startOf(path)), across)) || 1)
}
