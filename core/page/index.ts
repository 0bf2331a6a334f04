export { schemeOf, schemes, type Scheme } from './scheme';
export { PAGE_FORMAT, emptyPage, tableRef, themeRef, slugOf, type Page, type PageWeight } from './page';
export {
  blockKinds,
  blockName,
  blockTitle,
  emptyBlock,
  shownKinds,
  type Block,
  type Column,
  type Ref,
  type ShownKind,
  type TableBlock,
} from './blocks/kinds';
export {
  cardLists,
  formsOf,
  hasCards,
  hasComparison,
  planForms,
  showsCards,
  showsComparison,
  showsOneAtATime,
  type PlanForm,
  type PlansShown,
} from './blocks/plans-shown';
export { pageSchema, readPage, upgradePage } from './read-page';
export { isBleed, placementCss, roomsOf, type RoomAt, readRoom, readSpace, readWidth } from './placement';
export { FRAME_HEIGHT } from './visitor-schema';
export { PLAIN_VISITOR, featuresOf, visitorFeatures, type VisitorFeature, isRightToLeft, wordingOf, type Visitor } from './visitor';
export { dressed, follows, pageDress, reached, siteDress, type Dress, type Spot } from './reach';
export { mergePages, takeTheirPage } from './merge-pages';
export { blockInWords, pageChanges, type NameOf } from './changes';
export { followedKinds, following, heldAt, readAlong, readPublishing, type Along, type Published } from './holding';
export {
  canStand,
  copyOf,
  everyBlock,
  featuresOn,
  mapBlocks,
  moveBlock,
  nudgeBlock,
  placeOfBlock,
  putIn,
  tablesOn,
  takeOut,
  within,
  type ListPlace,
} from './blocks/blocks';
export {
  groundFields,
  hasGround,
  readBlockColour,
  readBlockLine,
  readGround,
  swatchOf,
  swatchText,
  type Ground,
  type GroundField,
  type SwatchOf,
} from './blocks/ground';
export { elsewhereAddress } from './elsewhere-address';
