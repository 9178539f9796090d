import { boundsOf, joinBoxes } from '../geometry'
import type { Path, Box } from '../geometry'

export interface LaidPiece {
  pieceId: string
  /** Added to the piece's own coordinates, mm. */
  dx: number
  dy: number
  /** On the sheet, mm. */
  box: Box
}

export interface Layout {
  pieces: LaidPiece[]
  widthMm: number
  heightMm: number
}

/** Room that a piece needs: everything drawn of it, in its own coordinates. */
export interface Footprint {
  pieceId: string
  box: Box
  /** Height by which it is ranked, where that must not change with the box, mm. */
  rankMm?: number
}

/** Pieces of about the same height keep the order they are given in: front before back. */
const RANK_MM = 120

export const footprintOf = (pieceId: string, paths: readonly Path[]): Footprint => ({ pieceId, box: joinBoxes(paths.map(boundsOf)) })

/**
 * Lays pieces side by side without overlap, grain upright, in rows filled from the left: tall pieces first, small ones
 * into the room that is left beside lower ones (skyline, lowest place that fits).
 *
 * @param widthMm width of the sheet or table; a piece that is wider gets the width it needs
 * @param gapMm between pieces
 */
export function layOut(footprints: readonly Footprint[], widthMm: number, gapMm: number): Layout {
  const wide = Math.max(widthMm, ...footprints.map((f) => f.box.maxX - f.box.minX))
  let skyline: { x: number; w: number; y: number }[] = [{ x: 0, w: wide, y: 0 }]
  const laid: LaidPiece[] = []
  const order = footprints
    .map((f, i) => ({ f, i, rank: Math.ceil((f.rankMm ?? f.box.maxY - f.box.minY) / RANK_MM) }))
    .sort((a, b) => b.rank - a.rank || a.i - b.i)
  for (const { f } of order) {
    const w = f.box.maxX - f.box.minX
    const h = f.box.maxY - f.box.minY
    let best: { x: number; y: number } | null = null
    for (const { x } of skyline) {
      if (x + w > wide + gapMm / 1000) continue
      const y = Math.max(...skyline.filter((s) => s.x < x + w + gapMm && s.x + s.w > x).map((s) => s.y))
      if (!best || y < best.y || (y === best.y && x < best.x)) best = { x, y }
    }
    const { x, y } = best ?? { x: 0, y: Math.max(...skyline.map((s) => s.y)) }
    laid.push({ pieceId: f.pieceId, dx: x - f.box.minX, dy: y - f.box.minY, box: { minX: x, minY: y, maxX: x + w, maxY: y + h } })
    const end = x + w + gapMm
    skyline = skyline
      .flatMap((s) => {
        const parts: typeof skyline = []
        if (s.x < x) parts.push({ x: s.x, w: Math.min(s.w, x - s.x), y: s.y })
        if (s.x + s.w > end) parts.push({ x: Math.max(s.x, end), w: s.x + s.w - Math.max(s.x, end), y: s.y })
        return parts
      })
      .concat({ x, w: Math.min(end, wide) - x, y: y + h + gapMm })
      .filter((s) => s.w > 0)
      .sort((a, b) => a.x - b.x)
  }
  return {
    pieces: laid,
    widthMm: Math.max(0, ...laid.map((p) => p.box.maxX)),
    heightMm: Math.max(0, ...laid.map((p) => p.box.maxY)),
  }
}
