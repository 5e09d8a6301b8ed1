import { cleanup, configure } from '@testing-library/react'
import { afterEach } from 'vitest'

// a slow machine is no failure
configure({ asyncUtilTimeout: 20_000 })

// jsdom lays nothing out: what watches sizes is told nothing
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
}
Element.prototype.scrollIntoView ??= () => {}

afterEach(cleanup)
