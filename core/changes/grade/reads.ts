import type { Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { GradeInputs } from './schema'

/** Craft 6.5 as it is said: “grade 2 sizes up, 1 1/2 in apart”, “make 3 sizes up and 1 down”. */
export function readGrade(wish: Wish, begun: () => GradeInputs | null): Reading<GradeInputs>[] {
  const { up, down } = wish.counts
  // “One size up at the hips” is a blend, “the sleeve one size up” a piece of another size.
  if (says(wish, 'bust', 'waist', 'hip', 'shoulder', 'sleeve', 'skirt', 'leg', 'front', 'back') && !says(wish, 'grading')) return []
  if (up + down === 0 && !says(wish, 'grading') && !(says(wish, 'size') && says(wish, 'more'))) return []
  const usual = begun()
  if (!usual) return []
  const counted = up + down > 0 ? { up, down } : {}
  const [amount] = wish.amounts
  return [
    {
      inputs: { ...usual, ...counted, ...(amount ? { intervalMm: amount.mm } : {}) },
      uses: used(wish, 'grading', 'size', 'up', 'down', 'make', 'out', 'in', 'more', 'each', 'between'),
      takes: ['counts'],
      sure: wish.amounts.length <= 1 && (amount?.sign ?? 0) >= 0 && (up + down > 0 || says(wish, 'grading')),
      how: amount ? 'from size to size' : '',
    },
  ]
}
