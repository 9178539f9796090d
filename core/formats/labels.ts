import { toName } from '../pattern/name'

/** Labels that a garment may have, and signs that one may have. */
export const MOST_LABELS = 20
export const LONGEST_LABEL = 40

/** Labels as they are typed, one after the other with commas between: each once, however it is spelled, and without what does not print. */
export function labelsFrom(text: string): string[] {
  const labels = text.split(/[,;\n]/).map((label) => toName(label, LONGEST_LABEL))
  const seen = new Map(labels.filter(Boolean).map((label) => [label.toLowerCase(), label]))
  return [...seen.values()].slice(0, MOST_LABELS)
}
