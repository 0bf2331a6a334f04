import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

/** The built application, running as its users run it, on a data folder of its own. */
export interface App {
  readonly url: string;
  /** The site beside it that is not ours. */
  readonly neighbour: string;
  readonly data: string;
  readonly output: () => string;
  readonly pid: number;
  readonly kill: (signal?: NodeJS.Signals) => Promise<void>;
}

export const newFolder = (): string => fs.mkdtempSync(path.join(os.tmpdir(), 'zest-e2e-'));

export interface StartOptions {
  /** A folder that is begun anew, or is there; without it one as a first start leaves it. */
  readonly data?: string;
  readonly port?: number;
  readonly demo?: boolean;
  /** Whether backups are kept, beside the data folder. */
  readonly backups?: boolean;
}

const built = 'dist/server/main.mjs';

/**
 * A folder as the first start leaves it, copied from one that is made once for each build: a first start takes four times as long as
 * another, and what it does has journeys of its own (`hardships.spec.ts`), which name their folder.
 */
async function started(demo: boolean): Promise<string> {
  const stamp = Math.round(fs.statSync(built).mtimeMs).toString(36);
  const first = path.join(os.tmpdir(), `zest-first-${stamp}-${demo ? 'demo' : 'empty'}`);
  if (!fs.existsSync(first)) {
    const making = newFolder();
    await (await startApp({ data: making, demo })).kill();
    try {
      fs.renameSync(making, first);
    } catch {
      // Another lane was quicker.
      fs.rmSync(making, { recursive: true, force: true });
    }
  }
  const data = newFolder();
  fs.cpSync(first, data, { recursive: true });
  return data;
}

export async function startApp({ data: named, port = 0, demo = false, backups = false }: StartOptions = {}): Promise<App> {
  const data = named ?? (await started(demo));
  const child: ChildProcess = spawn(
    process.execPath,
    [built, '--port', String(port), '--data', data, ...(demo ? [] : ['--empty']), ...(backups ? [] : ['--backups', 'none'])],
    { stdio: ['ignore', 'pipe', 'pipe'] },
  );
  let text = '';
  const url = await new Promise<string>((resolve, reject) => {
    const read = (chunk: unknown): void => {
      text += String(chunk);
      const address = /ready: (http:\S+)/.exec(text)?.[1];
      if (address) resolve(address);
    };
    child.stdout?.on('data', read);
    child.stderr?.on('data', read);
    child.once('close', () => reject(new Error(`The server stopped: ${text}`)));
  });
  return {
    url,
    neighbour: /shows tables from here: (http:\S+)/.exec(text)?.[1] ?? '',
    data,
    output: () => text,
    pid: child.pid ?? 0,
    kill: async (signal = 'SIGTERM') => {
      if (child.exitCode !== null || child.signalCode !== null) return;
      const closed = new Promise((resolve) => child.once('close', resolve));
      child.kill(signal);
      await closed;
    },
  };
}

/** Sends a document to the server, and gives what that answers; fails where it refuses. */
export async function sent<T>({ url }: App, method: string, address: string, body?: object): Promise<T> {
  const given = body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
  const answer = await fetch(`${url}/api${address}`, { method, ...given });
  if (!answer.ok) throw new Error(`${method} ${address}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
}
