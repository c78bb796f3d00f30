export { proposeCard } from './contactDialog'
