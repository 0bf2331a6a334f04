import { parseArgs } from 'node:util';
import path from 'node:path';

export interface Options {
  readonly port: number;
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
      options: { port: { type: 'string' }, data: { type: 'string' }, empty: { type: 'boolean' }, help: { type: 'boolean', short: 'h' } },
    }));
  } catch (error) {
    throw new OptionError(`${(error as Error).message.split('. ')[0] ?? 'An option is not known'}. See npm start -- --help.`);
  }
  const portText = values.port ?? environment['ZEST_PORT'] ?? '4310';
  const port = Number(portText);
  if (!/^\d+$/.test(portText) || port > 65_535) throw new OptionError(`The port ${portText} is not a number from 0 to 65535.`);
  const data = values.data ?? environment['ZEST_DATA'] ?? 'data';
  return {
    port,
    data: path.resolve(data),
    empty: values.empty ?? ['1', 'true', 'yes'].includes(environment['ZEST_EMPTY'] ?? ''),
    help: values.help ?? false,
  };
}
