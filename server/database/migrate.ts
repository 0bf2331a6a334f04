import fs from 'node:fs';
import path from 'node:path';
import { own } from '../../core/own';
import { projectRoot } from '../project-root';
import type { Database, Queries } from './database';
import { steps } from './steps';

const migrationsFolder = (): string => path.join(projectRoot(), 'server', 'database', 'migrations');

/** Numbered migrations in their order: `001-documents.sql` and so on, files of SQL and steps in code (`steps/`). */
export const migrationNames = (): readonly string[] =>
  [...fs.readdirSync(migrationsFolder()).filter((name) => /^\d{3}-[a-z-]+\.sql$/.test(name)), ...Object.keys(steps)].sort();

/** Does what a migration says, in the transaction that is given. */
async function run(name: string, queries: Queries): Promise<void> {
  const step = own(steps, name);
  if (step) return step(queries);
  const statements = fs
    .readFileSync(path.join(migrationsFolder(), name), 'utf8')
    .split(/;\s*$/m)
    .filter((statement) => statement.replace(/--.*$/gm, '').trim() !== '');
  for (const statement of statements) await queries.query(statement);
}

/**
 * Brings the schema up to date: each migration that the database has not seen runs once, in its own
 * transaction together with the note that it ran. `upTo` stops after so many, for specs.
 * Throws when the folder was written by a newer Zest Pane.
 */
export async function migrate(database: Database, upTo = Infinity): Promise<void> {
  await database.query('create table if not exists migrations (name text primary key, ran_at timestamptz not null default now())');
  const ran = new Set((await database.query<{ name: string }>('select name from migrations')).map(({ name }) => name));
  const names = migrationNames();
  const unknown = [...ran].find((name) => !names.includes(name));
  if (unknown !== undefined) throw new Error(`The data folder was written by a newer version of Zest Pane (it has ${unknown}).`);
  for (const name of names.slice(0, upTo).filter((each) => !ran.has(each))) {
    await database.transaction(async (queries) => {
      await run(name, queries);
      await queries.query('insert into migrations (name) values ($1)', [name]);
    });
  }
}
