interface Task {
  rank: number
  run: () => Promise<void>
}

/**
 * A line of tasks of which one is done at a time: those of the lowest rank first, and of these the newest,
 * since what was asked for last is what somebody waits for.
 * @returns takes a task and its rank, and answers as the task does
 */
export function newestFirst(): <T>(rank: number, task: () => Promise<T>) => Promise<T> {
  const waiting: Task[] = []
  let busy = false
  async function work() {
    if (busy) return
    busy = true
    while (waiting.length > 0) {
      const ranks = waiting.map((t) => t.rank)
      const next = ranks.lastIndexOf(Math.min(...ranks))
      await waiting.splice(next, 1)[0].run()
    }
    busy = false
  }
  return (rank, task) =>
    new Promise((resolve, reject) => {
      waiting.push({ rank, run: () => task().then(resolve, reject) })
      void work()
    })
}
