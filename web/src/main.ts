import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './app/app.config';
import { Shell } from './app/shell/shell';

bootstrapApplication(Shell, appConfig)
  // The first number that a browser writes in a language costs it tens of milliseconds; better now than in somebody's work.
  .then(() => requestIdleCallback(() => (0).toLocaleString('en')))
  .catch((error: unknown) => console.error(error));
