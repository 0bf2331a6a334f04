import { starter, viewOf } from '../../../../../../core/tests/themes';
import { themeWith } from '../../../../../../core/tests/themes';
import { canBeSet, partNames, partOf, propertyOf, type ConditionName } from '../../../../../../core/theme';
import { ledgerCell, ledgerRows } from './ledger-rows';

describe('The rows of the ledger', () => {
  it('put sides under one row, and show them when it is opened', () => {
    const names = (opened: ReadonlySet<string>): string[] =>
      ledgerRows(['body-rows'], opened)
        .map(({ name }) => name)
        .filter((name) => name.startsWith('padding'));
    expect(names(new Set())).toEqual(['padding']);
    expect(names(new Set(['padding']))).toEqual(['padding', 'padding-top', 'padding-end', 'padding-bottom', 'padding-start']);
  });
  it('have each group once, in one piece', () => {
    for (const part of partNames) {
      const groups = ledgerRows([part], new Set(['padding', 'outer'])).map(({ group }) => group);
      const starts = groups.filter((group, i) => group !== groups[i - 1]);
      expect(new Set(starts).size).withContext(part).toBe(starts.length);
    }
  });
});

describe('A cell of the ledger', () => {
  const theme = themeWith(
    { 'body-rows': { even: { fill: 'mist', 'padding-top': '3px' } }, table: { rest: { ink: 'deep' } } },
    { base: starter('nightfall') },
  );
  it('says what is set here', () =>
    expect(ledgerCell(viewOf(theme), ['body-rows'], 'even', 'fill')).toEqual(
      jasmine.objectContaining({ text: 'mist', own: true, colour: '#eef5f6' }),
    ));
  it('says where else a value comes from', () => {
    expect(ledgerCell(viewOf(theme), ['body-rows'], 'hovered', 'fill')).toEqual(
      jasmine.objectContaining({ text: 'glow', own: false, from: 'Body rows, hovered, in Nightfall' }),
    );
    expect(ledgerCell(viewOf(theme), ['body-rows'], 'odd', 'ink')).toEqual(
      jasmine.objectContaining({ text: 'deep', own: false, from: 'Whole table' }),
    );
    expect(ledgerCell(viewOf(theme), ['body-rows'], 'odd', 'case')?.from).toBe('nothing set');
  });
  it('shows sides as one text, its own when one of them is', () => {
    expect(ledgerCell(viewOf(theme), ['body-rows'], 'even', 'padding')).toEqual(jasmine.objectContaining({ text: '3px 14px 8px 14px', own: true }));
    expect(ledgerCell(viewOf(theme), ['body-rows'], 'odd', 'padding')).toEqual(jasmine.objectContaining({ text: '8px 14px', own: false }));
  });
  it('has what holds under conditions from which its own follows', () => {
    const rows = { even: { fill: 'mist' }, hovered: { fill: 'lamp' }, sorted: { weight: '700' } } as const;
    const fill = (condition: ConditionName): string | undefined =>
      ledgerCell(viewOf(themeWith({ 'body-rows': rows })), ['body-rows'], condition, 'fill')?.text;
    expect([fill('even'), fill('sorted-even'), fill('hovered-even'), fill('hovered-odd')]).toEqual(['mist', 'mist', 'lamp', 'lamp']);
    expect(ledgerCell(viewOf(themeWith({ 'body-rows': rows })), ['body-rows'], 'sorted-odd', 'weight')?.text).toBe('700');
  });
  it('has the contrast beside every ink', () => {
    for (const part of partNames.filter((name) => name !== 'lines')) {
      for (const condition of partOf(part).conditions.filter((each) => canBeSet(propertyOf('ink'), each)))
        expect(ledgerCell(viewOf(theme), [part], condition, 'ink')?.contrast?.ratio).toBeGreaterThanOrEqual(1);
    }
  });
});
