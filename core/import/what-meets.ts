import type { Side } from './sides'

const isWithin = (a: number, b: number, mm: number) => Math.abs(a - b) <= mm

/** How many of the places along one side have their like on another, one to one. */
function meeting(a: readonly number[], b: readonly number[], withinMm: number): number {
  const left = [...b]
  return a.filter((x) => {
    const at = left.findIndex((y) => isWithin(x, y, withinMm))
    if (at >= 0) left.splice(at, 1)
    return at >= 0
  }).length
}

/** What meets of notches and joints where two sides are laid along each other. */
export interface Met {
  notches: number
  /** Notches of one that lie at a joint of the other. */
  atJoints: number
  joints: number
  /** Notches of both that meet nothing. */
  lost: number
}

/**
 * What meets along two sides: laid so that both ends do, or else as they are from one end on, the surplus at the other. Of these ways the
 * one counts in which most notches meet.
 */
export function whatMeets(first: Side, second: Side, withinMm: number): Met {
  const times = first.mm / second.mm
  const over = first.mm - second.mm
  const ways: ((mm: number) => number)[] = [(mm) => mm * times]
  if (first.notches.length > 0 && Math.abs(over) > withinMm)
    ways.push(
      (mm) => mm,
      (mm) => mm + over,
    )
  const meets = ways.map((laid): Met => {
    const [theirs, theirJoints] = [second.notches, second.joints].map((list) => list.map(laid)) as [number[], number[]]
    const notches = meeting(first.notches, theirs, withinMm)
    const atJoints = meeting(first.notches, theirJoints, withinMm) + meeting(theirs, first.joints, withinMm)
    const lost = Math.max(0, first.notches.length + second.notches.length - 2 * notches - atJoints)
    return { notches, atJoints, joints: meeting(first.joints, theirJoints, withinMm), lost }
  })
  return meets.reduce((a, b) => (b.notches > a.notches ? b : a))
}
