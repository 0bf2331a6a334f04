import type { Server } from 'node:http';
import { createApp, createStores, type Stores } from '../app';
import type { BackupKeeping } from '../backup/keeping';
import type { Database } from '../database/database';
import { openMemory } from './memory';

/** The server on a free port with a database in memory. */
export interface Running {
  readonly url: string;
  readonly database: Database;
  readonly stores: Stores;
  readonly logged: string[];
  readonly close: () => Promise<void>;
}

export interface RunOptions {
  readonly web?: string;
  readonly room?: () => number;
  readonly backups?: (database: Database) => BackupKeeping;
}

export async function runServer({ web, room, backups }: RunOptions = {}): Promise<Running> {
  const database = await openMemory();
  const logged: string[] = [];
  const app = createApp({ database, web, room, backups: backups?.(database), log: (message) => void logged.push(message) });
  const server = await new Promise<Server>((resolve) => {
    const listening: Server = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  const { port } = server.address() as { port: number };
  return {
    url: `http://127.0.0.1:${port}`,
    database,
    stores: createStores(database),
    logged,
    close: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await database.close();
    },
  };
}

export interface Answer {
  readonly status: number;
  readonly headers: Headers;
  readonly text: string;
  readonly json: Record<string, unknown>;
}

/** One request; a body that is no text is sent as JSON. */
export async function ask(url: string, method = 'GET', body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
  const sent = body === undefined || typeof body === 'string' ? body : JSON.stringify(body);
  const response = await fetch(url, {
    method,
    body: sent,
    headers: { ...(body === undefined ? {} : { 'Content-Type': 'application/json' }), ...headers },
  });
  const text = await response.text();
  let json: Record<string, unknown> = {};
  try {
    json = JSON.parse(text) as Record<string, unknown>;
  } catch {
    // Not every answer is JSON; the text is there.
  }
  return { status: response.status, headers: response.headers, text, json };
}
