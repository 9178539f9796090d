import type { Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { missingOf, takesWanted } from '../shared/reading/wanted'
import type { ChangeContext, Reading } from '../types'
import type { BicepWidthInputs } from './schema'

const FULLER: readonly Concept[] = ['out', 'fuller', 'more', 'too-tight', 'arm-drags', 'open']
const SLIMMER: readonly Concept[] = ['in', 'less', 'too-loose', 'close']

const ELSEWHERE: readonly Concept[] = [
  'hem',
  'wrist',
  'elbow',
  'longer',
  'shorter',
  'length',
  'too-long',
  'too-short',
  'shoulder',
  'fullness',
]

/** Craft 6.10 as it is said: “fuller bicep 1”, “upper arm too tight 3/4”, “slimmer sleeve at the bicep”, “let the sleeve out 1 in”. */
export function readBicepWidth(
  wish: Wish,
  garment: Garment,
  context: ChangeContext,
  begun: (amountMm: number) => BicepWidthInputs | null,
): Reading<BicepWidthInputs>[] {
  const isNamed = says(wish, 'bicep', 'arm-drags')
  const isSleeve =
    says(wish, 'sleeve') &&
    (says(wish, 'out', 'in', 'too-tight', 'too-loose', 'fuller') || (says(wish, 'width') && says(wish, 'more', 'less')))
  if ((!isNamed && !isSleeve) || says(wish, ...ELSEWHERE, 'armhole', 'cap-ease', 'sleeve-cap')) return []
  // “Bicep 13”: what it lacks, or has too much, round the arm.
  const missing = isNamed ? missingOf(wish, garment, 'bicep', context) : null
  const way = missing === null ? towards(wish, FULLER, SLIMMER) : missing < 0 ? -1 : 1
  const amountMm = missing ?? oneAmount(wish, way)
  const inputs = begun(amountMm ?? 0)
  if (!inputs) return []
  return [
    {
      inputs,
      uses: used(wish, 'bicep', 'sleeve', 'round', 'width', ...FULLER, ...SLIMMER),
      ...takesWanted(missing),
      sure: amountMm !== null && (isNamed || way !== 0),
      ...(way === 0 ? {} : { towards: way }),
      how: amountMm ? 'round the arm, fading to nothing at the wrist, the armhole with it' : '',
    },
  ]
}
