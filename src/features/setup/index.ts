export { Setup } from './Setup'
