import { PNG } from 'pngjs';
import type { WebDriver } from 'selenium-webdriver';
import { honestDrawings } from './tools/drawings';
import { openBrowser } from './tools/driver';
import { startApp } from './tools/server';

/** Lays pictures out in rows, each in a place of its own, and gives what is painted when all have come. */
async function painted(driver: WebDriver, page: string, addresses: readonly string[]): Promise<PNG> {
  await driver.get(page);
  await driver.executeAsyncScript(
    `const [addresses, done] = arguments;
     document.body.innerHTML = '';
     document.body.style.margin = 0;
     const all = addresses.map((src, i) => {
       const picture = document.createElement('img');
       Object.assign(picture.style, { position: 'absolute', left: (i % 10) * 128 + 'px', top: Math.floor(i / 10) * 96 + 'px' });
       picture.width = 120;
       picture.height = 90;
       picture.src = src;
       document.body.append(picture);
       return picture.decode();
     });
     Promise.all(all).then(() => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(() => done()))));`,
    addresses,
  );
  return PNG.sync.read(Buffer.from(await driver.takeScreenshot(), 'base64'));
}

describe('Sixty honest drawings', () => {
  it('are all taken, and look as they did, to the pixel', async () => {
    const app = await startApp();
    const driver = await openBrowser();
    try {
      expect([honestDrawings.length, new Set(honestDrawings).size]).toEqual([60, 60]);
      const kept: string[] = [];
      for (const [i, drawing] of honestDrawings.entries()) {
        const answer = await fetch(`${app.url}/api/media?name=${i}.svg`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/octet-stream' },
          body: drawing,
        });
        const { id, detail } = (await answer.json()) as { readonly id?: string; readonly detail?: string };
        expect(id).withContext(`${detail}: ${drawing}`).toBeDefined();
        kept.push(`/pictures/${id}`);
      }
      const ours = await painted(driver, `${app.url}/preview.html`, kept);
      const theirs = await painted(
        driver,
        'data:text/html,<!doctype html><body>',
        honestDrawings.map((drawing) => `data:image/svg+xml;base64,${Buffer.from(drawing).toString('base64')}`),
      );
      const differing = honestDrawings.flatMap((drawing, i) => {
        const [left, top] = [(i % 10) * 128, Math.floor(i / 10) * 96];
        const part = (image: PNG): string =>
          Array.from({ length: 90 }, (_, y) =>
            image.data.subarray(((top + y) * image.width + left) * 4, ((top + y) * image.width + left + 120) * 4).toString('hex'),
          ).join('');
        const [one, other] = [part(ours), part(theirs)];
        // Each shows something: an empty place would be the same as another empty place.
        if (new Set(one.match(/.{8}/g)).size < 3) return [`nothing is seen of ${drawing}`];
        return one === other ? [] : [drawing];
      });
      expect(differing).toEqual([]);
    } finally {
      await driver.quit();
      await app.kill();
    }
  });
});
