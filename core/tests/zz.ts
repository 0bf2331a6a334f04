import { dice, randomGrown, starterNames } from './random';
import { deriveDark } from '../dark';
import { viewOfChanged } from '../theme';
import { readability, inkOf } from '../paint';
import { winnerAt } from '../resolve';
import { toHex, contrast, WHITE } from '../colour';
const view = randomGrown(dice(63), starterNames, 2);
const made = deriveDark(view);
const dark = made && viewOfChanged(view, made).in('dark');
const slot = { part: 'caption', conditions: [] } as const;
for (const v of [view, dark!]) { const r = readability(v, slot); console.log(r.ratio, toHex(inkOf(v, slot)), toHex(r.ground), winnerAt(v, slot, 'ink').place, winnerAt(v, slot, 'ink').value, winnerAt(v, slot, 'fill').value, contrast(WHITE, r.ground)); }
for (const v of [view, dark!]) console.log(v.said({part:'table',condition:'rest'},'opacity').map(s=>s.text), v.said({part:'caption',condition:'rest'},'fill').map(s=>s.text+' '+s.place.mode), v.said({part:'caption',condition:'rest'},'ink').map(s=>s.text+' '+s.place.mode),v.said({part:'table',condition:'rest'},'fill').map(s=>s.text+' '+s.place.mode));
