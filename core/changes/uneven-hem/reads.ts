import { figureMm } from '../../body'
import { finishedLength } from '../../measure'
import type { Garment } from '../../pattern'
import { bodyLengths } from '../../size'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, saysOnly, signed, towards, used } from '../shared/reading/amounts'
import type { ChangeContext, Reading } from '../types'
import { findHem } from './find-hem'
import type { UnevenHemInputs } from './schema'

const LONGER: readonly Concept[] = ['longer', 'down', 'too-short', 'too-high', 'more']
const SHORTER: readonly Concept[] = ['shorter', 'up', 'too-long', 'too-low', 'less']

const FRONT: readonly Concept[] = ['front', 'centre-front']
const BACK: readonly Concept[] = ['back', 'centre-back']

const PLACES: [keyof UnevenHemInputs, readonly Concept[]][] = [
  ['centreFrontMm', FRONT],
  ['sideMm', ['side']],
  ['centreBackMm', BACK],
]

/** The places of a hem as they are said. */
export const WHERE = { centreFrontMm: 'at centre front', sideMm: 'at the sides', centreBackMm: 'at centre back' }

/** The hem moved all round until the back measures so much from its neckline to the hem, mm. */
function readWhole(wish: Wish, garment: Garment, wantedMm: number, sizeId: string): Reading<UnevenHemInputs>[] {
  if (findHem(garment, sizeId).length === 0) return []
  const mm = wantedMm - finishedLength(garment, 'centre-back', sizeId)
  const way = towards(wish, LONGER, SHORTER)
  return [
    {
      inputs: { centreFrontMm: mm, sideMm: mm, centreBackMm: mm },
      uses: used(wish, 'whole-length', 'length', 'hem', 'body', 'skirt', 'round', ...LONGER, ...SHORTER),
      takes: ['wanted'],
      // “Lengthen it to 20” of what is longer says two things.
      sure: says(wish, 'whole-length') && wish.amounts.length === 0 && way * mm >= 0,
      words: `Hem ${lengthToken(Math.abs(mm))} ${mm < 0 ? 'shorter' : 'longer'} all round; the back is then ${lengthToken(wantedMm)} long from neckline to hem`,
    },
  ]
}

const NOT_MEASURED = 'waist to knee, measured under Wearer, would say how much'

/** “Hem 2 below the knee”: where the hem ends on the wearer, by the body’s own height there; without a figure where nobody measured that. */
function readEnding(wish: Wish, garment: Garment, { body, sizeId }: ChangeContext): Reading<UnevenHemInputs>[] {
  const row = bodyLengths(garment, body).find((r) => r.id === 'waist-to-hem-side')
  const kneeMm = body ? figureMm(body, 'waist-to-knee') : null
  const fromKnee = wish.amounts.length === 0 ? 0 : oneAmount(wish, towards(wish, ['below'], ['above']))
  if (!row || fromKnee === null || findHem(garment, sizeId).length === 0) return []
  const uses = used(wish, 'hem', 'skirt', 'length', 'knee', 'above', 'below', 'longer', 'shorter')
  const mm = kneeMm ? kneeMm + fromKnee - row.garmentMm : 0
  if (mm === 0) return [{ inputs: { centreFrontMm: 0, sideMm: 0, centreBackMm: 0 }, uses, sure: false, how: kneeMm ? '' : NOT_MEASURED }]
  const where = fromKnee === 0 ? 'at the knee' : `${lengthToken(Math.abs(fromKnee))} ${fromKnee < 0 ? 'above' : 'below'} the knee`
  return [
    {
      inputs: { centreFrontMm: mm, sideMm: mm, centreBackMm: mm },
      uses,
      // By how much the skirt spreads and falls differs with the cloth.
      sure: false,
      words: `Hem ${lengthToken(Math.abs(mm))} ${mm < 0 ? 'shorter' : 'longer'} all round: it then ends ${where}, as the wearer was measured`,
    },
  ]
}

