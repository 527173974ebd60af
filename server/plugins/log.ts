/**
 * A log whose reader has gone (a pipe's other end, a terminal that was closed) is no fault: without a listener each line
 * would be one, which is logged, which is one.
 */
export default defineNitroPlugin(() => {
  for (const log of [process.stdout, process.stderr]) log.on('error', () => undefined)
})
