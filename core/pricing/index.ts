export * from './pricing';
export { accentOf, viewWithAccent } from './accents';
export { decimalsOf, isAmount, readAmount } from './amounts';
export { answerOf, lineOf, phrased, type Given } from './answers';
export { cardManners, cardText, cardsOf, type Card, type CardLine, type CardManner } from './cards';
export { checkPricing, type PricingFinding, type Settling } from './checks';
export {
  comparisonOf,
  editedComparison,
  editedRows,
  isSaid,
  placedComparison,
  wholeComparison,
  withoutPlans,
  type Comparison,
  type ComparisonRow,
} from './comparison';
export { choicesOf } from './choices';
export { everyPeriod, shownPlans } from './shown';
export { pricingSchema, readPricing } from './read-pricing';
export { savedAmount, writtenPrice, type Chosen, type WrittenPrice } from './shown-price';
export { priceIn, type Saving, type Shown } from './worked-out';
export { filled, pricingWords, type PricingWords } from './words';
export { amountParts, saysAll, writtenAmount, writtenPercent, type AmountPart } from './written';
export {
  addFeature,
  addPlan,
  duplicatePlan,
  joinFeatures,
  moveFeature,
  movePlan,
  removeFeature,
  removePlan,
  setAnswer,
  setNote,
  settled,
} from './edit/edit-pricing';
export { typeBlock, type TypedBlock } from './edit/type-block';
export { changeFeature, changePlan, typeIn } from './edit/type-in';
export { pasteLines, type Pasted } from './edit/paste-lines';
export { fromGrid, type FromGrid } from './edit/from-grid';
export { mergePricings, takeTheirPricing } from './edit/merge-pricing';
export { takeLooks } from './edit/take-looks';
export { addCurrency, addPeriod, removeCurrency, removePeriod, setCurrency, setPrice, typeAmount } from './edit/edit-prices';
export { structuredData } from './structured-data';
