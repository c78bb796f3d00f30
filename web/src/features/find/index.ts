export { useFind } from './queries'
