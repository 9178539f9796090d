import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { PivotSlideInputs, Sequence } from './schema'

const OUT: readonly Concept[] = ['out', 'more', 'longer', 'down', 'square-shoulder', 'too-tight']
const IN: readonly Concept[] = ['in', 'less', 'shorter', 'up', 'sloping-shoulder', 'too-loose']

/** What is asked of which sequence. */
function sequenceOf(wish: Wish): Sequence | null {
  if (says(wish, 'square-shoulder', 'sloping-shoulder')) return says(wish, 'pivot', 'slide') ? 'slope' : null
  if (says(wish, 'free')) return 'free'
  const isPivot = says(wish, 'pivot')
  if (isPivot) return (['waist', 'hip', 'bust'] as const).find((z) => wish.said.has(z)) ?? null
  if (!says(wish, 'slide')) return null
  return says(wish, 'hem') ? 'longer' : says(wish, 'side') ? 'wider' : null
}

/** Craft 6.7 as it is said: “pivot the waist out 1/2”, “slide the hem down”, “squarer shoulder 1/4”. */
export function readPivotSlide(
  wish: Wish,
  begun: () => PivotSlideInputs | null,
  fits: (sequence: Sequence) => boolean,
): Reading<PivotSlideInputs>[] {
  const sequence = sequenceOf(wish)
  if (!sequence && !says(wish, 'pivot', 'slide')) return []
  const usual = begun()
  if (!usual) return []
  if (sequence && sequence !== 'free' && !fits(sequence)) return []
  const way = towards(wish, OUT, IN)
  const amountMm = sequence === 'free' ? 0 : oneAmount(wish, way)
  return [
    {
      inputs: { ...usual, sequence: sequence ?? usual.sequence, amountMm: amountMm ?? 0 },
      uses: used(wish, 'pivot', 'slide', 'free', 'waist', 'hip', 'bust', 'side', 'hem', 'shoulder', 'each', ...OUT, ...IN),
      sure: sequence !== null && amountMm !== null,
      ...(way === 0 ? {} : { towards: way }),
      how: wish.amounts.length > 0 ? 'each edge' : '',
    },
  ]
}
