import { TestBed } from '@angular/core/testing';
import { MatSnackBar } from '@angular/material/snack-bar';
import { signal } from '@angular/core';
import { Subject, of } from 'rxjs';
import { tableOf, type Table } from '../../../../../core/table';
import { Deleting } from '../../controls/deleting';
import { Api, type KeptTable } from '../../documents/api';
import { OpenDocument } from '../../documents/open-document';
import { hardSpecimens } from './specimen/specimens';
import { StudioState } from './studio-state';

describe('The specimen of the studio', () => {
  const own: Table = {
    ...tableOf('Own', [['a'], ['b']]),
    theme: 'x',
    exceptions: [{ row: null, column: 0, reach: '', dressing: '', values: { ink: 'red' } }],
  };
  const kept: KeptTable = { id: 'own', document: own, revision: 1, updatedAt: '' } as unknown as KeptTable;
  let tables: Subject<readonly KeptTable[]>;

  function state(): StudioState {
    tables = new Subject();
    const opened = { open: () => Promise.resolve(true), session: signal(undefined), document: signal(undefined), missing: signal('') };
    TestBed.configureTestingModule({
      providers: [
        StudioState,
        { provide: OpenDocument, useValue: opened },
        { provide: MatSnackBar, useValue: {} },
        { provide: Deleting, useValue: { attempt: (run: () => Promise<unknown>) => run() } },
        { provide: Api, useValue: { themes: () => of([]), tables: () => tables, tablePreview: () => of(kept) } },
      ],
    });
    return TestBed.inject(StudioState);
  }
  const come = (): void => {
    tables.next([kept]);
    tables.complete();
  };
  const settled = async (): Promise<void> => {
    for (let i = 0; i < 20; i++) await Promise.resolve();
  };

  it('is the first table dressed in the theme, with the looks that it has beside it or without', async () => {
    const studio = state();
    const opening = studio.open('x');
    await settled();
    come();
    await opening;
    expect(studio.tableId()).toBe('own');
    expect(studio.hasOwnLooks()).toBeTrue();
    expect(studio.table().exceptions).toEqual(own.exceptions);
    studio.ownLooks.set(false);
    expect(studio.table().exceptions).toEqual([]);
    await studio.showOn(hardSpecimens[0]?.id ?? '');
    expect(studio.hasOwnLooks()).toBeFalse();
  });
  it('stays what was chosen while the tables were on their way, be it the one that stood there', async () => {
    const studio = state();
    const first = hardSpecimens[0]?.id ?? '';
    const opening = studio.open('x');
    await settled();
    await studio.showOn(first);
    come();
    await opening;
    expect(studio.tableId()).toBe(first);
  });
});
