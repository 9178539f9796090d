import { boundsOf, flattenPath, measureLength, movePath, nearestPlace, placeAt, type Path, type Point } from '../../core/geometry'
import type { Draft } from '../../core/import'
import { cutLineOf, grown, seamLineOf, type TruthPiece } from './draft'
import { BASE_SIZE_NAME, type Sheet } from './sheet'

/** An outline counts as in when it runs within this of the truth, mm. */
const OUTLINE_MM = 0.5
const MARK_MM = 2
/** Rings that are smaller are drill holes. */
const HOLE_MM = 10
/** Notches of a nest are drawn on its smallest size, and the piece comes in as another. */
const NEST_MM = 24
const GRAIN_DEG = 1

export interface Rates {
  pieces: [number, number]
  names: [number, number]
  counts: [number, number]
  folds: [number, number]
  grains: [number, number]
  notches: [number, number]
  darts: [number, number]
  /** Drill holes and buttonholes. */
  places: [number, number]
  /** How many sizes, and what they are called. */
  sizes: [number, number]
  /** Outlines taken for pieces that are none. */
  falsePieces: number
  /** What went wrong, in words. */
  wrong: string[]
}

export const noRates = (): Rates => ({
  pieces: [0, 0],
  names: [0, 0],
  counts: [0, 0],
  folds: [0, 0],
  grains: [0, 0],
  notches: [0, 0],
  darts: [0, 0],
  places: [0, 0],
  sizes: [0, 0],
  falsePieces: 0,
  wrong: [],
})

const SAMPLES = 120
const samplesOf = (path: Path, n = SAMPLES): Point[] => {
  const total = measureLength(path)
  return Array.from({ length: n }, (_, i) => placeAt(path, (total * i) / n).point)
}
const farthest = (from: readonly Point[], to: Path): number => Math.max(...from.map((p) => nearestPlace(to, p).distanceMm))

/** How far a draft's outline runs from a true line, mm; darts that were put in are left aside. */
function offBy(draft: Draft['draft'], truth: Path, p: TruthPiece, by: Point): number {
  const plain = draft.edges.filter((e) => e.role !== 'dart-leg')
  const own = plain.flatMap((e) => [...e.path])
  const there = Math.max(...plain.map((e) => farthest(samplesOf(e.path, 30), truth)))
  const mouths = p.darts.map((d) => {
    const { point } = placeAt(p.edges[d.edge]!.path, d.atMm)
    return { at: { x: point.x + by.x, y: point.y + by.y }, room: d.intakeMm / 2 + 16 }
  })
  const back = samplesOf(truth).filter((q) => mouths.every((m) => Math.hypot(q.x - m.at.x, q.y - m.at.y) > m.room))
  return Math.max(there, farthest(back, own))
}

const directionDeg = (g: { from: Point; to: Point }) => (Math.atan2(g.to.y - g.from.y, g.to.x - g.from.x) * 180) / Math.PI

/** Where a reader laid a piece of a file that lays all of them at one place: where an outline of its measure lies. */
function whereItWasLaid(line: Path, taken: readonly Draft[], used: ReadonlySet<Draft>): Point {
  const own = boundsOf(line)
  const boxes = taken
    .filter((d) => !used.has(d))
    .flatMap((d) => [d.draft.edges.flatMap((e) => [...e.path]), ...d.draft.sizes.map((s) => s.path)].map(boundsOf))
  const off = (b: typeof own) => Math.abs(b.maxX - b.minX - own.maxX + own.minX) + Math.abs(b.maxY - b.minY - own.maxY + own.minY)
  const best = boxes.reduce((a, b) => (off(b) < off(a) ? b : a), boxes[0] ?? own)
  return { x: best.minX - own.minX, y: best.minY - own.minY }
}

