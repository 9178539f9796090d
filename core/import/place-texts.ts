import { spend } from '../budget'
import type { DrawnText } from '../formats'
import { distance, dot, nearestPlace, subtract, unit } from '../geometry'
import { hasPartWord } from './part-words'
import { namesOrCounts, partsOf, saysHowCut, speaksOfPiece, type PieceWords, type Repeated } from './read-words'
import { contains, liesIn, type Sized } from './sized'

/**
 * What a sheet says often. Words on more than half of the pieces, and on three at least, are the pattern's own title.
 *
 * @param lists the words on each piece
 * @param beside words that lie on none
 */
export function repeatedWords(lists: readonly (readonly DrawnText[])[], beside: readonly DrawnText[]): Repeated {
  const times = new Map<string, number>()
  const said = (t: DrawnText) => [t.text.trim().toLowerCase(), ...partsOf(t.text)]
  for (const list of lists) for (const text of new Set(list.flatMap(said))) times.set(text, (times.get(text) ?? 0) + 1)
  const titles = new Set([...times].flatMap(([text, n]) => (n >= 3 && n * 2 > lists.length ? [text] : [])))
  for (const text of new Set(beside.flatMap(said))) if (times.has(text)) times.set(text, times.get(text)! + 1)
  return { titles, times }
}

/** The smallest closed line that each text lies on; texts on frames alone lie on none. */
export function placeTexts(texts: readonly DrawnText[], candidates: readonly Sized[]): Map<Sized, DrawnText[]> {
  const smallestFirst = [...candidates].reverse()
  const on = new Map<Sized, DrawnText[]>()
  const beside: DrawnText[] = []
  for (const t of texts) {
    spend(candidates.length)
    const one = [t.middle, t.at, t.end].map((p) => smallestFirst.find((c) => contains(c, p))).find((c) => c !== undefined)
    const own = one ?? groupMate(t, candidates)
    if (own) on.set(own, [...(on.get(own) ?? []), t])
    else beside.push(t)
  }
  // A line of words that runs over the border is read with those under it.
  for (const t of beside.slice(0, MOST_BESIDE)) {
    spend(texts.length)
    const own = [...on].find(([c, list]) => list.some((o) => isNextLine(t, o) || isNextLine(o, t)) && isAtBorder(t, c))?.[0]
    if (!own) continue
    on.set(own, [t, ...on.get(own)!])
    beside.splice(beside.indexOf(t), 1)
  }
  // Words beside a piece that speak of one are its own, where it has none on it that do.
  const blocks = blocksOf(beside.slice(0, MOST_BESIDE)).filter((b) => b.some((t) => speaksOfPiece(t.text) || saysHowCut(t.text)))
  const silent = candidates.filter((c) => !(on.get(c) ?? []).some((o) => namesOrCounts(o.text)))
  const nearest = (far: FarFrom) => blocks.map((block) => nearestTo(block, silent, far))
  // Words that stand to their pieces as they please are as near as can be, and are taken where no one way gives as much.
  const alike = ALL_ALIKE.map(nearest).reduce((a, b) => (isBetterWay(b, a) ? b : a))
  const anyhow = nearest(({ loop }, block) => Math.min(...block.map((t) => nearestPlace(loop, t.middle).distanceMm)))
  const best = namedBy(anyhow) > namedBy(alike) ? anyhow : alike
  best.forEach((own, i) => {
    if (own) on.set(own.c, [...(on.get(own.c) ?? []), ...blocks[i]!])
  })
  return on
}

/** Do words stand at a line, no further from it than they are high? */
const isAtBorder = (t: DrawnText, { loop }: Sized): boolean =>
  [t.at, t.middle, t.end].some((p) => nearestPlace(loop, p).distanceMm <= LINE_TIMES * t.heightMm)

type Near = { c: Sized; far: number } | null

type FarFrom = (piece: Sized, block: readonly DrawnText[]) => number

