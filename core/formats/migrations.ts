import { FigureSchema, isDay } from '../body/schema'
import { toName } from '../pattern'
import { FILE_VERSION } from './file-version'

/** Turns a file of one version into the next. Works on plain JSON; the schema judges the result. */
export type Migration = (file: Record<string, unknown>) => Record<string, unknown>

/** The migration at index i leads from version i + 1 to version i + 2. Version 1 is the first. */
export const MIGRATIONS: readonly Migration[] = [toVersion2, toVersion3, toVersion4, toVersion5, toVersion6, toVersion7]

type Plain = Record<string, unknown>

/** A wearer as version 1 knew it, with its one figure, becomes one with a dated set. */
export function wearerToVersion2(wearer: Plain, takenOn: string): Plain {
  const { heelRoundMm, ...rest } = wearer
  const sets = typeof heelRoundMm === 'number' ? [{ id: 'first', takenOn, note: '', figures: { heel: { mm: heelRoundMm } } }] : []
  return { ...rest, sets, ownMeasures: [] }
}

/** A garment about which nothing was settled, as version 2 wrote it. */
const OPEN_SIZING = {
  bodyChart: {},
  printed: {},
  school: null,
  fit: 'fitted',
  fabric: 'medium',
  wantedMm: {},
  chosen: {},
  shiftsMm: {},
  cups: [],
  traced: [],
}

/** A garment of version 1 had no sizing. */
export const projectToVersion2 = (project: Plain): Plain => ({ ...project, sizing: OPEN_SIZING })

/** A garment of version 2 had no zones of its own. */
export const projectToVersion3 = (project: Plain): Plain => ({ ...project, sizing: { ...(project.sizing as Plain), ownZones: [] } })

/** The day that was meant, as far as one can tell; what was written is kept in the note. */
function mendDay(set: Plain): Plain {
  const written = String(set.takenOn)
  if (isDay(written)) return set
  const [year, month] = written.split('-')
  const last = [31, 30, 29, 28].map((d) => `${year}-${month}-${d}`).find(isDay)
  return { ...set, takenOn: last ?? '2000-01-01', note: `${String(set.note ?? '')} (day as written: ${written.slice(0, 40)})`.trim() }
}

/** Figures that no body has were kept unchecked before version 4; they are put into the note. */
function mendFigures(set: Plain): Plain {
  const all = Object.entries((set.figures ?? {}) as Plain)
  const lost = all.filter(([, f]) => !FigureSchema.safeParse(f).success)
  if (lost.length === 0) return set
  const words = lost.map(([id, f]) => `${id} ${JSON.stringify(f)}`).join(', ')
  const note = `${String(set.note ?? '')} (left out, too large for a body: ${words})`.trim().slice(0, 2000)
  return { ...set, figures: Object.fromEntries(all.filter((e) => !lost.includes(e))), note }
}

const named = (thing: Plain): Plain => (typeof thing.name === 'string' ? { ...thing, name: toName(thing.name) || 'without a name' } : thing)

/** Before version 4 days, figures and names of wearers could be stored that cannot be. */
export const wearerToVersion4 = (wearer: Plain): Plain =>
  named({
    ...wearer,
    sets: each(wearer.sets, (s) => mendFigures(mendDay(s))),
    ownMeasures: each(wearer.ownMeasures, named),
  })

/** Before version 4 a garment could have a name that was too long, or had signs in it that do not print. */
export const projectToVersion4 = named

/** The fields of a sizing that say something of the pattern, for everybody; the others belong to the fit. */
export const CHART_FIELDS: readonly string[] = ['bodyChart', 'printed', 'shiftsMm', 'cups', 'ownZones']

/** What version 4 kept as one, garment and work on it, becomes a garment and its one fit; both keep its id. */
export function projectToVersion5(project: Plain): { garment: Plain; fit: Plain } {
  const { id, name, wearerId, garment, sizing, plan, createdAt, updatedAt, ...unknown } = project
  const fields = Object.entries((sizing ?? {}) as Plain)
  const part = (ofPattern: boolean) => Object.fromEntries(fields.filter(([key]) => CHART_FIELDS.includes(key) === ofPattern))
  return {
    garment: { id, name, garment, charts: part(true), mends: [], createdAt, updatedAt, ...unknown },
    fit: { id, garmentId: id, name: '', wearerId, choices: part(false), plan, notes: '', createdAt, updatedAt },
  }
}

/** Every thing of a list brought up; what is no list, or no thing, is left for the schema to refuse. */
const each = (list: unknown, bring: Migration): unknown =>
  Array.isArray(list) ? list.map((one: unknown) => (typeof one === 'object' && one !== null ? bring(one as Plain) : one)) : list

/** A file of version 2 had no slashes with a name. */
function toVersion3(file: Plain): Plain {
  return { ...file, projects: each(file.projects, projectToVersion3), recipes: [] }
}

function toVersion4(file: Plain): Plain {
  return { ...file, wearers: each(file.wearers, wearerToVersion4), projects: each(file.projects, projectToVersion4) }
}

function toVersion5({ projects, ...file }: Plain): Plain {
  const isThing = (p: unknown): p is Plain => typeof p === 'object' && p !== null
  // What is no list, or no thing, is left for the schema to refuse.
  if (!Array.isArray(projects) || !projects.every(isThing)) return { ...file, garments: projects, fits: [] }
  const parts = projects.map(projectToVersion5)
  return { ...file, garments: parts.map((p) => p.garment), fits: parts.map((p) => p.fit) }
}

/** From version 6 on a stop may say what proposed it; those before do not know. */
function toVersion6(file: Plain): Plain {
  return file
}

/** Before version 7 nothing was kept of fittings. */
function toVersion7(file: Plain): Plain {
  return { ...file, fittings: [], versions: [], photos: [] }
}

function toVersion2(file: Plain): Plain {
  const day = typeof file.savedAt === 'string' ? file.savedAt.slice(0, 10) : ''
  return {
    ...file,
    wearers: each(file.wearers, (w) => wearerToVersion2(w, day)),
    projects: each(file.projects, projectToVersion2),
  }
}

/**
 * Runs every migration from a file's version to the newest, in order.
 * @param migrations for tests; there is one fewer than there are versions
 */
export function migrateFile(
  file: Record<string, unknown>,
  version: number,
  migrations: readonly Migration[] = MIGRATIONS,
  newest: number = FILE_VERSION,
): Record<string, unknown> {
  if (migrations.length !== newest - 1) throw new Error(`version ${newest} needs ${newest - 1} migrations, there are ${migrations.length}`)
  return migrations.slice(version - 1).reduce((f, migrate, i) => ({ ...migrate(f), version: version + i + 1 }), file)
}
