import { measureArea } from '../geometry'
import { outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import { sizeIdOf } from './build-nest'
import type { PieceDraft } from './build-piece'

/**
 * A garment of pieces that were drawn in several sizes: its sizes are all that any piece has, smallest first by area; a
 * piece that was not drawn in one of them takes the base's lines there.
 *
 * @param built pieces with their drafts
 * @param baseId the id that every base shape carries
 */
export function nestDrafts(
  built: readonly { piece: Piece; draft: PieceDraft }[],
  baseId: string,
): Pick<Garment, 'sizes' | 'baseSizeId' | 'pieces'> {
  // Of pieces that were drawn in one size it is what they say, where all say the same.
  const said = new Set(built.flatMap((b) => b.draft.sizeName || []))
  const baseName = built.find((b) => b.draft.sizes.length > 0)?.draft.sizeName ?? (said.size === 1 ? [...said][0]! : '')
  const names = [...new Set(built.flatMap((b) => b.draft.sizes.map((s) => s.name)))].filter((n) => n !== baseName)
  const pieces = built.map(({ piece }) => ({
    ...piece,
    shapes: Object.fromEntries([baseId, ...names.map(sizeIdOf)].map((id) => [id, piece.shapes[id] ?? piece.shapes[baseId]!])),
  }))
  const areaOf = (id: string) => pieces.reduce((sum, p) => sum + measureArea(outlineOf(p, shapeOf(p, id))), 0)
  const sizes = [{ id: baseId, name: baseName || 'as in the file' }, ...names.map((name) => ({ id: sizeIdOf(name), name }))]
  return { sizes: names.length > 0 ? sizes.sort((a, b) => areaOf(a.id) - areaOf(b.id)) : sizes, baseSizeId: baseId, pieces }
}
