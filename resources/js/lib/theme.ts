const KEY = 'welkion.theme'

export type Theme = 'fieldbook' | 'projector'

export function currentTheme(): Theme {
  return document.documentElement.dataset.theme === 'projector' ? 'projector' : 'fieldbook'
}

export function setTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme
  localStorage.setItem(KEY, theme)
  window.dispatchEvent(new Event('welkion:theme'))
}