/** Craft 6.2 as it is said: “hem longer at the back by 1”, “back 1 1/2, sides 3/4”, “raise the hem 1/2”. */
export function readUnevenHem(wish: Wish, garment: Garment, context: ChangeContext): Reading<UnevenHemInputs>[] {
  if (says(wish, 'sleeve', 'leg', 'leg-opening', 'dart', 'true', 'out', 'in', 'fuller', 'fullness', 'pivot', 'slide', 'keep', 'wedge'))
    return []
  if (
    says(wish, 'knee') &&
    says(wish, 'hem') &&
    saysOnly(wish, 'hem', 'knee', 'skirt', 'above', 'below', 'length', 'make', 'longer', 'shorter')
  )
    return readEnding(wish, garment, context)
  const places = PLACES.filter(([, words]) => says(wish, ...words))
  // Two figures at two places speak of a hem also where it is not named.
  // “Skirt 2 longer at the back” is said of its hem: its sides stay as long as they are.
  const isSkirt = says(wish, 'skirt') && places.length === 1 && says(wish, 'longer', 'shorter', 'too-long', 'too-short')
  const isBody = says(wish, 'waist', 'bust', 'hip')
  // “26 from the back neck to the hem” is what the whole is to measure.
  const isWhole = says(wish, 'whole-length') || (saysOnly(wish, 'length', 'make') && wish.names.length === 0)
  const whole = isWhole && places.length === 0 ? wish.wantedMm : null
  if (whole !== null) return readWhole(wish, garment, whole, context.sizeId)
  // “Longer at the back 2” may be said of the hem, and is asked.
  const isHalf = places.length === 1 && saysOnly(wish, 'longer', 'shorter', 'length', ...FRONT, ...BACK)
  const isHem = says(wish, 'hem') || isHalf || ((isSkirt || (wish.amounts.length > 1 && places.length > 1)) && !isBody)
  if (!isHem || findHem(garment, context.sizeId).length === 0) return []
  const way = towards(wish, LONGER, SHORTER) || (says(wish, 'hem') ? 0 : 1)
  const inputs: UnevenHemInputs = { centreFrontMm: 0, sideMm: 0, centreBackMm: 0 }
  let isClear = way !== 0 || wish.amounts.some((a) => a.sign !== 0) || says(wish, 'uneven', 'level')
  const set = (keys: readonly (keyof UnevenHemInputs)[], mm: number | null) => {
    if (mm === null) isClear = false
    else for (const key of keys) inputs[key] = mm
  }
  const all = PLACES.map(([key]) => key)
  if (wish.amounts.length === 1) set(places.length > 0 ? places.map(([key]) => key) : all, signed(wish.amounts[0]!, way))
  else
    for (const amount of wish.amounts) {
      const here = PLACES.filter(([, words]) => words.some((w) => amount.beside.has(w)))
      if (here.length === 0) isClear = false
      set(
        here.map(([key]) => key),
        signed(amount, way),
      )
    }
  const changed = PLACES.filter(([key]) => inputs[key] !== 0).map(([key]) => key)
  const isAlike = changed.length === PLACES.length && new Set(Object.values(inputs)).size === 1
  const figure = (mm: number) => `${lengthToken(Math.abs(mm))} ${mm < 0 ? 'shorter' : 'longer'}`
  const words = isAlike
    ? `Hem ${figure(inputs.sideMm)} all round`
    : `Hem ${changed.map((key) => `${figure(inputs[key])} ${WHERE[key]}`).join(', ')}`
  return [
    {
      inputs,
      uses: used(wish, 'hem', 'skirt', 'length', 'uneven', 'level', 'round', ...LONGER, ...SHORTER, ...FRONT, ...BACK, 'side'),
      sure: isClear && !isHalf && wish.wantedMm === null,
      ...(way === 0 ? {} : { towards: way }),
      ...(changed.length > 0 ? { words } : places[0] ? { field: places[0][0] } : {}),
    },
  ]
}
