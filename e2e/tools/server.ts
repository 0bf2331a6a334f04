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
  readonly data?: string;
  readonly port?: number;
  readonly demo?: boolean;
  /** Whether backups are kept, beside the data folder. */
  readonly backups?: boolean;
}

export async function startApp({ data = newFolder(), port = 0, demo = false, backups = false }: StartOptions = {}): Promise<App> {
  const child: ChildProcess = spawn(
    process.execPath,
    ['dist/server/main.mjs', '--port', String(port), '--data', data, ...(demo ? [] : ['--empty']), ...(backups ? [] : ['--backups', 'none'])],
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
