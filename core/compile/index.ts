export { themeCss, type ThemeCssOptions } from './theme-css';
export { framedTable, tableElement, type TableHtmlOptions } from './table-html';
export { compilePage, type CompiledPage, type PageInput, type PageOptions } from './page-html';
export { frameRules } from './frame';
export { faceRule, fontRules } from './font-rules';
export { contract } from './selectors';
export { surrounded, type AroundOptions } from './around-html';
export { element, textWithBreaks, writeHtml, type Element, type MarkupNode } from './markup';
export { rule, writeCss, type CssNode, type Declaration, type Stylesheet } from './stylesheet';
