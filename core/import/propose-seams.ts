import { measureLength } from '../geometry'
import { markPosition, sideLength } from '../moves'
import { edgePath, neighbours, shapeOf, type EdgeRole, type Garment, type Piece, type RunEdge, type Seam } from '../pattern'

/** Two edges are proposed as a seam when their lengths differ by no more than this part. */
const LIKE_PART = 0.12

/** Notches that meet within this distance along the seam are proposed as a pair, mm. */
const MEET_MM = 14

/** Usual wanted ease of a set-in cap, mm. */
const CAP_EASE = { minMm: 15, maxMm: 30 }

/** Runs of edges of one role on a piece, parted where another edge than a dart or pleat lies between; in outline order. */
function runsOf(piece: Piece, role: EdgeRole): RunEdge[][] {
  const runs: RunEdge[][] = []
  let open = false
  for (const edge of piece.edges) {
    if (edge.role === role && !edge.fold) {
      const one = { pieceId: piece.id, edgeId: edge.id, reversed: false }
      if (open) runs[runs.length - 1]!.push(one)
      else runs.push([one])
      open = true
    } else if (edge.role !== 'dart-leg' && edge.role !== 'pleat') open = false
  }
  return runs
}

/** The same run, walked the other way. */
export const turnedRound = (run: RunEdge[]): RunEdge[] => [...run].reverse().map((r) => ({ ...r, reversed: !r.reversed }))

/** Turns a run so that it starts at its end next to a role, or else at its upper end. */
function startAt(piece: Piece, run: RunEdge[], role: EdgeRole, sizeId: string): RunEdge[] {
  const before = neighbours(piece, run[0]!.edgeId).before.role
  const after = neighbours(piece, run[run.length - 1]!.edgeId).after.role
  if (before === role && after !== role) return run
  if (after === role && before !== role) return turnedRound(run)
  const shape = shapeOf(piece, sizeId)
  const first = edgePath(shape, run[0]!.edgeId)[0]!.from
  const lastPath = edgePath(shape, run[run.length - 1]!.edgeId)
  return first.y <= lastPath[lastPath.length - 1]!.to.y ? run : turnedRound(run)
}

const isFront = (p: Piece) => p.kind === 'front' || p.kind === 'leg-front' || p.kind === 'skirt-front'
const isBack = (p: Piece) => p.kind === 'back' || p.kind === 'leg-back' || p.kind === 'skirt-back'

/** Which roles are sewn together between front and back, and the role beside which both are walked from. */
const PAIRS: { role: EdgeRole; start: EdgeRole; name: string }[] = [
  { role: 'shoulder', start: 'neck', name: 'shoulder seam' },
  { role: 'side', start: 'armhole', name: 'side seam' },
  { role: 'outseam', start: 'waist', name: 'outseam' },
  { role: 'inseam', start: 'crotch', name: 'inseam' },
]

function build(id: string, name: string, first: RunEdge[], second: RunEdge[], wantedEase = { minMm: 0, maxMm: 0 }): Seam {
  return { id, name, sides: [first, second], wantedEase, marks: [] }
}

/** A seam with notches paired that lie at about the same place on both of its sides. */
export function pairNotches(garment: Garment, seam: Seam, sizeId: string): Seam {
  const notchesOn = (side: 0 | 1) =>
    seam.sides[side].flatMap((run) =>
      garment.pieces
        .find((p) => p.id === run.pieceId)!
        .notches.filter((n) => n.edgeId === run.edgeId)
        .map((n) => ({
          mark: { pieceId: run.pieceId, notchId: n.id },
          at: markPosition(garment, seam, side, { pieceId: run.pieceId, notchId: n.id }, sizeId)!,
        })),
    )
  const others = notchesOn(1)
  const room = MEET_MM + Math.max(0, seam.wantedEase.maxMm)
  const marks: Seam['marks'] = []
  for (const a of notchesOn(0)) {
    const near = others.filter((b) => !marks.some((m) => m[1] === b.mark)).sort((x, y) => Math.abs(x.at - a.at) - Math.abs(y.at - a.at))[0]
    if (near && Math.abs(near.at - a.at) <= room) marks.push([a.mark, near.mark])
  }
  return { ...seam, marks }
}

