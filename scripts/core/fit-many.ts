import { mkdir, writeFile } from 'node:fs/promises'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { writeCutCsv, writeManyCsv, type CutLine, type ManyChoices, type ManyRow, type Pair } from '../../core/many'
import { foldersFor } from '../../core/many/files-of'
import type { Ruler } from '../../core/units'
import { bundleWorker } from '../../server/many/bundle-worker'
import { Crew } from '../../server/many/crew'

/**
 * Works out many fits on all cores and writes the files of each as it arrives, in a folder for its wearer and in it for its garment; then
 * the table and the cutting list of all.
 *
 * @param dir where to; made when it is not there
 */
export async function fitMany(
  pairs: readonly Pair[],
  choices: ManyChoices,
  ruler: Ruler,
  dir: string,
): Promise<{ done: number; failed: ManyRow[] }> {
  // npm runs a command in the folder of the checkout.
  const program = bundleWorker(process.cwd())
  const crew = new Crew(() => program, availableParallelism())
  const folders = foldersFor(pairs)
  const rows: ManyRow[] = []
  const lines: CutLine[][] = []
  let done = 0
  const tell = () => process.stderr.isTTY && process.stderr.write(`\r${done} of ${pairs.length}`)
  const date = new Date().toISOString().slice(0, 10)
  try {
    await Promise.all(
      pairs.map(async (pair, i) => {
        const answer = await crew.do('all', { pair, choices, date, ruler, withFiles: true })
        rows[i] = { wearer: pair.wearer.name, garment: pair.row.name, figures: answer.ok ? answer.figures : answer.why }
        lines[i] = answer.ok ? answer.lines : []
        if (answer.ok) {
          const folder = join(dir, folders[i]!)
          await mkdir(folder, { recursive: true })
          for (const [name, data] of Object.entries(answer.files)) await writeFile(join(folder, name), data)
        }
        done += 1
        tell()
      }),
    )
  } finally {
    await crew.end()
  }
  if (process.stderr.isTTY) process.stderr.write('\r')
  await mkdir(dir, { recursive: true })
  await writeFile(join(dir, 'table.csv'), writeManyCsv(rows, ruler))
  await writeFile(join(dir, 'cutting-list.csv'), writeCutCsv(lines.flat(), ruler))
  const failed = rows.filter((r) => typeof r.figures === 'string')
  return { done: rows.length - failed.length, failed }
}
