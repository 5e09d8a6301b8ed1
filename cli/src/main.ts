import { Command, CommanderError, InvalidArgumentError, Option } from 'commander'
import { DIRECTIONS } from '@viga/core'
import { drawFile, readShown, shownNames, type FigureCall } from './figure.js'
import { checkFile, checkOf } from './check.js'
import { influenceFile, influenceOf, type InfluenceCall } from './influence.js'
import { sweepFile, type SweepCall } from './sweep.js'
import { WORK_FORMS, workFile, workLine, type WorkCall } from './work.js'
import { markLines } from './mark.js'
import { answerTo, eachLine, solveFile, type SolveOptions } from './solve.js'

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
    .option('--letters', 'add the results in letters, as expressions in the symbols of the problem')
    .option('--csv <folder>', 'write the tables into a folder as well, one CSV file each')
    .option('--lines', 'read one problem a line from standard input, print one result a line')
    .action(async (file: string | undefined, options: SolveOptions & { lines?: boolean }) => {
      if (options.lines) return eachLine(process.stdin, process.stdout, (source) => answerTo(source, options))
      if (file === undefined)
        throw new CommanderError(2, 'viga.usage', 'viga solve needs a file, or - for standard input.')
      process.exitCode = await solveFile(file, options)
    })
  addCheck(program)
  addFigure(program)
  addSweep(program)
  addWork(program)
  addInfluence(program)
  addMark(program)
  program.exitOverride()
  for (const c of program.commands) c.exitOverride().configureOutput({ writeErr: () => {} })
  process.stdout.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EPIPE') throw error
    process.exit(0) // the reader of the pipe has closed it
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

function shownList(text: string): FigureCall['show'] {
  const shown = readShown(text)
  if ('unknown' in shown)
    throw new InvalidArgumentError(`${shown.unknown} cannot be shown; choose among ${shownNames}.`)
  return shown
}

function pixels(text: string): number {
  const n = Number(text)
  if (!Number.isInteger(n) || n < 100 || n > 10_000)
    throw new InvalidArgumentError('A size is a whole number of px from 100 to 10000.')
  return n
}

function addCheck(program: Command) {
  program
    .command('check')
    .description('judge the hand values of a problem and look for the slip that explains them')
    .argument('[file]', 'a .viga.json file, or - for standard input')
    .option('--lines', 'read one problem a line from standard input, print one document a line')
    .action(async (file: string | undefined, options: { lines?: boolean }) => {
      if (options.lines) return eachLine(process.stdin, process.stdout, checkOf)
      if (file === undefined)
        throw new CommanderError(2, 'viga.usage', 'viga check needs a file, or - for standard input.')
      process.exitCode = await checkFile(file)
    })
}

function addFigure(program: Command) {
  program
    .command('figure')
    .description('draw a problem or its results as an SVG file')
    .argument('<file>', 'a .viga.json file, or - for standard input')
    .option('--show <list>', `what is drawn, separated by commas: ${shownNames}`, shownList, ['loads'])
    .option('--case <id>', 'the load case or combination; the first one where it is left out')
    .option('-o, --output <file>', 'the file to write; standard output where it is left out')
    .option('--width <px>', 'width of the picture before it is cropped', pixels)
    .option('--height <px>', 'height of the picture before it is cropped', pixels)
    .option('--caption', 'say under the figure what it shows')
    .action(async (file: string, options: FigureCall) => {
      process.exitCode = await drawFile(file, options)
    })
}

function addSweep(program: Command) {
  program
    .command('sweep')
    .description('let something run from one value to another and print what follows it, as CSV or JSON')
    .argument('<file>', 'a .viga.json file, or - for standard input')
    .requiredOption(
      '--vary <name>',
      'a symbol, case:ID, factor, critical (a part of the critical load), or a path',
    )
    .option('--from <quantity>', 'the first value', '0')
    .option('--to <quantity>', 'the last value', '1')
    .option('--steps <n>', 'steps between them', Number, 20)
    .option('--values <list>', 'a list of values instead, separated by commas')
    .option(
      '--read <place>',
      'what to read, such as displacement:C:x; may be given several times',
      collected,
      [],
    )
    .option('--case <id>', 'the load case or combination; the first one where it is left out')
    .addOption(
      new Option('--order <order>', 'order of analysis; that of the problem where left out').choices([
        '1',
        '2',
        'both',
      ]),
    )
    .addOption(new Option('--format <format>', 'how it is printed').choices(['csv', 'json']).default('csv'))
    .action(async (file: string, options: SweepCall) => {
      process.exitCode = await sweepFile(file, options)
    })
}

function addWork(program: Command) {
  program
    .command('work')
    .description('list the methods that fit a problem, or work it out by one of them')
    .argument('[file]', 'a .viga.json file, or - for standard input')
    .option('--method <key>', 'the method; all of them are listed where it is left out')
    .option('--case <id>', 'the load case or combination; the first one where it is left out')
    .option('--of <quantity>', 'the displacement of the unit-load method, as JSON with the keys of an answer')
    .addOption(new Option('--given <what>', 'take the internal forces as given').choices(['results']))
    .option('--redundants <list>', 'the redundants of the force method, as a JSON list of quantities')
    .addOption(new Option('--as <form>', 'how it is printed').choices(WORK_FORMS).default('md'))
    .option('--lines', 'read one problem a line from standard input, print one document a line')
    .action(async (file: string | undefined, options: WorkCall & { lines?: boolean }) => {
      if (options.lines) return eachLine(process.stdin, process.stdout, (source) => workLine(source, options))
      if (file === undefined)
        throw new CommanderError(2, 'viga.usage', 'viga work needs a file, or - for standard input.')
      process.exitCode = await workFile(file, options)
    })
}

function addInfluence(program: Command) {
  program
    .command('influence')
    .description('print influence lines: what a unit force makes of a quantity, wherever it stands')
    .argument('[file]', 'a .viga.json file, or - for standard input')
    .requiredOption(
      '--of <quantity>',
      'a quantity as JSON with the keys of an answer; several times',
      collected,
    )
    .option('--along <members>', 'the members along which the force moves; all where it is left out')
    .addOption(
      new Option('--direction <way>', 'the way in which the force points').choices(DIRECTIONS).default('-Y'),
    )
    .option('--stations <n>', 'evenly spaced stations per member', stationCount, 21)
    .option('--lines', 'read one problem a line from standard input, print one document a line')
    .action(async (file: string | undefined, options: InfluenceCall & { lines?: boolean }) => {
      if (options.lines)
        return eachLine(process.stdin, process.stdout, (source) => influenceOf(source, options))
      if (file === undefined)
        throw new CommanderError(2, 'viga.usage', 'viga influence needs a file, or - for standard input.')
      process.exitCode = await influenceFile(file, options)
    })
}

function addMark(program: Command) {
  program
    .command('mark')
    .description('mark hand solutions of a problem, one attempt a line from standard input')
    .argument('<key>', 'the .viga.json file of the problem with its marking')
    .requiredOption('--lines', 'read one attempt a line, print one marked attempt a line')
    .action(async (file: string) => {
      process.exitCode = await markLines(file, process.stdin, process.stdout)
    })
}

const collected = (text: string, before: string[] = []): string[] => [...before, text]
