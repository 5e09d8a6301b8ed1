import { Command, CommanderError, InvalidArgumentError } from 'commander'
import { solveFile, solveLines, type SolveOptions } from './solve.js'

/** The command line `viga`. Sets the exit status; prints no stack trace for anything a person can cause. */
export async function main(argv: string[]): Promise<void> {
  const program = new Command('viga')
    .description('Solves textbook beams, trusses and frames by the stiffness method.')
    .exitOverride()
  program.configureOutput({ writeErr: () => {} })
  program
    .command('solve')
    .description('solve every load case and combination of a problem and print the results as JSON')
    .argument('[file]', 'a .viga.json file, or - for standard input')
    .option('--stations <n>', 'evenly spaced stations per member', stationCount, 21)
    .option('--matrices', 'add the stiffness matrix of the whole structure')
    .option('--lines', 'read one problem a line from standard input, print one result a line')
    .action(async (file: string | undefined, options: SolveOptions & { lines?: boolean }) => {
      if (options.lines) return solveLines(process.stdin, process.stdout, options)
      if (file === undefined)
        throw new CommanderError(2, 'viga.usage', 'viga solve needs a file, or - for standard input.')
      process.exitCode = await solveFile(file, options)
    })
  program.exitOverride()
  for (const c of program.commands) c.exitOverride().configureOutput({ writeErr: () => {} })
  process.stdout.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EPIPE') throw error
    process.exit(0) // the reader had enough
  })
  try {
    await program.parseAsync(argv)
  } catch (error) {
    if (!(error instanceof CommanderError)) throw error
    if (error.exitCode === 0) return // --help has been printed
    const message = error.message.replace(/^error: /, '')
    process.stderr.write(`${message === '(outputHelp)' ? program.helpInformation() : `${message}\n`}`)
    if (message !== '(outputHelp)')
      process.stdout.write(
        `${JSON.stringify({ format: 'viga-error', kind: 'invalid', message, path: '$' })}\n`,
      )
    process.exitCode = 2
  }
}

function stationCount(text: string): number {
  const n = Number(text)
  if (!Number.isInteger(n) || n < 2 || n > 10_001)
    throw new InvalidArgumentError('Stations are a whole number from 2 to 10001.')
  return n
}
