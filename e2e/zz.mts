import { writeFileSync } from 'node:fs';
import { openBrowser, devTools } from './tools/driver';
const d = await openBrowser();
const page = (css: string, head='') => 'data:text/html,' + encodeURIComponent(`<!doctype html><style>td,th{border:1px solid} ${css}</style><table><thead><tr><th>${head||'<button>Head</button>'}<th><button>Two</button></thead>` + '<tr><td>a<td>b'.repeat(100) + '</table>');
const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
for (const [name, css] of [["mask before","button{display:contents!important} th::before{content:'';display:inline-block;width:1em;height:1em;background:currentColor;mask:linear-gradient(#000,#000)}"],["svg icon","button{display:contents!important} th::before{content:'X';}"],["img","button{display:contents!important} th{background:linear-gradient(red,red)}"]] as const) {
  await d.get(page(css));
  const { data } = (await devTools(d, 'Page.printToPDF', {})) as { data: string };
  const pdf = await getDocument({ data: Uint8Array.from(Buffer.from(data, 'base64')), verbosity: 0 }).promise;
  const out: string[] = [];
  for (let i = 1; i <= pdf.numPages; i++) out.push((await (await pdf.getPage(i)).getTextContent()).items.map((x: any) => x.str).join('').slice(0, 12));
  console.log(name, out);
}
await d.quit(); process.exit(0);
