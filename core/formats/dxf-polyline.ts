import { spend } from '../budget'

/** A group of a DXF: its code and value, as the library reads it. */
interface Group {
  code: number
  value: unknown
}
interface Scanner {
  next(): Group
  lastReadGroup: Group
}

const figure = (v: unknown): number => (typeof v === 'number' ? v : Number.NaN)

/**
 * Reads a POLYLINE with its vertices for the library, which does not come to an end of one whose vertices are broken off: what
 * follows that is no vertex ends it here.
 */
export class PolylineHandler {
  ForEntityName = 'POLYLINE' as const

  parseEntity(scanner: Scanner, first: Group) {
    const entity: Record<string, unknown> & { vertices: { x: number; y: number; bulge: number }[] } = { type: first.value, vertices: [] }
    let curr = scanner.next()
    while (curr.code !== 0) {
      spend()
      if (curr.code === 8) entity.layer = curr.value
      else if (curr.code === 6) entity.lineType = curr.value
      else if (curr.code === 62) entity.colorIndex = curr.value
      else if (curr.code === 60) entity.visible = curr.value === 0
      else if (curr.code === 67) entity.inPaperSpace = curr.value !== 0
      else if (curr.code === 70) entity.shape = (Number(curr.value) & 1) !== 0
      curr = scanner.next()
    }
    while (curr.code === 0 && curr.value === 'VERTEX') {
      const vertex = { x: Number.NaN, y: Number.NaN, bulge: 0 }
      curr = scanner.next()
      while (curr.code !== 0) {
        spend()
        if (curr.code === 10) vertex.x = figure(curr.value)
        else if (curr.code === 20) vertex.y = figure(curr.value)
        else if (curr.code === 42) vertex.bulge = figure(curr.value)
        curr = scanner.next()
      }
      entity.vertices.push(vertex)
    }
    if (curr.code === 0 && curr.value === 'SEQEND') {
      curr = scanner.next()
      while (curr.code !== 0) {
        spend()
        curr = scanner.next()
      }
    }
    return entity
  }
}
