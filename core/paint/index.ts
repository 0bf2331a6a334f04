export {
  fillLayers,
  hasPictureBehind,
  inkOf,
  layerOf,
  paintedFill,
  readability,
  type FillLayers,
  type LayerName,
  type PageColours,
  type Readability,
} from './paint';
export { inkForAll, readabilityTogether, slotsOf, type SlotReadability } from './combinations';
export { unreadableInks, unreadableLooks, type Unreadable, type UnreadableInk, type UnreadableLook } from './unreadable';
