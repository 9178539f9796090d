import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { FrontLengthInputs } from './schema'

const LONGER: readonly Concept[] = ['longer', 'too-short', 'more', 'front-rises']
const SHORTER: readonly Concept[] = ['shorter', 'too-long', 'less']

/** As it is said: “front too short 1”, “lengthen the front alone by 2 cm”, “front waist length 1/2 shorter”, “front rides up 1/2”. */
export function readFrontLength(wish: Wish, begun: () => FrontLengthInputs | null, hasSideDart: boolean): Reading<FrontLengthInputs>[] {
  if (!says(wish, 'front-alone', 'front-rises')) return []
  const way = towards(wish, LONGER, SHORTER)
  const usual = begun()
  // What no side dart can give is taken above the bust.
  if (!usual || (way < 0 && !hasSideDart)) return []
  const mm = oneAmount(wish, way)
  return [
    {
      inputs: { ...usual, amountMm: mm ?? 0 },
      uses: used(wish, 'front-alone', 'front', 'length', 'waist', 'dart', ...LONGER, ...SHORTER),
      sure: mm !== null,
      ...(way === 0 ? {} : { towards: way }),
      how: 'the back stays; the side dart takes the difference',
    },
  ]
}
