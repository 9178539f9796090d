import { PHRASES } from './lexicon'
import type { Wish } from './read-wish'
import { WAYS } from './ways'

/** The words of a wish that say what it is about, without those that say only which way: “leg opening” of “raise the leg opening 1”. */
export const thingsSaid = ({ tokens }: Pick<Wish, 'tokens'>): string =>
  tokens
    .flatMap((t) => {
      // Words that a plain wish has put together are nobody’s.
      if (t.is === 'unknown') return t.text.includes('-') ? [] : [t.text]
      if (t.is !== 'concept' || WAYS.some((way) => way.includes(t.concept))) return []
      // Of a phrase that says two things, only this one.
      return [PHRASES.has(t.text) ? t.text : t.concept]
    })
    .join(' ')