/** How far a piece is from words beside it, mm, where all words of a sheet stand below their pieces, above, to the right or left. */
const ALL_ALIKE: FarFrom[] = [
  ({ box }, block) => past(box.maxY, block, 'y', 1, [box.minX, box.maxX]),
  ({ box }, block) => past(box.minY, block, 'y', -1, [box.minX, box.maxX]),
  ({ box }, block) => past(box.maxX, block, 'x', 1, [box.minY, box.maxY]),
  ({ box }, block) => past(box.minX, block, 'x', -1, [box.minY, box.maxY]),
]

/** Words beside a piece may begin so far beyond its corner, mm. */
const ASTRAY_MM = 25

/** How far words stand past a side of a box, within its width; never, where they do not. */
function past(side: number, block: readonly DrawnText[], axis: 'x' | 'y', sign: 1 | -1, [least, most]: [number, number]): number {
  const far = block.map((t) => sign * (t.middle[axis] - side)).sort((a, b) => a - b)
  const across = axis === 'x' ? 'y' : 'x'
  const isWithin = block.some((t) => [t.at, t.middle, t.end].some((p) => p[across] >= least - ASTRAY_MM && p[across] <= most + ASTRAY_MM))
  return isWithin && far[0]! >= 0 ? far[0]! : Infinity
}

function nearestTo(block: readonly DrawnText[], pieces: readonly Sized[], far: FarFrom): Near {
  spend(pieces.length)
  const near = pieces.map((c) => ({ c, far: far(c, block) })).sort((a, b) => a.far - b.far)[0]
  return near && near.far <= WORDS_BESIDE_MM ? near : null
}

/** How many pieces get words of their own. */
const namedBy = (way: readonly Near[]): number => new Set(way.flatMap((n) => (n ? [n.c] : []))).size

/** That way is better which gives more pieces words of their own, and the nearer ones. */
function isBetterWay(a: readonly Near[], b: readonly Near[]): boolean {
  const far = (way: readonly Near[]) => way.reduce((sum, n) => sum + (n?.far ?? 0), 0)
  return namedBy(a) > namedBy(b) || (namedBy(a) === namedBy(b) && far(a) < far(b))
}

/** Lines of words that stand under one another, as they are read. */
function blocksOf(texts: readonly DrawnText[]): DrawnText[][] {
  const blocks: DrawnText[][] = []
  for (const t of texts) {
    const own = blocks.find((b) => isNextLine(b[b.length - 1]!, t))
    if (own) own.push(t)
    else blocks.push([t])
  }
  return blocks
}

/** Does a line of words begin under another, no further than a line of them is high, two at the most? */
function isNextLine(a: DrawnText, b: DrawnText): boolean {
  const high = Math.max(a.heightMm, b.heightMm)
  const along = distance(a.at, a.end) > 0 ? unit(subtract(a.end, a.at)) : { x: 1, y: 0 }
  const by = subtract(b.at, a.at)
  const down = by.y * along.x - by.x * along.y
  return (
    down > 0 &&
    down <= LINE_TIMES * high &&
    (Math.abs(dot(by, along)) <= high || Math.abs(dot(subtract(b.middle, a.middle), along)) <= high)
  )
}

/** Lines of one block stand at most so many heights of their letters apart. */
const LINE_TIMES = 2.2

/** The line that words outside of every line share their groups with: a piece’s block holds its words wherever they stand. */
function groupMate({ groups }: DrawnText, candidates: readonly Sized[]): Sized | undefined {
  if (groups.length === 0) return undefined
  const mates = candidates.filter((c) => groups.every((g, i) => c.stroke.shape.groups[i] === g))
  const [largest, ...others] = mates
  return largest && others.every((o) => liesIn(o, largest)) ? largest : undefined
}

/** Words that stand beside a piece do so within this, mm. */
const WORDS_BESIDE_MM = 60
/** Words beside pieces are looked at up to this many. */
const MOST_BESIDE = 200

/** Names of groups that most pieces have are layers and no names. */
export function commonNames(names: readonly string[]): Set<string> {
  return new Set(names.filter((n) => n !== '' && names.filter((o) => o === n).length >= 2))
}

/** What is written with a word for a part of a garment, else the group that has one, else what is written, else the group. */
export const bestName = (words: PieceWords, group: string): string =>
  (words.isPart ? words.name : hasPartWord(group) ? group : words.name || group) ?? ''
