interface Task {
  rank: number
  /** Does it, and answers with what tells those who wait for it. */
  run: () => Promise<() => void>
}

/**
 * A line of tasks of which one is done at a time: those of the lowest rank first, and of these the newest,
 * since what was asked for last is what somebody waits for. Tasks are done elsewhere: the next is on its way
 * before those who waited for the last begin to draw it.
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
      const tell = await waiting.splice(next, 1)[0].run()
      if (waiting.length > 0) setTimeout(tell)
      else tell()
    }
    busy = false
  }
  return (rank, task) =>
    new Promise((resolve, reject) => {
      waiting.push({
        rank,
        run: () =>
          task().then(
            (answer) => () => resolve(answer),
            (reason: Error) => () => reject(reason),
          ),
      })
      void work()
    })
}
