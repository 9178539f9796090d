import type { z } from 'zod'
import { issueWords } from '../issue-words'
import { checkGarment } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { migrateFile } from './migrations'
import { projectsOf, stopsOf, type Contents } from './project'
import { FILE_VERSION } from './file-version'
import { ProjectFileSchema, type ProjectFile } from './project-schema'

/** Writes garments, fits and wearers as one project file: plain JSON, described in docs/formats.md. */
export function writeProjectFile(contents: Contents, savedAt: Date): string {
  // Named one by one: a store may hand over more than belongs into a file.
  const { wearers, garments, fits, recipes, fittings, versions, photos } = contents
  const rows: Contents = { wearers, garments, fits, recipes, fittings, versions, photos }
  const file: ProjectFile = { format: 'tidal-seam', version: FILE_VERSION, savedAt: savedAt.toISOString(), ...rows }
  return `${JSON.stringify(file, null, 1)}\n`
}

/** Where in a file a schema issue lies, in words: garment 2 “Blouse”, garment, pieces, 1, ... */
function issuePlace(file: unknown, issue: z.core.$ZodIssue): string {
  const [list, index, ...rest] = issue.path
  if ((list === 'garments' || list === 'fits') && typeof index === 'number') {
    const { garments, fits } = file as { garments?: Named[]; fits?: (Named & { garmentId?: unknown })[] }
    const garment = list === 'garments' ? garments?.[index] : garments?.find((g) => g.id === fits?.[index]?.garmentId)
    const name = typeof garment?.name === 'string' ? ` “${garment.name.slice(0, 60)}”` : ''
    return [list === 'garments' ? `garment ${index + 1}${name}` : `fit ${index + 1} of the garment${name}`, ...rest.map(String)].join(', ')
  }
  return issue.path.length === 0 ? 'project file' : issue.path.map(String).join(', ')
}

interface Named {
  id?: unknown
  name?: unknown
}

/** The first id that two things of one kind share, with the place of the second. */
function findTwin(file: ProjectFile): { where: string; id: string } | null {
  const lists: [where: string, things: readonly { id: string }[]][] = [
    ['garments', file.garments],
    ['fits', file.fits],
    ['wearers', file.wearers],
    ['changes with a name', file.recipes],
    ['fittings', file.fittings],
    ['versions', file.versions],
    ['photographs', file.photos],
    ...file.fittings.flatMap((f): [string, { id: string }[]][] => [
      [`fitting of ${f.heldOn}, signs`, f.sightings],
      [`fitting of ${f.heldOn}, pins`, f.pins],
    ]),
    ...file.garments.flatMap((g): [string, { id: string }[]][] => [
      [`garment “${g.name}”, sizes`, g.garment.sizes],
      [`garment “${g.name}”, own zones`, g.charts.ownZones],
    ]),
    ...projectsOf(file).map((p): [string, { id: string }[]] => [`garment “${p.name}”, plan`, stopsOf(p)]),
    ...file.wearers.flatMap((w): [string, { id: string }[]][] => [
      [`wearer “${w.name}”, sets of figures`, w.sets],
      [`wearer “${w.name}”, own measures`, w.ownMeasures],
    ]),
  ]
  for (const [where, things] of lists) {
    const seen = new Set<string>()
    for (const { id } of things) {
      if (seen.has(id)) return { where, id }
      seen.add(id)
    }
  }
  return null
}

/** Signs of a project file: five hundred garments in eight sizes each. */
const MOST_SIGNS = 150_000_000

/** Line and column of a JSON parser's complaint, where it gives a position. */
function jsonPlace(text: string, error: unknown): string {
  const position = /position (\d+)/.exec(String(error))
  const at = position ? Number(position[1]) : text.length
  const before = text.slice(0, at).split('\n')
  return `line ${before.length}, column ${before[before.length - 1]!.length + 1}`
}

