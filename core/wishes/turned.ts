import { PARTED, type Concept } from './lexicon'
import type { Token } from './tokens'

/** Verbs that keep their own meaning beside the word that turns them. */
const KEPT_VERBS: readonly Concept[] = ['pivot', 'slide', 'move']

/** “take the side in”: the word that turns a verb is looked for after it, up to the next verb that could be turned. */
export function joinParted(tokens: readonly Token[]): Token[] {
  const out = [...tokens]
  for (let i = 0; i < out.length; i++) {
    const verb = out[i]!
    const turns = 'text' in verb && verb.is !== 'amount' ? PARTED[verb.text] : undefined
    if (!turns) continue
    for (let j = i + 1; j < out.length; j++) {
      const t = out[j]!
      if (t.is === 'concept' && PARTED[t.text]) break
      const turnedBy = (t.is === 'small' && t.turns) || (t.is === 'concept' && (t.concept === 'up' || t.concept === 'down')) ? t.text : ''
      const concept = turns[turnedBy]
      if (!concept) continue
      const joined: Token = { is: 'concept', concept, text: `${(verb as { text: string }).text} ${turnedBy}` }
      if (verb.is === 'concept' && KEPT_VERBS.includes(verb.concept)) out[j] = joined
      else {
        out[i] = joined
        out.splice(j, 1)
      }
      break
    }
  }
  return out
}

/** “Sides in by 1/2”: the word that turns a verb, where there is no verb that says which way. */
export function turnedAlone(tokens: readonly Token[]): Token[] {
  const ways: readonly Concept[] = ['in', 'out', 'more', 'less', 'longer', 'shorter', 'fuller', 'up', 'down', 'too-tight', 'too-loose']
  if (tokens.some((t) => t.is === 'concept' && ways.includes(t.concept))) return [...tokens]
  // “2 cm off the hem” takes away, whatever follows.
  const off = tokens.findIndex((t) => t.is === 'small' && t.text === 'off')
  if (off >= 0 && tokens.some((t) => t.is === 'amount')) return tokens.with(off, { is: 'concept', concept: 'less', text: 'off' })
  return tokens.map((t) =>
    t.is === 'small' && t.turns && (t.text === 'in' || t.text === 'out') ? { is: 'concept', concept: t.text, text: t.text } : t,
  )
}

const WAYS_SAID: readonly Concept[] = [
  ...(['in', 'out', 'more', 'less', 'longer', 'shorter', 'fuller', 'up', 'down', 'deeper', 'shallower', 'make', 'change'] as const),
  ...(['too-tight', 'too-loose', 'too-long', 'too-short', 'too-high', 'too-low'] as const),
]

/** “The hips need 2 inches”: what needs so much needs so much more, where nothing else says which way. */
export function neededAlone(tokens: readonly Token[]): Token[] {
  const at = tokens.findIndex((t, i) => t.is === 'small' && /^needs?$/.test(t.text) && tokens[i + 1]?.is === 'amount')
  const isSaid = tokens.some((t) => t.is === 'concept' && WAYS_SAID.includes(t.concept))
  const concept = tokens.some((t) => t.is === 'concept' && t.concept === 'length') ? 'longer' : 'more'
  return at < 0 || isSaid ? [...tokens] : tokens.with(at, { is: 'concept', concept, text: 'need' })
}
