import { alongGrain } from '../../geometry'
import { edgePath, grainDirection, shapeOf, type Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { isNamed } from '../shared/reading/things'
import type { ChangeContext, Reading } from '../types'
import { notchesOf } from './find-notch'
import type { MoveNotchInputs } from './schema'

const DOWN: readonly Concept[] = ['down', 'too-high']
const UP: readonly Concept[] = ['up', 'too-low']

/** Craft 7 as it is said: “move the waist notch of the front 1/4 down”. */
export function readMoveNotch(
  wish: Wish,
  garment: Garment,
  context: ChangeContext,
  begun: () => MoveNotchInputs | null,
): Reading<MoveNotchInputs>[] {
  if (!says(wish, 'notch')) return []
  const all = notchesOf(garment)
  const named = all.filter((n) => isNamed(wish, n.notch.name))
  const side = (['front', 'back', 'sleeve', 'leg'] as const).filter((s) => wish.said.has(s))
  const onPiece =
    named.length === 0 && side.length === 0
      ? all.filter((n) => n.ref === begun()?.notch)
      : (named.length > 0 ? named : all).filter((n) => side.length === 0 || side.some((s) => n.piece.kind.includes(s)))
  const way = towards(wish, DOWN, UP)
  return onPiece.map((n) => {
    const path = edgePath(shapeOf(n.piece, context.sizeId), n.edge.id)
    const grain = grainDirection(shapeOf(n.piece, context.sizeId))
    const runsDown = alongGrain(path[path.length - 1]!.to, grain) >= alongGrain(path[0]!.from, grain)
    const along = way === 0 ? 0 : ((way * (runsDown ? 1 : -1)) as 1 | -1)
    const byMm = wish.amounts.length === 0 ? 0 : oneAmount(wish, along)
    return {
      inputs: { notch: n.ref, byMm: byMm ?? 0 },
      uses: used(
        wish,
        'notch',
        'move',
        'waist',
        'hip',
        'knee',
        'shoulder',
        'armhole',
        'sleeve',
        'front',
        'back',
        'leg',
        'side',
        ...DOWN,
        ...UP,
      ),
      sure: onPiece.length === 1 && named.length > 0 && byMm !== null,
      ...(along === 0 ? {} : { towards: along }),
    }
  })
}
