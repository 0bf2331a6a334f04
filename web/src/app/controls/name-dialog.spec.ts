import { TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { ApiError } from '../documents/api';
import { askName } from './name-dialog';

describe('The dialog that asks for a name', () => {
  const field = (): HTMLInputElement => document.querySelector('mat-dialog-container input') as HTMLInputElement;
  const submit = (text: string): void => {
    field().value = text;
    field().dispatchEvent(new Event('input'));
    (document.querySelector('mat-dialog-container [type=submit]') as HTMLButtonElement).click();
  };
  const until = async (holds: () => boolean): Promise<void> => {
    for (let i = 0; i < 500 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
    expect(holds()).toBeTrue();
  };
  const said = (): string => document.querySelector('#wrong-name')?.textContent ?? '';

  it('stays with what was typed until what is called so is kept, and says why it cannot be', async () => {
    const asked: string[] = [];
    const answers = [Promise.reject(new ApiError(503, 'The server cannot be reached.')), Promise.resolve(false), Promise.resolve(true)];
    answers[0]?.catch(() => undefined);
    const keep = (name: string): Promise<unknown> => {
      asked.push(name);
      return answers[asked.length - 1] ?? Promise.resolve(true);
    };
    const named = askName(TestBed.inject(MatDialog), { title: 'Rename the theme', name: 'Dusk', action: 'Rename', keep });
    await until(() => field() !== null);
    submit('   ');
    await until(() => said() === 'Give it a name.');
    submit('Night  sea ');
    await until(() => said() === 'The server cannot be reached.');
    expect(field().value).toBe('Night  sea ');
    submit('Night sea');
    await until(() => asked.length === 2);
    expect(field()).not.toBeNull();
    submit('Night sea');
    expect(await named).toBe('Night sea');
    expect(asked).toEqual(['Night sea', 'Night sea', 'Night sea']);
  });
});
