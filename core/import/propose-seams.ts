import {
  cornersOf,
  findPiece,
  neighbours,
  type EdgeRole,
  type Garment,
  type RunEdge,
  type Seam,
  markPosition,
  sideLength,
} from '../pattern'
import { matchSides } from './match-seams'

/** Notches that meet within this distance along the seam are proposed as a pair, mm. */
const MEET_MM = 14

/** Usual wanted ease of a set-in cap, mm. */
const CAP_EASE = { minMm: 15, maxMm: 30 }

/** What is gathered is meant to be as it was drawn, to this, mm. */
const GATHERED_MM = 5

/** The ease that a seam is drawn for: gathers as they are, a set-in cap's, or none. */
function easeOf(roles: readonly EdgeRole[], gatheredMm: number | null): Seam['wantedEase'] {
  if (gatheredMm !== null) return { minMm: Math.round(gatheredMm) - GATHERED_MM, maxMm: Math.round(gatheredMm) + GATHERED_MM }
  return roles.includes('cap') ? CAP_EASE : { minMm: 0, maxMm: 0 }
}

/** The same run, walked the other way. */
export const turnedRound = (run: RunEdge[]): RunEdge[] => [...run].reverse().map((r) => ({ ...r, reversed: !r.reversed }))

/** The role beside which a seam of a role is walked from. */
const STARTS: Partial<Record<EdgeRole, EdgeRole>> = {
  shoulder: 'neck',
  side: 'armhole',
  outseam: 'waist',
  inseam: 'crotch',
  underarm: 'cap',
}

/** What seams of a role are called. */
const NAMES: Partial<Record<EdgeRole, string>> = {
  shoulder: 'shoulder seam',
  side: 'side seam',
  outseam: 'outseam',
  inseam: 'inseam',
  underarm: 'sleeve seam',
  crotch: 'crotch seam',
  waist: 'waist seam',
}

/** Does a run begin beside a role, and not end beside it? */
function beginsAt(garment: Garment, run: readonly RunEdge[], role: EdgeRole | undefined): boolean | null {
  const beside = (r: RunEdge, atStart: boolean) => {
    const { before, after } = neighbours(findPiece(garment, r.pieceId)!, r.edgeId)
    return (atStart !== r.reversed ? before : after).role
  }
  const [first, last] = [beside(run[0]!, true) === role, beside(run[run.length - 1]!, false) === role]
  return first === last ? null : first
}

/** A seam with notches paired that lie at about the same place on both of its sides, and with joints of the other side. */
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
  /** Where one piece ends and the next begins: a notch of the other side may lie there. */
  const cornersOn = (side: 0 | 1) =>
    seam.sides[side].slice(1).flatMap((run, i) => {
      if (run.pieceId === seam.sides[side][i]!.pieceId) return []
      const { start, end } = cornersOf(findPiece(garment, run.pieceId)!, run.edgeId)
      const mark = { pieceId: run.pieceId, cornerId: (run.reversed ? end : start).id }
      return [{ mark, at: markPosition(garment, seam, side, mark, sizeId)! }]
    })
  const room = MEET_MM + Math.max(0, seam.wantedEase.maxMm)
  const marks: Seam['marks'] = []
  const pair = (side: 0 | 1, own: ReturnType<typeof notchesOn>, theirs: readonly { mark: Seam['marks'][number][0]; at: number }[]) => {
    for (const a of own) {
      const isFree = (mark: Seam['marks'][number][0]) => !marks.some((m) => m.includes(mark))
      const near = theirs.filter((b) => isFree(b.mark)).sort((x, y) => Math.abs(x.at - a.at) - Math.abs(y.at - a.at))[0]
      if (near && isFree(a.mark) && Math.abs(near.at - a.at) <= room) marks.push(side === 0 ? [a.mark, near.mark] : [near.mark, a.mark])
    }
  }
  const [first, second] = [notchesOn(0), notchesOn(1)]
  pair(0, first, second)
  pair(0, first, cornersOn(1))
  pair(1, second, cornersOn(0))
  return { ...seam, marks }
}

/** The order of two sides: what is set in comes first, then what stands first among the pieces. */
const isSecondFirst = (garment: Garment, [first, second]: [RunEdge[], RunEdge[]], [a, b]: [EdgeRole, EdgeRole]) => {
  const isBand = (run: RunEdge[]) => findPiece(garment, run[0]!.pieceId)!.kind === 'band'
  return (b === 'cap' && a !== 'cap') || (isBand(second) && !isBand(first))
}

/**
 * Proposes the seams of a garment: by what its edges are called, how long they are and where their notches lie, over all pieces, also
 * where edges of several pieces make up a side. Notches that lie at about the same place on both sides are paired.
 */
export function proposeSeams(garment: Garment): Seam[] {
  const called = new Map<string, number>()
  return matchSides(garment).map(({ sides, roles, gatheredMm }, i) => {
    const isTurned = isSecondFirst(garment, sides, roles)
    const [first, second] = isTurned ? [sides[1], sides[0]] : sides
    const start = roles[0] === roles[1] ? STARTS[roles[0]] : undefined
    const isRight = start === undefined ? null : (beginsAt(garment, first, start) ?? beginsAt(garment, second, start))
    const way = isRight === false ? turnedRound : (run: RunEdge[]) => run
    const name = nameOf(garment, [first, second], roles)
    const times = (called.get(name) ?? 0) + 1
    called.set(name, times)
    const seam: Seam = {
      id: `seam-${i + 1}`,
      name: times > 1 ? `${name} ${times}` : name,
      sides: [way(first), way(second)],
      wantedEase: easeOf(roles, gatheredMm && (isTurned ? -gatheredMm : gatheredMm)),
      marks: [],
    }
    return pairNotches(garment, seam, garment.baseSizeId)
  })
}

function nameOf(garment: Garment, [first, second]: [RunEdge[], RunEdge[]], roles: [EdgeRole, EdgeRole]): string {
  if (roles.includes('cap')) return 'armhole seam'
  const isBanded = [first, second].some((run) => findPiece(garment, run[0]!.pieceId)!.kind === 'band')
  if (isBanded && roles.includes('neck')) return 'neckband seam'
  if (isBanded && roles.includes('waist')) return 'waist seam'
  if (isBanded && (roles.includes('hem') || roles.includes('leg-opening'))) return 'cuff seam'
  const own = roles[0] === roles[1] ? NAMES[roles[0]] : undefined
  const pieceOf = (run: RunEdge[]) => findPiece(garment, run[0]!.pieceId)!.name
  return own ?? `${pieceOf(first)} to ${pieceOf(second)}`.slice(0, 80)
}

/** Both lengths of a proposed seam, mm. */
export const seamLengths = (garment: Garment, seam: Seam): [number, number] => [
  sideLength(garment, seam, 0, garment.baseSizeId),
  sideLength(garment, seam, 1, garment.baseSizeId),
]
