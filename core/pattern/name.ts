/** Signs that a name may have. */
export const LONGEST_NAME = 120

/** Signs that do not print, or that turn the direction of what is printed. */
// eslint-disable-next-line no-control-regex
export const CONTROL_SIGNS = /[\u0000-\u001f\u007f-\u009f\u200e\u200f\u2028-\u202e\u2066-\u2069\ufeff]/

/** A typed or read name made fit to keep: signs that do not print become spaces, too long an end is cut off. */
export const toName = (text: string, longest = LONGEST_NAME): string =>
  text
    .replace(new RegExp(CONTROL_SIGNS, 'g'), ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, longest)
    // Half of a sign that takes two places is none.
    .replace(/[\ud800-\udbff]$/, '')
    .trim()
