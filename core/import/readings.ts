import type { PieceDraft } from './build-piece'

/** What is to be known of an outline before it is a piece, besides its lines. */
export const READ_THINGS = ['name', 'count', 'size', 'fold', 'grain', 'allowance', 'darts'] as const
export type ReadThing = (typeof READ_THINGS)[number]

/** How it came to be known, surest last: guessed, drawn as a mark or a second line, written in words or a name, said by a person. */
export const READ_WAYS = ['guessed', 'drawn', 'written', 'yours'] as const
export type ReadWay = (typeof READ_WAYS)[number]

/** How each thing that is known of an outline came to be known; what is not there does not apply. */
export type Readings = Partial<Record<ReadThing, ReadWay>>

/** Parts of a draft that a person settles, and what is known by each. */
const SAID_BY: Record<string, ReadThing> = {
  name: 'name',
  count: 'count',
  mirrored: 'count',
  grain: 'grain',
  fold: 'fold',
  allowanceIncluded: 'allowance',
}

/** What is known when these parts of a draft, or of an edge of it, were settled. */
export const thingsSaid = (parts: readonly string[]): ReadThing[] => [
  ...new Set(parts.flatMap((part) => (Object.hasOwn(SAID_BY, part) ? [SAID_BY[part]!] : []))),
]

/** What was said to be somewhere, and is not to be found. */
const hasFold = ({ edges }: PieceDraft) => edges.some((e) => e.fold)

const GUESSES: Record<ReadThing, (draft: PieceDraft) => string> = {
  name: () => 'no name is written on it',
  count: () => 'how many are cut is not written on it',
  size: () => 'which size it is drawn in is not written on it',
  allowance: () => 'whether the seam allowance is within its outline is not written: it is taken to be',
  grain: () => 'nothing in it is called the grain: it is taken as the straight line that lies best, or as on the other pieces',
  fold: (draft) =>
    hasFold(draft) ? 'which edge lies on the fold is not marked' : 'it is said to lie on the fold, and no straight edge of it can',
  darts: () => 'lines in it that meet in a tip are taken for darts',
}

/**
 * What nothing in the file says for certain, each as a sentence without its full stop.
 *
 * @example sayGuesses(draft, { name: 'written', grain: 'guessed' }) // ['nothing in it is called the grain: ...']
 */
export const sayGuesses = (draft: PieceDraft, readings: Readings): string[] =>
  READ_THINGS.filter((thing) => readings[thing] === 'guessed').map((thing) => GUESSES[thing](draft))
