import type { Routes } from '@angular/router';
import { leaveWhenKept } from './documents/leave';

/** Every view has an address; each is loaded when it is first opened. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'themes' },
  { path: 'themes', title: 'Themes', loadComponent: () => import('./themes/library/library').then((m) => m.ThemeLibrary) },
  {
    path: 'themes/:id',
    title: 'Studio',
    loadComponent: () => import('./themes/studio/studio').then((m) => m.Studio),
    canDeactivate: [leaveWhenKept],
  },
  { path: 'tables', title: 'Tables', loadComponent: () => import('./tables/library').then((m) => m.TableLibrary) },
  { path: 'tables/:id', title: 'Table', loadComponent: () => import('./tables/editor').then((m) => m.TableEditor), canDeactivate: [leaveWhenKept] },
  { path: 'pricings', pathMatch: 'full', redirectTo: 'tables' },
  {
    path: 'pricings/:id',
    title: 'Plans',
    loadComponent: () => import('./pricings/plan-view').then((m) => m.PlanView),
    canDeactivate: [leaveWhenKept],
  },
  { path: 'pages', title: 'Pages', loadComponent: () => import('./pages/library').then((m) => m.PageLibrary) },
  { path: 'pages/house', title: 'House stylesheet', loadComponent: () => import('./pages/house/house-view').then((m) => m.HouseView) },
  { path: 'pages/:id', title: 'Page', loadComponent: () => import('./pages/editor').then((m) => m.PageEditor), canDeactivate: [leaveWhenKept] },
  { path: 'backups', title: 'Backups', loadComponent: () => import('./safekeeping/backups').then((m) => m.BackupsView) },
  { path: '**', title: 'Not here', loadComponent: () => import('./shell/not-here').then((m) => m.NotHere) },
];
