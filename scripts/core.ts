import { runCommand } from './core/command'

const { status, out, said } = await runCommand(process.argv.slice(2))
for (const line of said) console.error(line)
process.stdout.write(out)
process.exitCode = status
