import type { DrawnShape, PdfPage } from '../formats'
import { tangentAt, type Box } from '../geometry'
import { boxOf, RIM_MM } from './meeting-lines'

/** A line that crosses the edge of a page does so by more than this sine. */
const CROSSES = 0.02

/** The place near one side of a page at which lines of most pages end; null where none do. */
function rimOf(ends: readonly { page: number; at: number }[], from: number, to: number): number | null {
  const bins = new Map<number, Set<number>>()
  for (const { page, at } of ends)
    if (at >= from && at <= to) {
      const bin = Math.round(at / RIM_MM)
      bins.set(bin, (bins.get(bin) ?? new Set()).add(page))
    }
  // Straight lines of the drawing end alike on one page; the edge of the paper is the same on all.
  const [bin, on] = [...bins].sort((a, b) => b[1].size - a[1].size)[0] ?? [0, new Set()]
  if (on.size < 2) return null
  const near = ends.flatMap(({ at }) => (Math.abs(at - bin * RIM_MM) <= RIM_MM ? [at] : [])).sort((a, b) => a - b)
  return near[Math.floor(near.length / 2)]!
}

/** What stands alike on more than this part of the pages is printed on them: ticks, a bar. It is none of the sheet. */
const PRINTED_PART = 0.5

/** Lines that stand at the same place of most pages. */
function printedOn(pages: readonly PdfPage[], list: readonly number[]): (s: DrawnShape) => boolean {
  const keyOf = (s: DrawnShape) => {
    const { minX, minY, maxX, maxY } = boxOf(s)
    return [s.path.length, ...[minX, minY, maxX, maxY].map((v) => Math.round(v / RIM_MM))].join()
  }
  const times = new Map<string, number>()
  for (const page of list) for (const key of new Set(pages[page]!.shapes.map(keyOf))) times.set(key, (times.get(key) ?? 0) + 1)
  return (s) => times.get(keyOf(s))! > PRINTED_PART * list.length
}

/** The box inside which lines are drawn, where many of them end at it. */
export function frameOf(pages: readonly PdfPage[], list: readonly number[]): Box | null {
  const isPrinted = printedOn(pages, list)
  const ends = list.flatMap((page) =>
    pages[page]!.shapes.filter((s) => !s.closed && !isPrinted(s)).flatMap(({ path }) => {
      const last = path[path.length - 1]!
      return [
        { page, p: path[0]!.from, way: tangentAt(path[0]!, 0) },
        { page, p: last.to, way: tangentAt(last, 1) },
      ]
    }),
  )
  const { width, height } = pages[list[0]!]!
  // What runs along an edge does not end at it: a long level line is cut at the sides of many pages, and lies as high on all.
  const xs = ends.filter(({ way }) => Math.abs(way.x) > CROSSES).map(({ page, p }) => ({ page, at: p.x }))
  const ys = ends.filter(({ way }) => Math.abs(way.y) > CROSSES).map(({ page, p }) => ({ page, at: p.y }))
  const [minX, maxX] = [rimOf(xs, -1, width * 0.25), rimOf(xs, width * 0.75, width + 1)]
  const [minY, maxY] = [rimOf(ys, -1, height * 0.25), rimOf(ys, height * 0.75, height + 1)]
  // One column has ends above and below only; one row on the left and right only.
  if (minX === null || maxX === null) return minY === null || maxY === null ? null : { minX: 0, maxX: width, minY, maxY }
  return { minX, maxX, minY: minY ?? 0, maxY: maxY ?? height }
}

/** Lines that run on over the edge of a page are so few, for each that ends at it, where lines were cut there. */
const OVER_EDGE_PART = 0.1

/** Were lines cut at this frame? Then they end at it; where each page draws all that it shows a part of, they run on over it. */
export function areCutAt(pages: readonly PdfPage[], list: readonly number[], frame: Box): boolean {
  let [over, ending] = [0, 0]
  for (const i of list)
    for (const s of pages[i]!.shapes) {
      const b = boxOf(s)
      const isOver = (low: number, high: number, at: number) => low < at - RIM_MM && high > at + RIM_MM
      const isAt = (low: number, high: number, at: number) => Math.abs(low - at) <= RIM_MM || Math.abs(high - at) <= RIM_MM
      if (
        [frame.minX, frame.maxX].some((at) => isOver(b.minX, b.maxX, at)) ||
        [frame.minY, frame.maxY].some((at) => isOver(b.minY, b.maxY, at))
      )
        over += 1
      else if (
        !s.closed &&
        ([frame.minX, frame.maxX].some((at) => isAt(b.minX, b.maxX, at)) || [frame.minY, frame.maxY].some((at) => isAt(b.minY, b.maxY, at)))
      )
        ending += 1
    }
  return over <= OVER_EDGE_PART * ending
}
