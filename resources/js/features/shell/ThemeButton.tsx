import { Moon, Sun } from 'lucide-react'
import { useState } from 'react'
import { currentTheme, setTheme } from '../../lib/theme'

export function ThemeButton() {
  const [theme, setShown] = useState(currentTheme)
  const next = theme === 'fieldbook' ? 'projector' : 'fieldbook'

  function handleClick() {
    setTheme(next)
    setShown(next)
  }

  return (
    <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={handleClick}>
      {theme === 'fieldbook' ? <Moon size={15} aria-hidden="true" /> : <Sun size={15} aria-hidden="true" />}
      {theme === 'fieldbook' ? 'Projector' : 'Paper'}
    </button>
  )
}
