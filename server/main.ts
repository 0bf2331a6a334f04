import fs from 'node:fs';
import type { Server } from 'node:http';
import path from 'node:path';
import { createApp, createStores } from './app';
import { BackupError } from './backup/archive';
import { backupTo, newestIn, restoreFrom } from './backup/command';
import { triedInThread } from './backup/in-thread';
import { BackupKeeping, isBackupName } from './backup/keeping';
import type { Database } from './database/database';
import { FolderError, noteAddress } from './database/lock';
import { DamagedFolder, openFolder } from './database/open';
import { roomAt } from './database/room';
import { loadDemo } from './demo';
import { sweepDeleted } from './documents/deleted';
import { createNeighbour } from './neighbour/neighbour';
import { OptionError, readOptions, type Options } from './options';
import { projectRoot } from './project-root';

const say = (text: string): void => void process.stdout.write(`${text}\n`);

/** So long may a request take to be sent, in ms. */
const BODY_WITHIN = 120_000;

const DAY = 86_400_000;

/** One sentence, then exit code 1. */
function stop(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

async function start(options: Options): Promise<void> {
  const database = await openFolder(options.data).catch(async (error: unknown) => {
    if (error instanceof DamagedFolder) return stop(`${error.message}${await offered(options)}`);
    if (error instanceof FolderError) return stop(error.message);
    return stop(`The data folder ${options.data} cannot be opened: ${error instanceof Error ? error.message : String(error)}`);
  });
  if (!options.empty && (await loadDemo(database))) say('The demo data was loaded.');
  await createStores(database).tables.dropStray();
  const backups = keepingFor(options, database);
  let neighbour: Server | undefined;
  const app = createApp({
    database,
    web: path.join(projectRoot(), 'dist', 'web'),
    neighbour: () => (neighbour?.listening ? addressOf(neighbour) : undefined),
    room: () => roomAt(options.data),
    backups,
    log,
  });
  const server: Server = app.listen(options.port, '127.0.0.1', (error?: Error) => {
    if (error) return void refusePort(error, options, database);
    const ready = (): void => {
      noteAddress(options.data, addressOf(server));
      say(`Zest Pane is ready: ${addressOf(server)}`);
      lookAfter(database, backups);
    };
    if (options.neighbour === undefined) return ready();
    neighbour = createNeighbour(addressOf(server)).listen(options.neighbour, '127.0.0.1', (problem?: Error) => {
      // The tool does its work without it.
      if (problem || !neighbour)
        say(
          `The neighbouring site is left out, since its port ${reasonOf(problem ?? new Error('no reason was given'))}. Choose another port for it with --neighbour.`,
        );
      else say(`A neighbouring site shows tables from here: ${addressOf(neighbour)}`);
      ready();
    });
  });
  // What a request sends comes within two minutes, its headers within one (Node's own limit).
  server.requestTimeout = BODY_WITHIN;
  const servers = (): readonly Server[] => (neighbour ? [server, neighbour] : [server]);
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void shutDown(servers(), database));
}

const log = (message: string): void => void process.stderr.write(`${message}\n`);

function keepingFor({ backups: folder, data }: Options, database: Database): BackupKeeping | undefined {
  if (folder === undefined) return undefined;
  const room = (): number => Math.min(roomAt(folder), roomAt(data));
  return new BackupKeeping({ database, folder, room, tried: triedInThread, log });
}

/** What is done while the server runs: backups, and taking away once a day what was deleted long ago. */
function lookAfter(database: Database, backups: BackupKeeping | undefined): void {
  const sweep = (): void => void sweepDeleted(database).catch((error: unknown) => log(String(error)));
  setInterval(sweep, DAY).unref();
  // What was kept is compared before anything is taken away.
  void (backups ? backups.start() : Promise.resolve()).finally(sweep);
}

/** The newest backup, for somebody whose data folder cannot be opened. */
async function offered({ backups }: Options): Promise<string> {
  const newest = backups === undefined ? undefined : await newestIn(backups, isBackupName);
  return newest ? ` The newest backup is of ${newest.madeAt}: npm start -- --restore ${newest.file}` : '';
}

async function refusePort(error: NodeJS.ErrnoException, { port }: Options, database: Database): Promise<never> {
  await database.close();
  return stop(`Port ${port} ${reasonOf(error)}. Choose another with --port.`);
}

const addressOf = (server: Server): string => `http://localhost:${(server.address() as { port: number }).port}`;
const reasonOf = ({ code, message }: NodeJS.ErrnoException): string =>
  code === 'EADDRINUSE' ? 'is in use by another program' : `cannot be opened (${code ?? message})`;

async function shutDown(servers: readonly Server[], database: Database): Promise<void> {
  for (const server of servers) {
    server.close();
    server.closeAllConnections();
  }
  await database.close();
  process.exit(0);
}

try {
  const options = readOptions(process.argv.slice(2), process.env);
  if (options.help) say(fs.readFileSync(path.join(projectRoot(), 'scripts', 'help.txt'), 'utf8'));
  else if (options.backup !== undefined) await backupTo(options.data, options.backup, { say, tried: triedInThread });
  else if (options.restore !== undefined) await restoreFrom(options.data, options.restore, { say, tried: triedInThread });
  else await start(options);
} catch (error) {
  if (error instanceof OptionError || error instanceof BackupError || error instanceof FolderError) stop(error.message);
  throw error;
}
