import { useEffect, useLayoutEffect } from 'react'

/** Before the browser paints; on the server, where nothing is laid out, nothing. */
export const useBrowserLayout = typeof window === 'undefined' ? useEffect : useLayoutEffect

/** Does something once the browser has painted what stands on the page now. @returns takes it back */
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
