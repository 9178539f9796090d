import type { Concept, Wish } from '../../../wishes'

/** “Keep the waist”, “the waist stays”: which of some places are said to stay, behind the word in its part of the sentence, else right before it. */
export function keptAmong(wish: Wish, places: readonly Concept[]): Concept[] {
  const placesIn = (tokens: Wish['tokens']) => tokens.flatMap((t) => (t.is === 'concept' && places.includes(t.concept) ? [t.concept] : []))
  const at = wish.tokens.findIndex((t) => t.is === 'concept' && t.concept === 'keep')
  if (at < 0) return []
  const rest = wish.tokens.slice(at + 1)
  const end = rest.findIndex((t) => t.is === 'break')
  const after = placesIn(end < 0 ? rest : rest.slice(0, end))
  return after.length > 0 ? after : placesIn(wish.tokens.slice(0, at)).slice(-1)
}
