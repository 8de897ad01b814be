export { ThrowAway } from './ThrowAway'
export { TypeInstead } from './TypeInstead'
