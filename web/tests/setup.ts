// Test files share one window and the libraries; each has the page's own modules to itself, and what
// one test leaves in the window and on the device is gone before the next.
import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { afterEach, vi } from 'vitest'
import { REPLACED } from './replaced'

REPLACED.forEach((module) => vi.doUnmock(module))
vi.resetModules()
disableAutoUnmount()
enableAutoUnmount(afterEach)
afterEach(() => {
  if (typeof document === 'undefined') return
  document.body.replaceChildren()
  localStorage.clear()
})
