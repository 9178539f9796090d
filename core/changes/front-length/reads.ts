import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, saysOnly, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { FrontLengthInputs } from './schema'

const LONGER: readonly Concept[] = ['longer', 'too-short', 'more', 'front-rises']
const SHORTER: readonly Concept[] = ['shorter', 'too-long', 'less']

/** As it is said: “front too short 1”, “lengthen the front alone by 2 cm”, “front waist length 1/2 shorter”, “front rides up 1/2”. */
export function readFrontLength(wish: Wish, begun: () => FrontLengthInputs | null, hasSideDart: boolean): Reading<FrontLengthInputs>[] {
  // “Front too long by 1” may be said of the front alone, or of the whole body, and is asked.
  const isHalf = says(wish, 'front') && saysOnly(wish, 'front', 'body', 'length', 'apex', 'bust', ...LONGER, ...SHORTER)
  if (!says(wish, 'front-alone', 'front-rises') && !isHalf) return []
  const way = towards(wish, LONGER, SHORTER)
  if (way === 0 && isHalf) return []
  const usual = begun()
  // What no side dart can give is taken above the bust.
  if (!usual || (way < 0 && !hasSideDart)) return []
  const mm = oneAmount(wish, way)
  return [
    {
      inputs: { ...usual, amountMm: mm ?? 0 },
      uses: used(
        wish,
        'front-alone',
        'front',
        'body',
        'length',
        'waist',
        'dart',
        ...(isHalf ? (['apex', 'bust'] as const) : []),
        ...LONGER,
        ...SHORTER,
      ),
      sure: mm !== null && !isHalf,
      ...(way === 0 ? {} : { towards: way }),
      how: 'the back stays; the side dart takes the difference',
    },
  ]
}
