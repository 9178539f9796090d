import { CHANGE_KINDS } from './registry'
import type { ChangeKind } from './types'

/** Small words that carry no meaning for the search. */
const SMALL = new Set(['the', 'a', 'an', 'is', 'at', 'in', 'of', 'my', 'too', 'to', 'it', 'by', 'on'])

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .split(/[^\p{L}]+/u)
    .filter((w) => w !== '' && !SMALL.has(w))

/** 2 for a whole word, 1 for its beginning, 0 otherwise. */
function wordScore(word: string, text: readonly string[]): number {
  if (text.includes(word)) return 2
  return text.some((t) => t.startsWith(word) || (word.length > 4 && t.length > 3 && word.startsWith(t))) ? 1 : 0
}

/** The words of a kind's own phrases, taken apart once: they are looked through at every key that is typed. */
const phrases = new Map<string, string[][]>()
function phrasesOf(kind: ChangeKind<unknown>): string[][] {
  const own = phrases.get(kind.kind) ?? [kind.title, kind.does, ...kind.foundBy].map(wordsOf)
  phrases.set(kind.kind, own)
  return own
}

/** How much of what was asked stands in one phrase of a kind. */
const scoreOf = (kind: ChangeKind<unknown>, asked: readonly string[]): number =>
  Math.max(...phrasesOf(kind).map((p) => asked.reduce((sum, w) => sum + wordScore(w, p), 0)))

/**
 * Finds changes by name or by what one sees on the body ("shorten", "bunches at the waist"), best first.
 * An empty question gives all of them.
 */
export function findChanges(question: string): ChangeKind<unknown>[] {
  const asked = wordsOf(question)
  if (asked.length === 0) return [...CHANGE_KINDS]
  return CHANGE_KINDS.map((kind) => ({ kind, best: scoreOf(kind, asked) }))
    .filter((x) => x.best > 0)
    .sort((a, b) => b.best - a.best)
    .map((x) => x.kind)
}

/** Of those, the ones that share most words with what was said: several where they share as many. */
export function likeliestChanges(question: string): ChangeKind<unknown>[] {
  const asked = wordsOf(question)
  const scored = findChanges(question).map((kind) => ({ kind, score: scoreOf(kind, asked) }))
  return scored.filter((s) => s.score === scored[0]!.score).map((s) => s.kind)
}
