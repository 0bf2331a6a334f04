import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { WebDriver } from 'selenium-webdriver';
import { devTools } from './driver';

/** A text on a sheet: where it begins from the left and from the bottom, and how wide and high it is, in points. */
export interface Printed {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
export interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly texts: readonly Printed[];
}

/** What is in view printed to a PDF as a reader does it from the browser, read again sheet by sheet: A4, 1 cm of margin, no fills. */
export async function printed(driver: WebDriver): Promise<readonly Sheet[]> {
  const margin = { marginTop: 0.4, marginBottom: 0.4, marginLeft: 0.4, marginRight: 0.4 };
  const paper = { paperWidth: 8.27, paperHeight: 11.69, preferCSSPageSize: false, printBackground: false };
  const { data } = (await devTools(driver, 'Page.printToPDF', { ...paper, ...margin })) as { readonly data: string };
  const task = getDocument({ data: Uint8Array.from(Buffer.from(data, 'base64')), isEvalSupported: false, useSystemFonts: false, verbosity: 0 });
  const pdf = await task.promise;
  const sheets: Sheet[] = [];
  for (let number = 1; number <= pdf.numPages; number++) {
    const page = await pdf.getPage(number);
    const { width, height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    const texts = items.flatMap((item): readonly Printed[] => {
      if (!('str' in item) || item.str.trim() === '') return [];
      const [, , , , x, y] = item.transform as readonly number[];
      return [{ text: item.str, x: x ?? 0, y: y ?? 0, width: item.width, height: item.height }];
    });
    sheets.push({ width, height, texts });
  }
  await task.destroy();
  return sheets;
}
