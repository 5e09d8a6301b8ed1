import { useEffect, useLayoutEffect } from 'react'

/** `useLayoutEffect` in the browser. On the server, which lays nothing out, it does nothing. */
export const useBrowserLayout = typeof window === 'undefined' ? useEffect : useLayoutEffect

/**
 * Runs a task once the browser has painted the present state of the page.
 * @returns a function that cancels it
 */
export function afterPaint(then: () => void): () => void {
  const { port1, port2 } = new MessageChannel()
  // a frame's callbacks come before its paint; a message sent from there arrives after it
  port1.onmessage = () => {
    port1.close()
    then()
  }
  const frame = requestAnimationFrame(() => port2.postMessage(null))
  return () => {
    cancelAnimationFrame(frame)
    port1.close()
  }
}
