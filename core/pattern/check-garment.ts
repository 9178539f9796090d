import { bounded } from '../budget'
import { distance, findSelfCrossing, measureArea, measureLength } from '../geometry'
import { ok, type Problem } from '../result'
import { JOIN_MM, SAME_POINT_MM } from '../tolerances'
import { cornerPoint, outlineOf } from './outline'
import type { Garment, Piece } from './schema'

function firstTwin(ids: readonly string[]): string | undefined {
  const seen = new Set<string>()
  return ids.find((id) => seen.has(id) || !seen.add(id))
}

function checkPiece(piece: Piece, sizes: Garment['sizes']): Problem | null {
  const bad = (message: string): Problem => ({
    code: 'garment-invalid',
    where: `piece “${piece.name}”`,
    message,
    remedy: 'Mend the file, or import the outline again.',
  })
  const twin = [piece.edges, piece.corners, piece.notches, piece.darts, piece.lines, piece.points]
    .map((list) => firstTwin(list.map((x) => x.id)))
    .find((id) => id !== undefined)
  if (twin) return bad(`the id “${twin}” is used twice.`)
  const edgeIds = new Set(piece.edges.map((e) => e.id))
  for (const n of piece.notches) if (!edgeIds.has(n.edgeId)) return bad(`notch “${n.name}” sits on an edge that is not there.`)
  for (const d of piece.darts) {
    const i = piece.edges.findIndex((e) => e.id === d.legs[0])
    const next = piece.edges[(i + 1) % piece.edges.length]
    if (i < 0 || next?.id !== d.legs[1]) return bad(`dart “${d.name}” does not name two neighbouring legs.`)
  }
  for (const size of sizes) {
    const shape = piece.shapes[size.id]
    if (!shape) return bad(`size “${size.name}” has no outline.`)
    for (const [list, record, what] of [
      [piece.edges, shape.edges, 'edge'],
      [piece.notches, shape.notches, 'notch'],
      [piece.lines, shape.lines, 'line'],
      [piece.points, shape.points, 'point'],
    ] as const)
      for (const item of list) if (!(item.id in record)) return bad(`${what} “${item.name}” has no place in size “${size.name}”.`)
    for (const n of piece.notches)
      if (shape.notches[n.id]!.distanceMm > measureLength(shape.edges[n.edgeId]!) + JOIN_MM)
        return bad(`notch “${n.name}” lies beyond the end of its edge in size “${size.name}”.`)
    for (const dart of piece.lines.filter((l) => l.role === 'dart')) {
      const path = shape.lines[dart.id]!
      if (path.length < 2 || distance(path[path.length - 1]!.to, path[0]!.from) > JOIN_MM)
        return bad(`the line of “${dart.name}” does not come back to its tip in size “${size.name}”.`)
    }
    for (let i = 0; i < piece.edges.length; i++) {
      const path = shape.edges[piece.edges[i]!.id]!
      const next = shape.edges[piece.edges[(i + 1) % piece.edges.length]!.id]!
      if (distance(path[path.length - 1]!.to, next[0]!.from) > JOIN_MM)
        return bad(`the outline is open after “${piece.edges[i]!.name}” in size “${size.name}”.`)
      if (measureLength(path) <= SAME_POINT_MM) return bad(`the edge “${piece.edges[i]!.name}” has no length in size “${size.name}”.`)
    }
    const outline = outlineOf(piece, shape)
    const crossing = findSelfCrossing(outline)
    if (crossing)
      return bad(`the outline crosses itself near ${crossing.x.toFixed(0)}, ${crossing.y.toFixed(0)} mm in size “${size.name}”.`)
    if (measureArea(outline) <= 0) return bad(`the outline runs anticlockwise in size “${size.name}”.`)
  }
  return null
}

/**
 * What a schema cannot see: references that lead nowhere, open or crossing outlines, missing sizes.
 * @returns the first problem found, or null for a sound garment
 */
export function checkGarment(garment: Garment): Problem | null {
  const checked = bounded('garment', () => ok(findProblem(garment)))
  return checked.ok ? checked.value : checked.problem
}

function findProblem(garment: Garment): Problem | null {
  const bad = (where: string, message: string): Problem => ({
    code: 'garment-invalid',
    where,
    message,
    remedy: 'Mend the file, or import the outline again.',
  })
  const twin = [garment.pieces, garment.seams, garment.sizes].map((list) => firstTwin(list.map((x) => x.id))).find((id) => id !== undefined)
  if (twin) return bad('garment', `the id “${twin}” is used twice.`)
  if (!garment.sizes.some((s) => s.id === garment.baseSizeId)) return bad('garment', 'the base size is not one of the sizes.')
  for (const piece of garment.pieces) {
    const problem = checkPiece(piece, garment.sizes)
    if (problem) return problem
  }
  const lost = checkSeams(garment)
  if (lost) return lost
  for (const cup of garment.cups ?? []) {
    if (!cup.cup) return bad(`piece “${cup.name}”`, 'it does not say which cup it is for.')
    if (garment.cups!.filter((c) => c.id === cup.id && c.cup === cup.cup).length > 1)
      return bad(`piece “${cup.name}”`, `there are two for cup ${cup.cup}.`)
    // It is as bought: sizes that were made since it has not got.
    const problem = checkPiece(
      cup,
      garment.sizes.filter((s) => s.id === garment.baseSizeId || s.id in cup.shapes),
    )
    if (problem) return problem
  }
  return null
}

/** A seam that walks or names what is not there, or null. */
function checkSeams(garment: Garment): Problem | null {
  const bad = (seam: Garment['seams'][number], message: string): Problem => ({
    code: 'garment-invalid',
    where: `seam “${seam.name}”`,
    message,
    remedy: 'Mend the file, or import the outline again.',
  })
  for (const seam of garment.seams) {
    for (const run of seam.sides.flat()) {
      const piece = garment.pieces.find((p) => p.id === run.pieceId)
      if (!piece?.edges.some((e) => e.id === run.edgeId)) return bad(seam, 'it walks an edge that is not there.')
    }
    for (const mark of seam.marks.flat()) {
      const piece = garment.pieces.find((p) => p.id === mark.pieceId)
      const there =
        piece &&
        ('notchId' in mark
          ? piece.notches.some((n) => n.id === mark.notchId)
          : cornerPoint(piece, piece.shapes[garment.baseSizeId]!, mark.cornerId) !== undefined)
      if (!there) return bad(seam, 'it names a notch or corner that is not there.')
    }
  }
  return null
}
