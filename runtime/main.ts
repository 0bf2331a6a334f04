import { dress } from './dress';

for (const box of document.querySelectorAll<HTMLElement>('[data-visitor]')) dress(box);
