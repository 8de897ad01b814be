export { ProbePage } from './ProbePage'
