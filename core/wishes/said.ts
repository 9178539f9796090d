/** A way of saying something, and how it is said plainly. */
export type Said = readonly [said: RegExp, plain: string | ((...groups: string[]) => string)]

/** A figure as it is typed, its unit with it, or in words. */
export const FIGURE =
  '(?:\\d[\\d ./]*(?: ?(?:in|inch|inches|cm|mm|["”])(?![\\p{L}]))?|(?:an? |one |three )?(?:half|quarters?|eighths?)(?: of)?(?: an?)? inch|an inch|one inch)'
/** How far something lies from where it should, where that is said. */
export const MAYBE_SO_FAR = `(${FIGURE} ?|)`
/** Whose it is, where that is said. */
export const OWN = '(?:(?:the |my |her |his |their )(?:own )?)?'
/** A sign of a sentence; a dot within a figure is part of it. */
export const WITHIN = '(?:[^,;.]|[.](?=\\d))'
