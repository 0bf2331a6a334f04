export { documentKinds, kindNames, type DocumentKind, type Documents, type KindName } from './kinds';
