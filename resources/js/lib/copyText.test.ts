// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest'
import { copyText } from './copyText'

describe('copying a text', () => {
  afterEach(() => {
    vi.unstubAllGlobals()
    document.body.replaceChildren()
  })

  it('says whether the clipboard took it', async () => {
    const taken: string[] = []
    vi.stubGlobal('navigator', {
      clipboard: {
        writeText: (text: string) =>
          text === 'no' ? Promise.reject(new Error('refused')) : Promise.resolve(taken.push(text)),
      },
    })
    expect(await copyText('24.371 mL')).toBe(true)
    expect(taken).toEqual(['24.371 mL'])
    expect(await copyText('no')).toBe(false)
  })

  it('goes through a field where there is no clipboard, and gives the focus back', async () => {
    vi.stubGlobal('navigator', {})
    const button = document.body.appendChild(document.createElement('button'))
    button.focus()
    let marked = ''
    Object.defineProperty(document, 'execCommand', {
      configurable: true,
      value: () => {
        marked = document.querySelector('textarea')?.value ?? ''
        return true
      },
    })
    expect(await copyText('24.371 mL')).toBe(true)
    expect(marked).toBe('24.371 mL')
    expect(document.querySelector('textarea')).toBeNull()
    expect(document.activeElement).toBe(button)
  })
})
