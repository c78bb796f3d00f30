export { importFile } from './sendFile'
