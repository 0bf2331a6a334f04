import { NARROW, lookAt, type Seen } from './page-verdict';

/** It is left after so many ms: a page that does not come is looked at by nobody. */
const PATIENCE_MS = 8_000;

/** Looks at a live page in a window as narrow as a phone's that nobody sees; undefined where it does not come. */
export async function lookNarrow(address: string): Promise<Seen | undefined> {
  const frame = document.createElement('iframe');
  frame.setAttribute('aria-hidden', 'true');
  frame.tabIndex = -1;
  frame.style.cssText = `position:fixed;inset-block-start:0;inset-inline-start:-9999px;inline-size:${NARROW}px;block-size:640px;border:0;visibility:hidden`;
  const gone = new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), PATIENCE_MS));
  const come = new Promise<Document | undefined>((resolve) => {
    frame.addEventListener('load', () => resolve(frame.contentDocument ?? undefined), { once: true });
    frame.addEventListener('error', () => resolve(undefined), { once: true });
  });
  frame.src = address;
  document.body.append(frame);
  try {
    const page = await Promise.race([come, gone]);
    if (!page) return undefined;
    await Promise.race([page.fonts.ready, gone]);
    return lookAt(page);
  } finally {
    frame.remove();
  }
}
