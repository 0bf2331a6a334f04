export { WHITE_PAGE, fillLayers, inkOf, layerOf, paintedFill, readability, type FillLayers, type PageColours, type Readability } from './paint';
