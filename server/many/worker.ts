// One worker that fits garments to wearers: for the batches of the server, and for the command line.
import { parentPort } from 'node:worker_threads'
import bold from '@fontsource/source-sans-3/files/source-sans-3-latin-700-normal.woff'
import regular from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff'
import { randomUUID } from 'node:crypto'
import { cutLines, figuresOf, layOf, openFit } from '../../core/many'
import { filesOf } from '../../core/many/files-of'
import { DEFAULT_TOLERANCES } from '../../core/match'
import type { Answer, Task } from './crew'

async function answer({ pair, choices, date, ruler, withFiles }: Task): Promise<Answer> {
  try {
    const madeAt = new Date()
    const opened = openFit(pair, DEFAULT_TOLERANCES, madeAt.toISOString(), randomUUID)
    const { garment } = opened.folded
    const lay = layOf(opened, choices)
    return {
      ok: true,
      figures: figuresOf(opened, choices, lay),
      lines: cutLines(pair.wearer.name, pair.row.name, garment),
      files: withFiles ? await filesOf(opened, choices, { date, madeAt, ruler, fonts: { regular, bold } }, lay) : {},
    }
  } catch (error) {
    return { ok: false, why: error instanceof Error ? error.message : String(error) }
  }
}

parentPort!.on('message', (task: Task) => void answer(task).then((a) => parentPort!.postMessage(a)))
