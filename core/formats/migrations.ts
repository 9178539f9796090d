import { FILE_VERSION } from './project-schema'

/** Turns a file of one version into the next. Works on plain JSON; the schema judges the result. */
export type Migration = (file: Record<string, unknown>) => Record<string, unknown>

/** The migration at index i leads from version i + 1 to version i + 2. Version 1 is the first. */
export const MIGRATIONS: readonly Migration[] = []

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
