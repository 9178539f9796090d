import { spend } from '../budget'
import { measureLength, type Path } from '../geometry'
import { edgePath, findPiece, neighbours, shapeOf, type EdgeRole, type Garment, type Piece, type RunEdge, type Seam } from '../pattern'

/** Edges of so many pieces make up one side at most. */
const MOST_RUNS = 4
/** Edges that are sewn to nothing: to the hem, the fold of a facing, or itself mirrored. */
const UNSEWN: readonly EdgeRole[] = ['hem', 'leg-opening', 'dart-leg', 'pleat', 'band-end', 'centre-front', 'centre-back']
/** Edges that are sewn to a cuff where there is one. */
const CUFFED: readonly EdgeRole[] = ['hem', 'leg-opening']
/** An edge that is longer than its chord by more than this part is bent. */
const BENT_PART = 0.01
/** An edge that rises or falls by less than this part of its length runs across. */
const LEVEL_PART = 0.2

/** A run of edges of one piece, in outline order, parted only by darts. */
export interface Run {
  piece: Piece
  edges: RunEdge[]
  role: EdgeRole
  mm: number
  /** Notches on it, from its start, mm. */
  notches: number[]
  /** Its corners in the outline: where it starts, where it ends. */
  from: number
  to: number
  /** It bends by more than a little. */
  isBent: boolean
  /** Its end lies lower than its start, as the piece is drawn, or higher; null where it runs across. */
  isDown: boolean | null
  /** It lies in the lower half of its piece, as that is drawn. */
  isLow: boolean
  /** Its start lies further left than its end. */
  isFromLeft: boolean
  /** The piece has another run of this role: it is drawn whole. */
  hasTwin: boolean
}

/** One side of a seam as it is walked: runs one after the other. */
export interface Side {
  runs: { run: Run; reversed: boolean }[]
  mm: number
  notches: number[]
  /** Where one run ends and the next begins, mm. */
  joints: number[]
}

const indexOf = (piece: Piece, edgeId: string) => piece.edges.findIndex((e) => e.id === edgeId)

const middle = (path: Path, axis: 'x' | 'y'): number => path.reduce((sum, s) => sum + s.from[axis] + s.to[axis], 0) / (2 * path.length)

function toRun(piece: Piece, ids: readonly string[], sizeId: string): Run {
  const shape = shapeOf(piece, sizeId)
  let mm = 0
  const notches: number[] = []
  for (const id of ids) {
    const long = measureLength(edgePath(shape, id))
    for (const notch of piece.notches.filter((n) => n.edgeId === id)) {
      const place = shape.notches[notch.id]
      if (place) notches.push(mm + (place.from === 'start' ? place.distanceMm : long - place.distanceMm))
    }
    mm += long
  }
  const last = ids[ids.length - 1]!
  const path = ids.flatMap((id) => [...edgePath(shape, id)])
  const [start, end] = [path[0]!.from, path[path.length - 1]!.to]
  const chord = Math.hypot(end.x - start.x, end.y - start.y)
  return {
    piece,
    edges: ids.map((edgeId) => ({ pieceId: piece.id, edgeId, reversed: false })),
    role: piece.edges[indexOf(piece, ids[0]!)]!.role,
    mm,
    notches,
    from: indexOf(piece, ids[0]!),
    to: (indexOf(piece, last) + 1) % piece.edges.length,
    isBent: mm > chord * (1 + BENT_PART),
    isDown: Math.abs(end.y - start.y) < LEVEL_PART * mm ? null : start.y <= end.y,
    isLow:
      middle(path, 'y') >
      middle(
        piece.edges.flatMap((e) => [...edgePath(shape, e.id)]),
        'y',
      ),
    isFromLeft: start.x <= end.x,
    hasTwin: false,
  }
}

/**
 * The runs of a piece that may be sewn: edges of one role that meet or are parted by darts; plain edges each by itself.
 * @param hasCuff the garment has a cuff for it, to which its hem is sewn
 */
export function runsOf(piece: Piece, sizeId: string, hasCuff = false): Run[] {
  const groups: string[][] = []
  let open: EdgeRole | null = null
  let isBehindDart = false
  for (const { id, role, fold } of piece.edges) {
    if (role === 'dart-leg' || role === 'pleat') {
      isBehindDart = true
      continue
    }
    // A cap may be parted at its top, or at the underarm of an under sleeve: there other pieces go on.
    const goesOn = role === open && ((role !== 'other' && role !== 'cap') || isBehindDart)
    isBehindDart = false
    if (fold || (UNSEWN.includes(role) && !(hasCuff && CUFFED.includes(role)))) open = null
    else {
      if (goesOn) groups[groups.length - 1]!.push(id)
      else groups.push([id])
      open = role
    }
  }
  const runs = groups.map((ids) => toRun(piece, ids, sizeId))
  return runs.map((r) => ({ ...r, hasTwin: r.role !== 'other' && runs.filter((o) => o.role === r.role).length === 2 }))
}

/** A corner of a piece: the start of its edge of that place. */
const cornerKey = (pieceId: string, corner: number) => `${pieceId} ${corner}`

