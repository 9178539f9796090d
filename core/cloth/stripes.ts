import { findPiece, type Garment } from '../pattern'
import { markAlong, type LayItem } from './lay-items'

/** Stripes that meet within this are matched, mm. */
const STRIPE_MM = 0.5

/** Two marks that are sewn on each other, with where each lies along the cloth. */
interface Link {
  seamName: string
  ends: [End, End]
}
interface End {
  pieceId: string
  atMm: number
}

/** The first notch of every seam between two pieces, or its first mark. */
function linksOf(garment: Garment, sizeId: string): Link[] {
  return garment.seams.flatMap((seam): Link[] => {
    const pair = seam.marks.find((m) => m.every((mark) => 'notchId' in mark)) ?? seam.marks[0]
    const ends = (pair ?? []).flatMap((mark): End[] => {
      const piece = findPiece(garment, mark.pieceId)
      const atMm = piece ? markAlong(piece, sizeId, mark) : null
      return atMm === null ? [] : [{ pieceId: mark.pieceId, atMm }]
    })
    const [a, b] = ends
    return a && b && a.pieceId !== b.pieceId ? [{ seamName: seam.name, ends: [a, b] }] : []
  })
}

/**
 * Where along the cloth each item may lie so that seams meet on the same stripe: its own beginning, to the nearest repeat, mm. Pieces
 * are led from one to the next by the first notches of the seams between them; a piece that meets two others keeps to the first.
 *
 * @returns by item, and the names of seams that could not be led so
 */
export function stripePhases(
  garment: Garment,
  items: readonly LayItem[],
  sizeId: string,
  repeatMm: number,
): { phases: ReadonlyMap<string, number>; unmatched: string[] } {
  const links = linksOf(garment, sizeId)
  const rest = (mm: number) => ((mm % repeatMm) + repeatMm) % repeatMm
  const phaseOf = new Map<string, number>()
  const lead = ({ ends: [a, b] }: Link): boolean => {
    const [from, to] = phaseOf.has(a.pieceId) ? [a, b] : [b, a]
    const phase = phaseOf.get(from.pieceId)
    if (phase === undefined || phaseOf.has(to.pieceId)) return false
    phaseOf.set(to.pieceId, rest(phase + from.atMm - to.atMm))
    return true
  }
  for (const { pieceId } of items) {
    if (!phaseOf.has(pieceId)) phaseOf.set(pieceId, 0)
    // Each round leads at least one more piece, or is the last.
    while (links.filter(lead).length > 0);
  }
  const here = new Set(items.map((i) => i.pieceId))
  const isOff = ({ ends: [a, b] }: Link) => {
    // What is cut from another cloth has no stripe to meet.
    if (!here.has(a.pieceId) || !here.has(b.pieceId)) return false
    const off = rest(phaseOf.get(a.pieceId)! + a.atMm - phaseOf.get(b.pieceId)! - b.atMm)
    return Math.min(off, repeatMm - off) > STRIPE_MM
  }
  return {
    phases: new Map(items.map((i) => [i.id, phaseOf.get(i.pieceId) ?? 0])),
    unmatched: [...new Set(links.filter(isOff).map((l) => l.seamName))],
  }
}
