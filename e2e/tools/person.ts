import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { finderScript } from './accessible';

/** How long a person waits for something before giving up. */
const PATIENCE_MS = 40_000;

/** True where no dialog is opening: one that is takes the focus when it has done so. */
const hasSettled = `const dialogs = document.querySelectorAll('mat-dialog-container');
  const last = dialogs[dialogs.length - 1];
  return !last || last.contains(document.activeElement) || (last.matches('.mdc-dialog--open') && !last.matches('.mdc-dialog--opening'));`;

export type Name = string | RegExp | null;

/** A person at the screen: finds things by role and name, waits for what should come, and never for time. */
export class Person {
  constructor(readonly driver: WebDriver) {}

  async open(url: string): Promise<void> {
    await this.driver.get(url);
  }

  /** All visible elements of a role whose name is the text, or matches the pattern. */
  async all(role: string, name: Name = null): Promise<WebElement[]> {
    const exact = typeof name === 'string';
    const found = await this.driver.executeScript<WebElement[] | null>(
      'return globalThis.findByRole ? globalThis.findByRole(arguments[0], arguments[1], arguments[2]) : null',
      role,
      name instanceof RegExp ? name.source : name,
      exact,
    );
    if (found) return found;
    await this.driver.executeScript(finderScript);
    return this.all(role, name);
  }

  async find(role: string, name: Name = null): Promise<WebElement> {
    return this.until(`a ${role} named ${String(name)}`, async () => (await this.all(role, name))[0]);
  }

  async isThere(role: string, name: Name = null): Promise<boolean> {
    return (await this.all(role, name)).length > 0;
  }
  async gone(role: string, name: Name = null): Promise<void> {
    await this.until(`no ${role} named ${String(name)}`, async () => !(await this.isThere(role, name)) || undefined);
  }

  async click(role: string, name: Name = null): Promise<void> {
    await this.until(`a click on the ${role} named ${String(name)}`, async () => {
      const [element] = await this.all(role, name);
      // As a person does: what lies half below a header that stays is scrolled out from under it first.
      if (element) await this.driver.executeScript('arguments[0].scrollIntoView({ block: "nearest", inline: "nearest" })', element);
      await element?.click();
      return element;
    });
  }

  /** Types over what stands in a field. */
  async fill(role: string, name: Name, text: string): Promise<void> {
    await this.until(`the ${role} named ${String(name)} to type in`, async () => {
      const [field] = await this.all(role, name);
      // A dialog takes the focus when it has opened; what is typed before that would land where it puts it.
      if (!(await this.driver.executeScript<boolean>(hasSettled))) return undefined;
      await field?.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.DELETE, text);
      return field;
    });
  }

  /** Moves the pointer over an element. */
  async hover(role: string, name: Name = null): Promise<void> {
    await this.until(`the pointer over the ${role} named ${String(name)}`, async () => {
      const [element] = await this.all(role, name);
      if (element) await this.driver.actions().move({ origin: element }).perform();
      return element;
    });
  }

  /** Puts the focus where the Tab key would. */
  async focus(role: string, name: Name): Promise<void> {
    await this.driver.executeScript('arguments[0].focus()', await this.find(role, name));
  }

  async choose(name: Name, option: string): Promise<void> {
    await this.until(`the choice ${option} of ${String(name)}`, async () => {
      const [field] = await this.all('combobox', name);
      return (
        (await this.driver.executeScript<true | null>(
          `const option = [...arguments[0]?.options ?? []].find((each) => each.textContent.trim() === arguments[1]);
         if (!option) return null;
         arguments[0].value = option.value;
         for (const name of ['input', 'change']) arguments[0].dispatchEvent(new Event(name, { bubbles: true }));
         return true;`,
          field,
          option,
        )) ?? undefined
      );
    });
  }

  /** Keys for whatever has the focus, through shadow roots. */
  async press(...keys: string[]): Promise<void> {
    await this.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  }
  async chord(...keys: string[]): Promise<void> {
    const actions = this.driver.actions();
    for (const key of keys.slice(0, -1)) actions.keyDown(key);
    actions.sendKeys(keys.at(-1) ?? '');
    for (const key of keys.slice(0, -1)) actions.keyUp(key);
    await actions.perform();
  }

  /** Puts something on the clipboard of a paste and pastes it into an element. */
  async paste(element: WebElement, clipboard: Readonly<Record<string, string>>): Promise<void> {
    await this.driver.executeScript(
      `const data = new DataTransfer();
       for (const [type, text] of Object.entries(arguments[1])) data.setData(type, text);
       arguments[0].dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
      element,
      clipboard,
    );
  }

  /** Waits until the header says that everything is kept. */
  async untilKept(): Promise<void> {
    // What was just done is painted first: before that the header still speaks of what was kept earlier.
    await this.driver.executeAsyncScript('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)))');
    await this.untilText(/All changes kept/);
  }
  async untilText(pattern: RegExp): Promise<void> {
    await this.until(`text like ${String(pattern)}`, async () => pattern.test(await this.text()) || undefined);
  }
  async text(): Promise<string> {
    return this.driver.executeScript<string>('return document.body.innerText');
  }

  /** A computed style of an element in the specimen, the page or a shadow root. */
  async style(element: WebElement, property: string): Promise<string> {
    return this.driver.executeScript<string>('return getComputedStyle(arguments[0]).getPropertyValue(arguments[1])', element, property);
  }

  /** The same for what takes a while: 100,000 rows on their way. */
  untilLong = <T>(what: string, ask: () => Promise<T | undefined>): Promise<T> => this.until(what, ask, 6 * PATIENCE_MS);

  /** Asks again and again until there is an answer; what is looked at may change meanwhile. */
  async until<T>(what: string, ask: () => Promise<T | undefined>, patience = PATIENCE_MS): Promise<T> {
    const end = Date.now() + patience;
    let last: unknown;
    do {
      try {
        const answer = await ask();
        if (answer !== undefined) return answer;
      } catch (error) {
        last = error;
      }
      await new Promise((resolve) => setTimeout(resolve, 40));
    } while (Date.now() < end);
    throw new Error(
      `Waited for ${what}.${last instanceof Error ? ` Last: ${last.message}` : ''} On the screen: ${(await this.text()).slice(0, 600)}`,
    );
  }
}
