import type { Concept } from './lexicon'

/** Directions, each in the words that ask for it. */
export const WAYS: readonly (readonly Concept[])[] = [
  ['longer', 'too-short'],
  ['shorter', 'too-long'],
  ['up', 'too-low', 'shallower'],
  ['down', 'too-high', 'deeper'],
  ['out', 'more', 'fuller', 'too-tight'],
  ['in', 'less', 'too-loose'],
]
export const waysIn = (said: ReadonlySet<Concept>): number[] => WAYS.flatMap((words, i) => (words.some((c) => said.has(c)) ? [i] : []))
