import type { Concept, Wish } from '../../../wishes'

/** Verbs that part the word that turns them: of a seam “let out” and “wider” mean the same, of a dart the opposite. */
const TAKEN_IN = /^(?:take|taken|taking|nip|bring|pull|come)\b/
const LET_OUT = /^(?:let|letting)\b/
const TOO_LITTLE = /\b(?:narrow|small|shallow)$/
const TOO_MUCH = /\b(?:wide|big|large|deep)$/

/** What one word of a wish says of a dart: 1 for more of it, -1 for less, 0 for neither. */
function wayOfWord(concept: Concept, text: string): 1 | 0 | -1 {
  switch (concept) {
    case 'deeper':
    case 'more':
      return 1
    case 'shallower':
      return -1
    case 'in':
      return TAKEN_IN.test(text) ? 1 : -1
    case 'out':
      return LET_OUT.test(text) ? -1 : 1
    case 'less':
      // “Take 1/4 more in the dart” says more; “take 1/4 out of it” may mean either.
      return /^(?:take|takes|taken|taking|cut)\b/.test(text) ? 0 : -1
    case 'too-tight':
    case 'too-high':
      return TOO_LITTLE.test(text) ? 1 : 0
    case 'too-loose':
    case 'too-low':
      return TOO_MUCH.test(text) ? -1 : 0
    default:
      return 0
  }
}

/** Which way a wish wants a dart: 1 for more of it, -1 for less; 0 where it does not say, or says both. “Wider” is more of a dart, “let out” less. */
export function dartWay({ tokens }: Wish): 1 | 0 | -1 {
  const ways = new Set(tokens.map((t) => (t.is === 'concept' ? wayOfWord(t.concept, t.text) : 0)).filter((way) => way !== 0))
  const [way] = ways
  return ways.size === 1 ? way! : 0
}
