import type { PdfPage } from '../formats'
import { spotsSaid, type PageSpot } from './page-names'

/** A page of at least this, more than three A4, holds pieces and no part of them: it may be a sheet of its own, mm². */
const LARGE_MM2 = 200_000
export const isLarge = (p: PdfPage): boolean => p.width * p.height >= LARGE_MM2
const sizeOf = (p: PdfPage): string => `${Math.round(p.width)}x${Math.round(p.height)}`

/** Those of some pages whose size covers most paper: one large sheet is more than the pages of its instructions. */
export function ofOneSize(pages: readonly PdfPage[], list: readonly number[]): number[] {
  const covered = new Map<string, number>()
  for (const i of list) {
    const page = pages[i]!
    if (page.shapes.length > 0) covered.set(sizeOf(page), (covered.get(sizeOf(page)) ?? 0) + page.width * page.height)
  }
  const usual = [...covered].sort((a, b) => b[1] - a[1])[0]?.[0]
  return list.filter((i) => sizeOf(pages[i]!) === usual)
}

/**
 * Pages of the size that covers most paper, from the first with lines on it to the last: an empty one between them is part of the sheet.
 * Where that is a large one, all large ones.
 */
function drawnPages(pages: readonly PdfPage[]): number[] {
  const usual = ofOneSize(pages, [...pages.keys()])
  const areLarge = usual.some((i) => isLarge(pages[i]!))
  const own = areLarge ? [...pages.keys()].filter((i) => isLarge(pages[i]!)) : usual
  const drawn = own.filter((i) => pages[i]!.shapes.length > 0)
  const [first, last] = [drawn[0] ?? 0, drawn[drawn.length - 1] ?? -1]
  return own.filter((i) => i >= first && i <= last)
}

/** So many pages before and behind those of the sheet may be drawings of the instructions, as large as they. */
const MOST_BESIDE = 6
/** Names tell the sheet's own pages where at least so many have one, and are looked for among so many texts. */
const LEAST_NAMED = 4
const MOST_TEXTS = 4000

/** The pages of the sheet, by their place in the file, without those before and behind it that are not named as it is. */
export function sheetPages(pages: readonly PdfPage[]): readonly number[] {
  const list = drawnPages(pages)
  const texts = list.reduce((n, i) => n + pages[i]!.texts.length, 0)
  if (texts > MOST_TEXTS || spotsSaid(pages, list).length > 0) return list
  for (let beside = 1; beside <= MOST_BESIDE && list.length - beside >= LEAST_NAMED; beside++)
    for (let before = beside; before >= 0; before--) {
      const own = list.slice(before, list.length - (beside - before))
      if (spotsSaid(pages, own).length > 0) return own
    }
  return list
}

/** By how many quarters, clockwise, most words of the pages are turned; 0 where they stand upright, or there are none. */
export function quarterTurn(pages: readonly PdfPage[], list: readonly number[]): number {
  const counts = [0, 0, 0, 0]
  for (const { at, end } of list.flatMap((i) => pages[i]!.texts)) {
    const quarters = Math.round(Math.atan2(end.y - at.y, end.x - at.x) / (Math.PI / 2))
    counts[(quarters + 4) % 4] = counts[(quarters + 4) % 4]! + 1
  }
  return counts.indexOf(Math.max(...counts))
}

/** The places of pages in a sheet that is turned as a whole by so many quarters, clockwise. */
export function turned(spots: readonly PageSpot[], quarters: number): PageSpot[] {
  if (quarters === 0) return [...spots]
  const rows = Math.max(...spots.map((s) => s.row)) + 1
  return turned(
    spots.map(({ column, row }) => ({ column: rows - 1 - row, row: column })),
    quarters - 1,
  )
}
