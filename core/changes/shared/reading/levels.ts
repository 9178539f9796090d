import { cornersBetween, shapeOf, type EdgeRole, type Piece } from '../../../pattern'
import { lengthToken } from '../../../units'
import type { Concept, Wish } from '../../../wishes'
import { markLevel, markName, grainExtent } from '../levels/find-level'
import type { Level, Mark } from '../levels/schema'
import { used } from './amounts'

/** A height of the body on a piece: by its mark, or, without one, worked out between two that have one. */
interface Height {
  is: Concept
  mark: Mark | null
  at: number
}

const LINES: Partial<Record<string, Concept>> = { bust: 'bust', waist: 'waist', hip: 'hip', knee: 'knee', thigh: 'thigh', bicep: 'bicep' }
const CORNERS: [Concept, EdgeRole[], EdgeRole[]][] = [
  ['shoulder', ['shoulder'], ['neck']],
  ['underarm', ['armhole', 'cap'], ['side', 'underarm']],
  ['waist', ['waist'], ['side', 'outseam']],
  ['crotch-depth', ['crotch'], ['inseam']],
  ['hem', ['hem', 'leg-opening'], ['side', 'inseam', 'underarm', 'outseam']],
]

/** The heights that a piece knows, from the top down. */
function heightsOf(piece: Piece, sizeId: string): Height[] {
  const shape = shapeOf(piece, sizeId)
  const found: Height[] = []
  const add = (is: Concept, mark: Mark) => {
    const at = markLevel(piece, shape, mark)
    if (at !== undefined && !found.some((h) => h.is === is)) found.push({ is, mark, at })
  }
  for (const line of piece.lines) if (LINES[line.role]) add(LINES[line.role]!, { by: 'line', id: line.id })
  for (const [is, a, b] of CORNERS) for (const id of cornersBetween(piece, a, b)) add(is, { by: 'corner', id })
  add('waist', { by: 'narrowest' })
  const [low, high] = STRETCHES.elbow!.map((ends) => ends.map((is) => found.find((h) => h.is === is)).find((h) => h !== undefined))
  if (low && high) found.push({ is: 'elbow', mark: null, at: (low.at + high.at) / 2 })
  return found.sort((x, y) => x.at - y.at)
}

/** Parts of a limb that lie between two heights and have no mark of their own. */
const STRETCHES: Partial<Record<Concept, [Concept[], Concept[]]>> = {
  thigh: [['crotch-depth', 'hip'], ['knee']],
  calf: [['knee'], ['hem']],
  elbow: [['underarm', 'bicep'], ['hem']],
  'crotch-depth': [['waist'], ['hip', 'crotch-depth']],
}
/** The end of a limb, by the body’s word for it. */
const SAME_AS: Partial<Record<Concept, Concept>> = { wrist: 'hem', ankle: 'hem', 'leg-opening': 'hem' }

/** Does a word name a height at which a piece can be longer? A shoulder is where others are measured from; what is said of it is another change. */
export const isHeight = (c: Concept): boolean =>
  c in STRETCHES || c in SAME_AS || c === 'underarm' || c === 'hem' || Object.values(LINES).includes(c)

/** Nearer to the ends of a piece no line is laid, mm. */
const FROM_END_MM = 5

export interface SaidLevel {
  level: Level
  /** In words: “at the calf line”. */
  where: string
  uses: Concept[]
  /** What the words say stays where it is on the body. */
  stays: Concept | null
  /** A printed line lies where it was said. */
  isPrinted: boolean
}

/** A level in a stretch of a piece: the printed line in it, else its middle, measured from a mark. */
function levelBetween(piece: Piece, sizeId: string, low: Height | null, high: Height | null): Omit<SaidLevel, 'uses' | 'stays'> | null {
  const shape = shapeOf(piece, sizeId)
  const { topMm, bottomMm } = grainExtent(piece, shape)
  const [from, to] = [low?.at ?? topMm, high?.at ?? bottomMm]
  const printed = piece.lines
    .filter((l) => l.role === 'shorten')
    .map((l): { mark: Mark; at: number } => ({ mark: { by: 'line', id: l.id }, at: markLevel(piece, shape, { by: 'line', id: l.id })! }))
    .find((l) => l.at > from && l.at < to)
  if (printed)
    return {
      level: { id: 'line-1', share: 1, mark: printed.mark, belowMm: 0 },
      where: `at ${markName(piece, printed.mark)}`,
      isPrinted: true,
    }
  const end = low?.mark ? low : high
  if (!end?.mark || to - from < 2 * FROM_END_MM) return null
  const belowMm = Math.round((from + to) / 2 - end.at)
  const where = `${lengthToken(Math.abs(belowMm))} ${belowMm < 0 ? 'above' : 'below'} ${markName(piece, end.mark)}`
  return { level: { id: 'line-1', share: 1, mark: end.mark, belowMm }, where, isPrinted: false }
}

