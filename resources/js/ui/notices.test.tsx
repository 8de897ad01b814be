// @vitest-environment jsdom
import { act, screen } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { show } from '../testing/show'
import { useNotices } from './notices'

function Page({ undo }: { undo: (() => void) | undefined }) {
  const { tell } = useNotices()
  return (
    <>
      <button
        type="button"
        onClick={() => {
          tell('The reading at 3.00 mL is deleted.', undo)
        }}
      >
        delete
      </button>
      <input aria-label="title" />
    </>
  )
}

describe('a notice', () => {
  afterEach(() => {
    vi.useRealTimers()
  })

  it('offers the way back, once', async () => {
    const undo = vi.fn()
    const { user } = show(<Page undo={undo} />)
    await user.click(screen.getByText('delete'))
    expect(screen.getByRole('status').textContent).toContain('The reading at 3.00 mL is deleted.')
    await user.click(screen.getByRole('button', { name: 'Undo' }))
    expect(undo).toHaveBeenCalledOnce()
    expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull()
  })

  it('is undone with Ctrl+Z, but not while a person types', async () => {
    const undo = vi.fn()
    const { user } = show(<Page undo={undo} />)
    await user.click(screen.getByText('delete'))
    await user.click(screen.getByLabelText('title'))
    await user.keyboard('{Control>}z{/Control}')
    expect(undo).not.toHaveBeenCalled()
    screen.getByText('delete').focus()
    await user.keyboard('{Control>}z{/Control}')
    expect(undo).toHaveBeenCalledOnce()
    await user.keyboard('{Control>}z{/Control}')
    expect(undo).toHaveBeenCalledOnce()
  })

  it('has no undo where there is none, and goes by itself', () => {
    vi.useFakeTimers()
    show(<Page undo={undefined} />)
    act(() => {
      screen.getByText('delete').click()
    })
    expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull()
    act(() => {
      vi.advanceTimersByTime(11_900)
    })
    expect(screen.getByRole('status').textContent).not.toBe('')
    act(() => {
      vi.advanceTimersByTime(200)
    })
    expect(screen.getByRole('status').textContent).toBe('')
  })
})
