import { spend } from '../budget'
import {
  distance,
  flattenPath,
  intersectPaths,
  line,
  nearestPlace,
  reversePath,
  subtract,
  turnRad,
  type Path,
  type Point,
} from '../geometry'
import { doubleDartFigures } from '../pattern'
import { FLATTEN_MM } from '../tolerances'
import { DEG } from '../units'
import type { PieceDraft } from './build-piece'

/** Ends of two lines that are one point, and how near to the outline a line must begin, mm: hand-drawn files are a little off. */
const MEET_MM = 1.5

const REACH_MM = 3

/** Two lines that turn away from each other by more than this are no pleat, deg; nor is a fold wider than this, mm. */
const PLEAT_TURN_DEG = 12

const PLEAT_WIDEST_MM = 150

/** A dart inside a piece is at least this long, mm, and at least twice as long as wide. */
const DOUBLE_DART_MM = 40

/** A stretch of an edge that is folded away. */
interface Mouth {
  edge: number
  fromMm: number
  toMm: number
}

/** Lines inside a piece that look like a fold of the cloth: proposed, and asked about. */
export type Fold =
  /** Two lines that meet inside and begin on one edge: the legs of a dart. */
  | { what: 'dart'; lines: number[]; mouth: Mouth; tip: Point }
  /** Lines that form a narrow loop: a dart with a tip at both ends. */
  | { what: 'inside-dart'; lines: number[]; path: Path }
  /** Two lines side by side from one edge inward: a pleat. */
  | { what: 'pleat'; lines: number[]; mouth: Mouth; path: Path }

const endsOf = (path: Path): [Point, Point] => [path[0]!.from, path[path.length - 1]!.to]

/** Every fold that the inner lines of a draft may mean, one after another: who needs the first alone looks no further. */
export function* findFolds(draft: PieceDraft): Generator<Fold> {
  const open = draft.lines.flatMap((l, i): Drawn[] => (l.role || l.isOut ? [] : [{ i, path: l.path, root: rooted(draft, l.path) }]))
  // A nest's other sizes have no mouths of their own: its edges are not parted.
  if (draft.sizes.length === 0)
    for (const [k, a] of open.entries()) {
      spend(open.length - k)
      for (const b of open.slice(k + 1)) yield* foldAtEdge(draft, a, b)
    }
  for (const { lines, path } of loopsOf(open)) yield* doubleDart(draft, lines, path)
}

interface Drawn {
  i: number
  path: Path
  root: Rooted | null
}

interface Rooted {
  root: Point
  inner: Point
  edge: number
  atMm: number
}

/** Legs may end at the seam line where the cut line is drawn: they are run on to it by this at the most, mm. */
const RUN_ON_MM = 32

/** A leg run on straight from its tip over its other end, to the edge that it meets soon. */
function runOn(draft: PieceDraft, path: Path, tip: Point): Rooted | null {
  const [a, b] = endsOf(path)
  const end = distance(a, tip) <= distance(b, tip) ? b : a
  const long = distance(tip, end)
  if (long < LEAST_LEG_MM) return null
  const on = { x: end.x + ((end.x - tip.x) / long) * RUN_ON_MM, y: end.y + ((end.y - tip.y) / long) * RUN_ON_MM }
  const hits = draft.edges.flatMap((e, edge) => intersectPaths([line(end, on)], e.path).map((hit) => ({ edge, hit })))
  const first = hits.sort((x, y) => x.hit.firstMm - y.hit.firstMm)[0]
  return first ? { root: first.hit.point, inner: tip, edge: first.edge, atMm: first.hit.secondMm } : null
}

/** Legs of a dart are at least this long, mm. */
const LEAST_LEG_MM = 25

/** Where two lines meet at an end of each, and nowhere else. */
function tipOf(a: Path, b: Path): Point | null {
  const met = endsOf(a).filter((p) => endsOf(b).some((q) => distance(p, q) <= MEET_MM))
  return met.length === 1 ? met[0]! : null
}

/** Two lines that meet in a tip within the piece and end short of one edge of it: a dart whose legs are drawn to the seam line. */
function dartShortOfEdge(draft: PieceDraft, a: Drawn, b: Drawn): Fold[] {
  const tip = tipOf(a.path, b.path)
  if (!tip || a.path.length > 1 || b.path.length > 1) return []
  const [p, q] = [runOn(draft, a.path, tip), runOn(draft, b.path, tip)]
  if (!p || !q || p.edge !== q.edge) return []
  const [fromMm, toMm] = p.atMm < q.atMm ? [p.atMm, q.atMm] : [q.atMm, p.atMm]
  const wide = toMm - fromMm
  const legs = [distance(tip, p.root), distance(tip, q.root)]
  const isDart = wide > MEET_MM && wide < Math.min(...legs) && Math.abs(legs[0]! - legs[1]!) <= LEG_PART * Math.max(...legs)
  return isDart ? [{ what: 'dart', lines: [a.i, b.i], mouth: { edge: p.edge, fromMm, toMm }, tip }] : []
}

