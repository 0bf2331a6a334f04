import { snippet } from '../../core/compile';
import { elsewhereAddress } from '../../core/page';

/** A page of the neighbouring site: what its people typed or pasted, as HTML. */
export interface Story {
  readonly title: string;
  readonly body: string;
}

/** The stories with which the neighbouring site begins; each has a table of the demo data in one of the two forms. */
export const storiesOf = (server: string): ReadonlyMap<string, Story> => {
  const fares = { origin: server, page: 'night-boats', block: 'b5', name: 'Fares by age', slug: 'night-boats' };
  const log = { ...fares, block: 'b7', name: 'Every crossing so far' };
  return new Map<string, Story>([
    [
      'night-boats',
      {
        title: 'Who still takes the night boats?',
        body: `<p>More people than the harbour office expected. We counted the lanterns, and then we asked for the log.</p>
${snippet(log, 'element')}
<p>The office keeps the log; what it publishes is what stands here.</p>`,
      },
    ],
    [
      'fares',
      {
        title: 'Fares will stay, for now',
        body: `<p>This table comes as plain HTML: our server asks theirs for it at every visit, and no script is needed.</p>
<!--#include virtual="${server}${elsewhereAddress(fares.page, fares.block)}" -->
<p>Islanders with a pass still pay the lowest fare.</p>`,
      },
    ],
  ]);
};

/**
 * How the neighbouring site dresses its own tables. Nothing of it is meant for ours, and all of it would reach them.
 */
export const STYLES = `body { margin: 0; font: 1.0625rem/1.6 Georgia, "Liberation Serif", serif; background: #f3ecdd; color: #33261a; }
#paper { max-width: 50rem; margin: 0 auto; padding: 1.5rem 1.25rem 4rem; background: #fffaf0; min-height: 100vh; box-sizing: border-box; }
#paper > header { border-bottom: 4px double #33261a; display: flex; gap: 1.5rem; align-items: baseline; flex-wrap: wrap; }
#paper > header p { font-size: 1.75rem; font-weight: 700; margin: 0 0 .5rem; }
a { color: #8a2c0d; }
h1 { font-size: 2rem; line-height: 1.2; }
table { border-collapse: collapse; border: 3px double #8a2c0d; font-variant: small-caps; width: 100%; }
#paper td, #paper th { padding: 14px 18px; border: 1px dotted #8a2c0d; background: #fff3d6; text-align: center; }
table tr:hover td { background: #ffe3a8; }
caption { font-style: italic; caption-side: bottom; color: #8a2c0d; }
label { display: block; margin-block: 1rem .25rem; font-weight: 700; }
textarea, input { width: 100%; box-sizing: border-box; font: 0.9375rem/1.5 "Liberation Mono", monospace; padding: .5rem; }
button { font: inherit; padding: .4rem 1rem; margin-top: 1rem; min-height: 2.5rem; }
`;
