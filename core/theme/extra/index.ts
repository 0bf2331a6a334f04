export { asTheyHold } from './give-way';
export {
  EXTRA_MOST,
  type Around,
  type Extra,
  type ExtraDeclaration,
  type ExtraNotice,
  type ExtraRule,
  type ExtraWritten,
  type Reached,
} from './extra';
export { NO_EXTRA, readExtra } from './read-extra';
export { writeExtra } from './write-extra';
export { uncountedIn, type Uncounted } from './uncounted';