/**
 * Proposes the seams of a garment from what its edges are called and how long they are: shoulders, sides, in- and
 * outseams between front and back pieces of like kind, the sleeve's own seam, and the cap into the armholes.
 * Notches that lie at about the same place on both sides are paired.
 */
export function proposeSeams(garment: Garment): Seam[] {
  const size = garment.baseSizeId
  const found: Seam[] = []
  const lengthOf = (run: RunEdge[]) =>
    run.reduce(
      (s, r) =>
        s +
        measureLength(
          edgePath(
            shapeOf(
              garment.pieces.find((p) => p.id === r.pieceId)!,
              size,
            ),
            r.edgeId,
          ),
        ),
      0,
    )
  const like = (a: RunEdge[], b: RunEdge[]) => Math.abs(lengthOf(a) - lengthOf(b)) <= LIKE_PART * Math.max(lengthOf(a), lengthOf(b))
  const family = (p: Piece) => (p.kind.split('-')[0] === 'leg' || p.kind.split('-')[0] === 'skirt' ? p.kind.split('-')[0] : 'body')
  for (const front of garment.pieces.filter(isFront))
    for (const back of garment.pieces.filter((p) => isBack(p) && family(p) === family(front)))
      for (const { role, start, name } of PAIRS) {
        const a = runsOf(front, role)
        const b = runsOf(back, role)
        a.forEach((run, i) => {
          // On whole pieces what is right on the front's paper meets what is left on the back's.
          const mate = a.length === 2 && b.length === 2 ? b[1 - i] : b[i]
          if (!mate) return
          const first = startAt(front, run, start, size)
          const second = startAt(back, mate, start, size)
          if (like(first, second)) found.push(build(`seam-${found.length + 1}`, a.length > 1 ? `${name} ${i + 1}` : name, first, second))
        })
      }
  for (const sleeve of garment.pieces.filter((p) => p.kind === 'sleeve')) {
    const under = runsOf(sleeve, 'underarm')
    if (under.length === 2) {
      const [a, b] = under.map((r) => startAt(sleeve, r, 'cap', size)) as [RunEdge[], RunEdge[]]
      if (like(a, b)) found.push(build(`seam-${found.length + 1}`, 'sleeve seam', a, b))
    }
    const cap = runsOf(sleeve, 'cap')[0]
    const front = garment.pieces.find((p) => p.kind === 'front')
    const back = garment.pieces.find((p) => p.kind === 'back')
    const frontHole = front && runsOf(front, 'armhole')[0]
    const backHole = back && runsOf(back, 'armhole')[0]
    if (cap && frontHole && backHole) {
      // The cap is drawn with its back on the left; the armholes are walked from the back underarm over the shoulder.
      const holes = [...turnedRound(startAt(back, backHole, 'shoulder', size)), ...startAt(front, frontHole, 'shoulder', size)]
      if (like(cap, holes)) found.push(build(`seam-${found.length + 1}`, 'armhole seam', cap, holes, CAP_EASE))
    }
  }
  for (const band of garment.pieces.filter((p) => p.kind === 'band')) {
    const edge = runsOf(band, 'band').map((r) => r)[1] ?? runsOf(band, 'band')[0]
    for (const role of ['waist', 'neck'] as const) {
      const back = garment.pieces.find((p) => isBack(p) && runsOf(p, role).length === 1)
      const front = garment.pieces.find((p) => isFront(p) && runsOf(p, role).length === 1)
      if (!edge || !front || !back) continue
      const centre = (p: Piece): EdgeRole => (isFront(p) ? 'centre-front' : 'centre-back')
      const b = startAt(back, runsOf(back, role)[0]!, centre(back), size)
      const f = turnedRound(startAt(front, runsOf(front, role)[0]!, centre(front), size))
      if (like(edge, [...b, ...f]))
        found.push(build(`seam-${found.length + 1}`, role === 'waist' ? 'waist seam' : 'neckband seam', turnedRound(edge), [...b, ...f]))
    }
  }
  return found.map((s) => pairNotches(garment, s, size))
}

/** Both lengths of a proposed seam, mm. */
export const seamLengths = (garment: Garment, seam: Seam): [number, number] => [
  sideLength(garment, seam, 0, garment.baseSizeId),
  sideLength(garment, seam, 1, garment.baseSizeId),
]
