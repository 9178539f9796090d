import { execFileSync, spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import ts from 'typescript'
import { expect, it } from 'vitest'
import { filesOf, withLine } from './new-change'

/** What the compiler has against the files; of what they import only as much is checked as they need. */
function faultsOfTypes(files: string[]): string[] {
  const program = ts.createProgram(files, {
    strict: true,
    noEmit: true,
    skipLibCheck: true,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    target: ts.ScriptTarget.ES2023,
    types: [],
  })
  return files.flatMap((name) => {
    const file = program.getSourceFile(name)
    return [...program.getSyntacticDiagnostics(file), ...program.getSemanticDiagnostics(file)].map((d) =>
      ts.flattenDiagnosticMessageText(d.messageText, ' '),
    )
  })
}

it('writes the files of a kind that type-check, with a test that fails until the change does something', () => {
  const dir = mkdtempSync(join(tmpdir(), 'tidal-seam-new-change-'))
  try {
    for (const part of ['core', 'demo', 'package.json', 'vitest.config.ts', 'scripts']) cpSync(part, join(dir, part), { recursive: true })
    symlinkSync(join(process.cwd(), 'node_modules'), join(dir, 'node_modules'))
    execFileSync(process.execPath, ['--import', 'tsx', 'scripts/new-change.ts', 'widen-yoke'], { cwd: dir })
    const folder = join(dir, 'core/changes/widen-yoke')
    for (const [file, text] of Object.entries(filesOf('widen-yoke'))) expect(readFileSync(join(folder, file), 'utf8')).toBe(text)
    const files = ['core/changes/registry.ts', ...Object.keys(filesOf('widen-yoke')).map((name) => `core/changes/widen-yoke/${name}`)].map(
      (name) => join(dir, name),
    )
    expect(faultsOfTypes(files)).toEqual([])
    writeFileSync(files[1]!, `${readFileSync(files[1]!, 'utf8')}\nexport const no: number = 'a number'\n`)
    expect(faultsOfTypes(files)).toHaveLength(1)
    writeFileSync(files[1]!, Object.values(filesOf('widen-yoke'))[0]!)
    const run = spawnSync(process.execPath, ['node_modules/vitest/vitest.mjs', 'run', '--project', 'core', 'core/changes/widen-yoke'], {
      cwd: dir,
      env: { ...process.env, NO_COLOR: '1' },
      encoding: 'utf8',
    })
    expect(run.stdout).toMatch(/1 failed \| 1 passed/)
    expect(run.status).toBe(1)
  } finally {
    rmSync(dir, { recursive: true, force: true })
  }
})

it('puts one import and one line into the registry, and leaves the rest as it is', () => {
  const before = readFileSync('core/changes/registry.ts', 'utf8')
  const after = withLine(before, 'widen-yoke')
  const added = after.split('\n').filter((line) => !before.split('\n').includes(line))
  expect(added).toEqual(["import { widenYoke } from './widen-yoke'", '  widenYoke,'])
  expect(after.length).toBe(before.length + added.join('\n').length + 1)
})
