import { describe, expect, it } from 'vitest'
import { statedAs } from './index'

describe('a sentence that tells how a garment is', () => {
  it.each([
    ['the hem is 1 longer in front', 'the hem 1 longer in front', 'the hem 1 shorter in front'],
    ['sleeves are 2 shorter than the jacket', 'sleeves 2 shorter than the jacket', 'sleeves 2 longer than the jacket'],
    ['back hem hangs 3/4 lower', 'back hem 3/4 lower', 'back hem 3/4 higher'],
    ['the waist came out 2 bigger', 'the waist 2 bigger', 'the waist 2 smaller'],
  ])('“%s” may stand for two wishes', (text, asWish, opposite) => expect(statedAs(text)).toEqual({ asWish, opposite }))

  it.each([
    'hem 1 longer at the back',
    'the hem should be 1 longer at the back',
    'her bust is bigger by 2',
    'the body is 1 too short',
    'make it 1 longer, the knee is fine',
    'sleeves need to be 2 longer',
  ])('“%s” leaves nothing open', (text) => expect(statedAs(text)).toBeNull())
})
