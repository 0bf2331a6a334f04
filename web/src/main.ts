import { bootstrapApplication } from '@angular/platform-browser';
import type { contract } from '../../core/compile';
import { appConfig } from './app/app.config';
import { Shell } from './app/shell/shell';

// What the specimens' sheets name stands in shadow roots, where it cannot be said to be a colour.
const over: (typeof contract)['over'] = '--zp_over';
CSS.registerProperty({ name: over, syntax: '<color>', inherits: false, initialValue: 'transparent' });

bootstrapApplication(Shell, appConfig)
  // The first number that a browser writes in a language costs it tens of milliseconds; better now than in somebody's work.
  .then(() => requestIdleCallback(() => (0).toLocaleString('en')))
  .catch((error: unknown) => console.error(error));
