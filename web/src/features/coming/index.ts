export { useComing } from './queries'
