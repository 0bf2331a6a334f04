import { buildSync } from 'esbuild';

/**
 * A script for the page that finds elements as assistive technology does: by role and accessible name
 * (dom-accessibility-api), through open shadow roots, visible ones only.
 */
export const finderScript: string =
  buildSync({
    stdin: {
      contents: `
      import { computeAccessibleName, getRole } from 'dom-accessibility-api';
      // HTML-AAM: a th of scope row or rowgroup is a row header.
      const roleOf = (element) => (element.localName === 'th' && /^row/.test(element.getAttribute('scope') ?? '') ? 'rowheader' : getRole(element));
      const hidden = (element) => element.closest('[aria-hidden=true], [inert]') !== null || (element.getRootNode().host ? hidden(element.getRootNode().host) : false);
      const visible = (element) => element.checkVisibility({ visibilityProperty: true }) && !hidden(element);
      function* all(root) {
        for (const element of root.querySelectorAll('*')) {
          yield element;
          if (element.shadowRoot) yield* all(element.shadowRoot);
        }
      }
      globalThis.findByRole = (role, name, exact) => {
        const wanted = name === null ? null : exact ? name : new RegExp(name, 'i');
        const found = [];
        for (const element of all(document)) {
          if (roleOf(element) !== role || !visible(element)) continue;
          // What an alert or a status says is its content; these roles have no name from it.
          const called = (['alert', 'status'].includes(role) ? element.textContent : computeAccessibleName(element)).replace(/\\s+/g, ' ').trim();
          if (wanted === null || (typeof wanted === 'string' ? called === wanted : wanted.test(called))) found.push(element);
        }
        return found;
      };
    `,
      resolveDir: process.cwd(),
    },
    bundle: true,
    write: false,
    format: 'iife',
  }).outputFiles[0]?.text ?? '';
