import { cleanup } from '@testing-library/react'
import { afterEach } from 'vitest'

if (typeof document !== 'undefined') {
  // jsdom knows <dialog>, but not how to open one.
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true
  }
  HTMLDialogElement.prototype.close = function () {
    this.open = false
  }
  afterEach(cleanup)
}
