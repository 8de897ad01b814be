export const NOT_COPIED =
  'Nothing was copied: this browser does not let a page do it. Mark the text and copy it by hand.'

/** Puts a text on the clipboard; whether it worked. Pages that do not come over https have to do it through a field. */
export async function copyText(text: string): Promise<boolean> {
  const clipboard = navigator.clipboard as Clipboard | undefined
  if (clipboard !== undefined) {
    return clipboard.writeText(text).then(
      () => true,
      () => false,
    )
  }
  const before = document.activeElement
  const field = document.createElement('textarea')
  field.value = text
  field.style.position = 'fixed'
  field.style.opacity = '0'
  document.body.append(field)
  field.select()
  // eslint-disable-next-line @typescript-eslint/no-deprecated -- the only way there is without https
  const isCopied = document.execCommand('copy')
  field.remove()
  if (before instanceof HTMLElement) before.focus()
  return isCopied
}
