import { LRUCache } from 'lru-cache'
import PQueue from 'p-queue'
import { Piscina } from 'piscina'
import { data } from 'react-router'
import { jobs, type Answer, type Input, type JobName } from './jobs'

/**
 * Two lanes, so that a long report never stands before a save: what is short, and what is long. A job has so
 * much time, ms, from when its turn comes, and so much memory, MB; one that takes more is ended with its
 * thread.
 */
const LANES = {
  short: { time: 8_000, waiting: 1_000, memory: 256 },
  long: { time: 20_000, waiting: 400, memory: 384 },
} as const
type Lane = keyof typeof LANES

/** The lane of each job, and how far it goes before others that wait in the same. */
const PLACE: Record<JobName, { lane: Lane; priority: number }> = {
  check: { lane: 'short', priority: 3 },
  open: { lane: 'short', priority: 2 },
  retitle: { lane: 'short', priority: 2 },
  file: { lane: 'short', priority: 1 },
  card: { lane: 'short', priority: 0 },
  figure: { lane: 'long', priority: 0 },
  working: { lane: 'long', priority: 0 },
  results: { lane: 'long', priority: 0 },
  marked: { lane: 'long', priority: 0 },
}
/** Of a document with fewer characters than this, these jobs take less than the way to a thread. */
const SHORT_TEXT = 20_000
const AT_ONCE: Partial<Record<JobName, true>> = { check: true, open: true, retitle: true, file: true }
/** One with more is long. */
const LONG_TEXT = 400_000
/** What is made of one revision is made once while there is room for it, bytes. */
const KEPT = 16_000_000

interface OpenLane {
  threads: Piscina
  queue: PQueue
}
let lanes: Record<Lane, OpenLane> | undefined

/**
 * Opens the threads. Without them, as in tests and while Viga is being written, jobs run in this thread.
 * @param file the script of a thread
 * @param workers threads of the long lane
 * @param failed hears of a thread that cannot start or ends by itself
 */
export function startCompute(file: string, workers: number, failed: (error: unknown) => void): void {
  const open = (lane: Lane, most: number): OpenLane => {
    const threads = new Piscina({
      filename: file,
      minThreads: 1,
      maxThreads: most,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: LANES[lane].memory, maxYoungGenerationSizeMb: 48 },
      workerData: { lane },
    })
    threads.on('error', failed)
    return { threads, queue: new PQueue({ concurrency: most }) }
  }
  lanes = { short: open('short', 1), long: open('long', workers) }
}

export async function endCompute(): Promise<void> {
  const open = lanes
  lanes = undefined
  if (open) await Promise.all(Object.values(open).map(({ threads }) => threads.destroy()))
}

/**
 * Does a job in a thread of its own; a request that is given up gives its job up.
 * @throws a response of 503 when too many wait, of 422 when the job exceeds its time or memory
 */
export async function compute<K extends JobName>(
  name: K,
  input: Input<K>,
  signal?: AbortSignal,
): Promise<Answer<K>> {
  const { priority } = PLACE[name]
  const length = lengthOf(input)
  const lane: Lane = length > LONG_TEXT ? 'long' : PLACE[name].lane
  if (!lanes || (AT_ONCE[name] && length < SHORT_TEXT)) return (await jobs[name](input as never)) as Answer<K>
  const { threads, queue } = lanes[lane]
  if (queue.size >= LANES[lane].waiting) throw crowded()
  const run = async () => {
    const time = AbortSignal.timeout(LANES[lane].time)
    try {
      return (await threads.run(
        { name, input },
        { signal: signal ? AbortSignal.any([signal, time]) : time },
      )) as Answer<K>
    } catch (error) {
      throw answerTo(error, time.aborted)
    }
  }
  return queue.add(run, { priority, signal }) as Promise<Answer<K>>
}

const lengthOf = (input: object): number =>
  Math.max(...Object.values(input).map((v) => (typeof v === 'string' ? v.length : 0)))

const crowded = () =>
  data('Many people ask for the same at this moment. Please try again shortly.', {
    status: 503,
    headers: { 'Retry-After': '5' },
  })

function answerTo(error: unknown, late: boolean): unknown {
  if (late) return data('This takes longer than the server gives to one request.', { status: 422 })
  if ((error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
    return data('This needs more memory than the server gives to one request.', { status: 422 })
  return error
}

const kept = new LRUCache<string, { body: Uint8Array }>({
  maxSize: KEPT,
  sizeCalculation: ({ body }) => body.byteLength + 200,
})

/** What is being made, by key: all that ask for it meanwhile wait for the same. */
const underWay = new Map<string, { made: Promise<object>; asking: number; giveUp: AbortController }>()

/**
 * What was made for this key, or is made now and kept: the key says of what, and all that was asked for. A
 * class that asks for one report at once has it made once.
 * @param make makes it; its signal says that nobody asks for it any more
 * @param signal of the request that asks
 */
export async function once<T extends object>(
  key: string,
  make: (signal: AbortSignal) => Promise<T>,
  signal?: AbortSignal,
): Promise<T> {
  const before = kept.get(key)
  if (before) return before as unknown as T
  let job = underWay.get(key)
  if (!job) {
    const giveUp = new AbortController()
    const made = make(giveUp.signal).then((out) => {
      if ('body' in out && out.body instanceof Uint8Array) kept.set(key, out as { body: Uint8Array })
      return out
    })
    const begun = { made, asking: 0, giveUp }
    const end = () => {
      if (underWay.get(key) === begun) underWay.delete(key)
    }
    made.then(end, end)
    underWay.set(key, (job = begun))
  }
  const mine = job
  mine.asking++
  signal?.addEventListener(
    'abort',
    () => {
      if (--mine.asking > 0) return
      // whoever asks from now on has it made anew
      if (underWay.get(key) === mine) underWay.delete(key)
      mine.giveUp.abort()
    },
    { once: true },
  )
  return mine.made as Promise<T>
}
