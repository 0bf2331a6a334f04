import { Router } from 'express';
import type { Changes } from './changes';

/** So often something is sent though nothing happens, in ms: a connection that is gone is noticed, and proxies keep it open. */
const BEAT = 25_000;
/** So many bytes wait for a reader at most; one change has about 80. */
const QUEUE_MOST = 64_000;

/** What changes, as server-sent events (HTML Standard, section 9.2): each `data` is one change as JSON. */
export function changeRoutes(changes: Changes): Router {
  const router = Router();
  router.get('/', (request, response) => {
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform', 'X-Accel-Buffering': 'no' });
    response.flushHeaders();
    // A window asks again this soon after the connection was cut (HTML Standard, section 9.2.6), in ms.
    response.write('retry: 700\n\n');
    const send = (text: string): void => {
      // Who does not read is let go, and asks again when it does: a window then looks at everything anew.
      if (response.writableLength > QUEUE_MOST) response.destroy();
      else response.write(text);
    };
    const stop = changes.listen((change) => send(`data: ${JSON.stringify(change)}\n\n`));
    const beat = setInterval(() => send(': still here\n\n'), BEAT);
    response.on('close', () => {
      stop();
      clearInterval(beat);
    });
  });
  return router;
}
