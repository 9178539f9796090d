import { dartFigures, type Edge, type Shape } from '../../pattern'
import type { FoundDart } from '../shared/darts/find-darts'

/** The edge beside a leg: the one that ends at the first leg, or the one that starts at the second. */
export function besideLeg({ piece, dart }: Pick<FoundDart, 'piece' | 'dart'>, shape: Shape, leg: 'first' | 'second'): Edge {
  const figures = dartFigures(piece, shape, dart)
  return leg === 'first' ? figures.before : figures.after
}
