import type { Side } from './sides'

interface Meeting {
  count: number
  /** How far those that meet are off each other, in all, mm. */
  offMm: number
}

/** How many of the places along one side have their like on another, one to one, the nearest each. */
function meeting(a: readonly number[], b: readonly number[], withinMm: number): Meeting {
  const left = [...b]
  let [count, offMm] = [0, 0]
  for (const x of a) {
    const near = left.reduce<number | null>((best, y) => (best !== null && Math.abs(best - x) <= Math.abs(y - x) ? best : y), null)
    if (near === null || Math.abs(near - x) > withinMm) continue
    left.splice(left.indexOf(near), 1)
    count += 1
    offMm += Math.abs(near - x)
  }
  return { count, offMm }
}

/** What meets of notches and joints where two sides are laid along each other. */
export interface Met {
  notches: number
  /** Notches of one that lie at a joint of the other. */
  atJoints: number
  joints: number
  /** Notches of both that meet nothing. */
  lost: number
  /** How exactly notches meet: 1 where each lies on its like, 0 where each is as far off as it may be, or none meets. */
  exact: number
}

/**
 * What meets along two sides: laid so that both ends do, or else as they are from one end on, the surplus at the other. Of these ways the
 * one counts in which most notches meet, and most exactly.
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
    const [own, mine, other] = [
      meeting(first.notches, theirs, withinMm),
      meeting(first.notches, theirJoints, withinMm),
      meeting(theirs, first.joints, withinMm),
    ]
    const atJoints = mine.count + other.count
    const all = own.count + atJoints
    return {
      notches: own.count,
      atJoints,
      joints: meeting(first.joints, theirJoints, withinMm).count,
      lost: Math.max(0, first.notches.length + second.notches.length - 2 * own.count - atJoints),
      exact: all === 0 ? 0 : 1 - (own.offMm + mine.offMm + other.offMm) / (all * withinMm),
    }
  })
  return meets.reduce((a, b) => (b.notches > a.notches || (b.notches === a.notches && b.exact > a.exact) ? b : a))
}
