import { spend } from '../budget'
import type { DrawnText } from '../formats'
import { nearestPlace } from '../geometry'
import { hasPartWord } from './part-words'
import { saysHowCut, speaksOfPiece, type PieceWords } from './read-words'
import { contains, liesIn, type Sized } from './sized'

/** Texts that lie on more than half of the pieces, and on three at least, are the pattern's own words and no piece's name. */
export function commonTexts(lists: readonly (readonly DrawnText[])[]): Set<string> {
  const times = new Map<string, number>()
  for (const list of lists) for (const text of new Set(list.map((t) => t.text))) times.set(text, (times.get(text) ?? 0) + 1)
  return new Set([...times].flatMap(([text, n]) => (n >= 3 && n * 2 > lists.length ? [text] : [])))
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
  // Words beside a small piece that speak of one are its own, where it has none on it.
  for (const t of beside.slice(0, MOST_BESIDE).filter((x) => speaksOfPiece(x.text) || saysHowCut(x.text))) {
    const near = candidates
      .map((c) => ({ c, far: nearestPlace(c.loop, t.middle).distanceMm }))
      .filter(({ c, far }) => far <= WORDS_BESIDE_MM && !(on.get(c) ?? []).some((o) => !beside.includes(o)))
      .sort((a, b) => a.far - b.far)[0]
    if (near) on.set(near.c, [...(on.get(near.c) ?? []), t])
  }
  return on
}

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