/** Which corners meet where seams begin and end. */
export function jointsOf(garment: Garment, seams: readonly Pick<Seam, 'sides'>[]): Map<string, string[]> {
  const met = new Map<string, string[]>()
  const corner = ({ pieceId, edgeId, reversed }: RunEdge, atStart: boolean) => {
    const piece = findPiece(garment, pieceId)!
    const at = indexOf(piece, edgeId)
    return cornerKey(pieceId, atStart === reversed ? (at + 1) % piece.edges.length : at)
  }
  const join = (a: string, b: string) => {
    met.set(a, [...(met.get(a) ?? []), b])
    met.set(b, [...(met.get(b) ?? []), a])
  }
  for (const { sides } of seams) {
    join(corner(sides[0][0]!, true), corner(sides[1][0]!, true))
    join(corner(sides[0].at(-1)!, false), corner(sides[1].at(-1)!, false))
  }
  return met
}

/** A side that is walked on by another run. */
function walkedOn(side: Side, run: Run, reversed: boolean): Side {
  const own = reversed ? run.notches.map((n) => run.mm - n) : run.notches
  return {
    runs: [...side.runs, { run, reversed }],
    mm: side.mm + run.mm,
    notches: [...side.notches, ...own.map((n) => side.mm + n)],
    joints: side.runs.length > 0 ? [...side.joints, side.mm] : side.joints,
  }
}

/** A side by its edges and the way in which they are walked. */
const keyOf = ({ runs }: Side): string => runs.map(({ run, reversed }) => `${run.piece.id} ${run.from}${reversed ? '-' : '+'}`).join(' ')

/**
 * All sides of up to so many runs that can be walked over the seams that are known: each run by itself, and on beyond a joint; in both
 * directions, by their edges.
 */
export function sidesOf(runs: readonly Run[], joints: ReadonlyMap<string, readonly string[]>): Map<string, Side> {
  const byCorner = new Map<string, { run: Run; reversed: boolean }[]>()
  for (const run of runs) {
    for (const [corner, reversed] of [
      [run.from, false],
      [run.to, true],
    ] as const) {
      const key = cornerKey(run.piece.id, corner)
      byCorner.set(key, [...(byCorner.get(key) ?? []), { run, reversed }])
    }
  }
  const found = new Map<string, Side>()
  const walk = (side: Side) => {
    found.set(keyOf(side), side)
    if (side.runs.length === MOST_RUNS) return
    const { run, reversed } = side.runs[side.runs.length - 1]!
    const end = cornerKey(run.piece.id, reversed ? run.from : run.to)
    spend(1)
    for (const corner of [end, ...(joints.get(end) ?? [])])
      for (const next of byCorner.get(corner) ?? [])
        if (next.run.role === run.role && run.role !== 'other' && !side.runs.some((r) => r.run === next.run))
          walk(walkedOn(side, next.run, next.reversed))
  }
  for (const run of runs) for (const reversed of [false, true]) walk(walkedOn({ runs: [], mm: 0, notches: [], joints: [] }, run, reversed))
  return found
}

/** Roles of the edges beside one run as it is walked: before its start, after its end. */
export function besideRun({ run, reversed }: Side['runs'][number]): [EdgeRole, EdgeRole] {
  const { before } = neighbours(run.piece, run.edges[0]!.edgeId)
  const { after } = neighbours(run.piece, run.edges[run.edges.length - 1]!.edgeId)
  // Centre meets centre, in front and at the back.
  const [first, last] = [before, after].map(({ role }): EdgeRole => (role === 'centre-back' ? 'centre-front' : role)) as [
    EdgeRole,
    EdgeRole,
  ]
  return reversed ? [last, first] : [first, last]
}

/** Roles of the edges beside a side: before its start, after its end. */
export const beside = ({ runs }: Side): [EdgeRole, EdgeRole] => [besideRun(runs[0]!)[0], besideRun(runs[runs.length - 1]!)[1]]

/** Does a side run down the page, as its first piece is drawn? */
export const runsDown = ({ runs: [first] }: Side): boolean | null =>
  first!.run.isDown === null ? null : first!.run.isDown !== first!.reversed

/** Does a side of several pieces go all the way round, and begin where two of them are joined? Nothing says that the other begins there, too. */
export function isRing({ runs }: Side, joined: ReadonlyMap<string, readonly string[]>): boolean {
  const [first, last] = [runs[0]!, runs[runs.length - 1]!]
  const start = cornerKey(first.run.piece.id, first.reversed ? first.run.to : first.run.from)
  const end = cornerKey(last.run.piece.id, last.reversed ? last.run.from : last.run.to)
  return first.run.piece !== last.run.piece && (joined.get(start) ?? []).includes(end)
}

/** The edges of a side in walking order. */
export const edgesOf = ({ runs }: Side): RunEdge[] =>
  runs.flatMap(({ run, reversed }) => (reversed ? [...run.edges].reverse().map((e) => ({ ...e, reversed: true })) : run.edges))
