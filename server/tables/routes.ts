import { Router } from 'express';
import { dataFormats, tableData, tableFile } from '../../core/hand-off';
import { heightOf, previewOf, readTable, widthOf, type Table } from '../../core/table';
import { documentRoutes, idOf } from '../documents/routes';
import type { DocumentStore } from '../documents/store';
import type { ThemeStore } from '../themes/queries';

/** Body rows that a list shows of each table. */
const LIST_ROWS = 5;

export function tableRoutes(store: DocumentStore<Table>, themes: ThemeStore): Router {
  const router = Router();
  /** The hand-off: the table's markup, with the class of the theme that it is dressed in. */
  router.get('/:id/markup', async (request, response) => {
    const { document } = await store.get(idOf(request));
    const key = (await themes.keys()).get(document.theme);
    response
      .type('text/html')
      .attachment(`${asciiName(document.name)}.html`)
      .send(tableFile(document, key));
  });
  /** The table's content as data: `data.csv`, `data.xlsx` and so on. */
  for (const { name, type } of dataFormats)
    router.get(`/:id/data.${name}`, async (request, response) => {
      const { document } = await store.get(idOf(request));
      const data = tableData(document, name);
      response
        .type(type)
        .attachment(`${asciiName(document.name)}.${name}`)
        .send(typeof data === 'string' ? data : Buffer.from(data));
    });
  router.use(
    documentRoutes({
      store,
      read: readTable,
      summary: (kept) => ({ ...kept, document: previewOf(kept.document, LIST_ROWS), rows: heightOf(kept.document), columns: widthOf(kept.document) }),
    }),
  );
  return router;
}

const asciiName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '') || 'table';
