const KEY = 'welkion.theme'
const BOARD_KEY = 'welkion.board-theme'

export type Theme = 'fieldbook' | 'projector'
export type BoardTheme = 'projector' | 'projector-light'

export function currentTheme(): Theme {
  return document.documentElement.dataset.theme === 'projector' ? 'projector' : 'fieldbook'
}

export function setTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme
  localStorage.setItem(KEY, theme)
  tellFigures()
}

/** A board is dark until somebody has wanted it light: whether a room is lit does not change from lesson to lesson. */
export function boardTheme(): BoardTheme {
  return localStorage.getItem(BOARD_KEY) === 'projector-light' ? 'projector-light' : 'projector'
}

export function keepBoardTheme(theme: BoardTheme): void {
  localStorage.setItem(BOARD_KEY, theme)
}

/** Figures take their inks from the theme, which they cannot see change. */
export function tellFigures(): void {
  window.dispatchEvent(new Event('welkion:theme'))
}