/** The first row that belongs to another one which is not in the file. */
function findHomeless(file: ProjectFile): { where: string; what: string; id: string } | null {
  const idsOf = (rows: readonly { id: string }[]) => new Set(rows.map((r) => r.id))
  const [garments, fits, fittings] = [idsOf(file.garments), idsOf(file.fits), idsOf(file.fittings)]
  const owned: [where: string, what: string, owner: string, there: ReadonlySet<string>][] = [
    ...file.fits.map((f, i) => [`fit ${i + 1}`, 'garment', f.garmentId, garments] as const),
    ...file.fittings.map((f) => [`fitting of ${f.heldOn}`, 'fit', f.fitId, fits] as const),
    ...file.versions.map((v) => [`version “${v.name}”`, 'fit', v.fitId, fits] as const),
    ...file.photos.map((p, i) => [`photograph ${i + 1}`, 'fit', p.fitId, fits] as const),
    ...file.photos.map((p, i) => [`photograph ${i + 1}`, 'fitting', p.fittingId, fittings] as const),
  ].map((o) => [...o])
  const lost = owned.find(([, , owner, there]) => !there.has(owner))
  return lost ? { where: lost[0], what: lost[1], id: lost[2] } : null
}

/**
 * Reads a project file whole, or not at all. Refuses text that is not JSON (cut short, for instance), another format, a
 * newer version, and wrong figures, saying where.
 */
export function readProjectFile(text: string): Result<ProjectFile> {
  if (text.length > MOST_SIGNS)
    return refuse(
      'file-too-large',
      'project file',
      `it has more than ${MOST_SIGNS / 1e6} million signs.`,
      'Part it: back up fewer garments at once.',
    )
  let file: unknown
  try {
    file = JSON.parse(text)
  } catch (error) {
    return refuse(
      'file-unreadable',
      jsonPlace(text, error),
      'the file is not whole or not a project file.',
      'Try another copy of it; nothing was changed here.',
    )
  }
  if (typeof file !== 'object' || file === null || (file as { format?: unknown }).format !== 'tidal-seam')
    return refuse(
      'file-other',
      'project file',
      'this is not a Tidal Seam project file.',
      'Choose a file that was saved here; outlines are opened with “New from file”.',
    )
  const { version } = file as { version?: unknown }
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refuse(
      'file-version',
      'version',
      'the file does not say which version it has.',
      'Try another copy of it; nothing was changed here.',
    )
  if (version > FILE_VERSION)
    return refuse(
      'file-newer',
      'version',
      `the file was saved by a newer version (${version}; this one reads up to ${FILE_VERSION}).`,
      'Update Tidal Seam, then open it again; nothing was changed here.',
    )
  const migrated = migrateFile(file as Record<string, unknown>, version)
  const read = ProjectFileSchema.safeParse(migrated)
  if (!read.success) {
    const issue = read.error.issues[0]!
    return refuse(
      'file-wrong',
      issuePlace(migrated, issue),
      `something is wrong in the file: ${issueWords(issue)}.`,
      'Mend the figure or try another copy; nothing was changed here.',
    )
  }
  const twin = findTwin(read.data)
  if (twin)
    return refuse(
      'file-wrong',
      twin.where,
      `the id “${twin.id}” is used twice.`,
      'Mend the file or try another copy; nothing was changed here.',
    )
  const homeless = findHomeless(read.data)
  if (homeless)
    return refuse(
      'file-wrong',
      homeless.where,
      `it belongs to the ${homeless.what} “${homeless.id}”, which is not in the file.`,
      'Mend the file or try another copy; nothing was changed here.',
    )
  for (const [i, row] of read.data.garments.entries()) {
    const problem = checkGarment(row.garment)
    if (problem)
      return refuse(
        problem.code,
        `garment ${i + 1} “${row.name}”, ${problem.where}`,
        problem.message,
        'Mend the file or try another copy; nothing was changed here.',
      )
  }
  return ok(read.data)
}
