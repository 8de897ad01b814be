export { BenchesPage } from './BenchesPage'
