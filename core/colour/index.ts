export { BLACK, TRANSPARENT, WHITE, fade, fromLch, isInSrgb, parseColour, toBytes, toHex, toLch, type Rgba } from './colour';
export { blend, flatten } from './blend';
export { contrast, inkFor, luminance, nearestPassing, neededContrast } from './contrast';
