import { bounded } from '../budget'
import type { Drawing } from '../formats'
import { handleBoxOf, thinOut, type Path, type Point } from '../geometry'
import { takeAllowanceOff } from '../paper'
import { MOST_PARTS, MOST_SEGMENTS, REACH_MM, isLimb, toName } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { FIT_MM } from '../tolerances'
import { lengthToken } from '../units'
import { arrowAlong, commonWay, type Grain } from './assume-grain'
import { matchDraft } from './build-nest'
import type { PieceDraft } from './build-piece'
import { findFolds, type Fold } from './find-folds'
import { findOutlines, type FoundOutline, type FoundOutlines, type ImportProgress } from './find-outlines'
import { likelyFold } from './likely-fold'
import { isOneSided } from './one-sided'
import { findTwins, sayTwin, type Twin } from './find-twins'
import { guessKind, hasPlainEdges, nameEdges } from './name-edges'
import { edgesOfSize } from './match-sizes'
import { allowanceOf, isWithin, usualAllowance } from './read-allowances'
import { readMarks, type ReadMarks } from './read-marks'
import { sayGuesses, type Readings } from './readings'
import { settleRaglans } from './settle-raglans'
import { settleUnderSleeves } from './settle-under-sleeves'
import { settleWaists } from './settle-waists'
import { splitEdges } from './split-edges'
import { takeFold } from './take-fold'
import { downOf, pointedDown, uprightEdges } from './which-way-down'

/** An outline on its way in: the first guess at everything, what stands in the way, and whether it was set aside. */
export interface Draft {
  draft: PieceDraft
  trouble: { code: 'open' | 'crosses' | 'too-fine'; at: Point; gapMm?: number } | null
  aside: FoundOutline['aside']
  /** How it is known what it is. */
  readings: Readings
  /** What was guessed and may be otherwise, each as a sentence without its full stop. */
  doubts: string[]
  /** The piece of which it is a second drawing. */
  twin: Twin | null
  /** Edges and lines as they were drawn, where lines in it were taken for darts. */
  asDrawn: Pick<PieceDraft, 'edges' | 'lines'> | null
}

/** What an outline is called on which nothing is written. */
const NAMELESS = /^Piece \d+$/

const DOWN: Point = { x: 0, y: 1 }

/** Outlines of one file beyond this are no pattern's. */
const MOST_OUTLINES = 400

/** Steps that finding the pieces of one file may take: files of forty thousand strokes are read, in a few seconds. */
const STEPS = 60_000_000

/** Marks on one outline beyond this are shading or a picture: none of them is looked at. */
const MOST_MARKS = 2 * MOST_PARTS

/** Darts of one piece beyond this are not taken by themselves. */
const MOST_DARTS = 12

/**
 * The first guess at an outline. Where its other sizes have cut lines alone, all are taken by their cut lines; they are left out where
 * allowances cannot be taken off so, as over the cap of a dart.
 *
 * @param way how the grain of the other pieces runs; null where that says nothing of it
 */
function draftOf(outline: FoundOutline, way: Point | null): Draft {
  const { path, cutLine, sizes } = outline
  if (!cutLine || sizes.every((s) => !s.isCutLine)) return guessOf(outline, way)
  const byCut = guessOf({ ...outline, path: cutLine, cutLine: null, called: 'cut line' }, way, path)
  const { name, edges } = byCut.draft
  const allowances = edges.map((e) => (e.fold ? 0 : e.allowanceMm))
  const lines = [edges.map((e) => e.path), ...matchDraft(byCut.draft).map((m, i) => edgesOfSize(byCut.draft.sizes[i]!.path, m))]
  if (lines.every((paths) => takeAllowanceOff(name, paths, allowances).ok)) return byCut
  const alone = guessOf({ ...outline, sizes: [] }, way)
  return { ...alone, doubts: [...alone.doubts, 'its other sizes have cut lines alone, of which no seam line follows: they were left out'] }
}

