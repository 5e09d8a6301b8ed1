import { LRUCache } from 'lru-cache'
import { Piscina } from 'piscina'
import { data } from 'react-router'
import { jobs, type Answer, type Input, type JobName } from './jobs'

/**
 * Two lanes, so that a long report never stands before a save: what is short, and what is long. Each job has so
 * much time; one that takes longer is ended with its thread.
 */
const LANES = {
  short: { time: 5_000, queue: 2_000 },
  long: { time: 20_000, queue: 200 },
} as const
type Lane = keyof typeof LANES

const LANE: Record<JobName, Lane> = {
  check: 'short',
  card: 'short',
  open: 'short',
  retitle: 'short',
  file: 'short',
  working: 'long',
  figure: 'long',
  results: 'long',
  marked: 'long',
}
/** A document with more characters than this is never short. */
const LONG_TEXT = 400_000
/** Memory of one thread, MB. */
const MEMORY = 512
/** What is made of one revision is made once while there is room for it, bytes. */
const KEPT = 24_000_000

let lanes: Record<Lane, Piscina> | undefined

/**
 * Opens the threads. Without them, as in tests and while Viga is being written, jobs run in this thread.
 * @param file the script of a thread
 * @param workers threads of the long lane
 * @param failed hears of a thread that cannot start or ends by itself
 */
export function startCompute(file: string, workers: number, failed: (error: unknown) => void): void {
  const open = (lane: Lane, threads: number) => {
    const pool = new Piscina({
      filename: file,
      minThreads: 1,
      maxThreads: threads,
      maxQueue: LANES[lane].queue,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY },
      workerData: { lane },
    })
    pool.on('error', failed)
    return pool
  }
  lanes = { short: open('short', 1), long: open('long', workers) }
}

export async function endCompute(): Promise<void> {
  const open = lanes
  lanes = undefined
  if (open) await Promise.all(Object.values(open).map((lane) => lane.destroy()))
}

/**
 * Does a job in a thread of its own; a request that is given up gives its job up.
 * @throws a response of 503 when the queue is full, of 422 when the job exceeds its time or memory
 */
export async function compute<K extends JobName>(
  name: K,
  input: Input<K>,
  signal?: AbortSignal,
): Promise<Answer<K>> {
  if (!lanes) return (await jobs[name](input as never)) as Answer<K>
  const long = LANE[name] === 'long' || lengthOf(input) > LONG_TEXT
  const lane: Lane = long ? 'long' : 'short'
  const time = AbortSignal.timeout(LANES[lane].time)
  try {
    return (await lanes[lane].run(
      { name, input },
      { signal: signal ? AbortSignal.any([signal, time]) : time },
    )) as Answer<K>
  } catch (error) {
    throw answerTo(error, time.aborted)
  }
}

const lengthOf = (input: object): number =>
  Math.max(...Object.values(input).map((v) => (typeof v === 'string' ? v.length : 0)))

function answerTo(error: unknown, late: boolean): unknown {
  const { code, message } = error as { code?: string; message?: string }
  if (late) return data('This takes longer than the server gives to one request.', { status: 422 })
  if (code === 'ERR_WORKER_OUT_OF_MEMORY')
    return data('This needs more memory than the server gives to one request.', { status: 422 })
  if (message?.includes('queue'))
    return data('Many people ask for the same at this moment. Please try again shortly.', {
      status: 503,
      headers: { 'Retry-After': '5' },
    })
  return error
}

const kept = new LRUCache<string, { body: Uint8Array }>({
  maxSize: KEPT,
  sizeCalculation: ({ body }) => body.byteLength + 200,
})

/** What was made for this key, or made now and kept: the key names the revision and all that was asked for. */
export async function once<T extends object>(key: string, make: () => Promise<T>): Promise<T> {
  const before = kept.get(key)
  if (before) return before as unknown as T
  const made = await make()
  if ('body' in made && made.body instanceof Uint8Array) kept.set(key, made as { body: Uint8Array })
  return made
}
