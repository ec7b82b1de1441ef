export { keypadFor, type Keypad } from './keypad'
