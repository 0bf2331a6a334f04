import { Router } from 'express';
import type { Change, Changes } from './changes';

/** So often something is sent though nothing happens, in ms: a connection that is gone is noticed, and proxies keep it open. */
const BEAT = 25_000;
/** Of so many things at most is it held what happened to them last, for a window that does not read; one change has about 80 bytes. */
const HELD_MOST = 1000;

const keyOf = ({ kind, id, what }: Change): string => `${kind} ${what} ${id}`;
const written = (change: Change): string => `data: ${JSON.stringify(change)}\n\n`;

/** What changes, as server-sent events (HTML Standard, section 9.2): each `data` is one change as JSON. */
export function changeRoutes(changes: Changes): Router {
  const router = Router();
  router.get('/', (request, response) => {
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform', 'X-Accel-Buffering': 'no' });
    response.flushHeaders();
    // A window asks again this soon after the connection was cut (HTML Standard, section 9.2.6), in ms.
    response.write('retry: 700\n: here\n\n');
    /** What a window that reads slowly has not been told: of each thing the last that happened. */
    const held = new Map<string, Change>();
    const send = (change: Change): void => {
      if (!response.writableNeedDrain) return void response.write(written(change));
      held.delete(keyOf(change));
      held.set(keyOf(change), change);
      // Who does not read at all is let go, and asks again when it does: a window then looks at everything anew.
      if (held.size > HELD_MOST) response.destroy();
    };
    response.on('drain', () => {
      const all = [...held.values()];
      held.clear();
      for (const change of all) send(change);
    });
    const stop = changes.listen(send);
    let hasStalled = false;
    const beat = setInterval(() => {
      if (response.writableNeedDrain && hasStalled) response.destroy();
      hasStalled = response.writableNeedDrain;
      if (!hasStalled) response.write(': still here\n\n');
    }, BEAT);
    response.on('close', () => {
      stop();
      clearInterval(beat);
    });
  });
  return router;
}
