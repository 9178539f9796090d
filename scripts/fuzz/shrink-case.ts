import type { Case } from './cases'

/** Texts that are smaller by a part cut out, largest parts first. */
function* shorter(text: string): Generator<string> {
  for (let size = Math.floor(text.length / 2); size >= 1; size = Math.floor(size / 2))
    for (let at = 0; at + size <= text.length; at += size) yield text.slice(0, at) + text.slice(at + size)
}

/** Cases that are one step smaller than this one. */
export function* smallerCases(one: Case): Generator<Case> {
  if ('text' in one) {
    // Whole elements first: a drawing stays one.
    if (one.part === 'svg')
      for (const m of one.text.matchAll(/<(\w+)[^<>]*\/>|<g[^<>]*><\/g>|<text[^<>]*>[^<]*<\/text>/g))
        yield { ...one, text: one.text.slice(0, m.index) + one.text.slice(m.index + m[0].length) }
    for (const text of shorter(one.text)) yield { ...one, text }
  } else if (one.part === 'changes')
    for (const i of one.stops.keys()) {
      if (one.stops.length > 1) yield { ...one, stops: one.stops.filter((_, k) => k !== i) }
    }
  else
    for (const id of Object.keys(one.figures))
      yield { ...one, figures: Object.fromEntries(Object.entries(one.figures).filter(([k]) => k !== id)) }
}
