export {
  cableFeet,
  farGroups,
  identify,
  METAL,
  MOST_CONDUCTORS,
  nearGroups,
  type Found,
  type Metal,
  type Misread,
} from './wireIdentification'
