// npm run new-change NAME: a folder for a new kind of change, its line in the registry, and a test that fails until it does something.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const USE = 'Use: npm run new-change -- NAME   (two words or more joined by hyphens, such as widen-yoke)'

const camel = (name: string) => name.replace(/-([a-z])/g, (_, c: string) => c.toUpperCase())
const pascal = (name: string) => camel(`-${name}`)
const title = (name: string) => `${name[0]!.toUpperCase()}${name.slice(1).replaceAll('-', ' ')}`

/** The files of a new kind, by their names. */
export function filesOf(name: string): Record<string, string> {
  const [own, type] = [camel(name), pascal(name)]
  return {
    'schema.ts': `import { z } from 'zod'
import { Id } from '../../pattern'

export const ${type}Schema = z.strictObject({
  /** The piece that it is asked for. */
  pieceId: Id,
  /** How much, mm; the other way when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
})

export type ${type}Inputs = z.infer<typeof ${type}Schema>
`,
    'held.ts': `import { shapeOf, type Piece } from '../../pattern'
import { holdGrain } from '../shared/held'
import type { HeldPromise } from '../types'

/** What the change holds still, measured on both pieces. */
export const heldBy${type} = (before: Piece, after: Piece, sizeId: string): HeldPromise[] => [
  holdGrain(before, shapeOf(before, sizeId), shapeOf(after, sizeId)),
]
`,
    'apply.ts': `import { findPiece, mapShapes, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import type { Applied, ChangeContext } from '../types'
import { heldBy${type} } from './held'
import type { ${type}Inputs } from './schema'

/**
 * What it does, in a sentence, and where its formula comes from.
 * Refuses: a piece that has gone.
 */
export function apply${type}(garment: Garment, inputs: ${type}Inputs, context: ChangeContext): Result<Applied<${type}Inputs>> {
  const piece = findPiece(garment, inputs.pieceId)
  if (!piece) return refuse('reference-gone', 'piece', 'the piece this was made for has gone.', 'Choose another piece, or delete the change.')
  // Every size of the piece is drawn: put the moves of core/moves here.
  const after = inputs.amountMm === 0 ? garment : mapShapes(garment, piece.id, (_piece, shape) => shape)
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldBy${type}(piece, findPiece(after, piece.id)!, context.sizeId),
    cautions: [],
  })
}
`,
    'paper-steps.ts': `import { findPiece } from '../../pattern'
import { formatLength } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import type { ${type}Inputs } from './schema'

/** The same with ruler and scissors. */
export function ${own}Steps({ before, inputs, context, ruler }: StepInput<${type}Inputs>): PaperStep[] {
  const piece = findPiece(before, inputs.pieceId)!
  const strokes = [outlineStroke(before, piece.id, context.sizeId, 'outline')]
  return [
    { text: \`\${piece.name}: say here what the hands do, by \${formatLength(inputs.amountMm, ruler)}.\`, drawing: { pieceId: piece.id, strokes, labels: [] } },
  ]
}
`,
    'index.ts': `import { findPiece } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { apply${type} } from './apply'
import { ${own}Steps } from './paper-steps'
import { ${type}Schema } from './schema'

/** Which section of the craft it comes from. */
export const ${own} = defineChange({
  kind: '${name}',
  title: '${title(name)}',
  foundBy: ['${name.replaceAll('-', ' ')}'],
  does: 'What it does, in one sentence.',
  holds: 'What it holds still.',
  schema: ${type}Schema,
  phase: 'widths',
  begin(garment) {
    const piece = garment.pieces[0]
    return piece ? ok({ pieceId: piece.id, amountMm: 0 }) : refuse('no-piece', 'garment', 'it has no pieces yet.', 'Import a piece first.')
  },
  withPiece: (_garment, inputs, pieceId) => ({ ...inputs, pieceId }),
  fields: () => [
    { type: 'growth', key: 'amountMm', label: 'How much', plus: 'More', minus: 'Less' },
    { type: 'piece', key: 'pieceId', label: 'Piece' },
  ],
  describe: (garment, inputs) => ({
    title: \`${title(name)}: \${findPiece(garment, inputs.pieceId)?.name ?? 'a piece that has gone'}\`,
    amountMm: inputs.amountMm,
  }),
  apply: apply${type},
  handles: () => [],
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: ${own}Steps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})
`,
    [`${name}.test.ts`]: `import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { contextWith } from '../test-context'
import { ${own} } from '.'

describe('${name.replaceAll('-', ' ')}', () => {
  it('gives what was asked, by a worked case with figures from outside the program', () => {
    const done = ${own}.apply(draftBlouse(), { pieceId: 'front', amountMm: 20 }, contextWith())
    // Put what is measured here in the place of this line; until then it shows that nothing is done yet.
    expect(done.ok && done.value.garment).not.toEqual(draftBlouse())
  })
  it('changes nothing by nothing', () => {
    const done = ${own}.apply(draftBlouse(), { pieceId: 'front', amountMm: 0 }, contextWith())
    expect(done.ok && done.value.garment).toEqual(draftBlouse())
  })
})
`,
  }
}

/** The registry with another kind at its end. */
export function withLine(registry: string, name: string): string {
  const imported = `import { ${camel(name)} } from './${name}'\n`
  const lines = [...registry.matchAll(/^import \{[^}]*\} from '\.\/[a-z-]+'\n/gm)]
  const next = lines.find((m) => m[0].slice(m[0].indexOf("'./")) > imported.slice(imported.indexOf("'./")))
  const at = next?.index ?? lines.at(-1)!.index + lines.at(-1)![0].length
  return `${registry.slice(0, at)}${imported}${registry.slice(at)}`.replace(/\n\] as const/, `\n  ${camel(name)},\n] as const`)
}

function run([name]: string[]): void {
  if (!name || !/^[a-z]+(-[a-z]+)+$/.test(name)) throw new Error(USE)
  const folder = join('core/changes', name)
  if (existsSync(folder)) throw new Error(`${folder} is there already.`)
  mkdirSync(folder)
  for (const [file, text] of Object.entries(filesOf(name))) writeFileSync(join(folder, file), text)
  const registry = 'core/changes/registry.ts'
  writeFileSync(registry, withLine(readFileSync(registry, 'utf8'), name))
  console.log(`${folder}: ${Object.keys(filesOf(name)).join(', ')}; a line in ${registry}.`)
  console.log(`Now: npx vitest run --project core ${folder} core/changes/contract.test.ts (one test fails until it does something),`)
  console.log(`and npm run try-change -- ${name} to see it on every demo garment.`)
}

if (process.argv[1]?.endsWith('new-change.ts'))
  try {
    run(process.argv.slice(2))
  } catch (error) {
    console.error(error instanceof Error ? error.message : error)
    process.exitCode = 2
  }
