import { findPiece, type Garment } from '../pattern'
import type { LayItem } from './lay-items'
import { markAlong } from './lay-items'

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
  const phaseOf = new Map<string, number>()
  const links = garment.seams.flatMap((seam) => {
    const pair = seam.marks.find((m) => m.every((mark) => 'notchId' in mark)) ?? seam.marks[0]
    if (!pair) return []
    const [a, b] = pair.map((mark) => ({ pieceId: mark.pieceId, atMm: placeOf(mark) }))
    return a!.atMm === null || b!.atMm === null || a!.pieceId === b!.pieceId
      ? []
      : [{ name: seam.name, ends: [a, b] as { pieceId: string; atMm: number }[] }]
  })
  function placeOf(mark: { pieceId: string } & ({ notchId: string } | { cornerId: string })): number | null {
    const piece = findPiece(garment, mark.pieceId)
    return piece ? markAlong(piece, sizeId, mark) : null
  }
  const rest = (mm: number) => ((mm % repeatMm) + repeatMm) % repeatMm
  for (const { pieceId } of items) {
    if (phaseOf.has(pieceId)) continue
    phaseOf.set(pieceId, 0)
    for (let found = true; found;) {
      found = false
      for (const { ends } of links)
        for (const [from, to] of [ends, [...ends].reverse()] as { pieceId: string; atMm: number }[][])
          if (phaseOf.has(from!.pieceId) && !phaseOf.has(to!.pieceId)) {
            phaseOf.set(to!.pieceId, rest(phaseOf.get(from!.pieceId)! + from!.atMm - to!.atMm))
            found = true
          }
    }
  }
  const isOff = ({ ends: [a, b] }: (typeof links)[number]) => {
    const off = rest(phaseOf.get(a!.pieceId)! + a!.atMm - phaseOf.get(b!.pieceId)! - b!.atMm)
    return Math.min(off, repeatMm - off) > STRIPE_MM
  }
  const known = links.filter((l) => l.ends.every((e) => phaseOf.has(e.pieceId)))
  return { phases: new Map(items.map((i) => [i.id, phaseOf.get(i.pieceId) ?? 0])), unmatched: known.filter(isOff).map((l) => l.name) }
}

/** Stripes that meet within this are matched, mm. */
const STRIPE_MM = 0.5
