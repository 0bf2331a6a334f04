import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { projectRoot } from '../project-root';

/** The server as its users run it: a process of its own. */
export interface ServerProcess {
  /** Its address once it is ready; rejected with what it said where it stops before. */
  readonly ready: Promise<string>;
  /** What it said in all, and its exit code. */
  readonly ended: Promise<{ readonly code: number | null; readonly text: string }>;
  readonly kill: (signal?: NodeJS.Signals) => Promise<unknown>;
}

/** What was built, where the run has just built it (`npm test`, `npm run prove`): it starts in a fraction of the time. */
const program = (): readonly string[] =>
  process.env['ZEST_BUILT'] === '1'
    ? [path.join(projectRoot(), 'dist', 'server', 'main.mjs')]
    : ['--import', 'tsx', path.join(projectRoot(), 'server', 'main.ts')];

const started = new Set<ChildProcess>();

export function startServer(...args: string[]): ServerProcess {
  const child = spawn(process.execPath, [...program(), ...args], { cwd: projectRoot(), stdio: ['ignore', 'pipe', 'pipe'] });
  started.add(child);
  let text = '';
  const ended = new Promise<{ code: number | null; text: string }>((resolve) => {
    child.once('close', (code) => {
      started.delete(child);
      resolve({ code, text });
    });
  });
  const ready = new Promise<string>((resolve, reject) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (data) => {
        text += String(data);
        const address = /ready: (http:\S+)/.exec(text)?.[1];
        if (address) resolve(address.replace('localhost', '127.0.0.1'));
      });
    void ended.then(() => reject(new Error(`It stopped: ${text}`)));
  });
  // Whoever only wants to see it end does not wait for it to be ready.
  ready.catch(() => undefined);
  return {
    ready,
    ended,
    kill: (signal = 'SIGKILL') => {
      child.kill(signal);
      return ended;
    },
  };
}

/** Ends whatever a failed spec left running. */
export const killAll = (): void => started.forEach((child) => child.kill('SIGKILL'));