/** Heights that are named after a word, and before it, in their order. */
function heightsBeside(words: readonly Concept[], word: Concept): { after: Concept[]; before: Concept[] } {
  const i = words.indexOf(word)
  return i < 0 ? { after: [], before: [] } : { after: words.slice(i + 1).filter(isHeight), before: words.slice(0, i).filter(isHeight) }
}

/**
 * The level of which a wish speaks on a piece: above, below or at a height, between two, or below what is to be kept. Null where
 * it says nothing of the kind; `undefined` where it names a height that this piece does not have.
 */
export function saidLevel(piece: Piece, sizeId: string, wish: Wish): SaidLevel | null | undefined {
  const heights = heightsOf(piece, sizeId)
  const words = wish.tokens.flatMap((t) => (t.is === 'concept' ? [t.concept] : []))
  const heightOf = (c: Concept) => heights.find((h) => h.is === (SAME_AS[c] ?? c))
  const found = (
    word: Concept,
    names: Concept[],
    made: Omit<SaidLevel, 'uses' | 'stays'> | null,
    stays: Concept | null = null,
  ): SaidLevel | undefined => (made ? { ...made, stays, uses: [...used(wish, word), ...names] } : undefined)

  if (wish.said.has('between')) {
    const [a, b] = heightsBeside(words, 'between').after
    if (!a || !b) return undefined
    const ends = [heightOf(a), heightOf(b)]
    if (!ends[0] || !ends[1]) return undefined
    const [low, high] = ends[0].at < ends[1].at ? [ends[0], ends[1]] : [ends[1], ends[0]]
    return found('between', [a, b], levelBetween(piece, sizeId, low, high))
  }
  for (const word of ['above', 'over', 'below', 'keep'] as const) {
    // “But the knee is right”: what stays may be named first.
    const { after, before } = heightsBeside(words, word)
    const name = after[0] ?? (word === 'keep' ? before[before.length - 1] : undefined)
    // A hem keeps its width in any case.
    if (!name || (word === 'keep' && (name === 'hem' || name in SAME_AS))) continue
    const height = heightOf(name)
    if (!height) return undefined
    const i = heights.indexOf(height)
    const made =
      word === 'above' || word === 'over'
        ? levelBetween(piece, sizeId, heights[i - 1] ?? null, height)
        : levelBetween(piece, sizeId, height, heights[i + 1] ?? null)
    return found(word, [name], made, word === 'keep' ? name : null)
  }
  const name =
    words.find((w) => isHeight(w) && w !== 'hem' && !(w in SAME_AS)) ?? (words.includes('keep') ? undefined : words.find(isHeight))
  if (!name) return null
  if (name === 'hem' || name in SAME_AS) {
    const hem = heightOf('hem')
    return hem && found(name, [], levelBetween(piece, sizeId, heights[heights.indexOf(hem) - 1] ?? null, hem))
  }
  const stretch = STRETCHES[name]
  const height = heightOf(name)
  if (stretch && (!height?.mark || name !== 'thigh')) {
    const ends = stretch.map((list) => list.map(heightOf).find((h) => h !== undefined) ?? null)
    if (!ends[0] || !ends[1]) return undefined
    return found(name, [], levelBetween(piece, sizeId, ends[0], ends[1]))
  }
  if (!height?.mark) return undefined
  return {
    level: { id: 'line-1', share: 1, mark: height.mark, belowMm: 0 },
    where: `at ${markName(piece, height.mark)}`,
    uses: [name],
    stays: null,
    isPrinted: false,
  }
}