/** @param seamLine the seam line of an outline that is a cut line, where it is drawn */
function guessOf(outline: FoundOutline, way: Point | null, seamLine: Path | null = null): Draft {
  const kind = guessKind(outline.name)
  const corners = outline.path.length > MOST_SEGMENTS ? [] : splitEdges(outline.path)
  const marks = readMarks(outline.marks.length > MOST_MARKS ? { ...outline, marks: [] } : outline, corners)
  const lines = marks.lines.map((l) => ({ name: toName(l.name, 80) || 'line', path: thinOut(l.path, FIT_MM) }))
  const isTooFine =
    corners.length === 0 ||
    outline.marks.length > MOST_MARKS ||
    [corners, lines, marks.notches, ...lines.map((l) => l.path.slice(MOST_SEGMENTS - MOST_PARTS))].some((list) => list.length > MOST_PARTS)
  // What cannot be worked with is shown by its beginning only: it is one line to be left out or drawn again.
  const edges = isTooFine
    ? [outline.path.slice(0, MOST_PARTS / 2), outline.path.slice(MOST_PARTS / 2, MOST_PARTS)].filter((e) => e.length > 0)
    : corners
  const grain: Grain | null = marks.grain ?? (way && arrowAlong(outline.path, way))
  const down = downOf(kind, edges, grain, outline.texts, outline.name)
  const roles = nameEdges(kind, uprightEdges(edges, down), DOWN, outline.name)
  const { words } = outline
  const foldEdge = isTooFine ? null : (marks.foldEdge ?? (words.onFold ? likelyFold(edges, roles, grain, kind) : null))
  const count = words.count ?? (isLimb({ kind }) ? 2 : 1)
  const plain: PieceDraft = {
    id: outline.id,
    name: toName(outline.name, 80) || 'Piece',
    kind,
    count,
    mirrored: words.mirrored || (count % 2 === 0 && foldEdge === null && !words.onFold && isOneSided(kind, roles)),
    edges: edges.map((path, i) => ({
      path,
      role: roles[i]!,
      ...(roles[i] === 'other' && hasPlainEdges(outline.name) ? { isPlain: true } : {}),
      fold: i === foldEdge,
      allowanceMm: i === foldEdge || isTooFine ? usualAllowance(outline, roles[i]!) : allowanceOf(path, outline, roles[i]!, seamLine),
    })),
    allowanceIncluded: isWithin(outline),
    grain: grain && pointedDown(grain, down),
    notches: isTooFine ? [] : marks.notches,
    lines: isTooFine ? [] : lines,
    ...(marks.points.length > 0 && !isTooFine ? { points: marks.points.slice(0, MOST_PARTS) } : {}),
    sizeName: toName(outline.sizeName || words.size || '', 40),
    sizes: outline.sizes.map((s) => ({ name: toName(s.name, 40) || 'size', path: s.path, notches: s.notches, pairs: {} })),
  }
  const draft = isTooFine ? plain : takeDarts(plain)
  const trouble = isTooFine ? { code: 'too-fine' as const, at: outline.path[0]!.from } : outline.trouble
  const hasDarts = draft !== plain
  const readings = {
    ...readingsOf(outline, marks, foldEdge, grain !== null, seamLine !== null),
    ...(hasDarts ? { darts: 'guessed' as const } : {}),
  }
  return {
    draft,
    trouble,
    aside: outline.aside,
    readings,
    doubts: outline.aside || trouble ? [] : sayGuesses(draft, readings),
    twin: null,
    asDrawn: hasDarts ? { edges: plain.edges, lines: plain.lines } : null,
  }
}

/**
 * Outlines that words call pieces, and that have no grainline, are taken to run as all the others do: facings, bands and pockets are often
 * left without one.
 */
function withGrains(outlines: readonly FoundOutline[]): Draft[] {
  const drafts = outlines.map((outline) => draftOf(outline, null))
  const way = commonWay(drafts.flatMap((d) => (d.draft.grain && !d.aside && d.readings.grain === 'drawn' ? [d.draft.grain] : [])))
  const isCalledPiece = (d: Draft, { words }: FoundOutline) =>
    !d.aside && !d.trouble && d.readings.name === 'written' && (words.count !== null || words.onFold)
  return drafts.map((d, i) => (way && !d.draft.grain && isCalledPiece(d, outlines[i]!) ? draftOf(outlines[i]!, way) : d))
}

/** Names the pieces that are drawn a second time. */
function withTwins(drafts: readonly Draft[]): Draft[] {
  const twins = findTwins(drafts)
  return drafts.map((d) => {
    const twin = twins.get(d.draft.id) ?? null
    const first = drafts.find((o) => o.draft.id === twin?.id)
    return { ...d, twin, doubts: first && twin ? [sayTwin(first.draft.name, twin), ...d.doubts] : d.doubts }
  })
}

/** How each thing came to be known: by words, by marks, or by a guess. */
function readingsOf(
  { words, name, called, cutLine, allowance, sizeName }: FoundOutline,
  marks: ReadMarks,
  foldEdge: number | null,
  hasGrain: boolean,
  hasSeamLine: boolean,
): Readings {
  const isSized = sizeName !== '' || words.size !== null
  return {
    name: NAMELESS.test(name) ? 'guessed' : 'written',
    count: words.count === null ? 'guessed' : 'written',
    ...(isSized ? { size: 'written' } : {}),
    ...(foldEdge !== null || words.onFold ? { fold: marks.foldEdge === null ? 'guessed' : 'drawn' } : {}),
    ...(hasGrain ? { grain: marks.grain && marks.isGrainSure ? 'drawn' : 'guessed' } : {}),
    allowance: cutLine || hasSeamLine ? 'drawn' : called === null && allowance.included === null ? 'guessed' : 'written',
  }
}

/** Darts that are drawn as two lines, or as a narrow loop, are taken for what they are. */
function takeDarts(draft: PieceDraft): PieceDraft {
  let taken = draft
  for (let left = MOST_DARTS; left > 0; left--) {
    let fold: Fold | null = null
    for (const f of findFolds(taken))
      if (f.what !== 'pleat') {
        fold = f
        break
      }
    if (!fold) return taken
    taken = takeFold(taken, fold)
  }
  return taken
}

/** What the test square or scale bar of a drawing measures, and what it says it should, mm; null without one. */
export type FoundScale = FoundOutlines['scale']

/** A square that measures right to this part of its length is taken as it is. */
const RIGHT_PART = 0.005

/** How many times larger the drawing should be by its test square; 1 where there is none, or it is right. */
export function timesBySquare(found: FoundScale): number {
  const times = found ? found.saidMm / found.measuredMm : 1
  return Math.abs(times - 1) > RIGHT_PART ? times : 1
}

/** What the test square or scale bar of a drawing says. Refuses what takes too long to look through. */
export const scaleIn = (drawing: Drawing): Result<FoundScale> =>
  bounded(
    'drawing',
    () => {
      const found = findOutlines(drawing)
      return found.ok ? ok(found.value.scale) : found
    },
    STEPS,
  )

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
      const { outlines } = found.value
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
      return ok(withTwins(settleUnderSleeves(settleRaglans(settleWaists(withGrains(outlines))))))
    },
    STEPS,
  )
}
