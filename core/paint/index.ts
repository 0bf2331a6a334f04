export {
  DARK_PAGE,
  cardFill,
  fillLayers,
  hasPictureBehind,
  inkOf,
  layerOf,
  pageOf,
  paintedFill,
  readability,
  type FillLayers,
  type LayerName,
  type PageColours,
  type Readability,
} from './paint';
export { inkForAll, readabilityTogether, slotsOf, type SlotReadability } from './combinations';
export { unreadableByMode, unreadableInks, unreadableLooks, type Unreadable, type UnreadableInk, type UnreadableLook } from './unreadable';
