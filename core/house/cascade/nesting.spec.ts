import { houseIn, readHouse, readHouseDocument, type HouseSheet } from '..';

const read = (css: string): HouseSheet => {
  const house = readHouse(css);
  if (!house.ok) throw new Error(house.problems[0]?.say);
  return house.value;
};

describe('A stylesheet that was made to take for ever', () => {
  it('is read without the nested rules whose selectors double at each level, which are told', () => {
    const house = read('td{color:red;' + '& &{color:red;'.repeat(24) + '}'.repeat(25));
    expect(house.notices.map(({ say }) => say)).toEqual([jasmine.stringMatching(/^A rule is left out: nested as it is/)]);
    expect(house.rules.length).toBeGreaterThan(5);
    expect(house.css.length).toBeLessThan(1000);
  });
  it('is so where a nested rule begins with a name, or stands in a query', () => {
    for (const css of [
      'td{' + 'b & & &{color:red;'.repeat(24) + '}'.repeat(25),
      'td{' + '@media print{& & &{color:red;'.repeat(24) + '}}'.repeat(24) + '}',
      'td{' + '&:is(&,&,&){color:red;'.repeat(20) + '}'.repeat(21),
    ])
      expect(read(css).notices.some(({ say }) => say.startsWith('A rule is left out: nested'))).toBeTrue();
  });
  it('keeps nesting as people write it, however deep', () => {
    const css = '.card{color:red;' + '&:hover{color:red;'.repeat(40) + '}'.repeat(41);
    expect(read(css).notices).toEqual([]);
    expect(read(css).rules.length).toBe(41);
  });
  it('is refused with a sentence where brackets stand too deep in brackets', () => {
    for (const css of ['a{'.repeat(100_000), `td{width:${'calc('.repeat(100_000)}`, ':not('.repeat(100_000), '['.repeat(100_000)]) {
      const house = readHouse(css);
      expect(!house.ok && house.problems[0]?.say).toMatch(/more than 200 deep/);
      expect(readHouseDocument({ ...houseIn(''), css }).ok).toBeFalse();
    }
    expect(readHouse(`td::before{content:"${'('.repeat(1000)}"} /* ${'{'.repeat(1000)} */ .a\\({color:red}`).ok).toBeTrue();
  });
});
