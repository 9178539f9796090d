import { cutPath, line, measureLength, type Path } from '../geometry'
import type { EdgeRole } from '../pattern'
import type { PieceDraft } from './build-piece'
import type { Fold } from './find-folds'

/** A draft with a fold taken for what it is: an edge parted at its mouth, a dart's legs put in, a dart or pleat inside named. */
export function takeFold(draft: PieceDraft, fold: Fold): PieceDraft {
  const left = draft.lines.filter((_, i) => !fold.lines.includes(i))
  if (fold.what === 'inside-dart')
    return { ...draft, lines: [...left, { name: nameOf(draft, 'waist dart'), path: fold.path, role: 'dart' }] }
  const edge = draft.edges[fold.mouth.edge]!
  const first = cutPath(edge.path, 0, fold.mouth.fromMm)
  const second = cutPath(edge.path, fold.mouth.toMm, measureLength(edge.path))
  const [from, to] = [first[first.length - 1]!.to, second[0]!.from]
  const made = (path: Path, role: EdgeRole) => ({ path, role, fold: false, allowanceMm: edge.allowanceMm })
  const inserted =
    fold.what === 'dart'
      ? [made([line(from, fold.tip)], 'dart-leg'), made([line(fold.tip, to)], 'dart-leg')]
      : [made(cutPath(edge.path, fold.mouth.fromMm, fold.mouth.toMm), 'pleat')]
  const pleat = (path: Path) => [{ ...path[0]!, from }, ...path.slice(1, -1), { ...path[path.length - 1]!, to }]
  return {
    ...draft,
    edges: [
      ...draft.edges.slice(0, fold.mouth.edge),
      { ...edge, path: first },
      ...inserted,
      { ...edge, path: second },
      ...draft.edges.slice(fold.mouth.edge + 1),
    ],
    lines: fold.what === 'pleat' ? [...left, { name: nameOf(draft, 'pleat'), path: pleat(fold.path), role: 'pleat' }] : left,
  }
}

/** A name that no other line of the draft has: “waist dart”, “waist dart 2”. */
function nameOf(draft: PieceDraft, name: string): string {
  const used = draft.lines.filter((l) => l.name.startsWith(name)).length
  return used === 0 ? name : `${name} ${used + 1}`
}
