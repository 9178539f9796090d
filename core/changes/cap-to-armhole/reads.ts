import { sideLength, type Garment } from '../../pattern'
import { armholesWithSleeve, capDrawer, measureArmhole, NO_CAP_MOVE, sameSleeve } from '../../seams'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { readsPair } from '../shared/reading/pairs'
import type { ChangeContext, Reading } from '../types'
import type { CapToArmholeInputs } from './schema'

const HIGHER: readonly Concept[] = ['up', 'longer', 'too-low', 'too-short']
const LOWER: readonly Concept[] = ['down', 'shorter', 'shallower', 'too-high', 'too-long']

/** The cap as it is said: “cap follows the armhole”, “more cap ease 1/4”, “raise the cap 1/2”. */
export const readCap = (
  wish: Wish,
  garment: Garment,
  context: ChangeContext,
  begun: CapToArmholeInputs | null,
): Reading<CapToArmholeInputs>[] => [...readsPair(wish, 'cap', begun), ...readHeight(wish, garment, context, begun)]

/** A cap that is to be higher or lower: its armhole stays, so that the ease changes by what the line grows. */
function readHeight(wish: Wish, garment: Garment, context: ChangeContext, begun: CapToArmholeInputs | null): Reading<CapToArmholeInputs>[] {
  const way = towards(wish, HIGHER, LOWER)
  const riseMm = oneAmount(wish, way)
  if (!begun || way === 0 || !says(wish, 'sleeve-cap') || says(wish, 'cap-ease', 'cap-follows', 'forward', 'backward') || !riseMm) return []
  const grown = grownBy(garment, riseMm, context)
  if (!grown) return []
  const { moreMm, growsMm } = grown
  const ease = `${lengthToken(Math.abs(growsMm))} ${growsMm > 0 ? 'more' : 'less'} ease`
  return [
    {
      inputs: { ...begun, way: 'height', frontMm: moreMm / 2, backMm: moreMm / 2 },
      uses: used(wish, 'sleeve-cap', 'sleeve', ...HIGHER, ...LOWER),
      sure: true,
      towards: way,
      words: `Cap ${lengthToken(Math.abs(riseMm))} ${riseMm > 0 ? 'higher' : 'lower'}, the armhole as it is: ${ease}, half of it in front, half at the back`,
    },
  ]
}

/**
 * What a cap’s line grows by when its top rises, mm, and how much its ease is then more than as bought.
 * @returns null where the cap cannot be drawn so
 */
function grownBy(
  garment: Garment,
  riseMm: number,
  { bought = garment, sizeId }: ChangeContext,
): { growsMm: number; moreMm: number } | null {
  const [is, was] = [armholesWithSleeve(garment), armholesWithSleeve(bought)]
  const armhole = is.ok ? is.value[0] : undefined
  const old = armhole && was.ok ? sameSleeve(was.value, armhole.sleeve) : undefined
  const drawn = armhole && capDrawer(garment, armhole, sizeId, 0)({ ...NO_CAP_MOVE, riseMm })
  if (!old || !drawn) return null
  const { seam, side } = armhole.sleeve
  const growsMm = sideLength(drawn, seam, side, sizeId) - sideLength(garment, seam, side, sizeId)
  const boughtSize = bought.sizes.some((s) => s.id === sizeId) ? sizeId : bought.baseSizeId
  const [now, then] = [measureArmhole(garment, armhole, sizeId), measureArmhole(bought, old, boughtSize)].map(
    ({ ease }) => ease.front + ease.back,
  )
  return { growsMm, moreMm: growsMm + now! - then! }
}
