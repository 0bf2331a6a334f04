import { Editor, type JSONContent } from '@tiptap/core';
import { cellNodes, element, writeHtml } from '../../../../../core/compile';
import { dice } from '../../../../../core/tests/random';
import { cellOf, markKinds, type Cell, type Mark } from '../../../../../core/table';
import { cellOfDoc, docOf } from './cell-doc';
import { textExtensions } from './text-extensions';

/** What the text editor makes of content: a document, or pasted HTML. */
function edited(content: JSONContent | string): Cell {
  const editor = new Editor({ extensions: textExtensions((text) => text), content, injectCSS: false });
  const cell = cellOfDoc(editor.getJSON());
  editor.destroy();
  return cell;
}
const html = (cell: Cell): string => writeHtml(element('td', {}, ...cellNodes(cell)), 'compact');

describe('The text of a cell in the editor', () => {
  it('comes back as it was, whatever its marks', () => {
    for (let seed = 0; seed < 200; seed++) {
      const d = dice(seed);
      const text = d.pick(['Night boat to Skerrin', 'Νύχτα στη θάλασσα', 'ليل\nعلى البحر', 'a\n\nb c']);
      const kinds = markKinds.filter((kind) => kind !== 'icon' && kind !== 'picture');
      const marks = Array.from({ length: d.whole(0, 5) }, (): Mark => {
        const from = d.whole(0, text.length - 1);
        const kind = d.pick(kinds);
        const said: { readonly [kind in Mark['kind']]?: readonly string[] } = {
          link: ['/a', 'https://b.example/'],
          language: ['ar', 'de-CH'],
          ink: ['lamp', '#b3261e'],
          highlight: ['', '#ffdd00'],
        };
        const href = d.pick(said[kind] ?? ['']);
        return { from, to: d.whole(from + 1, text.length), kind, ...(href === '' ? {} : { href }) };
      });
      const cell = cellOf(text, marks);
      expect(html(edited(docOf(cell))))
        .withContext(`seed ${seed}`)
        .toBe(html(cell));
    }
  });
  it('keeps icons and pictures, each with what it says', () => {
    const marks: readonly Mark[] = [
      { from: 0, to: 4, kind: 'icon', href: 'boat' },
      { from: 0, to: 4, kind: 'link', href: '/boats' },
      { from: 9, to: 13, kind: 'picture', href: '/pictures/quay.png' },
    ];
    const sized = cellOf('quay', [{ from: 0, to: 4, kind: 'picture', href: '/pictures/quay.png', height: 48 }]);
    expect(edited(docOf(sized))).toEqual(sized);
    const cell = cellOf('Boat and quay', marks);
    expect(edited(docOf(cell))).toEqual(cell);
    expect(html(cell)).toMatch(
      /<a href="\/boats"><svg class="zp-icon" role="img" aria-label="Boat".*<\/svg><\/a> and <img class="zp-picture" src="\/pictures\/quay.png" alt="quay"/,
    );
    expect(html(cellOf('Boat', [{ from: 0, to: 4, kind: 'icon', href: 'gone' }]))).toBe('<td>Boat</td>');
  });
  it('is cleaned of what is pasted beside', () => {
    const pasted =
      '<h1 onclick="x()">Big</h1><p><b style="color:red">bold</b> <a href="javascript:alert(1)">bad</a> <a href="/good">good</a></p>' +
      '<script>alert(2)</script><img src="x" onerror="alert(3)"><table><tr><td>cell</td></tr></table>';
    const cell = edited(pasted);
    expect(html(cell)).not.toMatch(/script|javascript|onerror|onclick|style|<img|<h1/);
    expect(html(cell)).toContain('<strong>bold</strong> bad <a href="/good">good</a>');
  });
});
