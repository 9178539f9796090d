import { lengthsSaid } from './lengths-said'

/** What words say of the room for seams. Null where they say nothing. */
export interface AllowanceSaid {
  /** Is it within the outline as it is drawn? */
  included: boolean | null
  /** How wide it is, mm; and at hems, where they have another. */
  mm: number | null
  hemMm: number | null
}

const NOTHING_SAID: AllowanceSaid = { included: null, mm: null, hemMm: null }

const isAbout = (text: string): boolean =>
  /\ballowances?\b|\ballow\b.*\bseams?\b|\bfor (?:the )?seams\b|\bseams?\b.*\bincl/i.test(text) || /\bS[./]?A\b/.test(text)
/** “Are added”, “do not add”, “no further allowance”: what one might add is there. */
const ADDED_ALREADY =
  /\b(?:has|have|is|are) (?:already )?(?:been )?added\b|\balready added\b|\b(?:do not|don't|need not|never) add\b|\bno (?:additional|extra|further|more)\b/i
const ROOM = '(?:allowances?|S[./]?A|for (?:the )?seams)\\b'
const LEFT_TO_ADD = new RegExp(
  [
    `\\b(?:no|without|excl(?:\\.|uding|udes|usive)?|add|adding|allow|net)\\b(?:[^.;:]|\\.\\d)*\\b${ROOM}`,
    `\\b${ROOM}(?:[^.;]|\\.\\d)*\\b(?:not (?:yet )?(?:been )?(?:incl|added|allowed|in the)|to be added|must be added|excluded|none\\b)`,
    '\\ballowances?\\b\\W*0\\b(?![.,]\\d)',
  ].join('|'),
  'i',
)
const INCLUDED = /\bincl(?:\.|uded|udes|uding|usive)?\b|\bwith\b(?:[^.;]|\.\d)*\ballowances?\b/i
/** Allowances are this wide, mm: other lengths in such words are of something else. */
const LEAST_MM = 2
const MOST_MM = 80

/** The parts of a text that speak of the hem, and those that do not. */
const clausesOf = (text: string): { ofHem: string[]; others: string[] } => {
  // “hem 3 cm, all others 1 cm”, “1.5 cm (hem 4 cm)”: a comma between figures is a decimal one.
  const all = text.split(/[;()]|,(?!\d)|\s\/\s|\band\b/)
  return { ofHem: all.filter((c) => /\bhems?\b/i.test(c)), others: all.filter((c) => !/\bhems?\b/i.test(c)) }
}
const widthIn = (clauses: readonly string[]): number | null =>
  clauses.flatMap(lengthsSaid).find((mm) => mm >= LEAST_MM && mm <= MOST_MM) ?? null

/**
 * What some lines of words say of seam allowances: “seam allowance 1 cm included”, “5/8 in seam allowances, hem 1 1/2 in”, “no seam
 * allowance”, “add 1.5 cm”. Words that only say how wide they are mean those in the drawing.
 */
export function allowanceSaid(texts: readonly string[]): AllowanceSaid {
  const about = texts.filter(isAbout)
  const isAdded = about.some((t) => ADDED_ALREADY.test(t))
  const leftToAdd = !isAdded && about.some((t) => LEFT_TO_ADD.test(t))
  const clauses = about.map(clausesOf)
  const mm = widthIn(clauses.flatMap((c) => c.others))
  const hemMm = widthIn(clauses.flatMap((c) => c.ofHem))
  const isIncluded = isAdded || mm !== null || about.some((t) => INCLUDED.test(t))
  return { included: leftToAdd ? false : isIncluded ? true : null, mm, hemMm }
}

/** What is said on a piece itself; where nothing is, beside the pieces; where nothing is there either, on the others. */
export const firstSaid = (...said: readonly AllowanceSaid[]): AllowanceSaid => said.find((s) => s.included !== null) ?? NOTHING_SAID
