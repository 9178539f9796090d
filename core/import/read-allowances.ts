import { measureLength, nearestPlace, placeAt, type Path } from '../geometry'
import type { EdgeRole } from '../pattern'
import type { FoundOutline } from './find-outlines'

/** What seams are usually given, mm. */
const DEFAULT_ALLOWANCE_MM = 10

/** Is the room for seams within the outline? As the file calls the line, else as words say; else it is. */
export const isWithin = ({ called, allowance }: FoundOutline): boolean => (called ? called === 'cut line' : (allowance.included ?? true))

/** How wide the room is that an edge has, or is to get, mm: as words say, or the usual width. */
export const usualAllowance = ({ allowance: { mm, hemMm } }: FoundOutline, role: EdgeRole): number =>
  (role === 'hem' ? hemMm : null) ?? mm ?? DEFAULT_ALLOWANCE_MM

/**
 * How wide the allowance of an edge is, mm, to a tenth: how far the piece’s other line runs from it, in the middle of what is found at its
 * places; inward the least, since a seam line turns away into darts. What words say of it, or the usual, where there is one line.
 */
export function allowanceOf(edge: Path, outline: FoundOutline, role: EdgeRole, seamLine: Path | null): number {
  const { cutLine } = outline
  const other = cutLine ?? seamLine
  if (!other) return usualAllowance(outline, role)
  const total = measureLength(edge)
  const far = [0.3, 0.4, 0.5, 0.6, 0.7]
    .map((part) => nearestPlace(other, placeAt(edge, total * part).point).distanceMm)
    .sort((a, b) => a - b)
  return Math.round((cutLine ? far[2]! : far[0]!) * 10) / 10
}
