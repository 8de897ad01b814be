export { LibraryPage } from './LibraryPage'
