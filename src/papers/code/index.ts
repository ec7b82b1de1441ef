export { isCardCode, readCode, type CardRead } from './read'
export { codeOf, type CardCode, type LeftOut } from './write'
