import type { Feature } from '../feature';

/** A click anywhere in a row follows its first link, unless it was meant for something else. */
export const rowLink: Feature = ({ box, can }) => {
  if (can.has('rowLink'))
    box.addEventListener('click', (event) => {
      const target = event.target as HTMLElement;
      if (!target.closest('a,button,input,label,select,summary') && box.ownerDocument.getSelection()?.isCollapsed !== false)
        target.closest('tbody > tr')?.querySelector<HTMLElement>('a[href]')?.click();
    });
  return undefined;
};