/** Holds what was read against the truth, piece by piece; `areSizesNamed` where layers or words say what the sizes are called. */
export function judge(
  sheet: Sheet,
  drafts: readonly Draft[],
  rates: Rates,
  words = true,
  fileName = '',
  isPlaced = true,
  areSizesNamed = true,
): void {
  const taken = drafts.filter((d) => !d.aside)
  const used = new Set<Draft>()
  const count = (
    key: 'pieces' | 'names' | 'counts' | 'folds' | 'grains' | 'notches' | 'darts' | 'places' | 'sizes',
    good: boolean,
    wrong: string,
  ) => {
    rates[key][1] += 1
    if (good) rates[key][0] += 1
    else rates.wrong.push(`${fileName}: ${wrong}`)
  }
  sheet.garment.pieces.forEach((p, i) => {
    const by = isPlaced ? sheet.placed[i]! : whereItWasLaid(sheet.hand.lines === 'cut' ? cutLineOf(p) : seamLineOf(p), taken, used)
    const cut = movePath(cutLineOf(p), by)
    const seam = movePath(seamLineOf(p), by)
    const b = boundsOf(seam)
    const near = taken
      .filter((d) => !used.has(d) && !d.trouble)
      .map((d) => {
        const all = d.draft.edges.flatMap((e) => [...e.path])
        const c = boundsOf(all)
        const close = Math.abs(c.minX - b.minX) + Math.abs(c.minY - b.minY) + Math.abs(c.maxX - b.maxX) + Math.abs(c.maxY - b.maxY)
        return { d, close, size: d.draft.sizes }
      })
      .filter((x) => x.close < 400)
      .sort((x, y) => x.close - y.close)[0]
    const lines: Path[] = [...(sheet.hand.lines === 'seam' ? [] : [cut]), ...(sheet.hand.lines === 'cut' ? [] : [seam])]
    // A nest may have come in as another size: then the base is among its sizes.
    const asBase = near?.d.draft.sizes.find((s) => lines.some((l) => farthest(samplesOf(s.path), l) <= OUTLINE_MM))
    const off = near ? Math.min(...lines.map((l) => offBy(near.d.draft, l, p, by))) : Infinity
    const isIn = near !== undefined && (off <= OUTLINE_MM || asBase !== undefined)
    count('pieces', isIn, `${p.name} did not come in (${near ? `off by ${off.toFixed(2)}` : 'none there'}; ${taken.length} taken)`)
    if (!near || !isIn) return
    used.add(near.d)
    const { draft } = near.d
    if (sheet.hand.sizes.length > 0) {
      const meant = [BASE_SIZE_NAME, ...sheet.hand.sizes]
      const got = [draft.sizeName, ...draft.sizes.map((s) => s.name)].sort()
      count(
        'sizes',
        areSizesNamed ? got.join() === meant.join() : got.length === meant.length,
        `${p.name}: sizes ${got.join()}, and not ${meant.join()}`,
      )
    }
    if (words) {
      count('names', draft.name.toLowerCase() === p.name.toLowerCase(), `${p.name} is called “${draft.name}”`)
      count(
        'counts',
        draft.count === p.count && draft.mirrored === p.mirrored,
        `${p.name}: cut ${draft.count} ${draft.mirrored ? 'mirrored' : ''}, and not ${p.count} ${p.mirrored ? 'mirrored' : ''}`,
      )
    }
    const folds = p.edges.flatMap((e) => (e.fold ? [movePath(e.path, by)] : []))
    const read = draft.edges.filter((e) => e.fold)
    // A nest may have come in as another size: then it lies on the fold of that one.
    const inSizes = [p, ...sheet.hand.sizes.map((_, k) => grown(p, 1 + 0.03 * (k + 1), 1 + 0.015 * (k + 1)))]
    const allFolds = inSizes.flatMap((one) => one.edges.flatMap((e) => (e.fold ? [movePath(e.path, by)] : [])))
    const foldGood =
      folds.length === 0
        ? read.length === 0
        : read.length > 0 && read.every((e) => allFolds.some((f) => farthest(samplesOf(e.path, 8).slice(2, 7), f) < MARK_MM))
    // Said in words alone, a fold that does not run along the grain may be anywhere; without words nothing says where it is.
    const along =
      folds.length === 0 ||
      Math.abs(Math.sin(((directionDeg(p.grain) - directionDeg({ from: folds[0]![0]!.from, to: folds[0]![0]!.to })) * Math.PI) / 180)) < 0.1
    const isSaidWhere = sheet.hand.fold === 'bracket' || sheet.hand.lines === 'both' || sheet.hand.fold === 'words' || along
    if ((words && isSaidWhere) || folds.length === 0) count('folds', foldGood, `${p.name}: ${read.length} folds`)
    const turn = draft.grain ? Math.abs(directionDeg(draft.grain) - directionDeg(p.grain)) % 180 : 90
    count(
      'grains',
      draft.grain !== null && Math.min(turn, 180 - turn) <= GRAIN_DEG,
      `${p.name}: grain ${draft.grain ? turn.toFixed(1) : 'none'}`,
    )
    const places = p.notches.map((m) => {
      const { point } = placeAt(p.edges[m.edge]!.path, m.atMm)
      return {
        x: point.x + by.x,
        y: point.y + by.y,
        reach: p.edges[m.edge]!.allowanceMm + MARK_MM + (sheet.hand.sizes.length > 0 ? NEST_MM : 0),
      }
    })
    const got = draft.notches
    const missing = places.filter((q) => !got.some((g) => Math.hypot(g.x - q.x, g.y - q.y) <= q.reach))
    count(
      'notches',
      missing.length === 0 && got.length === places.length,
      `${p.name}: ${got.length} notches of ${places.length}, ${missing.length} missing`,
    )
    const inner = sheet.items.filter((it) => it.role === 'inner' && it.piece === i && it.path)
    const slits = inner.filter((it) => !it.closed)
    const buttonholes = draft.lines.filter((l) => l.name.startsWith('buttonhole'))
    const holes = inner.flatMap((it) => {
      const box = it.closed ? boundsOf(it.path!) : null
      return box && box.maxX - box.minX < HOLE_MM ? [{ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 }] : []
    })
    const marked = draft.points ?? []
    count(
      'places',
      marked.length === holes.length &&
        buttonholes.length === slits.length &&
        (!isPlaced || holes.every((h) => marked.some((m) => Math.hypot(m.at.x - h.x, m.at.y - h.y) < MARK_MM))),
      `${p.name}: ${marked.length} marked places of ${holes.length}, ${buttonholes.length} buttonholes of ${slits.length}`,
    )
    const tips = draft.edges.flatMap((e, k) =>
      e.role === 'dart-leg' && draft.edges[(k + 1) % draft.edges.length]!.role === 'dart-leg' ? [e.path[e.path.length - 1]!.to] : [],
    )
    if (sheet.hand.sizes.length === 0)
      count(
        'darts',
        tips.length === p.darts.length &&
          p.darts.every((d) => tips.some((t) => Math.hypot(t.x - d.tip.x - by.x, t.y - d.tip.y - by.y) <= MARK_MM)),
        `${p.name}: ${tips.length} darts of ${p.darts.length}`,
      )
  })
  for (const d of taken)
    if (!used.has(d) && !d.trouble) {
      rates.falsePieces += 1
      const b = boundsOf(d.draft.edges.flatMap((e) => (flattenPath(e.path, 1).length > 0 ? [...e.path] : [])))
      rates.wrong.push(`${fileName}: “${d.draft.name}” is no piece (${(b.maxX - b.minX).toFixed(0)} x ${(b.maxY - b.minY).toFixed(0)})`)
    }
}
