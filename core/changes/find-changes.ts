import MiniSearch, { type SearchResult } from 'minisearch'
import { CHANGE_KINDS } from './registry'
import type { ChangeKind } from './types'

/** Small words that carry no meaning for the search. */
const SMALL = new Set(['the', 'a', 'an', 'is', 'at', 'in', 'of', 'my', 'too', 'to', 'it', 'by', 'on'])
/** Words of at least so many letters may have a slip of the hand in them; longer ones two, such as two letters exchanged. */
const SLIP_FROM = 5
const TWO_SLIPS_FROM = 9

/** Every phrase by which a kind is looked for is a line of its own: what is asked has to stand in one of them. */
let index: MiniSearch | null = null
function indexed(): MiniSearch {
  if (index) return index
  index = new MiniSearch({
    fields: ['phrase'],
    storeFields: ['kind'],
    processTerm: (term) => {
      const word = term.toLowerCase().normalize('NFKD')
      return SMALL.has(word) ? null : word
    },
    searchOptions: { prefix: true, fuzzy: (term) => (term.length >= TWO_SLIPS_FROM ? 2 : term.length >= SLIP_FROM ? 1 : 0) },
  })
  index.addAll(
    CHANGE_KINDS.flatMap((kind) =>
      [kind.title, kind.does, ...kind.foundBy].map((phrase, i) => ({ id: `${kind.kind} ${i}`, kind: kind.kind, phrase })),
    ),
  )
  return index
}

/** How much of what was asked stands in a phrase: 2 for a whole word, 1 for its beginning or one with a slip in it. */
const shareOf = ({ queryTerms, terms }: SearchResult): number => queryTerms.reduce((sum, word) => sum + (terms.includes(word) ? 2 : 1), 0)

/** Kinds that share words with what was asked, the best first, each with how much its best phrase shares. */
function search(question: string): { kind: ChangeKind<unknown>; share: number; score: number }[] {
  const best = new Map<string, { share: number; score: number }>()
  for (const found of indexed().search(question)) {
    const now = { share: shareOf(found), score: found.score }
    const before = best.get(found.kind as string)
    if (!before || now.share > before.share || (now.share === before.share && now.score > before.score)) best.set(found.kind as string, now)
  }
  return CHANGE_KINDS.flatMap((kind) => {
    const found = best.get(kind.kind)
    return found ? [{ kind: kind as ChangeKind<unknown>, ...found }] : []
  }).sort((a, b) => b.share - a.share || b.score - a.score)
}

/**
 * Finds changes by name or by what one sees on the body ("shorten", "bunches at the waist"), best first; a slip of the hand is forgiven.
 * A question that says nothing yet (“is the”) gives all of them.
 */
export function findChanges(question: string): ChangeKind<unknown>[] {
  const says = question.split(/[^\p{L}]+/u).some((word) => word !== '' && !SMALL.has(word.toLowerCase()))
  return says ? search(question).map((f) => f.kind) : [...CHANGE_KINDS]
}

/** Of those, the ones that share most words with what was said: several where they share as many. */
export function likeliestChanges(question: string): ChangeKind<unknown>[] {
  const found = search(question)
  return found.filter((f) => f.share === found[0]!.share).map((f) => f.kind)
}
