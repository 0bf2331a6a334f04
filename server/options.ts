import { parseArgs } from 'node:util';
import path from 'node:path';

export interface Options {
  readonly port: number;
  /** Port of the neighbouring site; undefined leaves it out. */
  readonly neighbour: number | undefined;
  readonly data: string;
  /** Folder of the backups; undefined keeps none. */
  readonly backups: string | undefined;
  /** A file that a backup is written to, or restored from, in place of starting the server. */
  readonly backup: string | undefined;
  readonly restore: string | undefined;
  readonly empty: boolean;
  readonly help: boolean;
}

/** What was asked for cannot be done; the message is one sentence. */
export class OptionError extends Error {}

/** Reads arguments, then the environment, then what is usual. Throws OptionError. */
export function readOptions(args: readonly string[], environment: Readonly<Record<string, string | undefined>>): Options {
  let values;
  try {
    ({ values } = parseArgs({
      args: [...args],
      options: {
        port: { type: 'string' },
        neighbour: { type: 'string' },
        data: { type: 'string' },
        backups: { type: 'string' },
        backup: { type: 'string' },
        restore: { type: 'string' },
        empty: { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
      },
    }));
  } catch (error) {
    throw new OptionError(`${(error as Error).message.split('. ')[0] ?? 'An option is not known'}. See npm start -- --help.`);
  }
  const port = portIn(values.port ?? environment['ZEST_PORT'] ?? '4310');
  const beside = values.neighbour ?? environment['ZEST_NEIGHBOUR'] ?? String(port === 0 ? 0 : Math.min(port + 1, 65_535));
  const data = path.resolve(values.data ?? environment['ZEST_DATA'] ?? 'data');
  const backups = values.backups ?? environment['ZEST_BACKUPS'] ?? `${data}-backups`;
  if (values.backup !== undefined && values.restore !== undefined) throw new OptionError('Choose one of --backup and --restore.');
  if (backups !== 'none' && `${path.resolve(backups)}${path.sep}`.startsWith(`${data}${path.sep}`))
    throw new OptionError(
      `The folder for backups, ${path.resolve(backups)}, lies in the data folder, which they are for. Choose another with --backups.`,
    );
  return {
    port,
    neighbour: beside === 'none' ? undefined : portIn(beside),
    data,
    backups: backups === 'none' ? undefined : path.resolve(backups),
    backup: fileIn(values.backup, '--backup'),
    restore: fileIn(values.restore, '--restore'),
    empty: values.empty ?? ['1', 'true', 'yes'].includes(environment['ZEST_EMPTY'] ?? ''),
    help: values.help ?? false,
  };
}

function fileIn(given: string | undefined, option: string): string | undefined {
  if (given === '') throw new OptionError(`Say which file: ${option} FILE.`);
  return given === undefined ? undefined : path.resolve(given);
}

function portIn(text: string): number {
  const port = Number(text);
  if (!/^\d+$/.test(text) || port > 65_535) throw new OptionError(`The port ${text} is not a number from 0 to 65535.`);
  return port;
}
