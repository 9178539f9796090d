import { bounded } from '../budget'
import type { Drawing } from '../formats'
import { handleBoxOf, thinOut, type Point } from '../geometry'
import { MOST_PARTS, MOST_SEGMENTS, REACH_MM, toName } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { FIT_MM } from '../tolerances'
import { lengthToken } from '../units'
import type { PieceDraft } from './build-piece'
import { findOutlines, type FoundOutline, type ImportProgress } from './find-outlines'
import { guessKind, nameEdges } from './name-edges'
import { readMarks } from './read-marks'
import { splitEdges } from './split-edges'

/** An outline on its way in: the first guess at everything, what stands in the way, and whether it was set aside. */
export interface Draft {
  draft: PieceDraft
  trouble: { code: 'open' | 'crosses' | 'too-fine'; at: Point; gapMm?: number } | null
  aside: FoundOutline['aside']
}

const DOWN: Point = { x: 0, y: 1 }
const DEFAULT_ALLOWANCE_MM = 10

/** Outlines of one file beyond this are no pattern's. */
const MOST_OUTLINES = 400

/** Steps that finding the pieces of one file may take: files of forty thousand strokes are read, in a few seconds. */
const STEPS = 60_000_000

/** Marks on one outline beyond this are shading or a picture: none of them is looked at. */
const MOST_MARKS = 2 * MOST_PARTS

function draftOf(outline: FoundOutline): Draft {
  const kind = guessKind(outline.name)
  const marks = readMarks(outline.marks.length > MOST_MARKS ? { ...outline, marks: [] } : outline)
  const lines = marks.lines.map((l) => ({ name: toName(l.name, 80) || 'line', path: thinOut(l.path, FIT_MM) }))
  const corners = outline.path.length > MOST_SEGMENTS ? [] : splitEdges(outline.path)
  const isTooFine =
    corners.length === 0 ||
    outline.marks.length > MOST_MARKS ||
    [corners, lines, marks.notches, ...lines.map((l) => l.path.slice(MOST_SEGMENTS - MOST_PARTS))].some((list) => list.length > MOST_PARTS)
  // What cannot be worked with is shown by its beginning only: it is one line to be left out or drawn again.
  const edges = isTooFine
    ? [outline.path.slice(0, MOST_PARTS / 2), outline.path.slice(MOST_PARTS / 2, MOST_PARTS)].filter((e) => e.length > 0)
    : corners
  const roles = nameEdges(kind, edges, DOWN)
  const onFold = outline.texts.some((t) => /\bfold\b/i.test(t))
  const pair = kind === 'sleeve' || kind.startsWith('leg')
  const draft: PieceDraft = {
    id: outline.id,
    name: toName(outline.name, 80) || 'Piece',
    kind,
    count: pair ? 2 : 1,
    mirrored: pair,
    edges: edges.map((path, i) => ({
      path,
      role: roles[i]!,
      fold: onFold && roles[i]!.startsWith('centre'),
      allowanceMm: DEFAULT_ALLOWANCE_MM,
    })),
    allowanceIncluded: outline.called !== 'seam line',
    grain: marks.grain,
    notches: isTooFine ? [] : marks.notches,
    lines: isTooFine ? [] : lines,
    sizeName: toName(outline.sizeName, 40),
    sizes: outline.sizes.map((s) => ({ ...s, name: toName(s.name, 40) || 'size', pairs: {} })),
  }
  const trouble = isTooFine ? { code: 'too-fine' as const, at: outline.path[0]!.from } : outline.trouble
  return { draft, trouble, aside: outline.aside }
}

/**
 * The pieces of a drawing with a first guess at all that is to be settled: kind, edges, grain, notches, darts' lines.
 * Refuses a drawing that is too large at this scale, has too many outlines, or takes too long to work out.
 *
 * @param times factor on the file's own scale, when the person gave a true length
 */
export function makeDrafts(drawing: Drawing, times: number, progress?: ImportProgress): Result<Draft[]> {
  return bounded(
    'drawing',
    () => {
      const found = findOutlines(drawing, times, progress)
      if (!found.ok) return found
      const outlines = found.value
      const wide = Math.max(0, ...outlines.map(({ path }) => handleBoxOf(path)).flatMap((b) => [b.maxX - b.minX, b.maxY - b.minY]))
      if (wide > REACH_MM)
        return refuse(
          'too-large',
          'scale',
          `by this scale a piece would be ${lengthToken(wide)} long.`,
          'Give the true length of a line of it.',
        )
      if (outlines.length > MOST_OUTLINES)
        return refuse(
          'too-many',
          'drawing',
          `it has ${outlines.length} outlines that could be pieces.`,
          `Part it: up to ${MOST_OUTLINES} are taken in at once.`,
        )
      return ok(outlines.map(draftOf))
    },
    STEPS,
  )
}
