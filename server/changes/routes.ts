import { Router } from 'express';
import type { Changes } from './changes';

/** So often something is sent though nothing happens, in ms: a connection that is gone is noticed, and proxies keep it open. */
const BEAT = 25_000;

/** What changes, as server-sent events (HTML Standard, section 9.2): each `data` is one change as JSON. */
export function changeRoutes(changes: Changes): Router {
  const router = Router();
  router.get('/', (request, response) => {
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform', 'X-Accel-Buffering': 'no' });
    response.flushHeaders();
    response.write(': here\n\n');
    const stop = changes.listen((change) => void response.write(`data: ${JSON.stringify(change)}\n\n`));
    const beat = setInterval(() => void response.write(': still here\n\n'), BEAT);
    request.on('close', () => {
      stop();
      clearInterval(beat);
    });
  });
  return router;
}
