import { cutPath, dot, measureLength, placeAt, subtract, unit, type Path, type Point } from '../geometry'
import { bendIn, LEAST_HOLLOW_MM2 } from './edge-groups'
import type { Draft } from './make-drafts'

/** Places along a hollow cap at which its lowest is looked for. */
const PLACES = 400
/** The underarm lies at least this part of the cap from its ends. */
const WITHIN_PART = 0.15

/** Where a line reaches furthest down, mm from its start; null where that is near an end. */
function lowestMm(path: Path, down: Point): number | null {
  const total = measureLength(path)
  let [best, deep] = [0, -Infinity]
  for (let i = 0; i <= PLACES; i++) {
    const mm = (total * i) / PLACES
    const own = dot(placeAt(path, mm).point, down)
    if (own > deep) [best, deep] = [mm, own]
  }
  return best > total * WITHIN_PART && best < total * (1 - WITHIN_PART) ? best : null
}

/**
 * The cap of an under sleeve is hollow, and runs on over the underarm: there front and back armhole begin, and it is parted, at its lowest
 * place, so that the armhole can be sewn round. Only where the sleeve has another piece, with the cap proper.
 */
export function settleUnderSleeves(drafts: readonly Draft[]): Draft[] {
  const capOf = ({ draft, aside, trouble }: Draft) => {
    const caps = draft.edges.filter((e) => e.role === 'cap')
    return draft.kind === 'sleeve' && !aside && !trouble && caps.length === 1 ? caps[0]! : null
  }
  const isHollow = (path: Path) => bendIn(path) > LEAST_HOLLOW_MM2
  const hasUpper = drafts.some((d) => {
    const cap = capOf(d)
    return cap !== null && !isHollow(cap.path)
  })
  return drafts.map((d) => {
    const cap = capOf(d)
    const { grain, edges } = d.draft
    if (!hasUpper || !cap || !grain || !isHollow(cap.path)) return d
    const mm = lowestMm(cap.path, unit(subtract(grain.to, grain.from)))
    if (mm === null) return d
    const parts = [cutPath(cap.path, 0, mm), cutPath(cap.path, mm, measureLength(cap.path))].map((path) => ({ ...cap, path }))
    return {
      ...d,
      draft: { ...d.draft, edges: edges.flatMap((e) => (e === cap ? parts : [e])) },
      doubts: [...d.doubts, 'where its underarm lies is not marked: it is taken to be the lowest place of its cap'],
    }
  })
}
