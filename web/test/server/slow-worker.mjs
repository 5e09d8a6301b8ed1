// A thread for tests: it answers with what it was given, waits for ever, or takes all memory.
export default ({ input }) => {
  if (input.document.startsWith('for ever')) for (;;);
  if (input.document.startsWith('all memory'))
    for (let all = []; ;) all.push(new Array(1_000_000).fill(all.length))
  return `drawn: ${input.document}`
}
