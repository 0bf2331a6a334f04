/* The catalogue */
export { conditionNames, conditionOf, conditions, type Condition, type ConditionName } from './conditions';
export { lineage, partNames, partOf, parts, type Part, type PartName } from './parts';
export {
  bundles,
  properties,
  propertiesOf,
  propertyNames,
  propertyOf,
  type BundleName,
  type Property,
  type PropertyName,
  type ValueKind,
} from './properties';
export { places, placesFor, type Slot } from './strength';
/* Documents */
export { THEME_FORMAT, countValues, ownText, type PartValues, type Place, type Swatch, type Theme, type Values } from './theme';
export { NAME_MOST, SWATCH_NAME, nameSchema, readTheme, themeSchema } from './read-theme';
export { ground, starterNames, starterOf, starters, type Starter } from './starters';
export { keyFrom } from './key';
/* Values */
export { fonts } from './fonts';
export { readStep, stepSize, type TypeScale, type TypeStep } from './type-scale';
export { choices, lineStyles, readValue, swatchVariable, tidy, type LineStyle, type Unit, type Value, type Vocabulary } from './values';
export { firstGood, lookOf, type Look, type Saying, type Source } from './look';
export { bundleOf, bundleText, readBundle } from './bundles';
