import { TestBed } from '@angular/core/testing';
import { setValue } from '../../../../core/edit';
import { starter } from '../../../../core/tests/themes';
import type { Theme } from '../../../../core/theme';
import { WidthNote } from './width-note';

describe('The note on a placement’s width', () => {
  const plain: Theme = { format: 'zest-theme/2', name: 'T', base: starter('hairline'), swatches: [], values: {} };
  const wide = setValue(plain, { part: 'table', condition: 'rest' }, 'width', '480px');
  const says = async (width: string, theme: Theme | undefined): Promise<string> => {
    const fixture = TestBed.createComponent(WidthNote);
    fixture.componentRef.setInput('width', width);
    fixture.componentRef.setInput('theme', theme);
    await fixture.whenStable();
    return (fixture.nativeElement as HTMLElement).textContent.trim();
  };
  it('says which of two widths holds, and nothing where there are no two', async () => {
    expect(await says('fill', wide)).toBe('Its theme asks for 480px; fill holds here. Write content to leave it to the theme.');
    expect(await says('content', wide)).toBe('As wide as its theme has it: 480px.');
    expect(await says('fill', undefined)).toBe('');
  });
});