/** Legs of a dart are as long as each other to this part. */
const LEG_PART = 0.2

/** Which end of a line lies on an edge, with the place; null when none or both do. */
function rooted(draft: PieceDraft, path: Path): Rooted | null {
  const places = endsOf(path).map((p) =>
    draft.edges.map((e, edge) => ({ edge, ...nearestPlace(e.path, p) })).reduce((best, x) => (x.distanceMm < best.distanceMm ? x : best)),
  )
  const on = places.map((p) => p.distanceMm <= REACH_MM)
  if (on[0] === on[1]) return null
  const k = on[0] ? 0 : 1
  return { root: places[k]!.point, inner: endsOf(path)[1 - k]!, edge: places[k]!.edge, atMm: places[k]!.lengthMm }
}

function foldAtEdge(draft: PieceDraft, a: Drawn, b: Drawn): Fold[] {
  const [p, q] = [a.root, b.root]
  if (!p || !q) return dartShortOfEdge(draft, a, b)
  if (p.edge !== q.edge) return []
  const [first, second] = p.atMm < q.atMm ? [p, q] : [q, p]
  const mouth = { edge: p.edge, fromMm: first.atMm, toMm: second.atMm }
  if (mouth.toMm - mouth.fromMm <= MEET_MM) return []
  const lines = [a.i, b.i]
  if (distance(p.inner, q.inner) <= MEET_MM) return [{ what: 'dart', lines, mouth, tip: p.inner }]
  const turn = Math.abs(turnRad(subtract(first.inner, first.root), subtract(second.inner, second.root))) * DEG
  if (turn > PLEAT_TURN_DEG || mouth.toMm - mouth.fromMm > PLEAT_WIDEST_MM) return []
  const path = [line(first.root, first.inner), line(first.inner, second.inner), line(second.inner, second.root)]
  return [{ what: 'pleat', lines, mouth, path }]
}

/** Loops of one to four lines that meet end to end. */
function loopsOf(open: readonly Drawn[]): { lines: number[]; path: Path }[] {
  const found = new Map<string, { lines: number[]; path: Path }>()
  for (const start of open) {
    let chain = { lines: [start.i], path: start.path }
    for (;;) {
      const [from, to] = endsOf(chain.path)
      if (distance(from, to) <= MEET_MM) {
        const lines = [...chain.lines].sort((x, y) => x - y)
        if (chain.path.length > 1) found.set(lines.join(), { lines, path: chain.path })
        break
      }
      if (chain.lines.length === 4) break
      const next = open.find((l) => !chain.lines.includes(l.i) && endsOf(l.path).some((e) => distance(e, to) <= MEET_MM))
      if (!next) break
      const onward = distance(next.path[0]!.from, to) <= MEET_MM ? next.path : reversePath(next.path)
      chain = { lines: [...chain.lines, next.i], path: [...chain.path, ...onward] }
    }
  }
  return [...found.values()]
}

/** A loop as the line of a double-ended dart, from its upper tip; none when it is too short, too wide or touches an edge. */
function doubleDart(draft: PieceDraft, lines: number[], loop: Path): Fold[] {
  const n = loop.length
  const welded = loop.map((s, i) => ({ ...s, to: loop[(i + 1) % n]!.from }))
  const tips = welded
    .flatMap((s, i) => welded.slice(i + 1).map((r) => ({ a: s.from, b: r.from, far: distance(s.from, r.from) })))
    .reduce((x, y) => (y.far > x.far ? y : x))
  const grain = draft.grain ? subtract(draft.grain.to, draft.grain.from) : { x: 0, y: 1 }
  const along = (p: Point) => p.x * grain.x + p.y * grain.y
  const upper = along(tips.a) <= along(tips.b) ? tips.a : tips.b
  if (tips.far < DOUBLE_DART_MM) return []
  const start = welded.findIndex((s) => s.from === upper)
  const path = [...welded.slice(start), ...welded.slice(0, start)]
  const d = doubleDartFigures({ lines: { path } }, 'path')
  if (d.intakeMm * 2 > tips.far) return []
  const isClear = flattenPath(path, FLATTEN_MM).every((p) => draft.edges.every((e) => nearestPlace(e.path, p).distanceMm > REACH_MM))
  if (!isClear) return []
  return [{ what: 'inside-dart', lines, path }]
}
