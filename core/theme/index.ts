/* The catalogue */
export {
  conditionNames,
  conditionOf,
  conditions,
  following,
  followingFrom,
  markedConditions,
  needsPointer,
  together,
  type Condition,
  type ConditionName,
  type MarkedCondition,
} from './catalogue/conditions';
export {
  cardParts,
  lineage,
  outsideParts,
  partNames,
  partOf,
  parts,
  partsInCards,
  tableParts,
  type Box,
  type Part,
  type PartIn,
  type PartName,
} from './catalogue/parts';
export {
  bundles,
  canBeSet,
  properties,
  propertiesOf,
  propertyNames,
  propertyOf,
  type BundleName,
  type Property,
  type PropertyName,
} from './catalogue/properties';
export { containerOf, places, placesFor, sayersFor, type Sayer, type Slot } from './catalogue/strength';
export { edgeProperties, exceptionProperties, frameProperties, isExceptionProperty, isOfColumns, type Excepted } from './catalogue/excepted';
/* Extra CSS */
export {
  EXTRA_MOST,
  NO_EXTRA,
  uncountedIn,
  writeExtra,
  readExtra,
  type Around,
  type Extra,
  type ExtraDeclaration,
  type ExtraNotice,
  type ExtraRule,
  type ExtraWritten,
  type Reached,
  type Uncounted,
} from './extra';
/* Documents */
export {
  THEME_FORMAT,
  countValues,
  isThemeBase,
  modeIn,
  ownText,
  valueLists,
  valuesAt,
  withoutOrder,
  type PartValues,
  type Base,
  type Mode,
  type Picture,
  type Place,
  type StarterBase,
  type Swatch,
  type Theme,
  type ThemeBase,
  type Values,
  type WidthStep,
} from './theme';
export { plainestOf } from './plainest';
export { STEP_LEAST, STEP_MOST, WIDTHS_MOST, hasSteps, placeAt, stepFor, type Step } from './widths';
export { modeNames, modeOf, modes, type ModeName } from './catalogue/modes';
export { modesOf, swatchesIn } from './modes';
export { PICTURES_MOST, SWATCH_NAME, TAGS_MOST, nameSchema, readTheme, tagSchema, themeFields, upgradeTheme } from './read-theme';
export { ground, newestOf, shippedStarters, starterBases, starters, type Starter } from './starters';
export { keyFrom } from './key';
export { readSwatches, refersToSwatch } from './read-swatches';
export { swatchesFromBrand } from './brand';
/* Values */
export { fonts } from './fonts/fonts';
export { families, type Family } from './fonts/families';
export { facesOf, familiesIn, fileOf, fontAddress, type Face } from './fonts/faces';
export { readStep, stepSize, type TypeScale, type TypeStep } from './type-scale';
export { offersFor, readValue } from './values/values';
export { kindOfValue, refersTo, valueKinds, type EditorName, type Names, type Reference, type ValueKind } from './values/kinds';
export { inkVariable, lineStyles, swatchVariable, tidy, type LineStyle, type Unit, type Value, type Vocabulary } from './values/reading';
export { canFollow, isOfColumn, nothingToFollow } from './following';
export { canRead, goesAlong, isReading, nothingToReadOn } from './reading-inks';
export { dressesCards, partsOf, saysAnywhere } from './says';
export { withoutFeatured } from './without-featured';
export { Views, everyLook, onPaper, viewOfChain, viewOfChanged, type Saying, type Source, type ThemeView } from './view';
export { ACCENT, mediaAddress } from './words';
export { CHAIN_MOST, basesOver, chainOf, idIn, loopThrough, standingOn, standsOn, type Bases, type ThemesById } from './chain';
export { bundleText, readBundle } from './catalogue/bundles';
export { gapSides } from './values/read-more';
