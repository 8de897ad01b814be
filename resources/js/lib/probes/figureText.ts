import type { KeyFigure } from '../api/types'

/** The number a calibration is judged by, short enough for a card: "97.8 %", "K 1.061 1/cm". */
export function figureText(figure: KeyFigure): string {
  const { measured, label } = figure
  const number = `${measured.shownValue} ${measured.unit}`
  if (label === 'cell constant') return `K ${number}`
  return label.startsWith('for one') ? `${number} ${label}` : number
}

/** The same where there is room to say of what: "97.8 % of the ideal slope". */
export function figureWords(figure: KeyFigure): string {
  const text = figureText(figure)
  return text.endsWith(figure.label) ? text : `${text} ${figure.label}`
}
