export { ThrowAway } from './ThrowAway'
