import { add, mapPath, subtract } from '../geometry'
import type { Garment } from '../pattern'
import type { Side } from '../seams'
import type { Handle } from './pictures'
import { mirrorToSide } from './shared/mirror-to-side'
import type { Applied, ChangeContext, ChangeKind } from './types'

/** A handle on the half of its piece, or on the one of a pair, that lies on a side of the body. */
function onSide(handle: Handle, garment: Garment, side: Side, sizeId: string): Handle {
  const there = mirrorToSide(garment, handle.pieceId, handle.at, side, sizeId)
  if (!there) return handle
  const { pieceId, mirror } = there
  const { line, track } = handle
  const at = mirror(handle.at)
  return {
    ...handle,
    pieceId,
    at,
    axis: subtract(mirror(add(handle.at, handle.axis)), at),
    ...(line ? { line: { from: mirror(line.from), to: mirror(line.to) } } : {}),
    ...(track ? { track: mapPath(track, mirror) } : {}),
  }
}

/** The handles of a stop, on the side of the body that it is done on. */
export function handlesOf(kind: ChangeKind<unknown>, before: Garment, inputs: unknown, applied: Applied, context: ChangeContext): Handle[] {
  const side = kind.sideOf?.(inputs) ?? 'both'
  const { alike, garment } = applied
  if (side === 'both' || !alike) return kind.handles(before, inputs, applied, context)
  const own = kind.onItsSide?.(before, inputs) ?? inputs
  return kind.handles(before, own, alike, context).map((h) => onSide(h, garment, side, context.sizeId))
}
