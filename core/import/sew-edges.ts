import { measureLength } from '../geometry'
import { edgePath, findPiece, neighbours, ROLE_NAMES, shapeOf, type EdgeRole, type Garment, type RunEdge, type Seam } from '../pattern'
import { pairNotches, turnedRound } from './propose-seams'

/** An edge that was pointed at. */
export interface PointedEdge {
  pieceId: string
  edgeId: string
}

const edgeOf = (garment: Garment, { pieceId, edgeId }: PointedEdge) => findPiece(garment, pieceId)?.edges.find((e) => e.id === edgeId)

/**
 * One side of a seam, in walking order: edges of one piece in the order of its outline, pieces in the order in which they were
 * pointed at.
 */
function runOf(garment: Garment, edges: readonly PointedEdge[]): RunEdge[] {
  const pieceIds = [...new Set(edges.map((e) => e.pieceId))]
  return pieceIds.flatMap((pieceId) => {
    const own = findPiece(garment, pieceId)!.edges
    const at = edges.filter((e) => e.pieceId === pieceId).map((e) => own.findIndex((x) => x.id === e.edgeId))
    const sorted = [...at].sort((a, b) => a - b)
    // A run that goes on over the outline’s first corner begins after its widest gap.
    const gaps = sorted.map((i, k) => (k === 0 ? i + own.length - sorted[sorted.length - 1]! : i - sorted[k - 1]!))
    const first = gaps.indexOf(Math.max(...gaps))
    return [...sorted.slice(first), ...sorted.slice(0, first)].map((i) => ({ pieceId, edgeId: own[i]!.id, reversed: false }))
  })
}

/** Roles of the edges that a run lies between: before its start, after its end. */
function beside(garment: Garment, run: readonly RunEdge[]): [EdgeRole, EdgeRole] {
  const end = (r: RunEdge, atStart: boolean) => {
    const { before, after } = neighbours(findPiece(garment, r.pieceId)!, r.edgeId)
    return (atStart !== r.reversed ? before : after).role
  }
  return [end(run[0]!, true), end(run[run.length - 1]!, false)]
}

/** Ends of a run, from its start to its end. */
function endsOf(garment: Garment, run: readonly RunEdge[]) {
  const place = (r: RunEdge, atStart: boolean) => {
    const path = edgePath(shapeOf(findPiece(garment, r.pieceId)!, garment.baseSizeId), r.edgeId)
    return atStart !== r.reversed ? path[0]!.from : path[path.length - 1]!.to
  }
  return [place(run[0]!, true), place(run[run.length - 1]!, false)] as const
}

/**
 * A seam of edges that were pointed at. Which ends meet is found from what lies beside them (shoulder to shoulder, hem to hem)
 * and, where that says nothing, from which end lies higher; `turned` turns the second side round.
 *
 * @returns null where an edge has gone, an edge is named twice, or a side has none
 */
export function sewEdges(
  garment: Garment,
  id: string,
  sides: readonly [readonly PointedEdge[], readonly PointedEdge[]],
  turned = false,
): Seam | null {
  const all = [...sides[0], ...sides[1]]
  const isTwice = new Set(all.map((e) => `${e.pieceId} ${e.edgeId}`)).size < all.length
  if (sides.some((s) => s.length === 0) || isTwice || all.some((e) => !edgeOf(garment, e))) return null
  const first = runOf(garment, sides[0])
  const plain = runOf(garment, sides[1])
  const round = turnedRound(plain)
  const meets = (second: RunEdge[]) => {
    const [a, b] = [beside(garment, first), beside(garment, second)]
    const alike = [0, 1].filter((i) => a[i] === b[i] && a[i] !== 'other').length
    const [from, to] = [endsOf(garment, first), endsOf(garment, second)]
    const isSameWay = Math.sign(from[1].y - from[0].y) === Math.sign(to[1].y - to[0].y)
    return 2 * alike + Number(isSameWay)
  }
  const best = meets(round) >= meets(plain) ? round : plain
  const second = turned ? turnedRound(best) : best
  const roles = new Set(sides.map((s) => edgeOf(garment, s[0]!)!.role))
  const [role] = roles
  const name =
    roles.size === 1 && role !== 'other' && role !== undefined
      ? ROLE_NAMES[role]
      : `${edgeOf(garment, sides[0][0]!)!.name} to ${edgeOf(garment, sides[1][0]!)!.name}`
  const seam: Seam = {
    id,
    name: /seam/.test(name) ? name : `${name} seam`,
    sides: [first, second],
    wantedEase: { minMm: 0, maxMm: 0 },
    marks: [],
  }
  return pairNotches(garment, seam, garment.baseSizeId)
}

/** Length of edges that were pointed at, mm. */
export const pointedLength = (garment: Garment, edges: readonly PointedEdge[]): number =>
  edges.reduce((sum, e) => {
    const piece = findPiece(garment, e.pieceId)
    return piece && edgeOf(garment, e) ? sum + measureLength(edgePath(shapeOf(piece, garment.baseSizeId), e.edgeId)) : sum
  }, 0)
