import type { Garment } from '../../pattern'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { says, signed, towards, used } from '../shared/reading/amounts'
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

/** Craft 6.2 as it is said: “hem longer at the back by 1”, “back 1 1/2, sides 3/4”, “raise the hem 1/2”. */
export function readUnevenHem(wish: Wish, garment: Garment, context: ChangeContext): Reading<UnevenHemInputs>[] {
  if (says(wish, 'sleeve', 'leg', 'leg-opening', 'dart', 'true', 'out', 'in', 'fuller', 'fullness', 'pivot', 'slide', 'keep', 'wedge'))
    return []
  const places = PLACES.filter(([, words]) => says(wish, ...words))
  // Two figures at two places speak of a hem also where it is not named.
  // “Skirt 2 longer at the back” is said of its hem: its sides stay as long as they are.
  const isSkirt = says(wish, 'skirt') && places.length === 1 && says(wish, 'longer', 'shorter', 'too-long', 'too-short')
  const isBody = says(wish, 'waist', 'bust', 'hip')
  const isHem = says(wish, 'hem') || ((isSkirt || (wish.amounts.length > 1 && places.length > 1)) && !isBody)
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
      uses: used(wish, 'hem', 'skirt', 'uneven', 'level', 'round', ...LONGER, ...SHORTER, ...FRONT, ...BACK, 'side'),
      sure: isClear && wish.wantedMm === null,
      ...(way === 0 ? {} : { towards: way }),
      ...(changed.length > 0 ? { words } : places[0] ? { field: places[0][0] } : {}),
    },
  ]
}
