import { setPriority } from 'node:os'
import { workerData } from 'piscina'
import { jobs, type JobName } from './jobs'

/** What a thread of the pool does: the job by its name. */
export default ({ name, input }: { name: JobName; input: never }) => jobs[name](input)

// Linux gives each thread its own priority: a long report lets everybody's page go first
const { lane } = (workerData ?? {}) as { lane?: string }
if (lane === 'long' && process.platform === 'linux') setPriority(10)
