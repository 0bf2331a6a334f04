import { parseArgs } from 'node:util';
import path from 'node:path';

export interface Options {
  readonly port: number;
  /** Port of the neighbouring site; undefined leaves it out. */
  readonly neighbour: number | undefined;
  readonly data: string;
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
        empty: { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
      },
    }));
  } catch (error) {
    throw new OptionError(`${(error as Error).message.split('. ')[0] ?? 'An option is not known'}. See npm start -- --help.`);
  }
  const port = portIn(values.port ?? environment['ZEST_PORT'] ?? '4310');
  const beside = values.neighbour ?? environment['ZEST_NEIGHBOUR'] ?? String(port === 0 ? 0 : Math.min(port + 1, 65_535));
  const data = values.data ?? environment['ZEST_DATA'] ?? 'data';
  return {
    port,
    neighbour: beside === 'none' ? undefined : portIn(beside),
    data: path.resolve(data),
    empty: values.empty ?? ['1', 'true', 'yes'].includes(environment['ZEST_EMPTY'] ?? ''),
    help: values.help ?? false,
  };
}

function portIn(text: string): number {
  const port = Number(text);
  if (!/^\d+$/.test(text) || port > 65_535) throw new OptionError(`The port ${text} is not a number from 0 to 65535.`);
  return port;
}
