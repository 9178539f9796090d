import type { Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { zonesOnSides } from '../shared/side-drawing'
import type { ChangeContext, Reading } from '../types'
import type { SideBalanceInputs } from './schema'

const ZONES = ['bust', 'waist', 'hip'] as const
/** What the seam does, or where the width is to go. */
const TO_FRONT: readonly Concept[] = ['swings-forward', 'forward']
const TO_BACK: readonly Concept[] = ['swings-back', 'backward']

/** What has another change. */
const OTHERS: readonly Concept[] = ['shoulder', 'forward-shoulder', 'dart', 'sleeve', 'hem', 'armhole', 'neckline', 'wedge', 'fold']

/** Which way the width goes, by the order of the words: “from the back to the front”, “between front and back” says none. */
function wayOf(wish: Wish): 1 | 0 | -1 {
  const said = towards(wish, TO_FRONT, TO_BACK)
  if (said !== 0) return said
  const { tokens } = wish
  const from = tokens.findIndex((t) => t.is === 'concept' && t.concept === 'from')
  const half = tokens.slice(from + 1).find((t) => t.is === 'concept' && (t.concept === 'front' || t.concept === 'back'))
  if (from < 0 || half?.is !== 'concept') return 0
  return half.concept === 'back' ? 1 : -1
}

/** Craft 9 as it is said: “side seam swings forward 1/2”, “move width from the back to the front 1/2 at the hip”. */
export function readSideBalance(wish: Wish, garment: Garment, context: ChangeContext): Reading<SideBalanceInputs>[] {
  const swings = says(wish, 'side-swings', 'swings-forward', 'swings-back')
  const isMoved = says(wish, 'width') && says(wish, 'move') && (says(wish, 'front', 'back') || says(wish, 'forward', 'backward'))
  if ((!swings && !isMoved) || says(wish, ...OTHERS)) return []
  const there = zonesOnSides(garment, context.sizeId)
  const named = ZONES.filter((z) => wish.said.has(z))
  if (there.length === 0 || named.some((z) => !there.includes(z))) return []
  // A seam that swings is off most at its lower end: the lowest level, unless another is named.
  const meant = named.length > 0 ? named : there.slice(-1)
  const way = wayOf(wish)
  const mm = oneAmount(wish, way)
  const at = (zone: (typeof ZONES)[number]) => (meant.includes(zone) ? (mm ?? 0) : 0)
  return [
    {
      inputs: { bustMm: at('bust'), waistMm: at('waist'), hipMm: at('hip') },
      uses: used(
        wish,
        'side-swings',
        'swings-forward',
        'swings-back',
        'side',
        'move',
        'width',
        'front',
        'back',
        'forward',
        'backward',
        'from',
        'between',
        'each',
        ...ZONES,
      ),
      sure: mm !== null && way !== 0,
      ...(way === 0 ? {} : { towards: way }),
      field: `${meant[0]}Mm`,
      where: `at the ${meant.join(' and ')}`,
      how: 'each side seam; round the body as before',
    },
  ]
}
