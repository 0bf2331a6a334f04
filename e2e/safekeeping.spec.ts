import fs from 'node:fs';
import path from 'node:path';
import type { WebDriver } from 'selenium-webdriver';
import { axeFindings } from './tools/axe';
import { devTools } from './tools/driver';
import { opened } from './tools/opened';
import type { Person } from './tools/person';
import type { App } from './tools/server';

describe('Backups in the tool', () => {
  let app: App;
  let driver: WebDriver;
  let person: Person;
  opened({ demo: true, backups: true }, (all) => ({ app, driver, person } = all));
  const countOf = async (kind: string): Promise<number> => ((await (await fetch(`${app.url}/api/${kind}`)).json()) as readonly unknown[]).length;
  const backupOf = (reason: string): RegExp => new RegExp(`^Restore the backup of .*${reason}`);

  it('are made, replace everything with what is here kept first, and lead back again', async () => {
    const before = await countOf('tables');
    await person.open(`${app.url}/backups`);
    await person.click('button', 'Make the first one');
    await person.untilText(/A backup was made and tried\. It holds 7 themes/);
    expect(await axeFindings(driver)).toEqual([]);
    // On a phone everything that can be done with one is in sight, and nothing scrolls sideways.
    const wide = (width: number): Promise<unknown> =>
      devTools(driver, 'Emulation.setDeviceMetricsOverride', { width, height: 844, deviceScaleFactor: 1, mobile: false });
    await wide(390);
    expect(await driver.executeScript('return document.documentElement.scrollWidth')).toBe(390);
    const { x, width } = await (await person.find('button', /^Remove the backup/)).getRect();
    expect(x + width).toBeLessThanOrEqual(390);
    await wide(1280);
    await person.open(`${app.url}/tables`);
    await person.click('button', 'More for Berths at Oldquay');
    await person.click('menuitem', 'Delete');
    await person.untilText(/“Berths at Oldquay” was deleted/);

    // Another window that has the tool open starts anew when everything was replaced.
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    await person.open(`${app.url}/tables`);
    expect(await person.isThere('link', 'Berths at Oldquay')).toBeFalse();
    const other = await driver.getWindowHandle();
    await driver.switchTo().window(first);

    await person.open(`${app.url}/backups`);
    await person.click('button', backupOf(''));
    await person.find('dialog', /^Restore the backup of/);
    await person.untilText(/All that is here now is replaced: 7 themes, 7 tables/);
    await person.click('button', 'Replace everything');
    await person.untilText(/was restored\. What was here before is the backup of/);
    expect(await countOf('tables')).toBe(before);
    await driver.switchTo().window(other);
    await person.find('link', 'Berths at Oldquay');
    await driver.close();
    await driver.switchTo().window(first);

    // The newest is what was there before the restore.
    await person.untilText(/before a restore/);
    await person.click('button', backupOf(''));
    await person.find('dialog', /^Restore the backup of/);
    await person.click('button', 'Replace everything');
    await person.until('the table is deleted again', async () => ((await countOf('tables')) === before - 1 ? true : undefined));
    await person.untilText(/was restored/);
    await person.click('button', 'Bring back Berths at Oldquay');
    await person.untilText(/“Berths at Oldquay” is back/);
    expect(await countOf('tables')).toBe(before);
  });

  it('are brought in as files, and a wrong file is told and changes nothing', async () => {
    await person.open(`${app.url}/backups`);
    await person.click('button', 'Back up now');
    await person.untilText(/A backup was made and tried/);
    const folder = `${app.data}-backups`;
    const [name = ''] = fs.readdirSync(folder).filter((each) => each.endsWith('-asked.zip'));
    const mine = path.join(app.data, '..', `${path.basename(app.data)} mine.zip`);
    fs.copyFileSync(path.join(folder, name), mine);
    const wrong = path.join(app.data, '..', `${path.basename(app.data)} notes.zip`);
    fs.writeFileSync(wrong, 'not a backup');
    const count = fs.readdirSync(folder).length;
    const input = await driver.findElement({ css: 'input[type=file]' });
    await input.sendKeys(wrong);
    await person.find('alert', /is no ZIP file, or was cut off/);
    expect(fs.readdirSync(folder).length).toBe(count);
    await input.sendKeys(mine);
    await person.untilText(/is a good backup of .* and lies with the others\. Nothing was replaced yet/);
    expect(fs.readdirSync(folder).length).toBe(count + 1);
    await person.click('button', /^Remove the backup of/);
    await person.find('dialog', /for good/);
    await person.click('button', 'Remove it');
    await person.untilText(/was removed/);
    expect(fs.readdirSync(folder).length).toBe(count);
  });
});
