import { expect, it } from 'vitest'
import { wordsIn } from './words-in'

it.each([
  ['cook dress', 'Quay dress for the Cook', true],
  ['  COOK  ', 'Quay dress for the Cook', true],
  ['oo', 'Quay dress for the Cook', true],
  ['cook trousers', 'Quay dress for the Cook', false],
  ['', 'anything', true],
  ['   ', '', true],
  ['ärmel', 'Der ÄRMEL', true],
])('“%s” in “%s”: %s', (sought, text, found) => {
  expect(wordsIn(sought)(text)).toBe(found)
})
