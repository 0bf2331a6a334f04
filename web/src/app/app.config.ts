import { provideHttpClient, withFetch } from '@angular/common/http';
import { provideAppInitializer, provideBrowserGlobalErrorListeners, type ApplicationConfig } from '@angular/core';
import { MAT_DIALOG_DEFAULT_OPTIONS, MatDialogConfig } from '@angular/material/dialog';
import { MAT_SNACK_BAR_DEFAULT_OPTIONS } from '@angular/material/snack-bar';
import { RouteReuseStrategy, TitleStrategy, provideRouter, withComponentInputBinding, withNavigationErrorHandler } from '@angular/router';
import { registerIcons } from './controls/icons';
import { routes } from './routes';
import { OwnView } from './shell/own-view';
import { viewNotThere } from './shell/not-loaded';
import { PageTitle } from './shell/page-title';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideHttpClient(withFetch()),
    provideRouter(routes, withComponentInputBinding(), withNavigationErrorHandler(viewNotThere)),
    { provide: RouteReuseStrategy, useExisting: OwnView },
    { provide: TitleStrategy, useClass: PageTitle },
    provideAppInitializer(() => registerIcons()),
    // Not waited for: a text is seen in the fallback until its face is there.
    provideAppInitializer(() => void import('./controls/fonts').then(({ registerFonts }) => registerFonts())),
    { provide: MAT_SNACK_BAR_DEFAULT_OPTIONS, useValue: { duration: 8000, horizontalPosition: 'start' } },
    {
      provide: MAT_DIALOG_DEFAULT_OPTIONS,
      useValue: Object.assign(new MatDialogConfig(), { autoFocus: 'first-tabbable', maxWidth: 'min(1120px, 94vw)' }),
    },
  ],
};
