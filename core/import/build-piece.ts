import { measureLength, nearestPlace, pointsOf, tangentAt, turnRad, type Path, type Point } from '../geometry'
import { takeAllowanceOff } from '../paper'
import { REACH_MM, ROLE_NAMES, type Dart, type Edge, type EdgeRole, type NotchPlace, type Piece, type PieceKind } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { roleOfLine } from './name-lines'

/** What a person has settled about an outline on its way in. */
export interface PieceDraft {
  id: string
  name: string
  kind: PieceKind
  count: number
  mirrored: boolean
  /** In order, clockwise on the page. */
  edges: {
    path: Path
    role: EdgeRole
    /** A person has said that it is an edge without a name of its own: a pocket’s, a facing’s. */
    isPlain?: boolean
    fold: boolean
    allowanceMm: number
  }[]
  /** The outline is the cut line: the allowances lie inside it. */
  allowanceIncluded: boolean
  grain: { from: Point; to: Point } | null
  notches: Point[]
  /** With a role where it is known to be a fold of the cloth (see find-folds). What a person took out stays here, and is not built. */
  lines: { name: string; path: Path; role?: 'dart' | 'pleat'; isOut?: boolean }[]
  /** Places that are marked within it: drill holes, buttons, the bust point. */
  points?: { name: string; role: 'apex' | 'other'; at: Point; isOut?: boolean }[]
  /** What the size of these edges is called; empty when there is one size only. */
  sizeName: string
  /** The same outline in other sizes, with the notches drawn on it, and corners that were paired by hand: corner index to mm along it. */
  sizes: { name: string; path: Path; notches?: Point[]; pairs: Record<string, number> }[]
  /** The cup that it is for, where the pattern has a piece for each of several. */
  cup?: string
  /** The draft of the piece that it takes the place of for that cup. */
  cupOf?: string
}

/** Names that tell two edges of the same role apart: “side seam”, “side seam 2”. */
function edgeNames(roles: readonly EdgeRole[]): string[] {
  const seen = new Map<EdgeRole, number>()
  return roles.map((role) => {
    const n = (seen.get(role) ?? 0) + 1
    seen.set(role, n)
    return n === 1 ? ROLE_NAMES[role] : `${ROLE_NAMES[role]} ${n}`
  })
}

/**
 * Makes a pattern piece of a settled outline: allowances taken off when they are included, darts and notches placed.
 * Refuses a piece without a grainline, and allowances with no room.
 */
export function buildPiece(draft: PieceDraft, sizeId: string): Result<Piece> {
  const { grain } = draft
  if (!grain) return refuse('no-grain', draft.name, 'it has no grainline yet.', 'Set the grain: along an edge, or up and down the page.')
  const allowances = draft.edges.map((e) => (e.fold ? 0 : e.allowanceMm))
  const cutPaths = draft.edges.map((e) => e.path)
  // The legs of a dart are where it is sewn, whatever line the outline is.
  const takenOff = draft.edges.map((e, i) => (e.role === 'dart-leg' ? 0 : allowances[i]!))
  const seamPaths = draft.allowanceIncluded ? takeAllowanceOff(draft.name, cutPaths, takenOff) : ok(cutPaths)
  if (!seamPaths.ok) return seamPaths
  if (
    seamPaths.value
      .flat()
      .flatMap(pointsOf)
      .some((p) => Math.max(Math.abs(p.x), Math.abs(p.y)) > REACH_MM)
  )
    return refuse(
      'too-large',
      draft.name,
      `it reaches further than ${REACH_MM / 1000} m.`,
      'Set the scale, or draw it nearer to the others.',
    )
  const names = edgeNames(draft.edges.map((e) => e.role))
  const edges = draft.edges.map((e, i): Edge => ({
    id: `edge-${i + 1}`,
    name: names[i]!,
    role: e.role,
    fold: e.fold,
    allowanceMm: allowances[i]!,
  }))
  const n = edges.length
  const corners = edges.map((e, i) => ({ id: `corner-${i + 1}`, name: cornerName(edges[(i + n - 1) % n]!, e) }))
  // Two neighbouring edges that are named legs are a dart, however wide it is.
  const darts = edges
    .flatMap((e, i) => (e.role === 'dart-leg' && edges[(i + 1) % n]!.role === 'dart-leg' ? [i] : []))
    .filter((i, k, all) => turnsInward(seamPaths.value[i]!, seamPaths.value[(i + 1) % n]!) && all[k - 1] !== i - 1)
    .map((i, k): Dart => ({
      id: `dart-${k + 1}`,
      name: `dart${k > 0 ? ` ${k + 1}` : ''}`,
      legs: [edges[i]!.id, edges[(i + 1) % n]!.id],
      pressTo: 'after',
    }))
  const places: Record<string, NotchPlace> = {}
  const notches = draft.notches.flatMap((point, i) => {
    // On the line as drawn; an included allowance shifts it square to the edge, which the nearest place does.
    const near = seamPaths.value
      .map((path, k) => ({ k, ...nearestPlace(path, point) }))
      .filter((p) => isNotched(edges[p.k]!.role))
      .reduce((a, b) => (b.distanceMm < a.distanceMm ? b : a))
    const total = measureLength(seamPaths.value[near.k]!)
    const id = `notch-${i + 1}`
    places[id] =
      near.lengthMm <= total / 2 ? { from: 'start', distanceMm: near.lengthMm } : { from: 'end', distanceMm: total - near.lengthMm }
    return [{ id, name: `notch ${i + 1} on the ${edges[near.k]!.name}`, edgeId: edges[near.k]!.id }]
  })
  const points = (draft.points ?? []).filter((p) => !p.isOut)
  const lines = draft.lines.filter((l) => !l.isOut)
  return ok({
    id: draft.id,
    name: draft.name,
    kind: draft.kind,
    cut: { count: draft.count, mirrored: draft.mirrored },
    edges,
    corners,
    notches,
    darts,
    lines: lines.map((l, i) => ({
      id: `line-${i + 1}`,
      name: l.name.slice(0, 120),
      role: l.role ?? roleOfLine(l.name, l.path, grain),
    })),
    points: points.map(({ name, role }, i) => ({ id: `point-${i + 1}`, name, role })),
    shapes: {
      [sizeId]: {
        edges: Object.fromEntries(edges.map((e, i) => [e.id, seamPaths.value[i]!])),
        notches: places,
        lines: Object.fromEntries(lines.map((l, i) => [`line-${i + 1}`, l.path])),
        points: Object.fromEntries(points.map((p, i) => [`point-${i + 1}`, p.at])),
        grain,
      },
    },
  })
}

/** Notches are on seams: where cloth is folded away there are none. */
export const isNotched = (role: EdgeRole) => role !== 'dart-leg' && role !== 'pleat'

/** Walked clockwise, the outline turns left at the tip of a dart. */
const turnsInward = (a: Path, b: Path) => turnRad(tangentAt(a[a.length - 1]!, 1), tangentAt(b[0]!, 0)) < 0

/** Corners are called after the two edges that meet there; the trade's own names where there are some. */
function cornerName(before: Edge, after: Edge): string {
  const pair = [before.role, after.role].sort().join('+')
  const known: Record<string, string> = {
    'neck+shoulder': 'neck point',
    'armhole+shoulder': 'shoulder tip',
    'armhole+side': 'underarm',
    'hem+side': 'hem at side',
    'side+waist': 'waist at side',
    'crotch+inseam': 'crotch point',
    'cap+underarm': 'underarm',
    'outseam+waist': 'waist at side',
  }
  return known[pair] ?? `corner of ${before.name} and ${after.name}`
}
