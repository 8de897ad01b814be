export { RunAsideDialog } from './RunAsideDialog'
export { ThrowAway } from './ThrowAway'
export { TypeInstead } from './TypeInstead'
