import { inject } from '@angular/core';
import { MatIconRegistry } from '@angular/material/icon';
import { DomSanitizer } from '@angular/platform-browser';
import {
  mdiArrowDown,
  mdiArrowUp,
  mdiCheck,
  mdiChevronDown,
  mdiChevronRight,
  mdiClose,
  mdiContentCopy,
  mdiDotsHorizontal,
  mdiDownload,
  mdiHistory,
  mdiOpenInNew,
  mdiPencil,
  mdiPlus,
  mdiRedo,
  mdiTrashCanOutline,
  mdiUndo,
} from '@mdi/js';

const paths = {
  up: mdiArrowUp,
  down: mdiArrowDown,
  check: mdiCheck,
  open: mdiChevronDown,
  closed: mdiChevronRight,
  close: mdiClose,
  copy: mdiContentCopy,
  more: mdiDotsHorizontal,
  history: mdiHistory,
  download: mdiDownload,
  away: mdiOpenInNew,
  edit: mdiPencil,
  add: mdiPlus,
  redo: mdiRedo,
  delete: mdiTrashCanOutline,
  undo: mdiUndo,
} as const;

/** Shipped icons, one path each; nothing is fetched. */
export function registerIcons(): void {
  const registry = inject(MatIconRegistry);
  const sanitizer = inject(DomSanitizer);
  for (const [name, path] of Object.entries(paths)) {
    registry.addSvgIconLiteral(
      name,
      sanitizer.bypassSecurityTrustHtml(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24"><path d="${path}"/></svg>`),
    );
  }
}
