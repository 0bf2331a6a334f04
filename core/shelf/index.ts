export { collectionsOf, isWanted, NOTHING_WANTED, tagsOf, wantsNothing, type Shelved, type Use, type UseAsked, type Wanted } from './find';
export { distance, lookNames, lookOf, type Look, type LookName } from './looks';
export { usesOf } from './uses';
