// @vitest-environment jsdom
import { fireEvent, screen } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { Problem } from '../lib/api/problem'
import { show } from '../testing/show'
import { Dialog } from './Dialog'
import { DialogActions, DialogDone } from './DialogActions'
import { PageProblem } from './PageProblem'
import { useKey } from './useKey'

const refused = Problem.from(409, { detail: 'A run is still open on this bench.', code: 'bench-busy' })

function Commands({ onTake }: { onTake: (() => void) | null }) {
  useKey('t', onTake)
  return <input aria-label="title" />
}

describe('a dialog', () => {
  it('is open, named by its title, and closed by Escape', () => {
    const onClose = vi.fn()
    show(
      <Dialog title="Keys" onClose={onClose}>
        text
      </Dialog>,
    )
    const dialog = screen.getByRole<HTMLDialogElement>('dialog', { name: 'Keys' })
    expect(dialog.open).toBe(true)
    fireEvent(dialog, new Event('cancel', { cancelable: true }))
    expect(onClose).toHaveBeenCalledOnce()
  })

  it('is out of the way while its answer is awaited, and back with what was typed', async () => {
    const dialogThat = (isAway: boolean) => (
      <Dialog title="Set aside" isAway={isAway} onClose={vi.fn()}>
        <input aria-label="Why?" />
      </Dialog>
    )
    const { user, rerender } = show(dialogThat(false))
    const dialog = screen.getByRole<HTMLDialogElement>('dialog', { name: 'Set aside' })
    await user.type(screen.getByLabelText('Why?'), 'probe was touched')
    rerender(dialogThat(true))
    expect(dialog.open).toBe(false)
    rerender(dialogThat(false))
    expect(dialog.open).toBe(true)
    expect(screen.getByLabelText<HTMLInputElement>('Why?').value).toBe('probe was touched')
  })

  it('says at its foot why something could not be done', async () => {
    const [onCancel, onConfirm] = [vi.fn(), vi.fn()]
    const { user, rerender } = show(
      <DialogActions confirm="Keep" problem={refused} onCancel={onCancel} onConfirm={onConfirm} />,
    )
    expect(screen.getByRole('alert').textContent).toBe('A run is still open on this bench.')
    await user.click(screen.getByRole('button', { name: 'Keep' }))
    await user.click(screen.getByRole('button', { name: 'Cancel' }))
    expect([onCancel.mock.calls.length, onConfirm.mock.calls.length]).toEqual([1, 1])

    rerender(<DialogActions confirm="Keep" problem={null} isDisabled onCancel={onCancel} onConfirm={onConfirm} />)
    expect(screen.queryByRole('alert')).toBeNull()
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep' }).disabled).toBe(true)
  })

  it('submits the form around it where it has one', async () => {
    const onSubmit = vi.fn((event: { preventDefault: () => void }) => {
      event.preventDefault()
    })
    const { user } = show(
      <form onSubmit={onSubmit}>
        <DialogActions confirm="Keep" problem={null} onCancel={vi.fn()} />
      </form>,
    )
    await user.click(screen.getByRole('button', { name: 'Cancel' }))
    expect(onSubmit).not.toHaveBeenCalled()
    await user.click(screen.getByRole('button', { name: 'Keep' }))
    expect(onSubmit).toHaveBeenCalledOnce()
  })

  it('whose changes hold at once has only a way out', async () => {
    const onDone = vi.fn()
    const { user } = show(<DialogDone problem={refused} onDone={onDone} />)
    expect(screen.getAllByRole('button')).toHaveLength(1)
    await user.click(screen.getByRole('button', { name: 'Done' }))
    expect(onDone).toHaveBeenCalledOnce()
  })
})

describe('a page that could not be fetched', () => {
  it('says why and leads back', () => {
    show(<PageProblem problem={refused} back={{ to: '/benches', words: 'Back to the benches' }} />)
    expect(screen.getByRole('alert').textContent).toBe('A run is still open on this bench.')
    expect(screen.getByRole('link', { name: 'Back to the benches' }).getAttribute('href')).toBe('/benches')
  })
})

describe('a single key', () => {
  it('is a command, in either case, unless it is held, modified or typed', async () => {
    const onTake = vi.fn()
    const { user } = show(<Commands onTake={onTake} />)
    await user.keyboard('tT')
    expect(onTake).toHaveBeenCalledTimes(2)
    await user.keyboard('{Control>}t{/Control}{Alt>}t{/Alt}x')
    await user.type(screen.getByLabelText('title'), 'titration')
    fireEvent.keyDown(document.body, { key: 't', repeat: true })
    expect(onTake).toHaveBeenCalledTimes(2)
  })

  it('does nothing while a dialog is open, or while there is nothing to do', async () => {
    const onTake = vi.fn()
    const { user, rerender } = show(<Commands onTake={null} />)
    await user.keyboard('t')
    rerender(
      <>
        <Commands onTake={onTake} />
        <Dialog title="Keys" onClose={vi.fn()}>
          text
        </Dialog>
      </>,
    )
    await user.keyboard('t')
    expect(onTake).not.toHaveBeenCalled()
    rerender(<Commands onTake={onTake} />)
    await user.keyboard('t')
    expect(onTake).toHaveBeenCalledOnce()
  })
})
