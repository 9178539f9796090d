import type { Concept, Wish } from '../../wishes'
import { lengthToken } from '../../units'
import { oneAmount, says, signed, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { RedrawNecklineInputs } from './schema'

const DEEPER: readonly Concept[] = ['down', 'too-high', 'longer', 'deeper', 'scoop']
const HIGHER: readonly Concept[] = ['up', 'too-low', 'shorter', 'shallower']

const WIDER: readonly Concept[] = ['out', 'too-tight', 'more']
const NARROWER: readonly Concept[] = ['in', 'too-loose', 'less']

const OTHERS: readonly Concept[] = ['dart', 'fold', 'gapes', 'wedge', 'notch', 'move', 'true', 'slash', 'swing', 'pivot', 'straighten']

/** “3/4 wider and 1 deeper”: each figure beside its own word; null where it is not said so. */
function bothFigures(wish: Wish, depth: 1 | 0 | -1, width: 1 | 0 | -1): { deeperMm: number; widerMm: number } | null {
  const beside = (words: readonly Concept[], way: 1 | 0 | -1) => {
    const own = wish.amounts.filter((a) => words.some((w) => a.beside.has(w)))
    return own.length === 1 ? signed(own[0]!, way) : null
  }
  if (wish.amounts.length !== 2) return null
  const [deeperMm, widerMm] = [beside([...DEEPER, ...HIGHER], depth), beside([...WIDER, ...NARROWER], width)]
  return deeperMm === null || widerMm === null ? null : { deeperMm, widerMm }
}

/** “Neckline too tight by 1”: so much is missing all round; null for any other wish, or where the front has no room for it. */
function readTooTight(
  wish: Wish,
  longerBy: (mm: number) => RedrawNecklineInputs | null,
): Omit<Reading<RedrawNecklineInputs>, 'uses'> | null {
  const [only] = wish.amounts
  if (!says(wish, 'too-tight') || says(wish, 'each', 'out') || wish.amounts.length !== 1 || only!.sign < 0) return null
  const inputs = longerBy(only!.mm)
  return inputs && { inputs, sure: false, towards: 1, how: `${lengthToken(only!.mm)} longer all round` }
}

/** “Wider neckline 3/8”. */
function readWidth(wish: Wish, usual: RedrawNecklineInputs, width: 1 | -1): Omit<Reading<RedrawNecklineInputs>, 'uses'> {
  const amountMm = oneAmount(wish, width)
  return {
    inputs: { ...usual, widerMm: amountMm ?? 0 },
    sure: amountMm !== null && !says(wish, 'too-tight', 'too-loose'),
    towards: width,
    field: 'widerMm',
    how: wish.amounts.length > 0 ? 'at each shoulder' : '',
  }
}

/** Craft 6.13 as it is said: “lower the front neckline 1”, “raise the back neck 1/2”, “wider neckline 3/8”, “neck too high”. */
export function readRedrawNeckline(
  wish: Wish,
  begun: () => RedrawNecklineInputs | null,
  longerBy: (mm: number, usual: RedrawNecklineInputs) => RedrawNecklineInputs | null,
): Reading<RedrawNecklineInputs>[] {
  const isShape = says(wish, 'neck-shape')
  const width = towards(wish, WIDER, NARROWER)
  // “Scoop the neck 2 in” is deeper, which is asked.
  const isScooped = isShape && width === 0 && wish.amounts.length === 1 && !says(wish, ...DEEPER, ...HIGHER)
  const depth = isScooped ? 1 : towards(wish, DEEPER, HIGHER)
  // “1/2 wider at each shoulder”, “at the shoulders”, “on each side”: where its ends lie, which are two.
  const isAtShoulder = says(wish, 'shoulder') && /\b(?:at|on|along) (?:the )?shoulders?\b/i.test(wish.text)
  const isAtEnds = width !== 0 && ((says(wish, 'each') && says(wish, 'shoulder', 'side')) || isAtShoulder)
  if ((!isShape && !says(wish, 'neckline')) || says(wish, ...OTHERS, 'armhole', 'sleeve')) return []
  if (!isAtEnds && says(wish, 'shoulder', 'side')) return []
  if (!isShape && depth === 0 && width === 0) return []
  const usual = begun()
  if (!usual) return []
  const uses = used(
    wish,
    'neckline',
    'neck-shape',
    'front',
    'back',
    'centre-front',
    'centre-back',
    'each',
    ...(isAtEnds ? (['shoulder', 'side'] as const) : []),
    ...DEEPER,
    ...HIGHER,
    ...WIDER,
    ...NARROWER,
  )
  const longer = depth === 0 ? readTooTight(wish, (mm) => longerBy(mm, usual)) : null
  if (longer) return [{ ...longer, uses }]
  if (depth === 0 && width !== 0) return [{ ...readWidth(wish, usual, width), uses }]
  const both = bothFigures(wish, depth, width)
  const amountMm = both ? both.deeperMm : oneAmount(wish, depth)
  const isBack = says(wish, 'back', 'centre-back')
  const isFront = says(wish, 'front', 'centre-front') || !isBack
  return [
    {
      inputs: {
        ...usual,
        frontMm: isFront ? (amountMm ?? 0) : 0,
        backMm: isBack ? (amountMm ?? 0) : 0,
        ...(both ? { widerMm: both.widerMm } : {}),
      },
      uses,
      sure: amountMm !== null && depth !== 0 && !isScooped && (width === 0 || both !== null),
      ...(both ? { takes: ['several'] as const } : {}),
      ...(depth === 0 ? {} : { towards: depth }),
      field: isFront ? 'frontMm' : 'backMm',
      how: wish.amounts.length > 0 ? (isFront && isBack ? 'at centre front and back' : isBack ? 'at centre back' : 'at centre front') : '',
      stays: both
        ? `and each end ${lengthToken(Math.abs(both.widerMm))} ${both.widerMm > 0 ? 'further out' : 'further in'} on the shoulder`
        : 'both ends at the shoulder',
    },
  ]
}
