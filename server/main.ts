import fs from 'node:fs';
import type { Server } from 'node:http';
import path from 'node:path';
import { createApp, createStores } from './app';
import type { Database } from './database/database';
import { FolderError } from './database/lock';
import { openFolder } from './database/open';
import { loadDemo } from './demo';
import { OptionError, readOptions, type Options } from './options';
import { projectRoot } from './project-root';

const say = (text: string): void => void process.stdout.write(`${text}\n`);

/** One sentence, then exit code 1. */
function stop(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

async function start(options: Options): Promise<void> {
  const database = await openFolder(options.data).catch((error: unknown) => {
    if (error instanceof FolderError) return stop(error.message);
    return stop(`The data folder ${options.data} cannot be opened: ${error instanceof Error ? error.message : String(error)}`);
  });
  if (!options.empty && (await loadDemo(database, createStores(database)))) say('The demo data was loaded.');
  await createStores(database).tables.dropStray();
  const app = createApp({ database, web: path.join(projectRoot(), 'dist', 'web'), log: (message) => void process.stderr.write(`${message}\n`) });
  const server: Server = app.listen(options.port, '127.0.0.1', (error?: Error) => {
    if (error) void refusePort(error, options, database);
    else say(`Zest Pane is ready: http://localhost:${(server.address() as { port: number }).port}`);
  });
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void shutDown(server, database));
}

async function refusePort(error: NodeJS.ErrnoException, { port }: Options, database: Database): Promise<never> {
  await database.close();
  const reason = error.code === 'EADDRINUSE' ? 'is in use by another program' : `cannot be opened (${error.code ?? error.message})`;
  return stop(`Port ${port} ${reason}. Choose another with --port.`);
}

async function shutDown(server: Server, database: Database): Promise<void> {
  server.close();
  server.closeAllConnections();
  await database.close();
  process.exit(0);
}

try {
  const options = readOptions(process.argv.slice(2), process.env);
  if (options.help) say(fs.readFileSync(path.join(projectRoot(), 'scripts', 'help.txt'), 'utf8'));
  else await start(options);
} catch (error) {
  if (error instanceof OptionError) stop(error.message);
  throw error;
}
