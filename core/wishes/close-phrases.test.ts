import { describe, expect, it } from 'vitest'
import { closePhrases } from './close-phrases'

/** Where the one figure of a text stands. */
const figureIn = (text: string) => {
  const m = /\d+(?:\/\d+)?/.exec(text)!
  return [{ from: m.index, to: m.index + m[0].length }]
}

describe('a figure within a phrase', () => {
  it.each([
    ['it sits 3/4 too high', 'it sits too high 3/4'],
    ['the dart points 3/4 above my bust', 'the dart points above 3/4 my bust'],
    ['cut 2 too deep at the neck', 'cut too deep 2 at the neck'],
  ])('“%s” is moved behind it', (text, closed) => expect(closePhrases(text, figureIn(text))).toBe(closed))

  it.each(['lengthen the sleeve 2', 'waist 1 in', '2 longer at the back', 'take 1/2 in'])('“%s” stays as it is', (text) =>
    expect(closePhrases(text, figureIn(text)).replace(/ +/g, ' ')).toBe(text === 'take 1/2 in' ? 'take in 1/2' : text),
  )
})
