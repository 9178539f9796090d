import { spend } from '../budget'
import type { Box } from '../geometry'
import { calledLine, liesIn, type Sized } from './sized'

/** A frame fills its own box at least to this part: rounded corners and a title block cut out of it included. */
const FILLS = 0.88
/** A line that is at least this part as wide and as high as the page is its border, with the usual margins. */
const PAGE_PART = 0.8
/** What lies in a piece and covers less than this part of it is a mark on it (a pocket, a badge), not another piece. */
const MARK_PART = 0.15
/** Cut line and seam line run side by side: nowhere further apart than this, mm, and alike on all sides to within half of it. */
const ALLOWANCE_MM = 45

const wide = (b: Box) => b.maxX - b.minX
const high = (b: Box) => b.maxY - b.minY
const fillsBox = (one: Sized) => one.area >= FILLS * wide(one.box) * high(one.box)

const isCalledFrame = ({ stroke: { shape } }: Sized): boolean =>
  [shape.name, ...shape.groups].some((n) => /\b(frame|border|background|page|paper|artboard|sheet)\b/i.test(n.replace(/[-_\d]+/g, ' ')))

/** Two lines of one piece, one running along the other inside: margins that are small and alike on all four sides. */
function runsAlong(inner: Sized, outer: Sized): boolean {
  const margins = [
    inner.box.minX - outer.box.minX,
    outer.box.maxX - inner.box.maxX,
    inner.box.minY - outer.box.minY,
    outer.box.maxY - inner.box.maxY,
  ]
  return Math.max(...margins) <= ALLOWANCE_MM && Math.max(...margins) - Math.min(...margins) <= ALLOWANCE_MM / 2
}

/** Two frames are one that is drawn twice when their sides lie this near, as a part of themselves. */
const TWIN_PART = 0.02

const isTwin = (a: Sized, b: Sized): boolean =>
  Math.max(
    Math.abs(a.box.minX - b.box.minX),
    Math.abs(a.box.maxX - b.box.maxX),
    Math.abs(a.box.minY - b.box.minY),
    Math.abs(a.box.maxY - b.box.maxY),
  ) <=
  TWIN_PART * Math.max(wide(a.box), high(a.box))

/**
 * The frames, borders and backgrounds among the closed lines of a drawing: lines that fill their box and hold the pieces of
 * the page, rather than being one. A rectangle stays a piece when it holds nothing but marks, its own seam line, or its
 * other sizes.
 *
 * @param candidates largest first
 * @param page the page that the file states, where it states one, mm
 */
export function findFrames(candidates: readonly Sized[], page: Box | null): Set<Sized> {
  const frames = new Set<Sized>()
  const isPage = (one: Sized) => page !== null && wide(one.box) >= PAGE_PART * wide(page) && high(one.box) >= PAGE_PART * high(page)
  for (const [i, one] of candidates.entries()) {
    // What the file calls a cut line or a seam line is no frame.
    if (!fillsBox(one) || calledLine(one.stroke.shape)) continue
    spend(candidates.length - i)
    const twinOfFrame = [...frames].some((f) => isTwin(f, one))
    const inside = candidates.slice(i + 1).filter((c) => !isTwin(c, one) && liesIn(c, one))
    // Only what does not lie in another: a piece with its own seam line counts once.
    const held = inside.filter((c, k) => !inside.slice(0, k).some((o) => liesIn(c, o)))
    if (twinOfFrame && held.length > 0) {
      frames.add(one)
      continue
    }
    const pieces = held.filter((c) => !runsAlong(c, one))
    if (pieces.length === 0) continue
    const part = pieces.reduce((sum, c) => sum + c.area, 0) / one.area
    const others = candidates.filter((c) => c !== one && !isTwin(c, one))
    const holdsAll = inside.length === others.length && pieces.length > 2
    const holdsPieces = pieces.length > 1 ? part >= MARK_PART : part >= MARK_PART && !fillsBox(pieces[0]!)
    if (isPage(one) || isCalledFrame(one) || holdsAll || holdsPieces) frames.add(one)
  }
  return frames
}
