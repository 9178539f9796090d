import { says, used } from '../shared/reading/amounts'
import type { Wish } from '../../wishes'
import type { Reading } from '../types'
import type { CrotchShapeInputs } from './schema'

/** Craft 6.9 as it is said: “scoop the crotch”, “crotch curve”, “folds radiate from the crotch”. */
export function readCrotchShape(wish: Wish, begun: () => CrotchShapeInputs | null): Reading<CrotchShapeInputs>[] {
  // A neckline is scooped, too.
  if (!says(wish, 'crotch-curve') && !(says(wish, 'scoop') && !says(wish, 'neckline', 'armhole'))) return []
  const inputs = begun()
  if (!inputs) return []
  return [
    {
      inputs,
      uses: used(wish, 'crotch-curve', 'scoop', 'crotch-depth', 'shape', 'leg', 'out', 'back', 'front', 'body', 'seat', 'down', 'true'),
      sure: wish.amounts.length === 0,
      words: 'Scoop the crotch toward the body’s own curve, a share of it in front and at the back',
      stays: 'both ends of the crotch stay',
    },
  ]
}
